package decant.pdf;

import static decant.pdf.DrawnPdf.BOLD;
import static decant.pdf.DrawnPdf.PLAIN;
import static decant.pdf.DrawnPdf.PROSE;
import static decant.pdf.DrawnRows.PITCH;
import static decant.pdf.DrawnRows.ROOM;
import static decant.pdf.FoundTables.rows;
import static decant.pdf.FoundTables.tables;
import static decant.pdf.FoundTables.textsOutside;
import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Document;
import decant.model.Table;
import decant.reading.ReadProblem;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Tables as they come from report writers and from programs that set web pages for print: each cell
 * draws its own lines, rows are cut where a page ends, and what is left of them has no lines.
 */
class CutRowsTest {
  private static final double[] LEFT = {72, 120, 190, 270, 440};
  private static final double[] ENDS = {68, 116, 186, 266, 436, 480};
  private static final String[] HEAD = {"No.", "Vessel", "Place", "Remarks", "Watch"};

  @TempDir Path folder;

  /** How rows stand and what is drawn with them. */
  private record Manner(double share, boolean lines, double below) {
    static final Manner LINED = new Manner(0, true, 0);
    static final Manner MIDDLE = new Manner(0.5, false, 0);

    /** Draws rows; the end of the last. */
    double draw(DrawnPdf pdf, double top, String[]... rows) {
      double y = top;
      for (String[] row : rows) {
        y = DrawnRows.draw(pdf, LEFT, y, share, row) + (DrawnRows.most(row) > 2 ? below : 0);
        for (int c = 0; lines && c + 1 < ENDS.length; c++) {
          pdf.line(ENDS[c], y - ROOM / 2, ENDS[c + 1], y - ROOM / 2);
        }
      }
      return y;
    }
  }

  private static String[] row(int n, String remarks) {
    String[] vessels = {"Curlew", "Avocet", "Dunlin", "Knot"};
    String[] places = {"the mole", "the long quay", "the inner basin"};
    return new String[] {"" + n, vessels[n % 4], places[n % 3], remarks, "" + (n % 30 + 1)};
  }

  /** Draws rows with numbers; gives where they end. */
  private static double drawn(
      DrawnPdf pdf, Manner manner, double top, int from, int to, String even, String odd) {
    double y = top;
    for (int n = from; n < to; n++) {
      y = manner.draw(pdf, y, row(n, n % 2 == 0 ? even : odd));
    }
    return y;
  }

  private static List<String> said(String... cells) {
    return List.of(cells).stream().map(c -> c.replace('|', ' ')).toList();
  }

  private static final String LONG = "The owner was told on the same|day and came for the key";
  private static final String LONGER =
      "The water point on the mole|dripped and was shut off|until the plumber comes";

  private Table only(DrawnPdf pdf) throws IOException, ReadProblem {
    List<Table> found = tables(pdf.takenIn(folder).document());
    assertThat(found).hasSize(1);
    return found.getFirst();
  }

  @Test
  void aLastRowAloneOnTheNextPageIsOfTheTableWithLines() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    var expected = new ArrayList<>(List.of(said(HEAD)));
    double y = Manner.LINED.draw(pdf, 560, HEAD);
    for (int n = 101; n < 106; n++) {
      expected.add(said(row(n, n % 2 == 0 ? LONG : "None")));
      y = Manner.LINED.draw(pdf, y, row(n, n % 2 == 0 ? LONG : "None"));
    }
    pdf.page();
    y = new Manner(0, false, 0).draw(pdf, 70, row(106, LONG));
    expected.add(said(row(106, LONG)));
    pdf.prose(72, y + 40, 400, PROSE);
    assertThat(rows(only(pdf))).isEqualTo(expected);
  }

  @Test
  void whatIsBelowTheLastLineOfAPageIsOfTheTableToo() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    pdf.prose(72, 90, 400, PROSE);
    double y = Manner.LINED.draw(pdf, 600, HEAD, row(101, LONG));
    pdf.page();
    var rest = new ArrayList<List<String>>();
    y = 70;
    for (int n = 102; n < 109; n++) {
      rest.add(said(row(n, n % 2 == 0 ? LONG : "None")));
      y = Manner.LINED.draw(pdf, y, row(n, n % 2 == 0 ? LONG : "None"));
    }
    List<List<String>> rows = rows(only(pdf));
    assertThat(rows.subList(0, 2)).containsExactly(said(HEAD), said(row(101, LONG)));
    assertThat(rows.subList(2, rows.size())).isEqualTo(rest);
  }

  /** The row's number and its last cell stand in the middle, and so on the next page. */
  @Test
  void aRowIsWholeThoughItsLowCellsAreOnTheNextPage() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = Manner.MIDDLE.draw(pdf, 520, HEAD);
    y = drawn(pdf, Manner.MIDDLE, y, 101, 107, LONG, LONGER);
    pdf.text(PLAIN, 9, LEFT[3], y + ROOM, "Lines of the Knot were doubled");
    pdf.page();
    String[] cut = {"107", "Knot", "the mole", "by the watch|before the gale", "18"};
    y = Manner.MIDDLE.draw(pdf, 70, cut);
    y = drawn(pdf, Manner.MIDDLE, y, 108, 114, LONG, LONGER);
    List<List<String>> rows = rows(only(pdf));
    assertThat(rows).hasSize(14);
    assertThat(rows.get(7))
        .containsExactly(
            "107",
            "Knot",
            "the mole",
            "Lines of the Knot were doubled by the watch before the gale",
            "18");
  }

  /** Two cells were too tall for the page, and are on the next one whole. */
  @Test
  void aRowIsWholeThoughSomeOfItsCellsAreAllOnTheNextPage() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    Manner bare = new Manner(0, false, 0);
    double y = bare.draw(pdf, 560, HEAD);
    y = drawn(pdf, bare, y, 101, 105, LONG, LONGER);
    bare.draw(pdf, y, new String[] {"105", "Avocet", "", "", "16"});
    pdf.page();
    y = bare.draw(pdf, 70, new String[] {"", "", "the mole", LONGER, ""});
    y = drawn(pdf, bare, y, 106, 112, LONG, LONGER);
    List<List<String>> rows = rows(only(pdf));
    assertThat(rows).hasSize(12);
    assertThat(rows.get(5)).isEqualTo(said("105", "Avocet", "the mole", LONGER, "16"));
  }

  /** The number stands in the middle of a row, at the very foot of the page; its text is below. */
  @Test
  void aNumberLeftAloneAtTheFootOfAPageIsOfItsRow() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = Manner.MIDDLE.draw(pdf, 470, HEAD);
    y = drawn(pdf, Manner.MIDDLE, y, 101, 107, LONG, LONGER);
    pdf.text(PLAIN, 9, LEFT[4], y + ROOM, "18");
    pdf.page();
    y = Manner.MIDDLE.draw(pdf, 70, new String[] {"107", "Knot", "the mole", LONGER, ""});
    y = drawn(pdf, Manner.MIDDLE, y, 108, 114, LONG, LONGER);
    List<List<String>> rows = rows(only(pdf));
    assertThat(rows).hasSize(14);
    assertThat(rows.get(7)).isEqualTo(said("107", "Knot", "the mole", LONGER, "18"));
  }

  @Test
  void theHeadOfAGroupMayBeginAPage() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = Manner.LINED.draw(pdf, 560, HEAD, new String[] {"Inner basin"});
    y = drawn(pdf, Manner.LINED, y, 101, 106, "None", "None");
    pdf.page();
    pdf.text(PLAIN, 9, LEFT[0], 70, "Outer mole");
    y = 70 + ROOM;
    y = drawn(pdf, Manner.LINED, y, 106, 112, "None", "None");
    List<List<String>> rows = rows(only(pdf));
    assertThat(rows).hasSize(14);
    assertThat(rows.get(7)).containsExactly("Outer mole", "", "", "", "");
  }

  @Test
  void aCellMayHaveAnyNumberOfLines() throws IOException, ReadProblem {
    String tall =
        "The owner|was told on|the same day|and came for|the key at|noon, with|the harbour|"
            + "master there|to see to it";
    var pdf = new DrawnPdf();
    pdf.prose(72, 90, 400, PROSE);
    Manner bare = new Manner(0, false, 0);
    double y = bare.draw(pdf, 200, HEAD);
    String[][] rows = {row(101, tall), row(102, "None"), row(103, tall), row(104, tall)};
    bare.draw(pdf, y, rows);
    assertThat(rows(only(pdf)))
        .containsExactly(said(HEAD), said(rows[0]), said(rows[1]), said(rows[2]), said(rows[3]));
  }

  /** Where rows are known, columns may be as near as words; but every row has "the" here. */
  @Test
  void theSameWordBeforeOthersMakesNoColumn() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    var expected = new ArrayList<List<String>>();
    double y = 100;
    for (int n = 101; n < 112; n++) {
      y = Manner.LINED.draw(pdf, y, row(n, "None"));
      expected.add(said(row(n, "None")));
    }
    assertThat(rows(only(pdf))).isEqualTo(expected);
  }

  /** Reports give each row the height that its text might need, and leave the rest empty. */
  @Test
  void rowsMayHaveRoomLeftAtTheirFoot() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    var expected = new ArrayList<>(List.of(said(HEAD)));
    Manner report = new Manner(0, true, 2 * PITCH);
    double y = report.draw(pdf, 100, HEAD);
    for (int n = 101; n < 110; n++) {
      String[] row = row(n, n % 3 == 0 ? LONGER : n % 2 == 0 ? LONG : "None");
      expected.add(said(row));
      y = report.draw(pdf, y, row);
    }
    assertThat(rows(only(pdf))).isEqualTo(expected);
  }

  @Test
  void outerColumnsNeedNoLineAtTheirOuterSide() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    var expected = new ArrayList<List<String>>();
    double y = 100;
    for (int n = 101; n < 110; n++) {
      String[] row = row(n, n % 3 == 0 ? LONGER : n % 2 == 0 ? LONG : "None");
      expected.add(said(row));
      y = Manner.MIDDLE.draw(pdf, y, row);
    }
    for (int c = 1; c + 1 < ENDS.length; c++) {
      pdf.line(ENDS[c], 98, ENDS[c], y);
    }
    assertThat(rows(only(pdf))).isEqualTo(expected);
  }

  @Test
  void linesBetweenColumnsOfProseMakeNoTable() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    for (int c = 0; c < 4; c++) {
      pdf.prose(50 + 125 * c, 110, 112, PROSE.substring(10 * c));
      if (c > 0) {
        pdf.line(44 + 125 * c, 100, 44 + 125 * c, 420);
      }
    }
    assertThat(tables(pdf.takenIn(folder).document())).isEmpty();
  }

  /** The first cell's line is as short as one above notes, and "266" as short as a mark. */
  @Test
  void aLineDrawnCellByCellPartsNoNotesAndIsNoBlank() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    pdf.prose(72, 90, 400, PROSE);
    double y = Manner.LINED.draw(pdf, 560, HEAD);
    y = drawn(pdf, Manner.LINED, y, 261, 266, "None", "None");
    new Manner(0, false, 0).draw(pdf, y, row(266, "None"));
    Document d = pdf.takenIn(folder).document();
    assertThat(tables(d)).hasSize(1);
    assertThat(rows(tables(d).getFirst())).hasSize(7).contains(said(row(266, "None")));
    assertThat(rows(tables(d).getFirst()).toString() + textsOutside(d)).doesNotContain("__");
  }

  @Test
  void aTitleOverANarrowColumnMayHaveTwoWords() throws IOException, ReadProblem {
    double[] left = {72, 109, 134, 180, 216};
    var pdf = new DrawnPdf();
    pdf.prose(72, 90, 400, PROSE);
    String[] titles = {"Number", "Ship", "Moored at", "Length", "Master of it"};
    double x = 72;
    for (int c = 0; c < 5; c++) {
      pdf.text(BOLD, 9, left[c], 200, titles[c]);
    }
    for (int n = 0; n < 6; n++) {
      String[] cells = {"" + (41 + n), "K" + n, "Mole " + n, "1" + n + " m", "Edda " + n};
      for (int c = 0; c < 5; c++) {
        pdf.text(PLAIN, 9, left[c], 216 + 14 * n, cells[c]);
      }
    }
    List<List<String>> rows = rows(only(pdf));
    assertThat(rows).hasSize(7);
    assertThat(rows.getFirst()).containsExactly(titles);
  }

  /** A word alone on its line, and a table further to the right below it. */
  @Test
  void aShortLineAboveATableStaysAboveIt() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 420, PROSE);
    pdf.text(PLAIN, 10, 72, y + 20, "Present");
    for (int r = 0; r < 3; r++) {
      for (int c = 0; c < 3; c++) {
        pdf.text(PLAIN, 10, 230 + 90 * c, y + 44 + 16 * r, "Edda Kettle " + r + c);
      }
    }
    for (int r = 0; r < 4; r++) {
      pdf.line(220, y + 32 + 16 * r, 490, y + 32 + 16 * r);
    }
    pdf.prose(72, y + 120, 420, PROSE);
    var blocks = pdf.takenIn(folder).document().sections().getFirst().blocks();
    int table = 0;
    while (!(blocks.get(table) instanceof Table)) {
      table++;
    }
    assertThat(blocks.get(table - 1).toString()).contains("Present");
  }
}
