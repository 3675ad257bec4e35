package decant.pdf.read.tables;

import decant.pdf.read.lines.Typewriter;
import decant.pdf.read.tables.RowLine.Span;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;

/**
 * Small tables whose columns stand so near that no gap tells them: lines of as many parts each,
 * which are in line with those above and below, numbers in one column at least.
 */
final class NarrowTables {
  private NarrowTables() {}

  /** The table that begins with a line; empty if none does. */
  static Optional<AlignedTables.Found> at(List<RowLine> lines, int from) {
    List<List<Span>> rows = new ArrayList<>();
    int end = from;
    while (end < lines.size() && (end == from || follows(lines, from, end))) {
      RowLine l = lines.get(end);
      List<Span> parts = l.parts(TableThresholds.WhiteColumns.BETWEEN_CELLS * l.size());
      if (parts.size() < TableThresholds.Registers.COLUMNS
          || !rows.isEmpty() && parts.size() != rows.getFirst().size()) {
        break;
      }
      rows.add(parts);
      end++;
    }
    List<RowLine> table = lines.subList(from, end);
    // Where all letters are as wide, words stand in line by chance.
    boolean typed = Typewriter.is(table.stream().flatMap(l -> l.pieces().stream()).toList());
    if (typed || rows.size() < TableThresholds.AlignedTables.MIN_ROWS || !inLine(rows, table)) {
      return Optional.empty();
    }
    WhiteColumns columns = WhiteColumns.ofAll(table);
    boolean numbers =
        IntStream.range(0, rows.getFirst().size()).anyMatch(c -> holdsNumbers(rows, table, c));
    return numbers && columns.areOfTable() && columns.columns().size() == rows.getFirst().size()
        ? Optional.of(new AlignedTables.Found(List.copyOf(table), columns))
        : Optional.empty();
  }

  private static boolean follows(List<RowLine> lines, int from, int k) {
    RowLine first = lines.get(from);
    double pitch = lines.get(from + 1).baseline() - first.baseline();
    double gap = lines.get(k).baseline() - lines.get(k - 1).baseline();
    double size = first.size();
    return gap <= TableThresholds.NarrowTables.PITCH * size
        && gap <= TableThresholds.AlignedTables.LONE * pitch
        && !RowLine.isOtherSize(lines.get(k).size(), size);
  }

  /** Whether the parts of each column have one edge, and none reaches to where the next begins. */
  private static boolean inLine(List<List<Span>> rows, List<RowLine> lines) {
    double em = lines.getFirst().size();
    double near = TableThresholds.WhiteColumns.EDGE * em;
    for (int c = 0; c < rows.getFirst().size(); c++) {
      int column = c;
      List<Span> parts = rows.stream().map(r -> r.get(column)).toList();
      boolean edge = haveOneEdge(parts, near) || haveOneEdgeBelowHead(parts, near);
      double right = parts.stream().mapToDouble(Span::right).max().orElseThrow();
      boolean apart =
          c + 1 == rows.getFirst().size()
              || rows.stream().allMatch(r -> r.get(column + 1).left() > right);
      if (!edge || !apart) {
        return false;
      }
    }
    return true;
  }

  private static boolean haveOneEdge(List<Span> parts, double near) {
    return spread(parts, Span::left) < near
        || spread(parts, Span::right) < near
        || spread(parts, p -> (p.left() + p.right()) / 2) < near;
  }

  /** Titles may stand in the middle of a column that the rows below them have an edge of. */
  private static boolean haveOneEdgeBelowHead(List<Span> parts, double near) {
    List<Span> below = parts.subList(1, parts.size());
    double left = below.stream().mapToDouble(Span::left).min().orElseThrow();
    double right = below.stream().mapToDouble(Span::right).max().orElseThrow();
    Span head = parts.getFirst();
    boolean middle = Math.abs(head.left() + head.right() - left - right) / 2 < near;
    return below.size() >= TableThresholds.AlignedTables.MIN_ROWS
        && middle
        && haveOneEdge(below, near);
  }

  private static double spread(List<Span> parts, ToDoubleFunction<Span> of) {
    var all = parts.stream().mapToDouble(of).summaryStatistics();
    return all.getMax() - all.getMin();
  }

  /** Whether all parts of a column are numbers, but for that of the first line. */
  private static boolean holdsNumbers(List<List<Span>> rows, List<RowLine> lines, int column) {
    return IntStream.range(1, rows.size())
        .allMatch(r -> {
          Span s = rows.get(r).get(column);
          return LogicalRows.isNumber(lines.get(r).between(s.left(), s.right()));
        });
  }
}
