package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Document;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.ParagraphTraits;
import decant.model.look.TableTraits;
import decant.model.walk.Walk;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** How pages that PDFBox drew were set: where they end, how far apart things stand. */
class RecoveredSettingTest {
  @TempDir Path folder;

  private static Paragraph starting(Document d, String text) {
    return d.paragraphs().stream().filter(p -> p.text().startsWith(text)).findFirst().orElseThrow();
  }

  private static double prose(DrawnPdf pdf, double from, int times) {
    return pdf.prose(72, from, 450, DrawnPdf.PROSE.repeat(times));
  }

  @Test
  void pagesThatWereEndedOnPurposeEndThereAgain() throws Exception {
    var pdf = new DrawnPdf().text(DrawnPdf.BOLD, 16, 72, 90, "Berths");
    prose(pdf, 120, 2);
    pdf.page().text(DrawnPdf.BOLD, 16, 72, 90, "Charges");
    double end = prose(pdf, 120, 9);
    prose(pdf, end + 12, 3);
    pdf.page().text(DrawnPdf.BOLD, 16, 72, 90, "Storage");
    prose(pdf, 120, 1);
    Document d = pdf.takenIn(folder).document();
    assertThat(starting(d, "Charges").look().value(ParagraphTraits.PAGE_BREAK_BEFORE)).isTrue();
    assertThat(starting(d, "Storage").look().value(ParagraphTraits.PAGE_BREAK_BEFORE))
        .as("the page before it is full")
        .isFalse();
  }

  @Test
  void rowsStandAsFarApartAsTheyDid() throws Exception {
    var pdf = new DrawnPdf();
    prose(pdf, 90, 1);
    for (int k = 0; k < 6; k++) {
      pdf.text(80, 200 + 24 * k, k == 0 ? "Berth" : "North " + k);
      pdf.text(220, 200 + 24 * k, k == 0 ? "Length" : 6 + k + " m");
      pdf.text(340, 200 + 24 * k, k == 0 ? "Charge" : 40 + 3 * k + ".00");
    }
    prose(pdf, 380, 1);
    Document d = pdf.takenIn(folder).document();
    Table t =
        (Table)
            d.sections().getFirst().blocks().stream()
                .filter(b -> b instanceof Table)
                .findFirst()
                .orElseThrow();
    // Times' lines of 10 points are 11.5 apart: 24 leaves 12.5, half of it above and below.
    double top = t.look().value(TableTraits.CELL_PADDING).top();
    assertThat(top).isBetween(5.5, 7.0);
    assertThat(t.look().value(TableTraits.CELL_PADDING).bottom()).isEqualTo(top);
  }

  @Test
  void aTextOfWhichWordsWereDividedIsHyphenated() throws Exception {
    String[] lines = {
      "The harbour office keeps the berth plan and tells every holder by the first of Mar-",
      "ch which berth is theirs for the season, how long their lines may be, and where ves-",
      "sels may lie ashore. Whoever moves a vessel without asking pays for both of the ber-",
      "ths, the one they take and the one they leave. Fenders hang on both of the sides then.",
    };
    var pdf = new DrawnPdf();
    for (int k = 0; k < lines.length; k++) {
      pdf.text(72, 90 + 12 * k, lines[k]);
    }
    Document d = pdf.takenIn(folder).document();
    assertThat(d.styles().typesetting().hyphenates()).isTrue();
    assertThat(starting(d, "The harbour").text()).contains("March", "vessels", "berths");
    var whole = new DrawnPdf();
    prose(whole, 90, 2);
    assertThat(whole.takenIn(folder).document().styles().typesetting().hyphenates()).isFalse();
  }

  /** The head of a table is drawn again on each page that it goes on over. */
  @Test
  void theHeadOfATableThatGoesOnIsNoRunningText() throws Exception {
    var pdf = new DrawnPdf();
    for (int page = 0; page < 4; page++) {
      if (page > 0) {
        pdf.page();
      }
      pdf.text(DrawnPdf.BOLD, 10, 80, 60, "Berth");
      pdf.text(DrawnPdf.BOLD, 10, 220, 60, "Length");
      pdf.text(DrawnPdf.BOLD, 10, 340, 60, "Charge");
      for (int k = 0; k < 42; k++) {
        pdf.text(80, 76 + 16 * k, "Row " + (42 * page + k));
        pdf.text(220, 76 + 16 * k, 6 + (7 * k + 5 * page) % 9 + " m");
        pdf.text(340, 76 + 16 * k, 40 + (k + 3 * page) % 7 + ".00");
      }
    }
    Document d = pdf.takenIn(folder).document();
    long rows =
        d.sections().getFirst().blocks().stream()
            .filter(b -> b instanceof Table)
            .mapToLong(b -> ((Table) b).rows().size())
            .sum();
    assertThat(rows).as("one head, and all rows").isEqualTo(1 + 4 * 42);
    List<Story> running =
        d.sections().stream().map(Section::running).flatMap(r -> r.values().stream()).toList();
    assertThat(running)
        .allSatisfy(s ->
            assertThat(Walk.paragraphs(s.blocks())).noneMatch(p -> p.text().contains("Length")));
  }
}
