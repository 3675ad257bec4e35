package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Outline;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.edit.Contents;
import decant.model.edit.Revision;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.TabStop;
import decant.reading.ReadProblem;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Contents pages, page numbers well inside large pages, code beside text: drawn by PDFBox. */
class RecoveredContentsTest {
  private static final PDFont CODE = new PDType1Font(FontName.COURIER_BOLD);

  @TempDir Path folder;

  /** Dots with spaces between them, as some producers set them, and entries that have none. */
  private static DrawnPdf contents() {
    var pdf = new DrawnPdf().text(DrawnPdf.BOLD, 16, 72, 90, "Contents");
    entry(pdf, DrawnPdf.BOLD, 72, 120, "1 Berths", false, 2);
    entry(pdf, DrawnPdf.PLAIN, 90, 136, "1.1 Length", true, 2);
    entry(pdf, DrawnPdf.PLAIN, 90, 152, "1.2 Draught", true, 3);
    entry(pdf, DrawnPdf.BOLD, 72, 168, "2 Charges", false, 4);
    entry(pdf, DrawnPdf.PLAIN, 90, 184, "2.1 Summer season", true, 4);
    entry(pdf, DrawnPdf.PLAIN, 90, 200, "2.2 Winter storage ashore", true, 5);
    heading(pdf.page(), 16, "1 Berths");
    prose(pdf, 120);
    heading(pdf, 13, "1.1 Length", 300);
    prose(pdf, 330);
    heading(pdf.page(), 13, "1.2 Draught");
    prose(pdf, 120);
    heading(pdf.page(), 16, "2 Charges");
    prose(pdf, 120);
    heading(pdf, 13, "2.1 Summer season", 300);
    prose(pdf, 330);
    heading(pdf.page(), 13, "2.2 Winter storage ashore");
    prose(pdf, 120);
    return pdf;
  }

  private static void heading(DrawnPdf pdf, double size, String text) {
    heading(pdf, size, text, 90);
  }

  private static void heading(DrawnPdf pdf, double size, String text, double at) {
    pdf.text(DrawnPdf.BOLD, size, 72, at, text);
  }

  private static void prose(DrawnPdf pdf, double from) {
    for (int k = 0; k < 8; k++) {
      pdf.text(72, from + 14 * k, DrawnPdf.PROSE.substring(80 * (k % 4), 80 * (k % 4) + 80));
    }
  }

  private static void entry(
      DrawnPdf pdf, PDFont font, double x, double y, String text, boolean dotted, int page) {
    pdf.text(font, 10, x, y, text);
    double right = 480 - DrawnPdf.width(font, 10, Integer.toString(page));
    pdf.text(font, 10, right, y, Integer.toString(page));
    double left = x + DrawnPdf.width(font, 10, text) + 8;
    // The dots stand in one grid on all lines.
    for (double at = 480 - 12; dotted && at > left; at -= 5) {
      if (at < right - 4) {
        pdf.text(font, 10, at, y, ".");
      }
    }
  }

  private static List<Paragraph> entries(Document d) {
    return d.paragraphs().stream().filter(p -> Contents.isEntry(d, p)).toList();
  }

  @Test
  void entriesAreContentsWithLeadersAndNumbersThatStayRight() throws Exception {
    Document d = contents().takenIn(folder).document();
    List<Paragraph> entries = entries(d);
    assertThat(entries).hasSize(6);
    assertThat(entries.get(1).text()).isEqualTo("1.1 Length\t\uFFFC");
    assertThat(entries)
        .extracting(p -> p.look().value(ParagraphTraits.STYLE))
        .containsExactly("TOC1", "TOC2", "TOC2", "TOC1", "TOC2", "TOC2");
    assertThat(Outline.headings(d))
        .extracting(Outline.Heading::text)
        .as("entries are no headings")
        .containsExactly(
            "Contents",
            "1 Berths",
            "1.1 Length",
            "1.2 Draught",
            "2 Charges",
            "2.1 Summer season",
            "2.2 Winter storage ashore");
    for (Paragraph p : entries) {
      var field = (Inline.Field) p.inlines().getLast();
      assertThat(field.kind()).isEqualTo(Inline.Field.Kind.PAGE_OF);
      String heading = d.requireParagraph(d.bookmarks().get(field.target())).text();
      assertThat(p.text()).startsWith(heading + "\t");
    }
    assertThat(stop(d, entries.get(0)).leader()).isEqualTo(TabStop.Leader.NONE);
    assertThat(stop(d, entries.get(1)).leader()).isEqualTo(TabStop.Leader.DOT);
    assertThat(stop(d, entries.get(1)).kind()).isEqualTo(TabStop.Kind.RIGHT);
    assertThat(d.sections().stream().flatMap(s -> s.blocks().stream()))
        .allMatch(b -> b instanceof Paragraph);
  }

  private static TabStop stop(Document d, Paragraph p) {
    return d.styles().paragraphLook(p.look()).value(ParagraphTraits.TABS).getFirst();
  }

  @Test
  void contentsAreRenewedInTheirPlace() throws Exception {
    Document d = contents().takenIn(folder).document();
    Document renewed = Contents.renew(Revision.of(d)).document();
    assertThat(entries(renewed))
        .as("the title of the contents is none of its entries")
        .extracting(p -> p.text().replaceAll("\t.*", ""))
        .containsExactly(
            "1 Berths",
            "1.1 Length",
            "1.2 Draught",
            "2 Charges",
            "2.1 Summer season",
            "2.2 Winter storage ashore");
    assertThat(renewed.paragraphs()).hasSameSizeAs(d.paragraphs());
  }

  /** A list of prices has leaders too, but its numbers do not grow. */
  @Test
  void aListOfPricesIsNoContents() throws Exception {
    var pdf = new DrawnPdf().text(DrawnPdf.BOLD, 16, 72, 90, "Charges");
    int[] prices = {45, 12, 80, 7, 33, 21};
    for (int k = 0; k < prices.length; k++) {
      entry(
          pdf,
          DrawnPdf.PLAIN,
          72,
          120 + 16 * k,
          "Berth in row " + (char) ('A' + k),
          true,
          prices[k]);
    }
    prose(pdf, 300);
    Document d = pdf.takenIn(folder).document();
    assertThat(entries(d)).isEmpty();
    Paragraph row =
        d.paragraphs().stream().filter(p -> p.text().contains("row C")).findFirst().orElseThrow();
    assertThat(row.text()).isEqualTo("Berth in row C\t80");
    assertThat(stop(d, row).leader()).isEqualTo(TabStop.Leader.DOT);
  }

  /** Numbers 140 points above the foot of the page, as under a small block of text. */
  @Test
  void pageNumbersWellInsideThePageRun() throws Exception {
    var pdf = new DrawnPdf();
    for (int page = 1; page <= 5; page++) {
      if (page > 1) {
        pdf.page();
      }
      for (int k = 0; k < 30; k++) {
        int from = (17 * k + 31 * page) % 200;
        pdf.text(130, 150 + 14 * k, DrawnPdf.PROSE.substring(from, from + 60));
      }
      pdf.text(300, 700, Integer.toString(page));
    }
    Document d = pdf.takenIn(folder).document();
    assertThat(d.paragraphs()).noneMatch(p -> p.text().matches("\\d"));
    Section s = d.sections().getFirst();
    assertThat(s.running().get(Section.Running.FOOTER).blocks())
        .anyMatch(b ->
            b instanceof Paragraph p
                && p.inlines().stream().anyMatch(i -> i instanceof Inline.Field));
  }

  /** Code is smaller than the text and there is more of it: the text is no heading for that. */
  @Test
  void codeBesideTextMakesNeitherAHeading() throws IOException, ReadProblem {
    var pdf = new DrawnPdf().text(DrawnPdf.BOLD, 16, 72, 90, "How tides are computed");
    double y = 120;
    for (int block = 0; block < 4; block++) {
      pdf.text(72, y, "The " + (block + 1) + ". step reads as follows");
      for (int k = 0; k < 9; k++) {
        pdf.text(
            CODE, 7, 72, y + 16 + 9 * k, "level = mean + sum(amplitude * cos(speed * t + phase))");
      }
      y += 110;
    }
    prose(pdf, y);
    Document d = pdf.takenIn(folder).document();
    assertThat(Outline.headings(d))
        .extracting(Outline.Heading::text)
        .containsExactly("How tides are computed");
  }

  /** One line of a hundred in the margin does not move the margin. */
  @Test
  void aNumberInTheMarginDoesNotWidenTheText() throws Exception {
    var pdf = new DrawnPdf();
    for (int page = 0; page < 3; page++) {
      if (page > 0) {
        pdf.page();
      }
      for (int k = 0; k < 40; k++) {
        int from = (13 * k + 29 * page) % 180;
        pdf.text(130, 100 + 14 * k, DrawnPdf.PROSE.substring(from, from + 75));
      }
    }
    pdf.text(DrawnPdf.PLAIN, 7, 60, 100, "17");
    Document d = pdf.takenIn(folder).document();
    assertThat(d.sections().getFirst().page().margins().left())
        .isCloseTo(130, org.assertj.core.api.Assertions.within(4.0));
  }
}
