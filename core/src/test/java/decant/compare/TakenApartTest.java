package decant.compare;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.compare.Difference.Change;
import decant.compare.Difference.Kind;
import decant.io.Untouchable;
import decant.model.Block;
import decant.model.Document;
import decant.model.Paragraph;
import decant.model.look.Colour;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.publish.Publisher;
import decant.reading.ReadRequest;
import decant.work.Deadline;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What of files is only to be seen. */
class TakenApartTest {
  @TempDir Path folder;

  private static List<Block> blocks(Colour shade) {
    var all = new ArrayList<Block>();
    for (int k = 0; k < 60; k++) {
      all.add(Samples.paragraph("Berth " + k + " is let for one season, from spring to autumn."));
    }
    Look shaded = Look.of(ParagraphTraits.SHADING, shade);
    all.add(Paragraph.of(shaded, "Lines must be doubled when a gale is forecast."));
    return all;
  }

  private Path saved(String name, Colour shade) throws Exception {
    Path file = folder.resolve(name);
    Document d = Document.of(Samples.styles(), blocks(shade));
    Publisher.workingCopy(d, file, true, Untouchable.inputs(List.of()));
    return file;
  }

  private Path published(String name, Colour shade) throws Exception {
    Path file = folder.resolve(name);
    var layout = Samples.layout(Document.of(Samples.styles(), blocks(shade)));
    return Files.write(file, Samples.pdf(layout, Samples.choices(layout)));
  }

  private static List<Difference> compared(Path a, Path b) throws Exception {
    Deadline d = Deadline.in(Duration.ofMinutes(1));
    try (TakenApart x = TakenApart.of(ReadRequest.of(a), d);
        TakenApart y = TakenApart.of(ReadRequest.of(b), d)) {
      return Comparison.of(x, y);
    }
  }

  @Test
  void aBackgroundOfAnotherColourIsSeenInWhateverFormat() throws Exception {
    var grey = new Colour(0xDDDDDD);
    var dark = new Colour(0x555577);
    for (List<Path> pair :
        List.of(
            List.of(saved("a.docx", grey), saved("b.docx", dark)),
            List.of(published("a.pdf", grey), published("b.pdf", dark)),
            List.of(saved("c.docx", grey), published("d.pdf", dark)))) {
      assertThat(compared(pair.get(0), pair.get(1)))
          .as(pair.toString())
          .singleElement()
          .satisfies(d -> {
            assertThat(d.kind()).isEqualTo(Kind.DRAWING);
            assertThat(d.change()).isEqualTo(Change.CHANGED);
            assertThat(d.a().orElseThrow().page()).isEqualTo(2);
          });
    }
  }

  @Test
  void pagesThatLookTheSameHaveNoDifference() throws Exception {
    var grey = new Colour(0xDDDDDD);
    assertThat(compared(saved("a.docx", grey), published("a.pdf", grey))).isEmpty();
    assertThat(compared(published("a.pdf", grey), published("b.pdf", grey))).isEmpty();
  }
}
