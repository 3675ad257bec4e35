package decant.pdf.read.form;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.pdf.read.scan.PageScans;
import java.io.IOException;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.junit.jupiter.api.Test;

/** Blanks of pages that PDFBox paints, told from rules, underlines, tables and contents. */
class FlatBlanksTest {
  private static final float TOP = PDRectangle.A4.getHeight();

  /** What paints a page; y counts from its top. */
  private interface Painting {
    void on(Page p) throws IOException;
  }

  /** A page that is painted. */
  private record Page(PDPageContentStream out) {
    void text(double x, double y, String text) throws IOException {
      out.beginText();
      out.setFont(new PDType1Font(FontName.HELVETICA), 11);
      out.newLineAtOffset((float) x, (float) (TOP - y));
      out.showText(text);
      out.endText();
    }

    void line(double x1, double y1, double x2, double y2) throws IOException {
      out.setLineWidth(0.6f);
      out.moveTo((float) x1, (float) (TOP - y1));
      out.lineTo((float) x2, (float) (TOP - y2));
      out.stroke();
    }

    void box(double x, double y, double w, double h) throws IOException {
      out.setLineWidth(0.6f);
      out.addRect((float) x, (float) (TOP - y - h), (float) w, (float) h);
      out.stroke();
    }
  }

  private static List<FlatBlank> blanks(Painting painting) throws IOException {
    try (var pdf = new PDDocument()) {
      var page = new PDPage(PDRectangle.A4);
      pdf.addPage(page);
      try (var out = new PDPageContentStream(pdf, page)) {
        painting.on(new Page(out));
      }
      return FlatBlanks.of(PageScans.one(pdf, 0));
    }
  }

  private static List<String> names(List<FlatBlank> all) {
    return all.stream().map(b -> b.kind() + " " + b.label()).toList();
  }

  @Test
  void underscoresAreLinesToWriteOn() throws IOException {
    List<FlatBlank> all =
        blanks(p -> {
          p.text(72, 100, "Name of the owner: ______________________");
          p.text(72, 130, "Town ______________ Postcode __________");
          p.text(72, 160, "snake_case and a__b are words");
        });
    assertThat(names(all)).containsExactly("TEXT Name of the owner", "TEXT Town", "TEXT Postcode");
    FlatBlank first = all.getFirst();
    assertThat(first.area().bottom()).isCloseTo(100, within(3.0));
    assertThat(first.area().x()).isGreaterThan(150);
    assertThat(first.size()).isCloseTo(11, within(0.5));
  }

  @Test
  void dotsAreLinesToWriteOnButNotThoseOfContents() throws IOException {
    List<FlatBlank> all =
        blanks(p -> {
          p.text(72, 100, "Length over all ............................ m");
          p.text(72, 130, "Mooring charges ............................ 12");
          p.text(72, 160, "Winter storage ............................. xiv");
        });
    assertThat(names(all)).containsExactly("TEXT Length over all");
  }

  @Test
  void drawnLinesWithWordsBesideOrBelowAreBlanks() throws IOException {
    List<FlatBlank> all =
        blanks(p -> {
          p.text(72, 100, "Draught");
          p.line(130, 102, 300, 102);
          p.line(72, 200, 250, 200);
          p.text(80, 212, "Place and date");
          p.line(320, 200, 520, 200);
          p.text(330, 212, "Owner");
        });
    assertThat(names(all)).containsExactly("TEXT Draught", "TEXT Place and date", "TEXT Owner");
    assertThat(all.getFirst().area().bottom()).isCloseTo(102, within(1.0));
  }

  @Test
  void linesBelowOneAnotherAreRoomForSeveral() throws IOException {
    List<FlatBlank> all =
        blanks(p -> {
          p.line(72, 100, 500, 100);
          p.text(72, 90, "");
          p.text(30, 98, "Notes");
          p.line(72, 120, 500, 120);
          p.line(72, 140, 500, 140);
        });
    assertThat(names(all)).containsExactly("LINES Notes");
    assertThat(all.getFirst().area().bottom()).isCloseTo(140, within(1.0));
  }

  /** Rows of short lines, as some programs draw underscores, and lines that are drawn twice. */
  @Test
  void linesInPiecesAndDrawnTwiceAreLines() throws IOException {
    List<FlatBlank> all =
        blanks(p -> {
          p.text(72, 100, "Full name");
          for (int k = 0; k < 20; k++) {
            p.line(130 + k * 5.5, 102, 135.6 + k * 5.5, 102);
          }
          p.text(72, 130, "Town");
          p.line(110, 132, 240, 132);
          p.line(110, 132.4, 240, 132.4);
          p.text(72, 160, "Telephone");
          p.box(130, 161.5, 120, 0.6);
        });
    assertThat(names(all)).containsExactly("TEXT Full name", "TEXT Town", "TEXT Telephone");
    assertThat(all.getFirst().area().width()).isCloseTo(110, within(1.0));
  }

  @Test
  void rulesOfAPageAreNoBlanks() throws IOException {
    List<FlatBlank> all =
        blanks(p -> {
          p.text(72, 60, "Harbour office");
          p.line(72, 70, 520, 70); // below a running title
          p.text(72, 100, "An underlined heading");
          p.line(72, 102, 185, 102);
          p.line(72, 700, 216, 700); // above a note
          p.text(72, 712, "1 Measured at low water.");
          p.line(72, 300, 280, 300); // a table without standing rules
          p.text(80, 312, "Month");
          p.text(80, 326, "May");
          p.line(72, 500, 520, 500); // what parts two sections
          p.text(72, 520, "Every charge is rounded to the nearest half and entered.");
          p.text(72, 534, "It is due on the first day of the month.");
        });
    assertThat(all).isEmpty();
  }

  @Test
  void boxesAreTickedOrWrittenIn() throws IOException {
    List<FlatBlank> all =
        blanks(p -> {
          p.box(72, 91, 10, 10);
          p.text(90, 100, "The vessel is insured");
          p.text(72, 150, "Berth wished for");
          p.box(200, 138, 180, 18);
          p.text(72, 196, "Remarks");
          p.box(200, 184, 300, 60);
          p.text(72, 300, "Code");
          for (int k = 0; k < 6; k++) {
            p.box(200 + 14 * k, 288, 14, 16);
          }
        });
    assertThat(names(all))
        .containsExactly(
            "TICK The vessel is insured", "TEXT Berth wished for", "LINES Remarks", "TEXT Code");
    assertThat(all.getLast().area().width()).isCloseTo(84, within(1.5));
  }

  /** A grid of lines, with words in the cells of some rows. */
  private static void grid(Page p, double[] xs, double top, double high, String[]... rows)
      throws IOException {
    for (double x : xs) {
      p.line(x, top, x, top + rows.length * high);
    }
    for (int r = 0; r <= rows.length; r++) {
      p.line(xs[0], top + r * high, xs[xs.length - 1], top + r * high);
    }
    for (int r = 0; r < rows.length; r++) {
      for (int c = 0; c < rows[r].length; c++) {
        p.text(xs[c] + 4, top + r * high + 15, rows[r][c]);
      }
    }
  }

  @Test
  void cellsBesideWordsAreFilledIn() throws IOException {
    List<FlatBlank> all =
        blanks(p ->
            grid(
                p,
                new double[] {72, 200, 300, 380, 500},
                100,
                22,
                new String[] {"Name", "", "Berth", ""},
                new String[] {"Vessel", "", "Length (m)", ""},
                new String[] {"Telephone", "", "Date", ""}));
    assertThat(names(all))
        .containsExactly(
            "TEXT Name",
            "TEXT Berth",
            "TEXT Vessel",
            "TEXT Length (m)",
            "TEXT Telephone",
            "TEXT Date");
    assertThat(all.getFirst().area().x()).isCloseTo(201, within(1.5));
    assertThat(all.getFirst().area().width()).isCloseTo(98, within(2.0));
  }

  @Test
  void rowsBelowHeadsAreFilledIn() throws IOException {
    List<FlatBlank> all =
        blanks(p ->
            grid(
                p,
                new double[] {72, 120, 300, 500},
                100,
                22,
                new String[] {"No.", "Crew member", "Remarks"},
                new String[] {"1", "", ""},
                new String[] {"Mate", "", ""}));
    assertThat(names(all))
        .containsExactly(
            "TEXT Crew member 1", "TEXT Remarks 1", "TEXT Crew member Mate", "TEXT Remarks Mate");
  }

  @Test
  void registersWithGapsAreNoForms() throws IOException {
    List<FlatBlank> all =
        blanks(p ->
            grid(
                p,
                new double[] {72, 160, 260, 360, 500},
                100,
                22,
                new String[] {"Vessel", "Berth", "Length", "Remarks"},
                new String[] {"Gull", "A 4", "7.20", ""},
                new String[] {"Tern", "A 5", "", ""},
                new String[] {"Plover", "", "6.80", "Winter"}));
    assertThat(all).isEmpty();
  }

  @Test
  void fullBoxesAndFramesAreNoBlanks() throws IOException {
    List<FlatBlank> all =
        blanks(p -> {
          p.text(72, 100, "Note");
          p.box(120, 86, 200, 24);
          p.text(130, 100, "This box says something.");
          p.box(60, 60, 500, 120); // a frame around all of it
          p.box(300, 400, 9, 9); // a square without words
        });
    assertThat(all).isEmpty();
  }

  /** Each line is held against each other: a page of very many is not searched for drawn ones. */
  @Test
  void aDrawingOfManyLinesIsNotSearched() throws IOException {
    List<FlatBlank> all =
        blanks(p -> {
          p.text(72, 60, "Name: ______________");
          for (int k = 0; k < 20_000; k++) {
            p.line(72 + k % 7, 100 + k * 0.03, 300, 100 + k * 0.03);
          }
        });
    assertThat(names(all)).containsExactly("TEXT Name");
  }

  @Test
  void severalMakeAForm() throws IOException {
    assertThat(FlatBlanks.isForm(blanks(p -> p.text(72, 100, "Name ________")))).isFalse();
    assertThat(
            FlatBlanks.isForm(
                blanks(p -> {
                  p.text(72, 100, "Name ________ Town ________");
                  p.text(72, 120, "Date ________");
                })))
        .isTrue();
  }
}
