package decant.pdf.read.blocks;

import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.Detected.DetectedCell;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * From where to where the text of a column of a table reaches, in points across the page, and the
 * size of that text. Where no line tells columns apart, this tells whether those of two tables are
 * the same.
 */
record TextExtents(double left, double right, double size) {
  /** Those of all columns; what reaches over several columns has no say. */
  static List<TextExtents> of(Detected.Grid g) {
    int n = g.columns().size();
    var out = new ArrayList<TextExtents>();
    for (int c = 0; c < n; c++) {
      out.add(new TextExtents(Double.MAX_VALUE, -Double.MAX_VALUE, 0));
    }
    for (List<DetectedCell> row : g.rows()) {
      int at = 0;
      for (DetectedCell cell : row) {
        if (cell.columnSpan() == 1 && at < n) {
          TextExtents all = out.get(at);
          for (TextLine l : cell.lines()) {
            all = all.with(l);
          }
          out.set(at, all);
        }
        at += cell.columnSpan();
      }
    }
    return out;
  }

  private TextExtents with(TextLine l) {
    return new TextExtents(
        Math.min(left, l.box().x()), Math.max(right, l.box().right()), Math.max(size, l.size()));
  }

  boolean empty() {
    return right < left;
  }

  double width() {
    return empty() ? 0 : right - left;
  }

  /**
   * Whether columns stand in the same places: at the same left or right edge, or about the same
   * middle. Both tables may stand at other places of their pages.
   */
  static boolean alike(List<TextExtents> a, List<TextExtents> b) {
    return alike(a, b, 0)
        || alike(a, b, b.getFirst().left - a.getFirst().left)
        || alike(a, b, b.getFirst().right - a.getFirst().right);
  }

  /** Those of a table where they are in the part of it that goes on, in other places of a page. */
  static List<TextExtents> as(Detected.Grid part, Detected.Grid next) {
    List<TextExtents> a = of(part);
    List<TextExtents> b = of(next);
    double byLeft = b.getFirst().left - a.getFirst().left;
    double by =
        alike(a, b, 0) ? 0 : alike(a, b, byLeft) ? byLeft : b.getFirst().right - a.getFirst().right;
    return a.stream().map(e -> new TextExtents(e.left + by, e.right + by, e.size)).toList();
  }

  /**
   * The column of one table that each of another stands in, which has fewer: in a part that goes
   * on, some may have nothing. Empty if one stands in none.
   */
  static Optional<int[]> places(List<TextExtents> of, List<TextExtents> in) {
    int[] out = new int[of.size()];
    int next = 0;
    for (int c = 0; c < of.size(); c++) {
      while (next < in.size() && !of.get(c).standsAs(in.get(next), 0)) {
        next++;
      }
      if (next == in.size()) {
        return Optional.empty();
      }
      out[c] = next++;
    }
    return Optional.of(out);
  }

  private boolean standsAs(TextExtents y, double by) {
    double near = BlockThresholds.Continuations.EDGE * Math.max(size, y.size);
    return !empty()
        && !y.empty()
        && (Math.abs(left + by - y.left) <= near
            || Math.abs(right + by - y.right) <= near
            || Math.abs(left + right + 2 * by - y.left - y.right) <= near);
  }

  private static boolean alike(List<TextExtents> a, List<TextExtents> b, double by) {
    int filled = 0;
    for (int c = 0; c < a.size(); c++) {
      TextExtents x = a.get(c);
      TextExtents y = b.get(c);
      if (x.empty() || y.empty()) {
        continue;
      }
      filled++;
      if (!x.standsAs(y, by)) {
        return false;
      }
    }
    return filled >= 2;
  }
}
