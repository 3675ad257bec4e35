package decant.pdf.read.tables;

import decant.pdf.read.detected.Detected;
import decant.pdf.read.page.TextLine;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Rows of a table with lines between its columns and none between its rows: what stands between two
 * lines from side to side is not one row, but as many as there are by the text.
 */
final class OpenRows {
  private OpenRows() {}

  /**
   * The rows; none where the text is rather that of one.
   *
   * @param inside what stands between two lines
   * @param xs where columns end, outer sides too
   */
  static List<List<Detected.DetectedCell>> of(List<TextLine> inside, List<Double> xs) {
    List<RowLine> lines = RowLine.of(inside);
    if (lines.size() < TableThresholds.AlignedTables.MIN_ROWS
        || xs.size() <= TableThresholds.Registers.COLUMNS) {
      return List.of();
    }
    WhiteColumns columns = WhiteColumns.ruled(lines, xs);
    List<List<RowLine>> byWhite = WhiteBands.parted(inside).stream().map(RowLine::of).toList();
    boolean white = byWhite.stream().anyMatch(r -> r.size() > 1) && isOneEach(byWhite, columns);
    if (white && areSeveral(byWhite)) {
      return cells(byWhite, columns);
    }
    List<List<RowLine>> byText = LogicalRows.of(lines, columns, k -> false);
    return areSeveral(byText) && (areApart(byText) || haveNumbers(byText, columns))
        ? cells(byText, columns)
        : List.of();
  }

  private static boolean areSeveral(List<List<RowLine>> rows) {
    return rows.size() >= TableThresholds.AlignedTables.MIN_ROWS;
  }

  private static List<List<Detected.DetectedCell>> cells(
      List<List<RowLine>> rows, WhiteColumns columns) {
    return rows.stream().map(r -> AlignedGrid.cells(r, columns, false)).toList();
  }

  /** Whether each is one row: none has two numbers in a column of numbers. */
  private static boolean isOneEach(List<List<RowLine>> rows, WhiteColumns columns) {
    int n = columns.columns().size();
    int[] all = new int[n];
    int[] numbers = new int[n];
    int[] most = new int[n];
    for (List<RowLine> row : rows) {
      int[] here = new int[n];
      for (RowLine l : row) {
        for (WhiteColumns.Chunk c : columns.chunks(l)) {
          all[c.first()]++;
          here[c.first()] += LogicalRows.isNumber(l.between(c.left(), c.right())) ? 1 : 0;
        }
      }
      for (int c = 0; c < n; c++) {
        numbers[c] += here[c];
        most[c] = Math.max(most[c], here[c]);
      }
    }
    // Days and years are numbers too, but stand among the names of months.
    return IntStream.range(0, n)
        .noneMatch(c -> most[c] > 1 && numbers[c] > TableThresholds.OpenRows.OF_NUMBERS * all[c]);
  }

  /** Whether rows are further apart than the lines of a text. */
  private static boolean areApart(List<List<RowLine>> rows) {
    double[] pitch =
        IntStream.range(1, rows.size())
            .mapToDouble(k -> {
              RowLine first = rows.get(k).getFirst();
              return (first.baseline() - rows.get(k - 1).getLast().baseline()) / first.size();
            })
            .sorted()
            .toArray();
    return pitch[pitch.length / 2] > TableThresholds.RowBands.PITCH;
  }

  /** Whether a column has a number in nearly every row, and none has more. */
  private static boolean haveNumbers(List<List<RowLine>> rows, WhiteColumns columns) {
    int[] numbers = new int[columns.columns().size()];
    for (List<RowLine> row : rows) {
      for (RowLine l : row) {
        for (WhiteColumns.Chunk c : columns.chunks(l)) {
          if (!c.spans() && LogicalRows.isNumber(l.between(c.left(), c.right()))) {
            numbers[c.first()]++;
          }
        }
      }
    }
    int most = Arrays.stream(numbers).max().orElse(0);
    return most >= TableThresholds.AlignedTables.NUMBERS * rows.size() && most <= rows.size();
  }
}
