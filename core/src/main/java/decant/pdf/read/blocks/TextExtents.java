package decant.pdf.read.blocks;

import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.Detected.DetectedCell;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.List;

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

  private static boolean alike(List<TextExtents> a, List<TextExtents> b, double by) {
    int filled = 0;
    for (int c = 0; c < a.size(); c++) {
      TextExtents x = a.get(c);
      TextExtents y = b.get(c);
      if (x.empty() || y.empty()) {
        continue;
      }
      filled++;
      double near = BlockThresholds.Continuations.EDGE * Math.max(x.size, y.size);
      boolean here =
          Math.abs(x.left + by - y.left) <= near
              || Math.abs(x.right + by - y.right) <= near
              || Math.abs(x.left + x.right + 2 * by - y.left - y.right) <= near;
      if (!here) {
        return false;
      }
    }
    return filled >= 2;
  }
}
