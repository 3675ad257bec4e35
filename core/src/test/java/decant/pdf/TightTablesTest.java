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
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Tables with hardly more room between columns than between words, as programs set them that leave
 * a point or two around a cell if nothing is said, and their parts on the next page.
 */
class TightTablesTest {
  private static final double SIZE = 10;

  @TempDir Path folder;

  private static void right(DrawnPdf pdf, double x, double y, String text) {
    pdf.text(PLAIN, SIZE, x - DrawnPdf.width(PLAIN, SIZE, text), y, text);
  }

  private static void centred(DrawnPdf pdf, PDFont font, double x, double y, String text) {
    pdf.text(font, SIZE, x - DrawnPdf.width(font, SIZE, text) / 2, y, text);
  }

  private Table only(DrawnPdf pdf) throws IOException, ReadProblem {
    List<Table> found = tables(pdf.takenIn(folder).document());
    assertThat(found).hasSize(1);
    return found.getFirst();
  }

  private static final String[] VESSELS = {
    "Curlew", "Avocet", "Dunlin", "Knot", "Whimbrel", "Ruff", "Godwit", "Sanderling"
  };
  private static final String[] DAYS = {"3 May", "12 June", "7 July", "1 March"};

  /** Numbers to the right of their column, and texts three and a half points behind them. */
  @Test
  void whatBeginsRightBehindNumbersIsACellOfItsOwn() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    var wanted = new ArrayList<List<String>>();
    for (int k = 0; k < 12; k++) {
      double y = 120 + 15 * k;
      String number = String.valueOf(k + 1);
      String vessel = VESSELS[k % 8] + (k % 3 == 0 ? " and her tender" : "");
      String price = 13 + 7 * k + ".50";
      right(pdf, 84, y, number);
      pdf.text(PLAIN, SIZE, 87.5, y, vessel);
      pdf.text(PLAIN, SIZE, 220, y, DAYS[k % 4]);
      right(pdf, 340, y, price);
      wanted.add(List.of(number, vessel, DAYS[k % 4], price));
    }
    assertThat(rows(only(pdf))).isEqualTo(wanted);
  }

  /** Under a title in the middle of a wide column, words that stand below it are no column. */
  @Test
  void theSameWordsInManyRowsAreOneCell() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    centred(pdf, BOLD, 222, 120, "Account");
    centred(pdf, BOLD, 345, 120, "Spring");
    centred(pdf, BOLD, 425, 120, "Summer");
    String[] names = {
      "Empty the lost-property shelf", "Scrub the steps", "Net amount", "Check the poles"
    };
    var wanted = new ArrayList<List<String>>();
    wanted.add(List.of("Account", "Spring", "Summer"));
    for (int k = 0; k < 24; k++) {
      double y = 135 + 15 * k;
      String name = names[k % 8 == 0 ? 0 : 1 + k % 3];
      String a = String.valueOf(1200 + 71 * k);
      String b = String.valueOf(400 + 13 * k);
      pdf.text(PLAIN, SIZE, 72, y, name);
      right(pdf, 360, y, a);
      right(pdf, 440, y, b);
      wanted.add(List.of(name, a, b));
    }
    assertThat(rows(only(pdf))).isEqualTo(wanted);
  }

  /** The longest texts of a column leave three points to the next: they are of the same table. */
  @Test
  void rowsWithoutRoomBetweenTheirCellsAreOfTheTableBesideThem() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    String[] sizes = {"set of twelve", "small", "pair", "large", "small", "set of twelve"};
    String[] articles = {
      "Mooring lines", "Fenders", "Boat hooks", "Shackles", "Blocks", "Mooring lines"
    };
    double second = 72 + DrawnPdf.width(PLAIN, SIZE, "Mooring lines") + 3;
    double third = second + DrawnPdf.width(PLAIN, SIZE, "set of twelve") + 3;
    var wanted = new ArrayList<List<String>>();
    for (int k = 0; k < sizes.length; k++) {
      double y = 120 + 14 * k;
      String price = 12 + k + ".50";
      pdf.text(PLAIN, SIZE, 72, y, articles[k]);
      pdf.text(PLAIN, SIZE, second, y, sizes[k]);
      pdf.text(PLAIN, SIZE, third, y, price);
      wanted.add(List.of(articles[k], sizes[k], price));
    }
    pdf.prose(72, 240, 440, PROSE);
    assertThat(rows(only(pdf))).isEqualTo(wanted);
  }

  /** A head with lines below it and rows that have nothing but a name yet. */
  @Test
  void aTableToBeFilledInHasTheColumnsOfItsHead() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    pdf.prose(72, 80, 440, PROSE);
    String[] days = {"Day", "Monday", "Wednesday", "Friday"};
    for (int k = 0; k < days.length; k++) {
      double y = 200 + 20 * k;
      pdf.text(k == 0 ? BOLD : PLAIN, SIZE, 72, y, days[k]);
      pdf.line(70, y + 6, 500, y + 6);
    }
    pdf.text(BOLD, SIZE, 180, 200, "Morning");
    pdf.text(BOLD, SIZE, 290, 200, "Afternoon");
    pdf.text(BOLD, SIZE, 400, 200, "Evening");
    assertThat(rows(only(pdf)))
        .containsExactly(
            List.of("Day", "Morning", "Afternoon", "Evening"),
            List.of("Monday", "", "", ""),
            List.of("Wednesday", "", "", ""),
            List.of("Friday", "", "", ""));
  }

  /** Two rows alone on the last page, with lines, tell no columns that only a word's room parts. */
  @Test
  void whatLittleOfATableIsOnTheNextPageHasItsColumns() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double second = 72 + DrawnPdf.width(PLAIN, SIZE, "A00") + 3.2;
    var wanted = new ArrayList<List<String>>();
    double y = 0;
    for (int k = 0; k < 48; k++) {
      if (k == 45) {
        pdf.page();
      }
      y = k < 45 ? 80 + 15 * k : 80 + 15 * (k - 45);
      String code = "A" + (10 + k);
      String price = 10 + k + ".25";
      pdf.text(PLAIN, SIZE, 72, y, code);
      pdf.text(PLAIN, SIZE, second, y, VESSELS[k % 8] + " and tender");
      pdf.text(PLAIN, SIZE, 280, y, DAYS[k % 4]);
      right(pdf, 440, y, price);
      pdf.line(70, y + 5, 460, y + 5);
      wanted.add(List.of(code, VESSELS[k % 8] + " and tender", DAYS[k % 4], price));
    }
    pdf.prose(72, y + 40, 440, PROSE);
    assertThat(rows(only(pdf))).isEqualTo(wanted);
  }

  /** Lines one and a half apart in a cell, and what stands beside them in the middle. */
  @Test
  void aCellStandsInTheMiddleOfLinesThatAreFarApart() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    var wanted = new ArrayList<List<String>>();
    double y = 120;
    for (int k = 0; k < 16; k++) {
      boolean tall = k % 8 == 2;
      String number = String.valueOf(300 + 7 * k);
      pdf.text(PLAIN, SIZE, 72, y + (tall ? 22.5 : 0), VESSELS[k % 8]);
      right(pdf, 220, y + (tall ? 22.5 : 0), number);
      if (tall) {
        pdf.text(PLAIN, SIZE, 240, y, "The owner was told on");
        pdf.text(PLAIN, SIZE, 240, y + 15, "the same day and came");
        pdf.text(PLAIN, SIZE, 240, y + 30, "for the key that hangs");
        pdf.text(PLAIN, SIZE, 240, y + 45, "in the office.");
      } else {
        pdf.text(PLAIN, SIZE, 240, y, DAYS[k % 4]);
      }
      String remark =
          "The owner was told on the same day and came for the key that hangs in the office.";
      wanted.add(List.of(VESSELS[k % 8], number, tall ? remark : DAYS[k % 4]));
      y += tall ? 64 : 19;
    }
    assertThat(rows(only(pdf))).isEqualTo(wanted);
  }

  /** Sums leave columns empty, and stand no further off than rows do. */
  @Test
  void sumsBelowRowsInTheMiddleAreRows() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    String[] parts = {
      "Berth at the long quay,", "lines doubled, from", "the first of May to", "the end of", "June"
    };
    double y = 120;
    for (int k = 0; k < 7; k++) {
      int lines = k % 2 == 0 ? 5 : 1;
      double middle = y + 15 * (lines - 1) / 2.0;
      pdf.text(PLAIN, SIZE, 72, middle, String.valueOf(k + 1));
      for (int l = 0; l < lines; l++) {
        pdf.text(PLAIN, SIZE, 100, y + 15 * l, parts[l]);
      }
      pdf.text(PLAIN, SIZE, 260, middle, k + 2 + " nights");
      right(pdf, 400, middle, 30 + k + ".00");
      right(pdf, 480, middle, 90 + 7 * k + ".00");
      y += 15 * lines + 4;
    }
    for (String sum : List.of("Net amount", "Amount due")) {
      pdf.text(PLAIN, SIZE, 100, y, sum);
      right(pdf, 480, y, "520.00");
      y += 19;
    }
    List<List<String>> found = rows(only(pdf));
    assertThat(found).hasSize(9);
    assertThat(found.getLast()).containsExactly("", "Amount due", "", "", "520.00");
  }

  /** Circles are the marks of items in a list, as dots are. */
  @Test
  void itemsWithCirclesAreNoTable() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    pdf.prose(72, 80, 440, PROSE);
    PDFont signs = pdf.font("DejaVuSans.ttf");
    for (int k = 0; k < 6; k++) {
      double y = 200 + 15 * k;
      pdf.text(signs, 6, 86, y + 1, "○");
      pdf.text(PLAIN, SIZE, 108, y, VESSELS[k] + " leaves on " + DAYS[k % 4]);
    }
    Document d = pdf.takenIn(folder).document();
    assertThat(tables(d)).isEmpty();
    assertThat(d.paragraphs().stream().map(Paragraph::text))
        .containsAll(
            IntStream.range(0, 6).mapToObj(k -> VESSELS[k] + " leaves on " + DAYS[k % 4]).toList());
  }
}
