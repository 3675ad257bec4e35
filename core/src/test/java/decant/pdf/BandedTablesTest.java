package decant.pdf;

import static decant.pdf.DrawnPdf.BOLD;
import static decant.pdf.DrawnPdf.PLAIN;
import static decant.pdf.DrawnPdf.PROSE;
import static decant.pdf.FoundTables.rows;
import static decant.pdf.FoundTables.tables;
import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Document;
import decant.model.Paragraph;
import decant.model.Table;
import decant.reading.ReadProblem;
import java.awt.Color;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Tables whose rows are told by shaded bars or by lines from side to side, drawn cell by cell. */
class BandedTablesTest {
  private static final Color SHADE = new Color(0xe8, 0xee, 0xf2);

  private static final String[][] ENTRIES = {
    {"Berth", "Vessel", "Remarks of the watch", "Fee"},
    {"104", "Curlew", "Fenders were put out by|the watch, and both lines|were doubled", "18"},
    {"105", "Sandpiper of|the Outer Mole", "Key left at the office", "240"},
    {"106", "Dunlin", "Water point shut off until|the plumber comes", "7"},
    {"107", "Knot", "", "31"},
    {"108", "Turnstone|and tender", "Moved to the slip on the|eve of the gale", "95"},
  };

  /** What stands in each row: lines of a cell are parted by a space. */
  private static final List<List<String>> SAID =
      List.of(ENTRIES).stream()
          .map(r -> List.of(r).stream().map(c -> c.replace('|', ' ')).toList())
          .toList();

  private static final double[] LEFT = {72, 120, 220, 400};

  @TempDir Path folder;

  /** How a row is set off. */
  private interface Band {
    void draw(DrawnPdf pdf, int row, double top, double height);
  }

  /** Draws the entries, each cell in the middle of its row's height; gives where the table ends. */
  private static double table(DrawnPdf pdf, double y, Band band) {
    for (int r = 0; r < ENTRIES.length; r++) {
      int most = List.of(ENTRIES[r]).stream().mapToInt(c -> c.split("\\|").length).max().orElse(1);
      double height = 12 * most + 6;
      band.draw(pdf, r, y, height);
      for (int c = 0; c < LEFT.length; c++) {
        String[] lines = ENTRIES[r][c].split("\\|");
        double at = y + 3 + 6 * (most - lines.length);
        for (int k = 0; k < lines.length; k++) {
          double x = c < 3 ? LEFT[c] : 430 - DrawnPdf.width(PLAIN, 10, lines[k]);
          pdf.text(r == 0 ? BOLD : PLAIN, 10, x, at + 12 * k + 9, lines[k]);
        }
      }
      y += height;
    }
    return y;
  }

  @Test
  void everySecondRowShadedTellsAllRows() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(68, 80, 380, PROSE);
    y =
        table(
            pdf,
            y + 12,
            (p, r, top, h) -> {
              if (r % 2 == 1) {
                p.filled(SHADE, 68, top, 370, h);
              }
            });
    pdf.prose(68, y + 30, 380, PROSE);
    List<Table> found = tables(pdf.takenIn(folder).document());
    assertThat(found).hasSize(1);
    assertThat(rows(found.getFirst())).isEqualTo(SAID);
  }

  /** As browsers draw them: the ground of a row is that of each of its cells. */
  @Test
  void groundsOfCellsBesideOneAnotherAreOneBar() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double[] edges = {68, 116, 216, 396, 438};
    table(
        pdf,
        100,
        (p, r, top, h) -> {
          for (int c = 0; c < 4 && r % 2 == 0; c++) {
            p.filled(r == 0 ? Color.LIGHT_GRAY : SHADE, edges[c], top, edges[c + 1] - edges[c], h);
          }
        });
    List<Table> found = tables(pdf.takenIn(folder).document());
    assertThat(found).hasSize(1);
    assertThat(rows(found.getFirst())).isEqualTo(SAID);
  }

  @Test
  void aLineBelowEachRowTellsAllRows() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    table(pdf, 100, (p, r, top, h) -> p.line(68, top + h, 438, top + h));
    List<Table> found = tables(pdf.takenIn(folder).document());
    assertThat(found).hasSize(1);
    assertThat(rows(found.getFirst())).isEqualTo(SAID);
  }

  @Test
  void aTitleBetweenTwoTablesOfOneWidthPartsThem() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    Band shaded =
        (p, r, top, h) -> {
          if (r % 2 == 0) {
            p.filled(SHADE, 68, top, 370, h);
          }
        };
    double y = table(pdf, 100, shaded);
    pdf.text(BOLD, 12, 68, y + 24, "The winter season");
    table(pdf, y + 36, shaded);
    Document d = pdf.takenIn(folder).document();
    assertThat(tables(d)).hasSize(2).allSatisfy(t -> assertThat(rows(t)).isEqualTo(SAID));
    assertThat(d.sections().stream().flatMap(x -> x.blocks().stream()))
        .anyMatch(b -> b instanceof Paragraph p && p.text().startsWith("The winter season"));
  }

  /** Rules above and below the head and below the last row, as is usual in print. */
  @Test
  void whatThreeLinesHoldIsATableHoweverNarrowItsGaps() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(68, 80, 380, PROSE);
    String[][] said = {
      {"Day", "From", "To"}, {"Tuesday", "9:00", "17:30"}, {"Thursday", "11:00", "19:00"}
    };
    double[] left = {200, 248, 280};
    y += 20;
    pdf.line(196, y, 312, y);
    for (int r = 0; r < said.length; r++) {
      for (int c = 0; c < 3; c++) {
        pdf.text(left[c], y + 13, said[r][c]);
      }
      y += 15;
      if (r == 0 || r == 2) {
        pdf.line(196, y + 3, 312, y + 3);
        y += 3;
      }
    }
    pdf.prose(68, y + 30, 380, PROSE);
    List<Table> found = tables(pdf.takenIn(folder).document());
    assertThat(found).hasSize(1);
    assertThat(rows(found.getFirst())).isEqualTo(List.of(said).stream().map(List::of).toList());
  }

  @Test
  void proseInColumnsBetweenLinesOrOnBarsIsNoTable() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = 90;
    for (int k = 0; k < 4; k++) {
      pdf.filled(SHADE, 55, y, 490, 14).text(BOLD, 10, 60, y + 10, "Notice " + (k + 1));
      double a = pdf.prose(60, y + 30, 225, PROSE);
      double b = pdf.prose(315, y + 30, 225, PROSE);
      y = Math.max(a, b) + 14;
      pdf.line(55, y, 545, y);
      y += 6;
    }
    assertThat(tables(pdf.takenIn(folder).document())).isEmpty();
  }

  /** A table in one of two columns of prose, whose widest column alone looks like prose. */
  @Test
  void aRegisterInAColumnOfProseStaysWhole() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double right = pdf.prose(315, 80, 235, PROSE.repeat(6));
    double y = pdf.prose(60, 80, 225, PROSE.repeat(2));
    String[][] tasks = {
      {"Double the lines of all|vessels on the mole", "Edda", "4 May"},
      {"Ask the office for the keys|to the water points, and|sign for them", "Hal", "16 May"},
      {"Put out fenders before the|gale of the week", "Ida", "7 June"},
      {"Tell the owners of vessels|on the slip", "Finn", "21 June"},
    };
    y += 10;
    for (String[] t : tasks) {
      String[] lines = t[0].split("\\|");
      for (int k = 0; k < lines.length; k++) {
        pdf.text(60, y + 12 * k, lines[k]);
      }
      pdf.text(200, y, t[1]).text(240, y, t[2]);
      y += 12 * lines.length + 6;
    }
    assertThat(y).isLessThan(right);
    List<Table> found = tables(pdf.takenIn(folder).document());
    assertThat(found).hasSize(1);
    assertThat(rows(found.getFirst()))
        .isEqualTo(
            List.of(tasks).stream()
                .map(r -> List.of(r).stream().map(c -> c.replace('|', ' ')).toList())
                .toList());
  }
}
