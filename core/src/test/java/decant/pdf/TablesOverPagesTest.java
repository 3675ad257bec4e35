package decant.pdf;

import static decant.pdf.DrawnPdf.BOLD;
import static decant.pdf.DrawnPdf.PLAIN;
import static decant.pdf.DrawnPdf.PROSE;
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
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Tables that pages and columns part: as one, each row whole, each head once. */
class TablesOverPagesTest {
  private static final double[] LEFT = {72, 130, 230, 400};

  private static final String[] HEAD = {"Berth", "Vessel", "Remarks of the|night watch", "Fee"};

  @TempDir Path folder;

  /** Draws a row, the last cell to the right; gives where the next begins. */
  private static double row(DrawnPdf pdf, double y, boolean bold, String... cells) {
    int most = 1;
    for (int c = 0; c < cells.length; c++) {
      String[] lines = cells[c].split("\\|");
      for (int k = 0; k < lines.length; k++) {
        var font = bold ? BOLD : PLAIN;
        double x = (c < 3 ? LEFT[c] : LEFT[c] + 40 - DrawnPdf.width(font, 10, lines[k]));
        pdf.text(font, 10, x, y + 12 * k, lines[k]);
      }
      most = Math.max(most, lines.length);
    }
    return y + 12 * most + 6;
  }

  private static String[] entry(int n, int fee) {
    String remark = n % 3 == 0 ? "Fenders were put out by the|watch before the gale" : "None";
    return new String[] {"" + n, "Curlew " + (char) ('A' + n % 20), remark, "" + fee};
  }

  /** Draws entries, each with its number as the fee; gives where the next begins. */
  private static double entries(DrawnPdf pdf, double y, int from, int to) {
    for (int n = from; n < to; n++) {
      y = row(pdf, y, false, entry(n, n));
    }
    return y;
  }

  private static List<String> said(String... cells) {
    return Stream.of(cells).map(c -> c.replace('|', ' ')).toList();
  }

  private static Table only(Document d) {
    List<Table> found = tables(d);
    assertThat(found).hasSize(1);
    return found.getFirst();
  }

  /** The fees are wider on one page than on the next, and so their column begins elsewhere. */
  @Test
  void aTableIsOneThoughItsHeadIsRepeatedAndItsColumnsBeginElsewhere()
      throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    var expected = new ArrayList<List<String>>();
    expected.add(said(HEAD));
    int n = 101;
    for (int page = 0; page < 3; page++) {
      double y = page == 0 ? row(pdf, pdf.prose(72, 80, 380, PROSE) + 30, true, HEAD) : 0;
      if (page > 0) {
        pdf.page();
        y = row(pdf, 70, true, HEAD);
      }
      for (; y < 700; n++) {
        String[] cells = entry(n, page == 1 ? n * 1000 : n % 9);
        expected.add(said(cells));
        y = row(pdf, y, false, cells);
      }
    }
    Document d = pdf.takenIn(folder).document();
    assertThat(rows(only(d))).isEqualTo(expected);
    assertThat(d.sections().getFirst().running()).isEmpty();
  }

  @Test
  void aRowThatAPageCutsIsWhole() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = row(pdf, pdf.prose(72, 80, 380, PROSE) + 30, true, HEAD);
    y = entries(pdf, y, 101, 106);
    row(
        pdf,
        y,
        false,
        "106",
        "Dunlin",
        "Water point shut off until|the plumber of the harbour",
        "7");
    pdf.page();
    pdf.text(PLAIN, 10, LEFT[2], 80, "office has been at work");
    y = 98;
    y = entries(pdf, y, 107, 112);
    Document d = pdf.takenIn(folder).document();
    List<List<String>> rows = rows(only(d));
    assertThat(rows).hasSize(12);
    assertThat(rows.get(6))
        .isEqualTo(
            List.of(
                "106",
                "Dunlin",
                "Water point shut off until the plumber of the harbour office has been at work",
                "7"));
  }

  /** What stands below a head on the next page may also be a text of its own. */
  @Test
  void aTextThatBeginsThePageIsNoRestOfARow() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = row(pdf, pdf.prose(72, 80, 380, PROSE) + 30, true, HEAD);
    y = entries(pdf, y, 101, 107);
    pdf.page();
    pdf.text(PLAIN, 10, LEFT[2], 80, "Entries of the second quarter");
    y = 110;
    y = entries(pdf, y, 107, 112);
    Document d = pdf.takenIn(folder).document();
    assertThat(textsOutside(d)).contains("Entries of the second quarter");
    assertThat(tables(d).stream().flatMap(t -> rows(t).stream()).flatMap(List::stream))
        .noneMatch(c -> c.contains("second quarter"));
  }

  @Test
  void theHeadOfAGroupAtTheFootOfAPageIsARow() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = row(pdf, pdf.prose(72, 80, 380, PROSE) + 30, true, HEAD);
    y = row(pdf, y, false, "Inner basin");
    y = entries(pdf, y, 101, 106);
    row(pdf, y, false, "Outer mole");
    pdf.page();
    y = 80;
    y = entries(pdf, y, 107, 112);
    List<List<String>> rows = rows(only(pdf.takenIn(folder).document()));
    assertThat(rows).hasSize(13);
    assertThat(rows.get(7)).isEqualTo(List.of("Outer mole", "", "", ""));
    assertThat(rows.get(8).getFirst()).isEqualTo("107");
  }

  @Test
  void aTableGoesOnInTheNextColumnAndOnTheNextPage() throws IOException, ReadProblem {
    double[] left = {50, 90, 170, 315, 355, 435};
    String[] remarks = {"Fenders put out at night", "None", "Lines doubled"};
    var pdf = new DrawnPdf();
    var expected = new ArrayList<List<String>>();
    int n = 101;
    for (int page = 0; page < 2; page++) {
      if (page > 0) {
        pdf.page();
      }
      for (int column = 0; column < 2; column++) {
        // Rows of both columns stand on baselines of their own, as texts beside one another do.
        for (double y = 80; y < 600; y += 20 + 3 * column, n++) {
          String[] cells = {"" + n, "Knot " + (char) ('A' + n % 17), remarks[n % 3]};
          for (int c = 0; c < 3; c++) {
            pdf.text(PLAIN, 9, left[3 * column + c], y, cells[c]);
          }
          expected.add(List.of(cells));
        }
      }
    }
    assertThat(rows(only(pdf.takenIn(folder).document()))).isEqualTo(expected);
  }

  @Test
  void theLastRowAloneOnAPageIsNoHeader() throws IOException, ReadProblem {
    assertLastRowStays(1);
  }

  /** Wide gaps part what stands in it: the parts by themselves are as short as headers are. */
  @Test
  void norIsItWhereItsColumnsAreFarApart() throws IOException, ReadProblem {
    assertLastRowStays(3);
  }

  /**
   * @param wide how far apart its columns are, by what is near
   */
  private void assertLastRowStays(double wide) throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 80, 380, PROSE) + 30;
    String[][] hours = {
      {"Day", "From", "To"}, {"Tuesday", "9:00", "17:30"}, {"Thursday", "11:00", "19:00"}
    };
    for (String[] r : hours) {
      hours(pdf, wide, y, r);
      y += 14;
    }
    pdf.page();
    hours(pdf, wide, 70, "Saturday", "10:00", "13:00");
    pdf.prose(72, 130, 380, PROSE);
    List<List<String>> rows = rows(only(pdf.takenIn(folder).document()));
    assertThat(rows)
        .isEqualTo(
            Stream.concat(
                    Stream.of(hours),
                    Stream.<String[]>of(new String[] {"Saturday", "10:00", "13:00"}))
                .map(List::of)
                .toList());
  }

  private static void hours(DrawnPdf pdf, double wide, double y, String... cells) {
    for (int c = 0; c < cells.length; c++) {
      pdf.text(PLAIN, 10, 72 + wide * new double[] {0, 50, 85}[c], y, cells[c]);
    }
  }
}
