package decant.pdf.read.lines;

import decant.model.Box;
import decant.pdf.read.page.Directions;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.RuledLine;
import decant.pdf.read.page.Sizes;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/**
 * Pieces of lines into columns in reading order. A gutter is looked for where pieces begin below
 * one another and nothing reaches across for a stretch of the page; what does reach across parts
 * the page into bands, each read from its first column to its last.
 */
public final class PageColumns {
  private static final int DEEPEST = 6;

  /**
   * Pieces that stand in one column.
   *
   * @param left edge of the column, also where these pieces are shorter
   * @param column whether it stands beside others
   */
  public record Column(List<TextLine> pieces, double left, double right, boolean column) {
    public Column {
      pieces = List.copyOf(pieces);
    }
  }

  private final List<RuledLine> rules;
  private final Function<List<TextLine>, List<List<TextLine>>> registers;

  private PageColumns(
      List<RuledLine> rules, Function<List<TextLine>, List<List<TextLine>>> registers) {
    this.rules = rules.stream().filter(RuledLine::lying).toList();
    this.registers = registers;
  }

  /** Columns by their gutters alone, whatever may be a table. */
  public static List<Column> of(List<TextLine> pieces, List<RuledLine> rules) {
    return of(pieces, rules, lines -> List.of());
  }

  /**
   * @param rules of the page: what many of them cross is the inside of a table, no gutter
   * @param registers finds the rows of tables among pieces, and gives those of each
   */
  public static List<Column> of(
      List<TextLine> pieces,
      List<RuledLine> rules,
      Function<List<TextLine>, List<List<TextLine>>> registers) {
    if (pieces.isEmpty()) {
      return List.of();
    }
    List<TextLine> sorted = pieces.stream().sorted(TextLine.DOWN).toList();
    return new PageColumns(rules, registers).cut(sorted, left(sorted), right(sorted), false, 0);
  }

  private List<Column> cut(
      List<TextLine> lines, double left, double right, boolean column, int depth) {
    Optional<Split> split = depth >= DEEPEST ? Optional.empty() : best(lines);
    if (split.isEmpty()) {
      return List.of(new Column(lines, left, right, column));
    }
    Optional<List<TextLine>> register = registerAcross(lines, split.get().at());
    if (register.isPresent()) {
      return around(register.get(), lines, left, right, column, depth);
    }
    var out = new ArrayList<Column>();
    for (Band b : split.get().bands()) {
      if (b.left().isEmpty() || b.right().isEmpty()) {
        List<TextLine> one = b.left().isEmpty() ? b.right() : b.left();
        boolean across = b.across();
        double l = across ? left : b.left().isEmpty() ? split.get().at() : left;
        double r = across ? right : b.left().isEmpty() ? right : split.get().leftEnd();
        add(out, new Column(one, l, r, column || !across));
        continue;
      }
      double x = split.get().at();
      List<Column> first = cut(b.left(), left, split.get().leftEnd(), true, depth + 1);
      List<Column> second = cut(b.right(), x, right, true, depth + 1);
      boolean rightToLeft = lines.stream().mapToInt(Directions::lean).sum() > 0;
      (rightToLeft ? second : first).forEach(c -> add(out, c));
      (rightToLeft ? first : second).forEach(c -> add(out, c));
    }
    return out;
  }

  /**
   * The rows of a table on both sides of where lines would be parted; not where the text above and
   * below it is parted there too.
   */
  private Optional<List<TextLine>> registerAcross(List<TextLine> lines, double x) {
    return registers.apply(lines).stream()
        .filter(r -> left(r) < x - LineThresholds.PageColumns.SAME_EDGE && right(r) > x)
        .filter(r ->
            best(without(lines, r))
                .filter(s -> Math.abs(s.at() - x) <= 2 * LineThresholds.PageColumns.SAME_EDGE)
                .isEmpty())
        .findFirst();
  }

  private static List<TextLine> without(List<TextLine> lines, List<TextLine> some) {
    Set<TextLine> those = Collections.newSetFromMap(new IdentityHashMap<>());
    those.addAll(some);
    return lines.stream().filter(l -> !those.contains(l)).toList();
  }

  /** A table as it stands, with what is above it and below it. */
  private List<Column> around(
      List<TextLine> table,
      List<TextLine> lines,
      double left,
      double right,
      boolean column,
      int depth) {
    double top = table.getFirst().baseline();
    var above = new ArrayList<TextLine>();
    var below = new ArrayList<TextLine>();
    without(lines, table).forEach(l -> (l.baseline() < top ? above : below).add(l));
    var out = new ArrayList<Column>();
    if (!above.isEmpty()) {
      cut(above, left, right, column, depth).forEach(c -> add(out, c));
    }
    add(out, new Column(table, left, right, column));
    if (!below.isEmpty()) {
      cut(below, left, right, column, depth).forEach(c -> add(out, c));
    }
    return out;
  }

  /** Stretches of one column that follow one another without another beside them are one. */
  private static void add(List<Column> out, Column c) {
    Column last = out.isEmpty() ? null : out.getLast();
    boolean joins =
        last != null
            && last.column() == c.column()
            && Math.abs(last.left() - c.left()) < 1
            && Math.abs(last.right() - c.right()) < 1
            && c.pieces().getFirst().baseline() > last.pieces().getLast().baseline() - 1;
    if (!joins || last == null) {
      out.add(c);
      return;
    }
    var all = new ArrayList<>(last.pieces());
    all.addAll(c.pieces());
    out.set(out.size() - 1, new Column(all, c.left(), c.right(), c.column()));
  }

  /**
   * Lines between two that reach across.
   *
   * @param across whether it is such a line itself
   */
  private record Band(List<TextLine> left, List<TextLine> right, boolean across) {}

  /**
   * A way to part lines.
   *
   * @param at where the right column begins
   * @param leftEnd where the left one ends
   */
  private record Split(double at, double leftEnd, List<Band> bands, int weight) {}

  private Optional<Split> best(List<TextLine> lines) {
    if (lines.size() < 5) {
      return Optional.empty();
    }
    Split best = null;
    for (double x : edges(lines)) {
      Split s = isRuledAcross(lines, x) ? null : split(partedAt(lines, x), x);
      if (s != null && (best == null || s.weight() > best.weight())) {
        best = s;
      }
    }
    return Optional.ofNullable(best);
  }

  private boolean isRuledAcross(List<TextLine> lines, double x) {
    double top = lines.getFirst().box().y();
    double bottom = lines.getLast().box().bottom();
    Set<Long> before = new HashSet<>();
    Set<Long> after = new HashSet<>();
    for (RuledLine r : rules) {
      if (r.middle() > top && r.middle() < bottom) {
        // Cells may each have their own piece of a line.
        if (r.x1() < x - 12 && r.x2() > x - 12) {
          before.add(Math.round(r.middle()));
        }
        if (r.x1() < x + 3 && r.x2() > x + 3) {
          after.add(Math.round(r.middle()));
        }
      }
    }
    before.retainAll(after);
    return before.size() >= Math.max(3, lines.size() / 12);
  }

  /** Lines of both columns that were taken for one, because the gutter is narrow, as two. */
  private static List<TextLine> partedAt(List<TextLine> lines, double x) {
    var out = new ArrayList<TextLine>();
    for (TextLine l : lines) {
      int at = crosses(l, x, l.size()) ? gapAt(l, x) : -1;
      if (at < 0) {
        out.add(l);
      } else {
        out.add(l.part(l.glyphs().subList(0, at)));
        out.add(l.part(l.glyphs().subList(at, l.glyphs().size())));
      }
    }
    return out;
  }

  /** The glyph of a line that begins a column after a gap; -1 if none does. */
  private static int gapAt(TextLine l, double x) {
    double reach = Double.NEGATIVE_INFINITY;
    for (int k = 0; k < l.glyphs().size(); k++) {
      Glyph g = l.glyphs().get(k);
      if (g.isSpace()) {
        continue;
      }
      if (k > 0
          && Math.abs(g.x() - x) <= LineThresholds.PageColumns.SAME_EDGE
          && g.x() - reach > LineThresholds.PageColumns.GAP * l.size()) {
        return k;
      }
      reach = Math.max(reach, g.right());
    }
    return -1;
  }

  /** Where at least three pieces begin below one another, from left to right, but the first. */
  private static List<Double> edges(List<TextLine> lines) {
    double[] xs = lines.stream().mapToDouble(l -> l.box().x()).sorted().toArray();
    var out = new ArrayList<Double>();
    double min = xs[0] + 40;
    int k = 0;
    while (k < xs.length) {
      int end = k;
      while (end < xs.length && xs[end] - xs[k] <= LineThresholds.PageColumns.SAME_EDGE) {
        end++;
      }
      if (end - k >= 3 && xs[k] > min) {
        out.add(xs[k]);
      }
      k = end;
    }
    return out;
  }

  private @org.jspecify.annotations.Nullable Split split(List<TextLine> lines, double x) {
    double size = lines.get(lines.size() / 2).size();
    var bands = new ArrayList<Band>();
    var left = new ArrayList<TextLine>();
    var right = new ArrayList<TextLine>();
    int parted = 0;
    int crossing = 0;
    double leftEnd = 0;
    var allLeft = new ArrayList<TextLine>();
    var allRight = new ArrayList<TextLine>();
    for (int k = 0; k <= lines.size(); k++) {
      TextLine l = k < lines.size() ? lines.get(k) : null;
      boolean across =
          l != null
              && (crosses(l, x, size)
                  || k > 0 && (goesOn(lines.get(k - 1), l, x, size) || endsAcross(lines, k, x)));
      if (l == null || across) {
        if (!left.isEmpty() && !right.isEmpty()) {
          if (areBeside(left, right)) {
            bands.add(new Band(List.copyOf(left), List.copyOf(right), false));
            parted += Math.min(left.size(), right.size());
            leftEnd = Math.max(leftEnd, right(left));
            allLeft.addAll(left);
            allRight.addAll(right);
          } else {
            var all = new ArrayList<>(left);
            all.addAll(right);
            all.sort(Comparator.comparingDouble(TextLine::baseline));
            bands.add(new Band(all, List.of(), true));
            crossing += all.size();
          }
        } else if (!left.isEmpty() || !right.isEmpty()) {
          bands.add(new Band(List.copyOf(left), List.copyOf(right), false));
        }
        left.clear();
        right.clear();
      }
      if (across) {
        bands.add(new Band(List.of(l), List.of(), true));
        crossing++;
      } else if (l != null) {
        (l.box().x() < x - LineThresholds.PageColumns.SAME_EDGE ? left : right).add(l);
      }
    }
    boolean columns =
        parted >= 3
            && crossing <= 3 * parted
            && !areRows(allLeft, allRight)
            && (isProse(allLeft, leftEnd - left(allLeft)) && isProse(allRight, right(allRight) - x)
                || isTable(allLeft) && isTable(allRight));
    return columns ? new Split(x, leftEnd, bands, 2 * parted - crossing) : null;
  }

  /** Whether lines are a table for themselves, with rows on heights of their own. */
  private boolean isTable(List<TextLine> lines) {
    int of = registers.apply(lines).stream().mapToInt(List::size).sum();
    return of >= LineThresholds.PageColumns.OF_TABLE * lines.size();
  }

  private static boolean crosses(TextLine l, double x, double size) {
    Box b = l.box();
    return b.x() < x - LineThresholds.PageColumns.SAME_EDGE
        && b.right() > x - LineThresholds.PageColumns.MIN_GUTTER * Math.min(size, l.size());
  }

  /** The last line of a title that reaches across. */
  private static boolean goesOn(TextLine before, TextLine l, double x, double size) {
    double pitch = l.baseline() - before.baseline();
    return crosses(before, x, size)
        && l.size() > LineThresholds.PageColumns.TITLE * size
        && Sizes.same(l.size(), before.size())
        && pitch > 0
        && pitch < LineThresholds.PageColumns.TITLE_PITCH * l.size();
  }

  /** The last line of a paragraph that reaches across, with nothing beside it. */
  private static boolean endsAcross(List<TextLine> lines, int k, double x) {
    TextLine before = lines.get(k - 1);
    TextLine l = lines.get(k);
    double pitch = l.baseline() - before.baseline();
    boolean alone =
        k + 1 == lines.size() || !Sizes.samePlace(lines.get(k + 1).baseline(), l.baseline(), 1);
    return alone
        && crosses(before, x, before.size())
        && Sizes.same(l.size(), before.size())
        && pitch > 0
        && pitch < LineThresholds.PageColumns.TITLE_PITCH * l.size()
        && Sizes.samePlace(l.box().x(), before.box().x(), l.size())
        && Flow.goesOn(before, l, right(lines) - before.box().x());
  }

  /** Whether two sides stand beside rather than below one another. */
  private static boolean areBeside(List<TextLine> a, List<TextLine> b) {
    double top = Math.max(a.getFirst().box().y(), b.getFirst().box().y());
    double bottom = Math.min(a.getLast().box().bottom(), b.getLast().box().bottom());
    double shorter =
        Math.min(
            a.getLast().box().bottom() - a.getFirst().box().y(),
            b.getLast().box().bottom() - b.getFirst().box().y());
    return bottom - top > LineThresholds.PageColumns.BESIDE * shorter;
  }

  /** Columns of prose have many lines of nearly the full width; those of a table do not. */
  private static boolean isProse(List<TextLine> lines, double width) {
    if (lines.size() < 3) {
      return false;
    }
    double size = lines.get(lines.size() / 2).size();
    double measure = Math.min(width, Regions.measure(lines));
    if (measure <= 7 * size) {
      return false;
    }
    List<TextLine> rows = Regions.rows(lines);
    long full =
        rows.stream()
            .filter(l -> l.box().width() > LineThresholds.PageColumns.FULL * measure)
            .count();
    return full >= LineThresholds.PageColumns.PROSE * rows.size();
  }

  /**
   * Whether two sides are cells of the same rows: lines of one stand on the baselines of the other,
   * and on one of them at least text does not run on from line to line.
   */
  private static boolean areRows(List<TextLine> a, List<TextLine> b) {
    double[] one = baselines(a);
    double[] other = baselines(b);
    double[] fewer = one.length < other.length ? one : other;
    double[] more = fewer == one ? other : one;
    long same =
        Arrays.stream(fewer)
            .filter(y -> {
              int k = Arrays.binarySearch(more, y - 1);
              int next = k < 0 ? -k - 1 : k;
              return next < more.length && more[next] < y + 1;
            })
            .count();
    return same >= LineThresholds.PageColumns.ROWS * fewer.length
        && (Flow.share(a) < LineThresholds.PageColumns.RUNS_ON
            || Flow.share(b) < LineThresholds.PageColumns.RUNS_ON);
  }

  private static double[] baselines(List<TextLine> lines) {
    return lines.stream().mapToDouble(l -> Math.round(l.baseline())).distinct().sorted().toArray();
  }

  private static double left(List<TextLine> lines) {
    return lines.stream().mapToDouble(l -> l.box().x()).min().orElse(0);
  }

  private static double right(List<TextLine> lines) {
    return lines.stream().mapToDouble(l -> l.box().right()).max().orElse(0);
  }
}
