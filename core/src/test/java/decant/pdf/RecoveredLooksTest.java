package decant.pdf;

import static decant.pdf.DrawnPdf.PLAIN;
import static decant.pdf.DrawnPdf.PROSE;
import static decant.pdf.DrawnPdf.width;
import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.look.Colour;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.model.look.Trait;
import decant.reading.ReadProblem;
import java.awt.Color;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Looks of text that is drawn rather than said: lines through and under it, markers behind it. */
class RecoveredLooksTest {
  private static final Color YELLOW = new Color(0xFFF200);

  @TempDir Path folder;

  private static List<Paragraph> paragraphs(Document d) {
    return d.paragraphs();
  }

  /** The text that a trait is set on. */
  private static <T> String with(Document d, Trait<T> trait, T value) {
    return paragraphs(d).stream()
        .flatMap(p -> p.inlines().stream())
        .filter(i -> i instanceof Inline.Text t && t.look().value(trait).equals(value))
        .map(i -> ((Inline.Text) i).text())
        .collect(Collectors.joining("|"));
  }

  /** Words with what is drawn about the second of them. */
  private interface About {
    void draw(DrawnPdf pdf, double x, double baseline, double width);
  }

  private Document marked(String before, String word, String after, About about)
      throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 450, PROSE);
    double x = 72 + width(PLAIN, 10, before);
    about.draw(pdf, x, y, width(PLAIN, 10, word));
    pdf.text(72, y, before + word + after);
    pdf.prose(72, y + 24, 450, PROSE);
    return pdf.takenIn(folder).document();
  }

  @Test
  void aLineThroughWordsStrikesThem() throws IOException, ReadProblem {
    Document d =
        marked(
            "Berths are let ",
            "by the day",
            " by the week.",
            (pdf, x, y, w) -> pdf.line(x, y - 2.6, x + w, y - 2.6));
    assertThat(with(d, TextTraits.STRIKE, true)).isEqualTo("by the day");
    assertThat(with(d, TextTraits.UNDERLINE, true)).isEmpty();
  }

  @Test
  void aLineBelowWordsUnderlinesThem() throws IOException, ReadProblem {
    Document d =
        marked(
            "Berths are let ",
            "by the day",
            " only.",
            (pdf, x, y, w) -> pdf.filled(Color.BLACK, x, y + 1, w, 0.6));
    assertThat(with(d, TextTraits.UNDERLINE, true)).isEqualTo("by the day");
    assertThat(with(d, TextTraits.STRIKE, true)).isEmpty();
  }

  /** As long as the text of the page is wide, and yet under words: it ends with them. */
  @Test
  void aWholeLineMayBeUnderlined() throws IOException, ReadProblem {
    String all =
        "Whoever moves a vessel without asking pays for the berth they take and the one they leave";
    Document d = marked("", all, "", (pdf, x, y, w) -> pdf.filled(Color.BLACK, x, y + 1, w, 0.6));
    assertThat(width(PLAIN, 10, all)).isGreaterThan(0.6 * 595);
    assertThat(with(d, TextTraits.UNDERLINE, true)).isEqualTo(all);
    Document ruled =
        marked("", all, "", (pdf, x, y, w) -> pdf.filled(Color.BLACK, x - 20, y + 1, w + 30, 0.6));
    assertThat(with(ruled, TextTraits.UNDERLINE, true)).isEmpty();
  }

  /** Text close above a table: the line below it is the table's. */
  @Test
  void theUpperEdgeOfATableUnderlinesNothing() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 450, PROSE) + 30;
    String title = "Charges for the season, with power";
    double w = width(PLAIN, 10, title) + 3;
    pdf.text(74, y - 1.5, title);
    for (int row = 0; row < 3; row++) {
      pdf.framed(72, y + row * 18, w / 2, 18).framed(72 + w / 2, y + row * 18, w / 2, 18);
      pdf.text(76, y + 13 + row * 18, "Berth " + row).text(76 + w / 2, y + 13 + row * 18, "18.40");
    }
    assertThat(with(pdf.takenIn(folder).document(), TextTraits.UNDERLINE, true)).isEmpty();
  }

  @Test
  void aColourJustBehindWordsIsAMarker() throws IOException, ReadProblem {
    Document d =
        marked(
            "Berths are let ",
            "by the day",
            " only.",
            (pdf, x, y, w) -> pdf.filled(YELLOW, x, y - 8.5, w, 11));
    assertThat(with(d, TextTraits.HIGHLIGHT, new Colour(0xFFF200))).isEqualTo("by the day");
  }

  @Test
  void theShadeOfACellAndOfABoxIsNoMarker() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 450, PROSE) + 10;
    for (int row = 0; row < 3; row++) {
      for (int column = 0; column < 3; column++) {
        double x = 72 + column * 100;
        pdf.filled(new Color(0xDDE6EE), x, y + row * 18 - 12, 100, 18)
            .framed(x, y + row * 18 - 12, 100, 18);
        pdf.text(x + 4, y + row * 18, "Cell " + row + column);
      }
    }
    pdf.filled(new Color(0xF4F1E4), 72, y + 80, 300, 18);
    pdf.text(80, y + 92, "A note in a box of its own, shorter than it.");
    Document d = pdf.takenIn(folder).document();
    assertThat(paragraphs(d).stream().flatMap(p -> p.inlines().stream()))
        .allMatch(i -> i.look().value(TextTraits.HIGHLIGHT).equals(Colour.WHITE));
  }

  /** A fraction's bar and a rule across the page touch letters without meaning them. */
  @Test
  void rulesThatOnlyTouchLettersMeanNothing() throws IOException, ReadProblem {
    Document d =
        marked(
            "Berths are let ",
            "x",
            " by the week.",
            (pdf, x, y, w) -> pdf.line(x, y - 2.6, x + w, y - 2.6).line(60, y - 3, 540, y - 3));
    assertThat(with(d, TextTraits.STRIKE, true)).isEmpty();
  }

  @Test
  void looksGoThroughAPublishedFile() throws IOException, ReadProblem {
    Look struck = Look.of(TextTraits.STRIKE, true);
    Look lit = Look.of(TextTraits.HIGHLIGHT, new Colour(0xFFE680));
    Document d =
        Samples.document(
            Samples.runs(
                "Berths are let ",
                Look.PLAIN,
                "by the day",
                struck,
                " and ",
                Look.PLAIN,
                "by the week",
                lit,
                " from the first of March on, to whoever asks in writing.",
                Look.PLAIN));
    Path file = folder.resolve("published.pdf");
    decant.layout.Layout l = Samples.layout(d);
    Files.write(file, Samples.pdf(l, Samples.choices(l)));
    Document back = Samples.taken(file).document();
    assertThat(with(back, TextTraits.STRIKE, true)).isEqualTo("by the day");
    assertThat(with(back, TextTraits.HIGHLIGHT, new Colour(0xFFE680))).isEqualTo("by the week");
  }
}
