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
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Registers, worksheets and lists of charges without a grid, drawn cell by cell: what stands in the
 * rows of the document is what was drawn in them.
 */
class OpenTablesTest {
  @TempDir Path folder;

  /** Puts a text so that it ends at a place. */
  private static void endingAt(DrawnPdf pdf, double x, double y, String text) {
    pdf.text(x - DrawnPdf.width(PLAIN, 10, text), y, text);
  }

  @Test
  void groupsWrappedCellsAndSumsStandInOneTable() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    String[][] lines = {
      {"Item", "What is charged", "Unit", "Charge"},
      {"Moorings"},
      {"A01", "Visitor's berth", "night", "18.40"},
      {"A02", "Berth on the inner quay for", "season", "412.00"},
      {"", "vessels up to eight metres", "", ""},
      {"Ashore"},
      {"B01", "Winter storage", "month", "33.10"},
      {"B02", "Crane, with one hand of the", "lift", "95.00"},
      {"", "office at the slings", "", ""},
      {"", "Net amount", "", "558.50"},
    };
    double y = 100;
    for (String[] l : lines) {
      boolean goesOn = l.length > 1 && l[0].isEmpty() && l[3].isEmpty();
      y += goesOn ? 12 : 18;
      pdf.text(72, y, l[0]);
      if (l.length > 1) {
        pdf.text(110, y, l[1]).text(245, y, l[2]);
        endingAt(pdf, 340, y, l[3]);
      }
    }
    List<Table> found = tables(pdf.takenIn(folder).document());
    assertThat(found).hasSize(1);
    assertThat(rows(found.getFirst()))
        .containsExactly(
            List.of("Item", "What is charged", "Unit", "Charge"),
            List.of("Moorings", "", "", ""),
            List.of("A01", "Visitor's berth", "night", "18.40"),
            List.of(
                "A02",
                "Berth on the inner quay for vessels up to eight metres",
                "season",
                "412.00"),
            List.of("Ashore", "", "", ""),
            List.of("B01", "Winter storage", "month", "33.10"),
            List.of("B02", "Crane, with one hand of the office at the slings", "lift", "95.00"),
            List.of("", "Net amount", "", "558.50"));
  }

  @Test
  void aCellThatNearlyTouchesTheNextIsItsOwn() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    String[][] lines = {
      {"Quay", "Last count", "Remarks"},
      {"Inner quay", "1,204", "Keep the steps free"},
      {"Outer mole", "978", "Lines doubled"},
      {"Slip", "12", "Closed at low water"},
      {"Yard", "3,340", "Ask at the office"},
    };
    double y = 120;
    for (String[] l : lines) {
      pdf.text(72, y, l[0]);
      endingAt(pdf, 200, y, l[1]);
      pdf.text(205, y, l[2]); // half an em after the numbers
      y += 16;
    }
    List<Table> found = tables(pdf.takenIn(folder).document());
    assertThat(found).hasSize(1);
    assertThat(rows(found.getFirst())).isEqualTo(List.of(lines).stream().map(List::of).toList());
  }

  @Test
  void aWideRegisterIsNotReadColumnByColumn() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = 100;
    String[] remarks = {
      "The owner was told on the same day and",
      "came for the key an hour later.",
      "Fenders were put out by the watch, and",
      "both lines were doubled.",
      "The water point on the mole dripped and",
      "was shut off until the plumber comes.",
    };
    for (int k = 0; k < 12; k++) {
      pdf.text(50, y, Integer.toString(100 + 7 * k))
          .text(90, y, k % 2 == 0 ? "Curlew" : "Sandpiper")
          .text(160, y, (k + 1) + " May 2026")
          .text(240, y, remarks[2 * (k % 3)])
          .text(430, y, "Watch " + (k % 4 + 1));
      pdf.text(240, y + 12, remarks[2 * (k % 3) + 1]);
      y += 29;
    }
    List<Table> found = tables(pdf.takenIn(folder).document());
    assertThat(found).hasSize(1);
    assertThat(rows(found.getFirst())).hasSize(12).allSatisfy(r -> assertThat(r).hasSize(5));
    assertThat(rows(found.getFirst()).getFirst())
        .containsExactly("100", "Curlew", "1 May 2026", remarks[0] + " " + remarks[1], "Watch 1");
  }

  @Test
  void columnsOfProseOnTheSameHeightsAreNoTable() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    pdf.prose(60, 100, 220, PROSE.repeat(2));
    pdf.prose(310, 100, 220, PROSE.repeat(2));
    assertThat(tables(pdf.takenIn(folder).document())).isEmpty();
  }

  @Test
  void rowsThatAPageOrAColumnLeavesOverAreOfTheTable() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 450, PROSE.repeat(14));
    String[][] head = {{"Berth", "Length", "Draught"}, {"B1", "8.10", "1.30"}};
    for (String[] l : head) {
      pdf.text(72, y + 20, l[0]).text(200, y + 20, l[1]).text(300, y + 20, l[2]);
      y += 16;
    }
    pdf.page();
    for (int k = 2; k < 8; k++) {
      pdf.text(72, 70 + 16 * k, "B" + k)
          .text(200, 70 + 16 * k, k + ".20")
          .text(300, 70 + 16 * k, "1.4" + k);
    }
    List<Table> found = tables(pdf.takenIn(folder).document());
    assertThat(found).hasSize(1);
    assertThat(rows(found.getFirst()))
        .hasSize(8)
        .startsWith(List.of("Berth", "Length", "Draught"), List.of("B1", "8.10", "1.30"))
        .endsWith(List.of("B7", "7.20", "1.47"));
  }

  @Test
  void tablesUnderDifferentHeadingsStayApart() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    String[][] said = {
      {"Date", "4 May 2026"}, {"Place", "Harbour office"}, {"Chair", "The harbour master"}
    };
    double y = 100;
    for (String[] l : said) {
      pdf.text(72, y, l[0]).text(150, y, l[1]);
      y += 16;
    }
    pdf.text(BOLD, 10, 72, y + 6, "Present");
    y += 26;
    for (String[] l :
        new String[][] {{"Ann", "Bea", "Cass"}, {"Dora", "Edda", "Finn"}, {"Gil", "Hal", "Ida"}}) {
      pdf.text(72, y, l[0]).text(230, y, l[1]).text(390, y, l[2]);
      y += 16;
    }
    pdf.prose(72, y + 20, 450, PROSE);
    List<Table> found = tables(pdf.takenIn(folder).document());
    assertThat(found.stream().map(t -> t.rows().getFirst().cells().size())).containsExactly(2, 3);
    assertThat(rows(found.get(1)).getLast()).containsExactly("Gil", "Hal", "Ida");
  }

  @Test
  void clausesAndContentsAreNoTables() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    for (int k = 1; k < 6; k++) {
      pdf.text(72, 80 + 30 * k, "2." + k)
          .text(
              110, 80 + 30 * k, "Whoever leaves a vessel for more than three days tells the office")
          .text(110, 92 + 30 * k, "where its key is kept.");
    }
    for (int k = 1; k < 8; k++) {
      pdf.text(72, 300 + 16 * k, "Rules of quay " + k)
          .text(400, 300 + 16 * k, Integer.toString(k * 3));
    }
    Document d = pdf.takenIn(folder).document();
    assertThat(tables(d)).isEmpty();
    assertThat(d.paragraphs().stream().map(Paragraph::text))
        .as("each entry of the contents is a paragraph of its own")
        .anyMatch(t -> t.matches("Rules of quay 4\\s+12"));
  }

  /** What goes on in the first cell of the last row is of that row; the text below is not. */
  @Test
  void theLastRowKeepsWhatGoesOnInItsFirstCell() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 450, PROSE) + 20;
    String[][] rows = {
      {"Task", "Who", "Until"},
      {"Look over the fenders of the", "A. Tern", "3 May"},
      {"north pontoon"},
      {"Paint the tide gauge", "B. Gull", "9 May"},
      {"Take in the buoys of the winter", "C. Rook", "2 June"},
      {"mooring and clean them"}
    };
    for (String[] row : rows) {
      for (int c = 0; c < row.length; c++) {
        pdf.text(new int[] {72, 280, 400}[c], y, row[c]);
      }
      y += 13;
    }
    pdf.text(72, y + 14, "Signed for the office.");
    Document d = pdf.takenIn(folder).document();
    List<List<String>> found = rows(tables(d).getFirst());
    assertThat(found).hasSize(4);
    assertThat(found.get(3).getFirst())
        .isEqualTo("Take in the buoys of the winter mooring and clean them");
    assertThat(d.paragraphs()).anyMatch(p -> p.text().equals("Signed for the office."));
  }

  /** A paragraph over both columns of a page keeps its short last line. */
  @Test
  void theLastLineOfAParagraphAcrossColumnsIsNotOfTheFirst() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 450, PROSE + "So it was agreed by all of them.");
    pdf.prose(72, y + 14, 210, PROSE.repeat(2));
    pdf.prose(312, y + 14, 210, "Second column. " + PROSE.repeat(2));
    List<String> texts =
        pdf.takenIn(folder).document().paragraphs().stream().map(Paragraph::text).toList();
    assertThat(texts.getFirst()).endsWith("So it was agreed by all of them.");
    assertThat(texts).hasSize(3);
  }

  /**
   * Draws rows of three cells, whose lines are parted by a bar.
   *
   * @param room between rows, beyond that of their lines
   * @return where the next row would stand
   */
  private static double inThree(
      DrawnPdf pdf, double y, double room, double[] left, String[][] rows) {
    for (String[] r : rows) {
      int most = 1;
      for (int c = 0; c < 3; c++) {
        String[] lines = r[c].split("\\|");
        for (int k = 0; k < lines.length; k++) {
          pdf.text(PLAIN, 10, left[c], y + 12 * k, lines[k]);
        }
        most = Math.max(most, lines.length);
      }
      y += 12 * most + room;
    }
    return y;
  }

  /** No gap is wider than a letter, but what stands below one another is in line. */
  @Test
  void aTableWithoutRoomBetweenItsColumnsIsATable() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 80, 380, PROSE) + 24;
    String[][] hours = {
      {"Day", "From", "To"},
      {"Tuesday", "9:00", "17:30"},
      {"Thursday", "11:00", "19:00"},
      {"Saturday", "10:00", "13:00"}
    };
    y = inThree(pdf, y, 3, new double[] {72, 122, 158}, hours);
    pdf.prose(72, y + 24, 380, PROSE);
    List<Table> found = tables(pdf.takenIn(folder).document());
    assertThat(found).hasSize(1);
    assertThat(rows(found.getFirst())).isEqualTo(Stream.of(hours).map(List::of).toList());
  }

  /** Sentences may have words below one another, too; without numbers they are no table. */
  @Test
  void wordsThatStandInLineByChanceAreNoTable() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 80, 380, PROSE) + 24;
    String[][] words = {{"Moor", "at", "once"}, {"Call", "at", "noon"}, {"Wait", "at", "dusk"}};
    inThree(pdf, y, 3, new double[] {72, 104, 122}, words);
    assertThat(tables(pdf.takenIn(folder).document())).isEmpty();
  }

  /** The distance tells the rest of a label from a row, where what stands in it does not. */
  @Test
  void aLabelThatWrapsIsOneRow() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 80, 380, PROSE) + 24;
    String[][] entries = {
      {"A1", "Fenders", "12.00"},
      {"A2", "Lines of the outer|mole, for each", "7.50"},
      {"Moved by|us", "", ""},
      {"B1", "Berth of a guest,|for the night", "18.00"},
      {"B2", "Water", "3.00"},
      {"B3", "Power for a boat|of the club", "5.50"}
    };
    inThree(pdf, y, 5, new double[] {72, 160, 300}, entries);
    List<Table> found = tables(pdf.takenIn(folder).document());
    assertThat(found).hasSize(1);
    assertThat(rows(found.getFirst()))
        .isEqualTo(
            Stream.of(entries)
                .map(r -> Stream.of(r).map(c -> c.replace('|', ' ')).toList())
                .toList());
  }
}
