package decant.pdf.read.tables;

import decant.pdf.read.detected.Detected;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Rows of a table with lines between its columns and none between its rows: what stands between two
 * lines from side to side is not one row, but as many as there are by the text.
 */
final class OpenRows {
  private final List<RowLine> lines;
  private final WhiteColumns columns;

  private OpenRows(List<RowLine> lines, WhiteColumns columns) {
    this.lines = lines;
    this.columns = columns;
  }

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
    List<List<RowLine>> parted = WhiteBands.parted(inside).stream().map(RowLine::of).toList();
    boolean rows =
        parted.size() >= TableThresholds.AlignedTables.MIN_ROWS
            && parted.stream().anyMatch(r -> r.size() > 1)
            && parted.stream().allMatch(r -> isOne(r, columns));
    return rows ? cells(parted, columns) : new OpenRows(lines, columns).rows();
  }

  /** Whether lines are those of one row: no column has two numbers. */
  private static boolean isOne(List<RowLine> row, WhiteColumns columns) {
    var numbers = new HashSet<Integer>();
    return row.stream()
        .flatMap(l ->
            columns.chunks(l).stream()
                .filter(c -> LogicalRows.isNumber(l.between(c.left(), c.right()))))
        .allMatch(c -> numbers.add(c.first()));
  }

  private static List<List<Detected.DetectedCell>> cells(
      List<List<RowLine>> rows, WhiteColumns columns) {
    return rows.stream().map(r -> AlignedGrid.cells(r, columns, false)).toList();
  }

  private List<List<Detected.DetectedCell>> rows() {
    List<Integer> starts = LogicalRows.starts(lines, columns, k -> false);
    if (starts.size() < TableThresholds.AlignedTables.MIN_ROWS
        || !areApart(starts) && !haveNumbers(starts)) {
      return List.of();
    }
    var rows = new ArrayList<List<RowLine>>();
    for (int r = 0; r < starts.size(); r++) {
      int end = r + 1 < starts.size() ? starts.get(r + 1) : lines.size();
      rows.add(lines.subList(starts.get(r), end));
    }
    return cells(rows, columns);
  }

  /** Whether rows are further apart than the lines of a text. */
  private boolean areApart(List<Integer> starts) {
    double[] pitch =
        starts.stream()
            .skip(1)
            .mapToDouble(
                k -> (lines.get(k).baseline() - lines.get(k - 1).baseline()) / lines.get(k).size())
            .sorted()
            .toArray();
    return pitch[pitch.length / 2] > TableThresholds.RowBands.PITCH;
  }

  /** Whether a column has a number in nearly every row. */
  private boolean haveNumbers(List<Integer> starts) {
    int n = columns.columns().size();
    int[] numbers = new int[n];
    for (RowLine l : lines) {
      for (WhiteColumns.Chunk c : columns.chunks(l)) {
        if (!c.spans() && LogicalRows.isNumber(l.between(c.left(), c.right()))) {
          numbers[c.first()]++;
        }
      }
    }
    int most = IntStream.of(numbers).max().orElse(0);
    return most >= TableThresholds.AlignedTables.NUMBERS * starts.size()
        && Arrays.stream(numbers).filter(k -> k <= starts.size()).count() == n;
  }
}
