package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.offset;

import decant.Samples;
import decant.Tool;
import decant.layout.Layout;
import decant.model.Document;
import decant.model.Story;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Words that run up or down beside the text; where they stand is what poppler says. */
class SideTextsTest {
  @TempDir Path folder;

  /** Where a word stands on the first page, in points from the top left: x, y, right, bottom. */
  private static double[] place(Path pdf, String word) {
    String out = Tool.run("pdftotext", "-bbox", "-l", "1", pdf.toString(), "-").output();
    Matcher m =
        Pattern.compile(
                "xMin=\"([\\d.]+)\" yMin=\"([\\d.]+)\" xMax=\"([\\d.]+)\" yMax=\"([\\d.]+)\">"
                    + word
                    + "<")
            .matcher(out);
    assertThat(m.find()).as("%s in %s", word, out).isTrue();
    return new double[] {
      Double.parseDouble(m.group(1)),
      Double.parseDouble(m.group(2)),
      Double.parseDouble(m.group(3)),
      Double.parseDouble(m.group(4))
    };
  }

  private static List<String> flowing(Document d) {
    return d.sections().stream()
        .flatMap(s -> s.blocks().stream())
        .map(b -> d.paragraph(b.id()).map(p -> p.text().strip()).orElse("(table)"))
        .toList();
  }

  private void assertBeside(double degrees, double x) throws Exception {
    var drawn = new DrawnPdf();
    drawn.prose(72, 90, 400, DrawnPdf.PROSE.repeat(6));
    drawn.turned(degrees, DrawnPdf.PLAIN, 11, x, 400, "Quayside register");
    Path source = drawn.saved(folder);
    Document d = Samples.taken(source).document();
    assertThat(flowing(d)).noneMatch(t -> t.contains("Quayside"));
    Layout l = Samples.layout(d);
    Path published = Published.file(folder, l, Samples.choices(l));
    for (String word : List.of("Quayside", "register")) {
      double[] was = place(source, word);
      double[] is = place(published, word);
      for (int k = 0; k < 4; k++) {
        assertThat(is[k])
            .as("%s of %s", "left top right bottom".split(" ")[k], word)
            .isCloseTo(was[k], offset(3.0));
      }
    }
  }

  @Test
  void upAtTheRight() throws Exception {
    assertBeside(270, 560);
  }

  @Test
  void upAtTheLeft() throws Exception {
    assertBeside(270, 40);
  }

  @Test
  void downAtTheRight() throws Exception {
    assertBeside(90, 540);
  }

  @Test
  void inATableTheyStayInIt() throws Exception {
    var drawn = new DrawnPdf();
    drawn.prose(72, 90, 400, DrawnPdf.PROSE.repeat(3));
    for (int k = 0; k < 5; k++) {
      drawn.line(40, 400 + 40 * k, 520, 400 + 40 * k);
    }
    for (double x : new double[] {40, 70, 300, 520}) {
      drawn.line(x, 400, x, 560);
    }
    for (int k = 0; k < 4; k++) {
      drawn.text(80, 424 + 40 * k, "Berth " + k);
      drawn.text(310, 424 + 40 * k, "12 m");
    }
    drawn.turned(270, DrawnPdf.PLAIN, 11, 58, 470, "North");
    Document d = Samples.taken(drawn.saved(folder)).document();
    assertThat(d.stories().values().stream().filter(s -> s.kind() == Story.Kind.BOX)).isEmpty();
  }
}
