package decant.layout.block;

import decant.model.Cell;
import decant.model.Table;
import decant.model.look.Extent;
import decant.model.look.Insets;
import decant.model.look.TableTraits;
import java.util.Arrays;
import java.util.function.Function;

/**
 * The widths of a table's columns (§17.18.87): as given where they are fixed; else what the cells
 * prefer, no less than their longest word, and together no more than the room there is.
 */
final class ColumnWidths {
  /**
   * How wide the content of a cell is.
   *
   * @param min its longest word
   * @param max without any break
   */
  record Content(double min, double max) {
    static final Content NONE = new Content(0, 0);
  }

  private static final double NARROWEST = 2;

  private ColumnWidths() {}

  static double[] of(
      Table t,
      int[][] at,
      int columns,
      double room,
      Function<Cell, Content> content,
      Function<Cell, Insets> padding) {
    double[] wanted = new double[columns];
    boolean[] said = new boolean[columns];
    for (int c = 0; c < Math.min(columns, t.columns().size()); c++) {
      wanted[c] = t.columns().get(c);
      said[c] = wanted[c] > 0;
    }
    boolean fixed = t.look().value(TableTraits.FIXED_COLUMNS);
    preferences(t, at, columns, room, wanted, said);
    double target =
        switch (t.look().value(TableTraits.WIDTH)) {
          case Extent.Auto a -> 0;
          case Extent.Points p -> p.points();
          case Extent.Share s -> s.share() * room;
        };
    if (fixed) {
      return fixed(wanted, said, target > 0 ? target : room);
    }
    double[] min = new double[columns];
    double[] max = new double[columns];
    contents(t, at, columns, content, padding, min, max);
    for (int c = 0; c < columns; c++) {
      wanted[c] = Math.max(said[c] ? wanted[c] : max[c], min[c]);
    }
    double sum = Arrays.stream(wanted).sum();
    double limit = target > 0 ? Math.min(target, Math.max(room, target)) : Math.max(room, 1);
    if (target == 0 && sum <= limit * 1.03) {
      return wanted;
    }
    if (sum > limit) {
      return narrowed(wanted, min, limit);
    }
    return target > sum ? scaled(wanted, target / Math.max(sum, 1)) : wanted;
  }

  private static double[] fixed(double[] wanted, boolean[] said, double width) {
    double known = 0;
    int unsaid = 0;
    for (int c = 0; c < wanted.length; c++) {
      known += said[c] ? wanted[c] : 0;
      unsaid += said[c] ? 0 : 1;
    }
    double each = unsaid == 0 ? 0 : Math.max(18, (width - known) / unsaid);
    for (int c = 0; c < wanted.length; c++) {
      wanted[c] = Math.max(NARROWEST, said[c] ? wanted[c] : each);
    }
    return wanted;
  }

  /** What cells of one column prefer goes before the grid. */
  private static void preferences(
      Table t, int[][] at, int columns, double room, double[] wanted, boolean[] said) {
    double[] preferred = t.preferredWidths(at, columns, room);
    for (int c = 0; c < columns; c++) {
      if (preferred[c] > 0) {
        wanted[c] = preferred[c];
        said[c] = true;
      }
    }
  }

  private static void contents(
      Table t,
      int[][] at,
      int columns,
      Function<Cell, Content> content,
      Function<Cell, Insets> padding,
      double[] min,
      double[] max) {
    for (int pass = 0; pass < 2; pass++) { // cells of one column first
      for (int r = 0; r < at.length; r++) {
        for (int k = 0; k < at[r].length; k++) {
          Cell c = t.rows().get(r).cells().get(k);
          int from = at[r][k];
          int to = Math.min(columns, from + c.columnSpan());
          if (from < to && c.columnSpan() == 1 == (pass == 0)) {
            Content w = content.apply(c);
            Insets p = padding.apply(c);
            double sides = p.left() + p.right();
            double narrow = c.look().value(TableTraits.NO_WRAP) ? w.max() : w.min();
            spread(min, from, to, narrow + sides);
            spread(max, from, to, w.max() + sides);
          }
        }
      }
    }
  }

  private static void spread(double[] widths, int from, int to, double needed) {
    double have = 0;
    for (int c = from; c < to; c++) {
      have += widths[c];
    }
    double missing = needed - have;
    if (missing > 0) {
      for (int c = from; c < to; c++) {
        widths[c] += missing / (to - from);
      }
    }
  }

  /** Takes from each column what it has beyond its longest word, in proportion. */
  private static double[] narrowed(double[] wanted, double[] min, double limit) {
    double floor = Arrays.stream(min).sum();
    double sum = Arrays.stream(wanted).sum();
    if (floor >= limit) {
      return scaled(min, limit / Math.max(1, floor));
    }
    double share = (limit - floor) / (sum - floor);
    double[] out = new double[wanted.length];
    for (int c = 0; c < out.length; c++) {
      out[c] = min[c] + (wanted[c] - min[c]) * share;
    }
    return out;
  }

  private static double[] scaled(double[] widths, double by) {
    double[] out = new double[widths.length];
    for (int c = 0; c < out.length; c++) {
      out[c] = Math.max(NARROWEST, widths[c] * by);
    }
    return out;
  }
}
