package decant.pdf;

import static decant.pdf.DrawnPdf.BOLD;
import static decant.pdf.DrawnPdf.PLAIN;
import static decant.pdf.DrawnPdf.PROSE;
import static decant.pdf.DrawnRows.PITCH;
import static decant.pdf.DrawnRows.ROOM;
import static decant.pdf.FoundTables.rows;
import static decant.pdf.FoundTables.tables;
import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Table;
import decant.model.look.TableTraits;
import decant.model.look.VerticalAlignment;
import decant.reading.ReadProblem;
import java.awt.Color;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Tables whose rows no line ends: heads that have a ground and nothing else, lines between columns
 * alone, and cells that stand in the middle of their row, as most programs that make pages of
 * tables set them if nothing is said.
 */
class RowsInTheMiddleTest {
  @TempDir Path folder;

  private static final String[][] REGISTER = {
    {
      "101", "Curlew", "1 May 2026", "The owner was told on the same|day and came for the key", "12"
    },
    {"102", "Avocet", "3 May 2026", "Lines doubled", "9"},
    {
      "103",
      "Dunlin",
      "4 May 2026",
      "The water point on the mole|dripped and was shut off|until the plumber comes",
      "31"
    },
    {"104", "Knot", "9 May 2026", "Closed at low water and open|again from the tenth", "7"},
    {"105", "Whimbrel", "10 May 2026", "Ask at the office", "15"},
    {"106", "Ruff", "12 May 2026", "Fenders were put out by the|watch on both sides", "22"},
  };

  private static final String[] HEAD = {"No.", "Vessel", "Day", "Remarks", "Watch"};

  private static final double[] LEFT = {72, 120, 190, 270, 440};

  /** Rows with each cell in the middle of the height of its row; the end of the last. */
  private static double middle(DrawnPdf pdf, double top, String[]... rows) {
    return drawn(pdf, top, 0.5, rows);
  }

  /**
   * @param share of the room that is left in a row that stands above a cell
   */
  private static double drawn(DrawnPdf pdf, double top, double share, String[]... rows) {
    return DrawnRows.draw(pdf, LEFT, top, share, rows);
  }

  private static List<List<String>> said(String[]... rows) {
    return List.of(rows).stream()
        .map(r -> List.of(r).stream().map(c -> c.replace('|', ' ')).toList())
        .toList();
  }

  /** Where its cells stand in their rows. */
  private static List<VerticalAlignment> standing(Table t) {
    return t.rows().stream()
        .flatMap(r -> r.cells().stream())
        .map(c -> c.look().value(TableTraits.VERTICAL_ALIGNMENT))
        .toList();
  }

  private void assertIsRegister(DrawnPdf pdf) throws IOException, ReadProblem {
    List<Table> found = tables(pdf.takenIn(folder).document());
    assertThat(found).hasSize(1);
    List<List<String>> rows = rows(found.getFirst());
    assertThat(rows.getFirst()).containsExactly(HEAD);
    assertThat(rows.subList(1, rows.size())).isEqualTo(said(REGISTER));
  }

  /** A register that comes back with its rows, and its cells where they stood. */
  private void assertStand(double share, VerticalAlignment standing)
      throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 420, PROSE);
    drawn(pdf, y + 20, share, REGISTER);
    List<Table> found = tables(pdf.takenIn(folder).document());
    assertThat(found).hasSize(1);
    assertThat(rows(found.getFirst())).isEqualTo(said(REGISTER));
    assertThat(standing(found.getFirst())).containsOnly(standing);
  }

  @Test
  void withoutAnyLineWhiteTellsTheRows() throws IOException, ReadProblem {
    assertStand(0.5, VerticalAlignment.CENTRE);
  }

  @Test
  void cellsMayStandAtTheFootOfTheirRows() throws IOException, ReadProblem {
    assertStand(1, VerticalAlignment.BOTTOM);
  }

  /** A head of a group stands alone in its row, and ends no table. */
  @Test
  void headsOfGroupsStandAmongTheRows() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = middle(pdf, 100, REGISTER[0], REGISTER[2]);
    y = middle(pdf, y, new String[] {"At the mole"}, REGISTER[3], REGISTER[4], REGISTER[5]);
    pdf.prose(72, y + 30, 420, PROSE);
    List<Table> found = tables(pdf.takenIn(folder).document());
    assertThat(found).hasSize(1);
    assertThat(rows(found.getFirst()))
        .hasSize(6)
        .contains(List.of("At the mole", "", "", "", ""))
        .containsAll(said(REGISTER[0], REGISTER[2], REGISTER[3]));
  }

  /** Lines of one column beside those of another, off by half a line all the way down. */
  @Test
  void columnsOfProseThatAreOffOneAnotherAreNoTable() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double left = 100;
    double right = 106;
    for (int k = 0; k < 4; k++) {
      left = pdf.prose(60, left, 150, PROSE.substring(0, 200)) + 8;
      right = pdf.prose(230, right, 150, PROSE.substring(20, 240)) + 8;
      pdf.prose(400, 100 + 90 * k, 150, PROSE.substring(10, 220));
    }
    assertThat(tables(pdf.takenIn(folder).document())).isEmpty();
  }

  /** Each cell draws its own lines, and so each line between columns comes in pieces. */
  @Test
  void linesBetweenColumnsAloneDoNotMakeOneRow() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = middle(pdf, 100, HEAD);
    double rule = y - ROOM / 2;
    pdf.line(68, rule, 470, rule);
    double end = middle(pdf, y, REGISTER) - ROOM / 2;
    double[] ends = {68, 116, 186, 266, 436};
    for (int c = 1; c < ends.length; c++) {
      for (double at = 100 - PITCH; at < end; at += 9) {
        pdf.line(ends[c], at, ends[c], Math.min(at + 9, end));
      }
    }
    assertIsRegister(pdf);
  }

  /** Nothing lies across the lines between the columns, above, below or between the rows. */
  @Test
  void linesThatStandSideBySideMakeATable() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = middle(pdf, 100, HEAD);
    double end = middle(pdf, y, REGISTER);
    for (double x : new double[] {68, 116, 186, 266, 436, 480}) {
      pdf.line(x, 98, x, end);
    }
    assertIsRegister(pdf);
  }

  /** Prose between lines, as newspapers have, is no table. */
  @Test
  void linesBetweenColumnsOfProseMakeNone() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    for (int c = 0; c < 4; c++) {
      pdf.line(54 + 160 * c, 100, 54 + 160 * c, 420);
      if (c < 3) {
        pdf.prose(60 + 160 * c, 110, 148, PROSE.substring(10 * c));
      }
    }
    assertThat(tables(pdf.takenIn(folder).document())).isEmpty();
  }

  /** A form for two parties: names and places in two boxes are no rows of a table. */
  @Test
  void addressesInBoxesStayWhatTheyAre() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    String[][] boxes = {
      {"Edda Kettle", "Harbour office", "Saltmarsh Quay"},
      {"Jonas Norwell", "The Old Slip", "Saltmarsh Quay"},
      {"Greta Ashdown", "Inner Quay 4", "Saltmarsh Quay"},
    };
    for (int c = 0; c < boxes.length; c++) {
      pdf.framed(72 + 150 * c, 100, 150, 50);
      for (int k = 0; k < boxes[c].length; k++) {
        pdf.text(78 + 150 * c, 114 + 12 * k, boxes[c][k]);
      }
    }
    List<Table> found = tables(pdf.takenIn(folder).document());
    assertThat(found).hasSize(1);
    assertThat(rows(found.getFirst())).hasSize(1);
  }

  private static DrawnPdf grid(DrawnPdf pdf, double top, String[]... rows) {
    double[] ends = {72, 200, 300, 400};
    for (int r = 0; r < rows.length; r++) {
      for (int c = 0; c < rows[r].length; c++) {
        double y = top + 20 * r;
        pdf.framed(ends[c], y, ends[c + 1] - ends[c], 20).text(ends[c] + 5, y + 13, rows[r][c]);
      }
    }
    return pdf;
  }

  private static void shaded(DrawnPdf pdf, double top, String... cells) {
    double[] ends = {72, 200, 300, 400};
    for (int c = 0; c < cells.length; c++) {
      pdf.filled(new Color(26, 99, 140), ends[c], top, ends[c + 1] - ends[c], 20);
      pdf.ink(Color.WHITE).text(BOLD, 10, ends[c] + 5, top + 13, cells[c]).ink(Color.BLACK);
    }
  }

  @Test
  void aHeadAndASumWithAGroundInsteadOfLinesAreOfTheTable() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    String[][] body = {{"Berths", "40", "38"}, {"Moorings", "12", "9"}, {"Ashore", "55", "51"}};
    shaded(pdf, 100, "Kind", "Planned", "Taken");
    grid(pdf, 120, body);
    shaded(pdf, 180, "In all", "107", "98");
    List<Table> found = tables(pdf.takenIn(folder).document());
    assertThat(found).hasSize(1);
    assertThat(rows(found.getFirst()))
        .containsExactly(
            List.of("Kind", "Planned", "Taken"),
            List.of(body[0]),
            List.of(body[1]),
            List.of(body[2]),
            List.of("In all", "107", "98"));
  }

  @Test
  void aTitleOnABarAboveATableIsNotARowOfIt() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    pdf.filled(new Color(210, 220, 230), 72, 100, 328, 20).text(BOLD, 12, 77, 114, "Berths");
    grid(pdf, 120, new String[] {"Kind", "Planned", "Taken"}, new String[] {"Berths", "40", "38"});
    assertThat(rows(tables(pdf.takenIn(folder).document()).getFirst()))
        .containsExactly(List.of("Kind", "Planned", "Taken"), List.of("Berths", "40", "38"));
  }

  /** Headings have a line below them as wide as the table's, here above and below it. */
  @Test
  void headingsOverLinesAreNotRows() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    pdf.text(BOLD, 14, 72, 90, "Charges").line(72, 95, 472, 95);
    double y = pdf.prose(72, 112, 400, PROSE) + 4;
    String[][] body = {
      {"Kind", "Planned", "Taken"}, {"Berths", "40", "38"}, {"Moorings", "12", "9"}
    };
    for (String[] row : body) {
      for (int c = 0; c < row.length; c++) {
        pdf.text(PLAIN, 9, 76 + 150 * c, y + 12, row[c]);
      }
      pdf.line(72, y + 18, 472, y + 18);
      y += 18;
    }
    pdf.text(BOLD, 14, 72, y + 22, "Winter storage").line(72, y + 27, 472, y + 27);
    pdf.prose(72, y + 46, 400, PROSE);
    assertThat(rows(tables(pdf.takenIn(folder).document()).getFirst())).isEqualTo(said(body));
  }
}
