package decant.pdf.read.tables;

import decant.pdf.read.detected.Detected;
import decant.pdf.read.page.RuledLine;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Standing lines side by side, of one height, that no line lies across: between them are the
 * columns of a table whose rows have no lines. Its outer columns may have none at their outer
 * sides.
 */
final class Fences {
  private static final double NEAR = TableThresholds.RuledTables.NEAR;

  private Fences() {}

  /** Those of a page, each with all its lines; lines drawn in pieces are whole. */
  static List<List<RuledLine>> of(List<RuledLine> rules) {
    List<RuledLine> left = new ArrayList<>(whole(rules));
    var out = new ArrayList<List<RuledLine>>();
    while (!left.isEmpty()) {
      RuledLine first = left.getFirst();
      List<RuledLine> alike =
          left.stream()
              .filter(r -> Math.abs(r.y1() - first.y1()) <= NEAR)
              .filter(r -> Math.abs(r.y2() - first.y2()) <= NEAR)
              .toList();
      left.removeAll(alike);
      if (alike.size() >= TableThresholds.Registers.COLUMNS && !isCrossed(alike, rules)) {
        out.add(alike);
      }
    }
    return out;
  }

  /** Standing lines one below the other, end to end, as one. */
  private static List<RuledLine> whole(List<RuledLine> rules) {
    List<RuledLine> standing =
        rules.stream()
            .filter(r -> !r.lying())
            .sorted(Comparator.comparingDouble(RuledLine::y1))
            .toList();
    var out = new ArrayList<RuledLine>();
    for (RuledLine r : standing) {
      int at = -1;
      for (int k = 0; k < out.size() && at < 0; k++) {
        RuledLine o = out.get(k);
        at = Math.abs(o.middle() - r.middle()) <= 1 && r.y1() <= o.y2() + NEAR ? k : -1;
      }
      if (at < 0) {
        out.add(r);
      } else {
        RuledLine o = out.get(at);
        out.set(at, new RuledLine(o.x1(), o.y1(), o.x2(), Math.max(o.y2(), r.y2()), o.look()));
      }
    }
    return out;
  }

  /** Whether most rows have text in their first cells, and most in their last. */
  static boolean areFilled(List<List<Detected.DetectedCell>> rows) {
    long first = rows.stream().filter(r -> !r.getFirst().lines().isEmpty()).count();
    long last = rows.stream().filter(r -> !r.getLast().lines().isEmpty()).count();
    return Math.min(first, last) * 2 > rows.size();
  }

  /**
   * Where columns end, with those that have a line at their inner side alone; nothing there reaches
   * over that.
   *
   * @param xs where the lines stand
   */
  static List<Double> withOuter(List<RuledLine> fence, List<Double> xs, List<TextLine> lines) {
    double top = fence.getFirst().y1();
    double bottom = fence.getFirst().y2();
    List<TextLine> beside =
        lines.stream().filter(l -> l.middle() > top && l.middle() < bottom).toList();
    double first = xs.getFirst();
    double last = xs.getLast();
    if (beside.stream().anyMatch(l -> reachesOver(l, first) || reachesOver(l, last))) {
      return xs;
    }
    double left = beside.stream().mapToDouble(l -> l.box().x()).min().orElse(first);
    double right = beside.stream().mapToDouble(l -> l.box().right()).max().orElse(last);
    var out = new ArrayList<>(xs);
    if (left < first - NEAR) {
      out.addFirst(left - NEAR);
    }
    if (right > last + NEAR) {
      out.add(right + NEAR);
    }
    return out;
  }

  private static boolean reachesOver(TextLine l, double x) {
    return l.glyphs().stream().anyMatch(g -> !g.isSpace() && g.x() < x - 1 && g.right() > x + 1);
  }

  private static boolean isCrossed(List<RuledLine> fence, List<RuledLine> rules) {
    double left = fence.stream().mapToDouble(RuledLine::middle).min().orElseThrow();
    double right = fence.stream().mapToDouble(RuledLine::middle).max().orElseThrow();
    double top = fence.getFirst().y1() - NEAR;
    double bottom = fence.getFirst().y2() + NEAR;
    return rules.stream()
        .anyMatch(r ->
            r.lying()
                && r.middle() > top
                && r.middle() < bottom
                && r.x2() > left + NEAR
                && r.x1() < right - NEAR);
  }
}
