package decant.pdf;

import static decant.pdf.DrawnPdf.BOLD;
import static decant.pdf.DrawnPdf.PLAIN;
import static decant.pdf.DrawnPdf.PROSE;
import static decant.pdf.FoundTables.rows;
import static decant.pdf.FoundTables.tables;
import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Table;
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
  private static final double PITCH = 11;
  private static final double ROOM = 8;

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

  private static final double[] LEFT = {72, 120, 190, 270, 440};

  /** Rows with each cell in the middle of the height of its row; the end of the last. */
  private static double middle(DrawnPdf pdf, double top, String[]... rows) {
    double y = top;
    for (String[] row : rows) {
      int most = 1;
      for (String cell : row) {
        most = Math.max(most, cell.split("\\|").length);
      }
      for (int c = 0; c < row.length; c++) {
        String[] lines = row[c].split("\\|");
        double at = y + ROOM + (most - lines.length) * PITCH / 2;
        for (String l : lines) {
          pdf.text(PLAIN, 9, LEFT[c], at, l);
          at += PITCH;
        }
      }
      y += most * PITCH + ROOM;
    }
    return y;
  }

  private static List<List<String>> said(String[]... rows) {
    return List.of(rows).stream()
        .map(r -> List.of(r).stream().map(c -> c.replace('|', ' ')).toList())
        .toList();
  }

  @Test
  void withoutAnyLineWhiteTellsTheRows() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 420, PROSE);
    middle(pdf, y + 20, REGISTER);
    List<Table> found = tables(pdf.takenIn(folder).document());
    assertThat(found).hasSize(1);
    assertThat(rows(found.getFirst())).isEqualTo(said(REGISTER));
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
    String[] head = {"No.", "Vessel", "Day", "Remarks", "Watch"};
    double y = middle(pdf, 100, head);
    double rule = y - ROOM / 2;
    pdf.line(68, rule, 470, rule);
    double end = middle(pdf, y, REGISTER) - ROOM / 2;
    double[] ends = {68, 116, 186, 266, 436};
    for (int c = 1; c < ends.length; c++) {
      for (double at = 100 - PITCH; at < end; at += 9) {
        pdf.line(ends[c], at, ends[c], Math.min(at + 9, end));
      }
    }
    List<Table> found = tables(pdf.takenIn(folder).document());
    assertThat(found).hasSize(1);
    List<List<String>> rows = rows(found.getFirst());
    assertThat(rows.getFirst()).containsExactly(head);
    assertThat(rows.subList(1, rows.size())).isEqualTo(said(REGISTER));
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
}
