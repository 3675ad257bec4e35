package decant.pdf.read.tables;

import decant.model.Box;
import decant.pdf.read.page.Painted;
import decant.pdf.read.page.RuledLine;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.DoubleStream;

/**
 * Where rows are told apart by what is painted: shaded bars, every row's or every second one's, and
 * lines from side to side. Whatever stands between two such edges is one row, at whatever height
 * its cells begin.
 */
final class RowBands {
  private static final int MOST = 3_000;

  /** Widths of bars and lines on a page; pages of tables have a handful. */
  private static final int GROUPS = 100;

  /**
   * Rows one below the other that are painted from the same left to the same right edge.
   *
   * @param rows what stands in each, none empty
   * @param tops where each begins
   * @param bottom where the last ends
   */
  record Stack(
      double left, double right, List<List<TextLine>> rows, List<Double> tops, double bottom) {}

  /** A bar, or a line, which has no height. */
  private record Strip(double left, double right, double top, double bottom) {
    boolean bar() {
      return bottom - top > TableThresholds.RowBands.LINE;
    }

    boolean holds(Strip other) {
      return bar()
          && top < other.top - TableThresholds.RowBands.NEAR
          && bottom > other.bottom + TableThresholds.RowBands.NEAR;
    }

    boolean alike(Strip other) {
      return Math.abs(left - other.left) <= TableThresholds.RowBands.NEAR
          && Math.abs(right - other.right) <= TableThresholds.RowBands.NEAR;
    }
  }

  private record Interval(double top, double bottom, boolean bar, List<TextLine> lines) {
    /** What is left of its height beside its text. */
    double padding() {
      double first = lines.stream().mapToDouble(TextLine::baseline).min().orElse(top);
      double last = lines.stream().mapToDouble(TextLine::baseline).max().orElse(top);
      double size = lines.isEmpty() ? 0 : lines.getFirst().size();
      return bottom - top - (last - first) - size;
    }

    /** Whether it has more room beside its text than a row has. */
    boolean isTooTall(double usual) {
      double more = padding() - TableThresholds.RowBands.ROOM * usual - 2;
      return more > 0 && more > roomBelow(usual);
    }

    /**
     * What it may have more than others have at its foot: reports make rows as high as their text
     * may need. A row begins at its head, with cells side by side or one further in; a title does
     * not.
     */
    private double roomBelow(double usual) {
      List<RowLine> all = RowLine.of(lines);
      double left = all.stream().mapToDouble(RowLine::left).min().orElse(0);
      boolean row =
          all.stream().anyMatch(RowLine::parted)
              && (all.getFirst().parted() || all.getFirst().left() > left + all.getFirst().size())
              && all.getFirst().baseline() - top - all.getFirst().size()
                  <= TableThresholds.RowBands.ROOM * usual / 2 + 1;
      return row ? TableThresholds.RowBands.LINES_BELOW * lines.getFirst().size() : 0;
    }

    /** Whether it holds nothing but letters of another size. */
    boolean isOfOtherSize(double size) {
      return !lines.isEmpty() && lines.stream().allMatch(l -> RowLine.isOtherSize(l.size(), size));
    }

    /** Whether its lines are apart as those of one row are not: of a title and a head below it. */
    boolean parted() {
      double[] at = lines.stream().mapToDouble(TextLine::baseline).sorted().toArray();
      for (int k = 1; k < at.length; k++) {
        if (at[k] - at[k - 1] > TableThresholds.RowBands.PITCH * lines.getFirst().size()) {
          return true;
        }
      }
      return false;
    }
  }

  private RowBands() {}

  /**
   * For the lines with the same edges, what stands between each and the next, down the page;
   * nothing where something reaches beyond them. Lines that no other is like are left out.
   */
  static List<List<List<TextLine>>> betweenLines(ScannedPage page, List<TextLine> lines) {
    return alike(joined(rules(page))).stream()
        .map(s -> {
          double left = s.getFirst().left;
          double right = s.getFirst().right;
          return intervals(s, overlapping(lines, left, right)).stream()
              .map(i -> areWithin(i.lines, left, right) ? i.lines : List.<TextLine>of())
              .toList();
        })
        .toList();
  }

  /**
   * Those with the same edges together. Lines that end short of longer ones above and below them
   * are beside merged cells: there neither tells all rows.
   */
  private static List<List<Strip>> alike(List<Strip> all) {
    List<Strip> left = new ArrayList<>(all);
    var out = new ArrayList<List<Strip>>();
    while (!left.isEmpty()) {
      Strip first = left.getFirst();
      List<Strip> some = left.stream().filter(first::alike).toList();
      left.removeAll(some);
      if (some.size() >= 2) {
        out.add(some);
      }
    }
    if (out.size() > GROUPS) {
      return List.of(); // a drawing
    }
    List<List<Strip>> groups = List.copyOf(out);
    out.removeIf(g -> groups.stream().anyMatch(o -> o != g && (isWithin(g, o) || isWithin(o, g))));
    return out;
  }

  private static boolean isWithin(List<Strip> some, List<Strip> others) {
    Strip a = some.getFirst();
    Strip b = others.getFirst();
    double top = some.stream().mapToDouble(Strip::top).min().orElseThrow();
    double bottom = some.stream().mapToDouble(Strip::bottom).max().orElseThrow();
    return !a.alike(b)
        && b.left <= a.left + TableThresholds.RowBands.NEAR
        && b.right >= a.right - TableThresholds.RowBands.NEAR
        && (a.right - a.left) * 2 > b.right - b.left
        && others.stream().anyMatch(s -> s.top <= top)
        && others.stream().anyMatch(s -> s.top > top && s.bottom < bottom);
  }

  /** All of a page. */
  static List<Stack> of(ScannedPage page, List<TextLine> lines) {
    var out = new ArrayList<Stack>();
    alike(strips(page)).forEach(s -> stacks(s, lines, out));
    return out;
  }

  private static List<Strip> strips(ScannedPage page) {
    var parts = new ArrayList<Strip>();
    for (Painted s : page.shapes()) {
      Box b = s.box();
      boolean bar =
          s.solid() && !s.free() && b.height() < TableThresholds.RowBands.TALLEST * page.height();
      if (bar) {
        parts.add(new Strip(b.x(), b.right(), b.y(), b.bottom()));
      }
    }
    parts.addAll(rules(page));
    List<Strip> joined = joined(parts);
    joined.removeIf(s -> s.right - s.left < s.bottom - s.top);
    // A ground that lies behind several rows is that of a table, not of a row.
    joined.removeIf(s -> joined.stream().anyMatch(o -> o.alike(s) && s.holds(o)));
    return joined;
  }

  private static List<Strip> rules(ScannedPage page) {
    var out = new ArrayList<Strip>();
    for (RuledLine r : page.rules()) {
      if (r.lying()) {
        out.add(new Strip(r.x1(), r.x2(), r.middle(), r.middle()));
      }
    }
    return out;
  }

  /** Those that lie beside one another, cell by cell, are one. */
  private static List<Strip> joined(List<Strip> parts) {
    if (parts.size() > MOST) {
      return new ArrayList<>();
    }
    parts.sort(Comparator.comparingDouble(Strip::left));
    var out = new ArrayList<Strip>();
    for (Strip p : parts) {
      int at = -1;
      for (int k = 0; k < out.size() && at < 0; k++) {
        Strip o = out.get(k);
        boolean same =
            Math.abs(o.top - p.top) <= 1
                && Math.abs(o.bottom - p.bottom) <= 1
                && p.left <= o.right + TableThresholds.RowBands.NEAR;
        at = same ? k : -1;
      }
      if (at < 0) {
        out.add(p);
      } else {
        Strip o = out.get(at);
        out.set(at, new Strip(o.left, Math.max(o.right, p.right), o.top, o.bottom));
      }
    }
    return out;
  }

  private static void stacks(List<Strip> strips, List<TextLine> lines, List<Stack> out) {
    double left = strips.getFirst().left;
    double right = strips.getFirst().right;
    List<TextLine> within = overlapping(lines, left, right);
    List<Interval> intervals = intervals(strips, within);
    double usual = usual(intervals);
    double size = size(intervals);
    var run = new ArrayList<Interval>();
    for (Interval i : intervals) {
      // A title over a line as wide as the table is no row of it.
      boolean foreign = !areWithin(i.lines, left, right) || i.isOfOtherSize(size);
      boolean empty = i.lines.isEmpty() || !i.bar && i.parted() || i.isTooTall(usual);
      if (foreign || empty) {
        // Between the two lines of a double rule nothing is.
        if (foreign || i.bottom - i.top > TableThresholds.RuledTables.OPEN_ROW) {
          take(run, left, right, within, usual, out);
        }
      } else {
        run.add(i);
      }
    }
    take(run, left, right, within, usual, out);
  }

  private static List<Interval> intervals(List<Strip> strips, List<TextLine> lines) {
    List<Double> edges = edges(strips);
    var out = new ArrayList<Interval>();
    for (int k = 1; k < edges.size(); k++) {
      double top = edges.get(k - 1);
      double bottom = edges.get(k);
      double middle = (top + bottom) / 2;
      boolean bar = strips.stream().anyMatch(s -> s.bar() && s.top < middle && s.bottom > middle);
      out.add(
          new Interval(
              top,
              bottom,
              bar,
              lines.stream().filter(l -> l.middle() > top && l.middle() < bottom).toList()));
    }
    return out;
  }

  private static List<Double> edges(List<Strip> strips) {
    var out = new ArrayList<Double>();
    strips.stream()
        .flatMapToDouble(s -> DoubleStream.of(s.top, s.bottom))
        .sorted()
        .forEach(y -> {
          if (out.isEmpty() || y - out.getLast() > TableThresholds.RowBands.NEAR) {
            out.add(y);
          }
        });
    return out;
  }

  /** What stands between two edges or reaches in there, down the page. */
  private static List<TextLine> overlapping(List<TextLine> lines, double left, double right) {
    return lines.stream()
        .filter(l -> l.box().right() > left && l.box().x() < right)
        .sorted(TextLine.DOWN)
        .toList();
  }

  private static boolean areWithin(List<TextLine> lines, double left, double right) {
    double near = TableThresholds.RowBands.NEAR;
    return lines.stream()
        .allMatch(l -> l.box().x() >= left - near && l.box().right() <= right + near);
  }

  /** The size that most rows have; 0 if there are none. */
  private static double size(List<Interval> intervals) {
    double[] all =
        intervals.stream()
            .filter(i -> !i.lines.isEmpty())
            .mapToDouble(i -> i.lines.getFirst().size())
            .sorted()
            .toArray();
    return all.length == 0 ? 0 : all[all.length / 2];
  }

  private static double usual(List<Interval> intervals) {
    double[] all =
        intervals.stream()
            .filter(i -> !i.lines.isEmpty())
            .mapToDouble(Interval::padding)
            .sorted()
            .toArray();
    return all.length == 0 ? 0 : all[(all.length - 1) / 2];
  }

  /** With the row above the first edge and that below the last, if they stand as the others do. */
  private static void take(
      List<Interval> run,
      double left,
      double right,
      List<TextLine> lines,
      double padding,
      List<Stack> out) {
    // What is between a line above and the first row of a table may be text.
    while (!run.isEmpty() && isText(run.getFirst(), left, right)) {
      run.removeFirst();
    }
    while (!run.isEmpty() && isText(run.getLast(), left, right)) {
      run.removeLast();
    }
    if (run.isEmpty()) {
      return;
    }
    var rows = new ArrayList<List<TextLine>>();
    var tops = new ArrayList<Double>();
    double size = run.getFirst().lines.getFirst().size();
    List<TextLine> above = beyond(lines, run.getFirst().top, size, padding, true);
    List<TextLine> below = beyond(lines, run.getLast().bottom, size, padding, false);
    double bottom = run.getLast().bottom;
    boolean head = isHead(above, left, right);
    boolean alone = run.size() == 1;
    if (alone && (run.getFirst().bar() || !head || !above.stream().allMatch(TextLine::bold))) {
      run.clear(); // two lines with a row between them and its head above may be all of a page
      return;
    }
    if (head) {
      rows.add(above);
      tops.add(above.getFirst().baseline() - above.getFirst().size() - padding / 2);
    }
    for (Interval i : run) {
      rows.add(i.lines);
      tops.add(i.top);
    }
    if (isRow(below, left, right)) {
      rows.add(below);
      tops.add(bottom);
      bottom = below.getLast().baseline() + padding / 2;
    }
    out.add(new Stack(left, right, rows, tops, bottom));
    run.clear();
  }

  /** The lines next to an edge on its outer side that stand as close together as those of a row. */
  private static List<TextLine> beyond(
      List<TextLine> lines, double edge, double size, double padding, boolean up) {
    List<TextLine> side =
        lines.stream()
            .filter(l -> up ? l.middle() < edge : l.middle() > edge)
            .sorted(Comparator.comparingDouble(l -> Math.abs(l.middle() - edge)))
            .toList();
    var out = new ArrayList<TextLine>();
    double last = edge;
    for (TextLine l : side) {
      if (RowLine.isOtherSize(l.size(), size)) {
        break; // a title
      }
      double room =
          out.isEmpty() ? padding / 2 + l.size() : l.size() * TableThresholds.RowBands.PITCH;
      if (Math.abs(l.middle() - last) > room) {
        break;
      }
      out.add(l);
      last = l.middle();
    }
    out.sort(TextLine.DOWN);
    return out;
  }

  private static boolean isText(Interval i, double left, double right) {
    return !i.bar
        && RowLine.of(i.lines).stream().noneMatch(RowLine::parted)
        && holdsText(i.lines, left, right);
  }

  /** Whether a line reaches nearly from side to side without a gap. */
  private static boolean holdsText(List<TextLine> lines, double left, double right) {
    double most = TableThresholds.RowBands.PROSE * (right - left);
    return RowLine.of(lines).stream().anyMatch(l -> !l.parted() && l.right() - l.left() > most);
  }

  /** As a row is; titles of narrow columns may hang out. */
  private static boolean isHead(List<TextLine> lines, double left, double right) {
    double out = lines.isEmpty() ? 0 : lines.getFirst().size();
    boolean one = RowLine.of(lines).size() == 1;
    return isRow(lines, one ? left - out : left, one ? right + out : right);
  }

  private static boolean isRow(List<TextLine> lines, double left, double right) {
    return lines.size() >= 2
        && areWithin(lines, left, right)
        && !holdsText(lines, left, right)
        && RowLine.of(lines).stream().anyMatch(RowLine::parted);
  }
}
