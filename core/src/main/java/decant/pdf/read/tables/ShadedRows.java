package decant.pdf.read.tables;

import decant.pdf.read.page.Painted;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Rows of a ruled table that have a ground instead of lines: often the head, or the totals. Their
 * ground stands against the lines and reaches from side to side, cell by cell or as one bar.
 */
final class ShadedRows {
  /** Heads of more rows are rare, and what else is shaded above a table is not endless. */
  private static final int MOST = 4;

  /**
   * A row beside a table.
   *
   * @param outer where it ends on the side that is away from the table
   * @param parted where its cells end, outer sides left out
   */
  record Row(double outer, List<Double> parted) {}

  private final List<Painted> grounds;
  private final List<TextLine> lines;
  private final List<Double> xs;

  private ShadedRows(List<Painted> grounds, List<TextLine> lines, List<Double> xs) {
    this.grounds = grounds;
    this.lines = lines;
    this.xs = xs;
  }

  /** What of a page may be the ground of cells. */
  static List<Painted> grounds(ScannedPage page) {
    double tallest = TableThresholds.RowBands.TALLEST * page.height();
    return page.shapes().stream()
        .filter(s -> s.solid() && !s.free() && s.shows() && s.box().height() <= tallest)
        .toList();
  }

  /**
   * Those next to a table, the nearest first.
   *
   * @param grounds what may be theirs
   * @param xs where its columns end
   * @param edge where its lines end
   * @param above on which side of it
   */
  static List<Row> beside(
      List<Painted> grounds, List<TextLine> lines, List<Double> xs, double edge, boolean above) {
    var rows = new ShadedRows(grounds, lines, xs);
    var out = new ArrayList<Row>();
    double at = edge;
    while (out.size() < MOST) {
      Optional<Row> next = rows.next(at, above);
      if (next.isEmpty()) {
        break;
      }
      out.add(next.get());
      at = next.get().outer;
    }
    return out;
  }

  private Optional<Row> next(double edge, boolean above) {
    double near = TableThresholds.RuledTables.NEAR;
    List<Painted> here =
        grounds.stream()
            .filter(s -> Math.abs((above ? s.box().bottom() : s.box().y()) - edge) <= near)
            .filter(s -> isSide(s.box().x()) && isSide(s.box().right()))
            .toList();
    if (here.isEmpty()) {
      return Optional.empty();
    }
    double outer = outer(here.getFirst(), above);
    double height = Math.abs(outer - edge);
    boolean alike = here.stream().allMatch(s -> Math.abs(outer(s, above) - outer) <= near);
    if (!alike || height <= TableThresholds.RuledTables.OPEN_ROW || !covered(here)) {
      return Optional.empty();
    }
    List<TextLine> text =
        lines.stream()
            .filter(l -> l.middle() > Math.min(outer, edge) && l.middle() < Math.max(outer, edge))
            .filter(l -> l.box().right() > xs.getFirst() && l.box().x() < xs.getLast())
            .toList();
    List<Double> parted =
        xs.subList(1, xs.size() - 1).stream().filter(x -> parts(text, x)).toList();
    List<Double> inCells =
        parted.stream().filter(x -> here.stream().noneMatch(s -> crosses(s, x))).toList();
    List<Double> ends = inCells.isEmpty() ? parted : inCells;
    // A bar with one text in it is rather the title above a table than a row of it.
    return isRow(text, ends) ? Optional.of(new Row(outer, ends)) : Optional.empty();
  }

  private static double outer(Painted s, boolean above) {
    return above ? s.box().y() : s.box().bottom();
  }

  private boolean isSide(double x) {
    return xs.stream().anyMatch(s -> Math.abs(s - x) <= TableThresholds.RuledTables.NEAR);
  }

  private static boolean crosses(Painted s, double x) {
    double near = TableThresholds.RuledTables.NEAR;
    return s.box().x() < x - near && s.box().right() > x + near;
  }

  /** Whether there is a ground in every column. */
  private boolean covered(List<Painted> grounds) {
    for (int k = 1; k < xs.size(); k++) {
      double middle = (xs.get(k - 1) + xs.get(k)) / 2;
      if (grounds.stream().noneMatch(s -> s.box().x() < middle && s.box().right() > middle)) {
        return false;
      }
    }
    return true;
  }

  /** Whether no text reaches over a place where columns end. */
  private static boolean parts(List<TextLine> text, double x) {
    return text.stream()
        .flatMap(l -> l.glyphs().stream())
        .noneMatch(g -> !g.isSpace() && g.x() < x && g.right() > x);
  }

  /** Whether text stands in two cells or more. */
  private static boolean isRow(List<TextLine> text, List<Double> ends) {
    return text.stream()
            .flatMap(l -> l.glyphs().stream())
            .filter(g -> !g.isSpace())
            .mapToLong(g -> ends.stream().filter(e -> e <= g.x()).count())
            .distinct()
            .limit(2)
            .count()
        == 2;
  }
}
