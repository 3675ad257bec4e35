package decant.pdf.read;

import decant.model.Box;
import decant.model.Colour;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Lines into regions in reading order: stretches of columns are told from stretches that go across
 * the page.
 */
final class Regions {
  private static final double LEAST_GUTTER = 8;

  private Regions() {}

  static List<Region> of(int page, List<TextLine> pieces) {
    if (pieces.isEmpty()) {
      return List.of();
    }
    List<TextLine> sorted = new ArrayList<>(pieces);
    sorted.sort(
        Comparator.comparingDouble((TextLine l) -> l.baseline())
            .thenComparingDouble(l -> l.box().x()));
    return joined(cut(page, sorted, 0));
  }

  private static List<Region> cut(int page, List<TextLine> lines, int depth) {
    if (depth > 4 || lines.size() < 6) {
      return List.of(region(page, lines));
    }
    double left = left(lines);
    double right = right(lines);
    double wide = 0.6 * (right - left);
    var out = new ArrayList<Region>();
    var run = new ArrayList<TextLine>();
    for (TextLine l : lines) {
      if (l.box().width() > wide && !run.isEmpty()) {
        out.addAll(columns(page, run, depth));
        run.clear();
      }
      if (l.box().width() > wide) {
        out.add(region(page, List.of(l)));
      } else {
        run.add(l);
      }
    }
    if (!run.isEmpty()) {
      out.addAll(columns(page, run, depth));
    }
    return joined(out);
  }

  /** Tries to part lines at a gutter; gives one region if there is none. */
  private static List<Region> columns(int page, List<TextLine> lines, int depth) {
    Optional<Double> gutter = gutter(lines);
    if (gutter.isEmpty()) {
      return List.of(region(page, lines));
    }
    double x = gutter.get();
    List<TextLine> a = lines.stream().filter(l -> l.box().x() < x).toList();
    List<TextLine> b = lines.stream().filter(l -> l.box().x() >= x).toList();
    var out = new ArrayList<Region>();
    boolean rightToLeft = lines.stream().mapToInt(Regions::direction).sum() > 0;
    for (List<TextLine> side : rightToLeft ? List.of(b, a) : List.of(a, b)) {
      for (Region r : cut(page, side, depth + 1)) {
        out.add(new Region(r.page(), r.lines(), r.left(), r.right(), true));
      }
    }
    return out;
  }

  private static int direction(TextLine l) {
    int n = 0;
    for (Glyph g : l.glyphs()) {
      if (!g.text().isEmpty()) {
        byte d = Character.getDirectionality(g.text().codePointAt(0));
        n += d == 1 || d == 2 ? 1 : d == 0 ? -1 : 0;
      }
    }
    return n;
  }

  private static Optional<Double> gutter(List<TextLine> lines) {
    List<Box> boxes =
        lines.stream().map(TextLine::box).sorted(Comparator.comparingDouble(Box::x)).toList();
    double reach = boxes.getFirst().right();
    double bestGap = 0;
    double best = 0;
    for (Box b : boxes) {
      double gap = b.x() - reach;
      if (gap > Math.max(LEAST_GUTTER, bestGap)) {
        List<TextLine> a = lines.stream().filter(l -> l.box().x() < b.x()).toList();
        List<TextLine> c = lines.stream().filter(l -> l.box().x() >= b.x()).toList();
        if (isProse(a) && isProse(c)) {
          bestGap = gap;
          best = b.x();
        }
      }
      reach = Math.max(reach, b.right());
    }
    return bestGap > 0 ? Optional.of(best) : Optional.empty();
  }

  /**
   * Columns of prose have many lines of nearly the full width; columns of a table mostly do not.
   * There may be several columns side by side among the lines.
   */
  private static boolean isProse(List<TextLine> lines) {
    if (lines.size() < 4) {
      return false;
    }
    double width = measure(lines);
    long full = lines.stream().filter(l -> l.box().width() > 0.7 * width).count();
    double size = lines.getFirst().size();
    return width > 7 * size && full >= 0.4 * lines.size();
  }

  /** The width that full lines have: nine in ten are not wider. */
  static double measure(List<TextLine> lines) {
    double[] widths = lines.stream().mapToDouble(l -> l.box().width()).sorted().toArray();
    return widths[(int) (widths.length * 0.9)];
  }

  private static double left(List<TextLine> lines) {
    return lines.stream().mapToDouble(l -> l.box().x()).min().orElse(0);
  }

  private static double right(List<TextLine> lines) {
    return lines.stream().mapToDouble(l -> l.box().right()).max().orElse(0);
  }

  private static Region region(int page, List<TextLine> lines) {
    return new Region(page, rows(lines), left(lines), right(lines), false);
  }

  /** Neighbouring regions one below the other, none of them a column, are one. */
  private static List<Region> joined(List<Region> regions) {
    var out = new ArrayList<Region>();
    for (Region r : regions) {
      if (!out.isEmpty() && below(out.getLast(), r)) {
        Region a = out.removeLast();
        var all = new ArrayList<>(a.lines());
        all.addAll(r.lines());
        out.add(
            new Region(
                r.page(),
                rows(all), // a wide piece and the mark before it were in different regions
                Math.min(a.left(), r.left()),
                Math.max(a.right(), r.right()),
                false));
      } else {
        out.add(r);
      }
    }
    return out;
  }

  private static boolean below(Region a, Region b) {
    return !a.column()
        && !b.column()
        && b.lines().getFirst().baseline() > a.lines().getLast().baseline() - 1;
  }

  /** Pieces on one baseline put together into whole lines. */
  private static List<TextLine> rows(List<TextLine> pieces) {
    var out = new ArrayList<TextLine>();
    List<TextLine> sorted = new ArrayList<>(pieces);
    sorted.sort(
        Comparator.comparingDouble((TextLine l) -> l.baseline())
            .thenComparingDouble(l -> l.box().x()));
    var row = new ArrayList<TextLine>();
    for (TextLine l : sorted) {
      if (!row.isEmpty()
          && l.baseline() - row.getFirst().baseline() > Math.max(2, 0.25 * l.size())) {
        out.add(whole(row));
        row.clear();
      }
      row.add(l);
    }
    if (!row.isEmpty()) {
      out.add(whole(row));
    }
    return out;
  }

  static TextLine whole(List<TextLine> row) {
    if (row.size() == 1) {
      return row.getFirst();
    }
    List<TextLine> sorted = new ArrayList<>(row);
    boolean rightToLeft = row.stream().mapToInt(Regions::direction).sum() > 0;
    Comparator<TextLine> byX = Comparator.comparingDouble(l -> l.box().x());
    sorted.sort(rightToLeft ? byX.reversed() : byX);
    var glyphs = new ArrayList<Glyph>();
    Box box = sorted.getFirst().box();
    double size = 0;
    double baseline = sorted.getFirst().baseline();
    for (TextLine l : sorted) {
      if (!glyphs.isEmpty()) {
        Glyph last = glyphs.getLast();
        double gap = l.box().x() - last.right();
        glyphs.add(gapGlyph(last, gap));
      }
      glyphs.addAll(l.glyphs());
      box = box.union(l.box());
      if (l.size() > size) {
        size = l.size();
        baseline = l.baseline();
      }
    }
    return new TextLine(row.getFirst().page(), glyphs, box, baseline, size);
  }

  private static Glyph gapGlyph(Glyph after, double gap) {
    Colour colour = after.colour();
    return new Glyph(
        gap > 2.5 * after.size() ? "\t" : " ",
        after.right(),
        after.baseline(),
        Math.max(0, gap),
        after.size(),
        after.face(),
        colour,
        0,
        after.content(),
        after.artifact(),
        false,
        Optional.empty());
  }
}
