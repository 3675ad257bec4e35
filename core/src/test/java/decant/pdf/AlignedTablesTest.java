package decant.pdf;

import static decant.pdf.FoundTables.tables;
import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Document;
import decant.model.Paragraph;
import decant.model.Table;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Tables without a grid, and what only looks like one; pages are drawn with PDFBox. */
class AlignedTablesTest {
  private static final String[] PROSE = {
    "Whoever leaves a vessel unattended for more",
    "than three days tells the office where the key",
    "is kept and who may move it in a gale. Lines",
    "must be doubled when the tide gauge stands",
    "above four metres. The office answers every",
    "request in writing within ten working days.",
    "Keys to the water points are handed out here",
    "against a deposit, and each has a number.",
  };

  @TempDir Path folder;

  /** Draws pieces of text, each given as x, y from the top, and the text. */
  private Document read(Object[]... pages) throws IOException {
    Path file = folder.resolve("drawn.pdf");
    try (PDDocument pdf = new PDDocument()) {
      var font = new PDType1Font(Standard14Fonts.FontName.TIMES_ROMAN);
      for (Object[] pieces : pages) {
        var page = new PDPage(PDRectangle.A4);
        pdf.addPage(page);
        try (var c = new PDPageContentStream(pdf, page)) {
          for (int k = 0; k < pieces.length; k += 3) {
            c.beginText();
            c.setFont(font, 11);
            c.newLineAtOffset(
                ((Number) pieces[k]).floatValue(), 842 - ((Number) pieces[k + 1]).floatValue());
            c.showText((String) pieces[k + 2]);
            c.endText();
          }
        }
      }
      pdf.save(file.toFile());
    }
    return Samples.taken(file).document();
  }

  private static List<List<String>> texts(Table t) {
    return t.rows().stream()
        .map(r -> r.cells().stream().map(c -> ((Paragraph) c.blocks().getFirst()).text()).toList())
        .toList();
  }

  @Test
  void rowsOfPiecesInColumnsAreATable() throws IOException {
    Document d =
        read(
            new Object[] {
              72,
              100,
              "Opening hours of the harbour office:",
              72,
              140,
              "Day",
              200,
              140,
              "From",
              300,
              140,
              "To",
              72,
              158,
              "Tuesday",
              200,
              158,
              "9:00",
              300,
              158,
              "17:30",
              72,
              176,
              "Thursday",
              300,
              176,
              "19:00",
              72,
              194,
              "Saturday",
              200,
              194,
              "10:00",
              300,
              194,
              "13:00",
            });
    assertThat(tables(d)).hasSize(1);
    assertThat(texts(tables(d).getFirst()))
        .containsExactly(
            List.of("Day", "From", "To"),
            List.of("Tuesday", "9:00", "17:30"),
            List.of("Thursday", "", "19:00"),
            List.of("Saturday", "10:00", "13:00"));
    assertThat(d.paragraphs().getFirst().text()).isEqualTo("Opening hours of the harbour office:");
  }

  @Test
  void proseInTwoColumnsIsReadColumnByColumn() throws IOException {
    var pieces = new Object[PROSE.length * 6];
    for (int k = 0; k < PROSE.length; k++) {
      Object[] row = {72, 100 + 14 * k, PROSE[k], 320, 100 + 14 * k, PROSE[(k + 4) % PROSE.length]};
      System.arraycopy(row, 0, pieces, 6 * k, 6);
    }
    Document d = read(pieces);
    assertThat(tables(d)).isEmpty();
    String all = String.join(" ", d.paragraphs().stream().map(Paragraph::text).toList());
    assertThat(all).containsSubsequence(PROSE[0], PROSE[1], PROSE[7], PROSE[4]);
  }

  @Test
  void aTableThatGoesOnOnTheNextPageIsOneTable() throws IOException {
    Object[] first = new Object[6 * 30];
    Object[] second = new Object[6 * 5];
    for (int k = 0; k < 30; k++) {
      System.arraycopy(
          new Object[] {
            72,
            300 + 16 * k,
            k == 0 ? "Berth" : "B" + k,
            250,
            300 + 16 * k,
            k == 0 ? "Depth" : k + " m"
          },
          0,
          first,
          6 * k,
          6);
    }
    for (int k = 0; k < 5; k++) {
      System.arraycopy(
          new Object[] {
            72,
            150 + 16 * k,
            k == 0 ? "Berth" : "C" + k,
            250,
            150 + 16 * k,
            k == 0 ? "Depth" : k + " m"
          },
          0,
          second,
          6 * k,
          6);
    }
    Document d = read(first, second);
    assertThat(tables(d)).hasSize(1);
    List<List<String>> rows = texts(tables(d).getFirst());
    assertThat(rows).hasSize(34).contains(List.of("C4", "4 m"));
    assertThat(rows.stream().filter(r -> r.contains("Berth")))
        .as("the repeated head stands once")
        .hasSize(1);
  }

  @Test
  void aListWithItsMarksFarOffIsNoTable() throws IOException {
    Document d =
        read(
            new Object[] {
              72,
              100,
              "1.",
              110,
              100,
              "The mast is down.",
              72,
              116,
              "2.",
              110,
              116,
              "The cradle stands ready.",
              72,
              132,
              "3.",
              110,
              132,
              "The owner is present.",
            });
    assertThat(tables(d)).isEmpty();
    assertThat(d.paragraphs()).hasSize(3);
  }
}
