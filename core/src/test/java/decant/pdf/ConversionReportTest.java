package decant.pdf;

import static decant.pdf.DrawnPdf.BOLD;
import static decant.pdf.DrawnPdf.PLAIN;
import static decant.pdf.DrawnPdf.PROSE;
import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Paragraph;
import decant.model.finding.Finding;
import decant.model.finding.Finding.Kind;
import decant.model.finding.Finding.Remedy;
import decant.reading.ReadProblem;
import decant.reading.TakenIn;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is said of pages that did not carry over cleanly, and that nothing is said of others. */
class ConversionReportTest {
  @TempDir Path folder;

  private static List<Finding> of(TakenIn t, Kind kind) {
    return t.findings().stream().filter(f -> f.kind() == kind).toList();
  }

  private static Paragraph paragraph(TakenIn t, Finding f) {
    return t.document().requireParagraph(f.node().orElseThrow());
  }

  @Test
  void aPlainPageHasNoFindings() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.text(BOLD, 16, 72, 90, "Berth rules").prose(72, 120, 450, PROSE.repeat(2));
    y = pdf.text(BOLD, 13, 72, y + 16, "Lines").prose(72, y + 36, 450, PROSE);
    pdf.text(BOLD, 13, 72, y + 16, "Fenders").prose(72, y + 36, 450, PROSE);
    assertThat(pdf.takenIn(folder).findings())
        .as("but that its standard font is shown in one of the same widths")
        .allSatisfy(f -> assertThat(f.kind()).isEqualTo(Finding.Kind.FONT_REPLACED))
        .hasSize(1);
  }

  @Test
  void aBoldLineThatStandsAloneIsSuspectedWithTheLevelItWouldHave()
      throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.text(BOLD, 16, 72, 90, "Berth rules").prose(72, 120, 450, PROSE);
    y = pdf.prose(72, y + 12, 450, PROSE);
    pdf.text(BOLD, 10, 72, y + 20, "What fenders are for").prose(72, y + 36, 450, PROSE);
    TakenIn t = pdf.takenIn(folder);
    Finding f = of(t, Kind.HEADING_SUSPECTED).getFirst();
    assertThat(of(t, Kind.HEADING_SUSPECTED)).hasSize(1);
    assertThat(paragraph(t, f).text()).isEqualTo("What fenders are for");
    assertThat(f.remedy()).contains(new Remedy.MakeHeading(2));
    assertThat(f.source().orElseThrow().box().y()).isBetween(y + 8, y + 20);
  }

  @Test
  void textWrittenOverOtherTextIsSaidToBeSo() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 450, PROSE);
    pdf.text(72, y + 20, "The charge for a day is due at the office by noon.");
    pdf.text(PLAIN, 14, 90, y + 22, "PAID AND ENTERED IN THE BOOK");
    TakenIn t = pdf.takenIn(folder);
    assertThat(of(t, Kind.TEXT_OVERLAPS))
        .singleElement()
        .satisfies(f ->
            assertThat(f.source().orElseThrow().box().contains(120, y + 18))
                .as("the place")
                .isTrue());
  }

  @Test
  void aBoldLetterShownTwiceIsNoTextOverText() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 450, PROSE);
    pdf.text(72, y + 20, "The charge for a day").text(72.3, y + 20, "The charge for a day");
    assertThat(of(pdf.takenIn(folder), Kind.TEXT_OVERLAPS)).isEmpty();
  }

  @Test
  void aPictureOfFewDotsIsSaidToLookCoarse() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    pdf.prose(72, 90, 450, PROSE);
    pdf.picture(new BufferedImage(120, 60, BufferedImage.TYPE_INT_RGB), 72, 200, 144, 72);
    pdf.picture(new BufferedImage(900, 450, BufferedImage.TYPE_INT_RGB), 72, 300, 144, 72);
    pdf.prose(72, 420, 450, PROSE);
    TakenIn t = pdf.takenIn(folder);
    assertThat(of(t, Kind.PICTURE_COARSE))
        .singleElement()
        .satisfies(f -> {
          assertThat(f.message()).contains("60 dots per inch");
          assertThat(f.severity()).isEqualTo(Finding.Severity.NOTE);
          assertThat(f.source().orElseThrow().box().y()).isBetween(199.0, 201.0);
        });
  }

  @Test
  void aFontThatIsReplacedIsSaidToRunWiderOrNarrower() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    var font = pdf.font("NotoSansHebrew-Regular.ttf");
    double y = pdf.prose(72, 90, 450, PROSE);
    pdf.text(font, 10, 72, y + 20, "שלום לכולם ברציף המזרחי של הנמל");
    TakenIn t = pdf.takenIn(folder);
    assertThat(of(t, Kind.FONT_REPLACED))
        .allSatisfy(f -> assertThat(f.message()).containsAnyOf("wider", "narrower", "ine breaks"));
  }

  @Test
  void textInColumnsThatIsMostlyEmptyIsADoubtfulTable() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 450, PROSE) + 10;
    String[][] rows = {
      {"East", "", "", "85"}, {"", "Crane", "", "40"}, {"", "", "Slip", "12"},
      {"West", "", "", "90"}, {"", "Quay", "", "30"}, {"", "", "Mole", "11"},
    };
    for (int r = 0; r < rows.length; r++) {
      for (int c = 0; c < 4; c++) {
        if (!rows[r][c].isEmpty()) {
          pdf.text(72 + c * 100, y + r * 14, rows[r][c]);
        }
      }
    }
    pdf.prose(72, y + 110, 450, PROSE);
    TakenIn t = pdf.takenIn(folder);
    for (Finding f : of(t, Kind.TABLE_DOUBTFUL)) {
      assertThat(f.remedy()).contains(new Remedy.MakeText());
      assertThat(t.document().block(f.node().orElseThrow())).isPresent();
    }
    boolean table =
        t.document().sections().getFirst().blocks().stream()
            .anyMatch(b -> b instanceof decant.model.Table);
    assertThat(of(t, Kind.TABLE_DOUBTFUL).isEmpty())
        .as("either it was taken for a table, and said to be doubtful, or it was not")
        .isEqualTo(!table);
  }
}
