package decant.pdf.read.tagged;

import decant.model.Box;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.Ruling;
import decant.pdf.read.page.RuledLine;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import decant.pdf.read.tables.RulesAlong;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;

/** Where the columns of a table meet whose cells the tags tell, and which lines are drawn. */
final class TableGeometry {
  private final ScannedPage page;
  private final List<List<Detected.DetectedCell>> rows;

  /** Around the text on the page that it begins on. */
  private final Box box;

  private final double[] lefts;
  private final double[] rights;

  private TableGeometry(ScannedPage page, List<List<Detected.DetectedCell>> rows, int columns) {
    this.page = page;
    this.rows = rows;
    this.box =
        rows.stream()
            .flatMap(List::stream)
            .flatMap(c -> c.lines().stream())
            .filter(l -> l.page() == page.number())
            .map(TextLine::box)
            .reduce(Box::union)
            .orElseThrow();
    this.lefts = new double[columns];
    this.rights = new double[columns];
    Arrays.fill(lefts, Double.NaN);
    Arrays.fill(rights, Double.NaN);
    extents();
  }

  /**
   * @param page that the first text of the table stands on
   * @param rows in reading order
   */
  static Detected.Grid grid(ScannedPage page, List<List<Detected.DetectedCell>> rows) {
    int columns =
        rows.stream()
            .mapToInt(r -> r.stream().mapToInt(Detected.DetectedCell::columnSpan).sum())
            .max()
            .orElseThrow();
    return new TableGeometry(page, LeftOutCells.in(rows, columns), columns).grid();
  }

  /** How far the texts of each column reach that stand in it alone. */
  private void extents() {
    int n = lefts.length;
    int[] taken = new int[n]; // rows that a cell from above still covers
    for (List<Detected.DetectedCell> row : rows) {
      int c = 0;
      for (Detected.DetectedCell cell : row) {
        while (c < n && taken[c] > 0) {
          c++;
        }
        for (int k = c; k < Math.min(n, c + cell.columnSpan()); k++) {
          taken[k] = cell.rowSpan();
        }
        if (c < n && cell.columnSpan() == 1) {
          for (TextLine l : cell.lines()) {
            lefts[c] = least(lefts[c], l.box().x());
            rights[c] = -least(-rights[c], -l.box().right());
          }
        }
        c += cell.columnSpan();
      }
      for (int k = 0; k < n; k++) {
        taken[k] = Math.max(0, taken[k] - 1);
      }
    }
  }

  /** The smaller of two, of which the first may not be known. */
  private static double least(double a, double b) {
    return Double.isNaN(a) ? b : Math.min(a, b);
  }

  private Detected.Grid grid() {
    int n = lefts.length;
    boolean mirrored = lefts[0] > lefts[n - 1];
    if (mirrored) {
      reverse(lefts);
      reverse(rights);
    }
    double[] edges = new double[n + 1];
    edges[0] = edge(box.x(), -1);
    edges[n] = edge(box.right(), 1);
    for (int c = 1; c < n; c++) {
      edges[c] = meeting(c);
    }
    settle(edges);
    var widths = new ArrayList<Double>();
    var inner = new ArrayList<Double>();
    for (int c = 0; c < n; c++) {
      widths.add(edges[c + 1] - edges[c]);
      if (c > 0) {
        inner.add(edges[c]);
      }
    }
    if (mirrored) {
      Collections.reverse(widths);
    }
    List<RulesAlong.Row> lines = lines();
    if (lines.isEmpty()) {
      var whole = new Box(edges[0], box.y(), edges[n] - edges[0], box.height());
      return new Detected.Grid(page.number(), whole, widths, rows, Ruling.NONE);
    }
    var rules = new RulesAlong(page.rules(), edges[0], edges[n]);
    return new Detected.Grid(
        page.number(), rules.withRules(lines, box), widths, rows, rules.ruling(lines, box, inner));
  }

  private static void reverse(double[] of) {
    for (int a = 0, b = of.length - 1; a < b; a++, b--) {
      double x = of[a];
      of[a] = of[b];
      of[b] = x;
    }
  }

  /** Where two columns meet: at a standing line between their texts, or else in the middle. */
  private double meeting(int c) {
    double from = rights[c - 1];
    double to = lefts[c];
    if (Double.isNaN(from) || Double.isNaN(to)) {
      return Double.NaN;
    }
    double near = TaggedThresholds.TableGeometry.NEAR;
    return page.rules().stream()
        .filter(r -> isBeside(r) && r.middle() > from - near && r.middle() < to + near)
        .mapToDouble(RuledLine::middle)
        .findFirst()
        .orElse(from < to ? (from + to) / 2 : to);
  }

  private boolean isBeside(RuledLine r) {
    return !r.lying() && r.y1() < box.bottom() && r.y2() > box.y();
  }

  /** The outer edge at one side: of the lines around the table, or a little beside its text. */
  private double edge(double text, int side) {
    double reach = TaggedThresholds.TableGeometry.PADDING;
    double found = text + side * TaggedThresholds.TableGeometry.MARGIN;
    boolean any = false;
    for (RuledLine r : page.rules()) {
      boolean along =
          r.lying()
              && r.y1() > box.y() - reach
              && r.y2() < box.bottom() + reach
              && r.x1() < box.right()
              && r.x2() > box.x();
      if (along || isBeside(r)) {
        double at = side < 0 ? r.x1() : r.x2();
        double beyond = side * (at - text);
        if (beyond > -1 && beyond < reach && (!any || side * (at - found) > 0)) {
          found = at;
          any = true;
        }
      }
    }
    return found;
  }

  /** Columns of which no place is known share the room between those that are. */
  private static void settle(double[] edges) {
    int known = 0;
    for (int k = 1; k < edges.length; k++) {
      if (!Double.isNaN(edges[k])) {
        edges[k] = Math.max(edges[k], edges[known] + (k - known));
        for (int j = known + 1; j < k; j++) {
          edges[j] = edges[known] + (edges[k] - edges[known]) * (j - known) / (k - known);
        }
        known = k;
      }
    }
  }

  /** The rows of the first page by the baselines of their text. */
  private List<RulesAlong.Row> lines() {
    var out = new ArrayList<RulesAlong.Row>();
    for (List<Detected.DetectedCell> row : rows) {
      List<TextLine> here =
          row.stream()
              .filter(c -> c.rowSpan() == 1)
              .flatMap(c -> c.lines().stream())
              .filter(l -> l.page() == page.number())
              .toList();
      Optional<TextLine> first =
          here.stream().min((a, b) -> Double.compare(a.baseline(), b.baseline()));
      first.ifPresent(f ->
          out.add(
              new RulesAlong.Row(
                  f.baseline(),
                  here.stream().mapToDouble(TextLine::baseline).max().orElse(f.baseline()),
                  f.size())));
    }
    return out;
  }
}
