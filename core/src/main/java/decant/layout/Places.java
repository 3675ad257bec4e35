package decant.layout;

import decant.layout.item.Fragment;
import decant.layout.item.Item;
import decant.layout.item.Line;
import decant.layout.item.ParagraphLayout;
import decant.layout.item.ParagraphStyle;
import decant.layout.item.TableLayout;
import decant.layout.pages.Page;
import decant.model.Position;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** From positions to places on a page and back. */
public final class Places {
  /** A line where it stands on its page. */
  public record PlacedLine(ParagraphLayout paragraph, Line line, double x, double top) {
    private boolean within(PlacedLine o) {
      return top >= o.top && bottom() <= o.bottom() && left() >= o.left() && right() <= o.right();
    }

    public double bottom() {
      return top + line.height();
    }

    /** Where the room of the line begins. */
    public double left() {
      return x + line.left();
    }

    /** Where the room of the line ends. */
    public double right() {
      return x + paragraph.width() - line.right();
    }

    public double baseline() {
      return top + line.baseline();
    }

    boolean contains(double px, double py) {
      return py >= top && py <= bottom() && px >= left() && px <= right();
    }

    /** The place of the line nearest to a distance from the left of the page. */
    Position positionAt(double px) {
      return new Position(paragraph.source().id(), offsetAt(this, px - x));
    }
  }

  private Places() {}

  /**
   * The lines of a page from top to bottom, those in cells, shapes and notes included, those of
   * running texts not.
   */
  public static List<PlacedLine> lines(Page page) {
    return lines(page.texts());
  }

  /** The lines of fragments that stand on a page. */
  public static List<PlacedLine> lines(List<Fragment> fragments) {
    var out = new ArrayList<PlacedLine>();
    walk(
        fragments,
        0,
        0,
        new Visitor() {
          @Override
          public void line(PlacedLine line) {
            out.add(line);
          }
        });
    return out;
  }

  /** Is told what stands on a page, cells and shapes included. */
  interface Visitor {
    /** A line; before what stands in the shapes on it. */
    default void line(PlacedLine line) {}

    /** What stands beside the flow, its top left corner on the page; before what stands in it. */
    default void floated(Fragment.Floated floated, double x, double y) {}
  }

  /** The place in its paragraph of what is no text. */
  static int offsetOf(Item object) {
    return switch (object) {
      case Item.PictureBox p -> p.at();
      case Item.ShapeBox s -> s.at();
      case Item.GlyphRun r -> r.shown().from();
      case Item.Fill f -> 0;
    };
  }

  /** Goes through fragments that stand so far from the top left of the page. */
  static void walk(List<Fragment> fragments, double dx, double dy, Visitor to) {
    for (Fragment f : fragments) {
      switch (f) {
        case Fragment.Lines l -> {
          double shift = l.layout().lines().get(l.from()).top();
          for (int k = l.from(); k < l.to(); k++) {
            Line line = l.layout().lines().get(k);
            double top = dy + l.y() + line.top() - shift;
            to.line(new PlacedLine(l.layout(), line, dx + l.x(), top));
            for (Item i : line.items()) {
              if (i instanceof Item.ShapeBox s) {
                double above = top + line.baseline() - s.shape().height();
                walk(s.shape().content(), dx + l.x() + s.x(), above, to);
              }
            }
          }
        }
        case Fragment.Floated p -> {
          to.floated(p, dx + p.x(), dy + p.y());
          if (p.object() instanceof Item.ShapeBox s) {
            walk(s.shape().content(), dx + p.x(), dy + p.y(), to);
          }
        }
        case Fragment.Rows r -> {
          double y = dy + r.y() + r.headHeight();
          for (TableLayout.Placed p : r.layout().placed(r.from(), r.to())) {
            walk(p.content(), dx + r.x() + p.cell().x(), y + p.y(), to);
          }
        }
      }
    }
  }

  /**
   * The line that a position stands on.
   *
   * @param before whether a place between two lines belongs to the first of them
   */
  public static Optional<PlacedLine> line(Layout layout, Position at, boolean before) {
    return layout.pagesOf(at.paragraph()).stream()
        .flatMap(p -> layout.linesOf(p, at.paragraph()).stream())
        .filter(l -> holds(l, at.offset(), before))
        .findFirst();
  }

  private static boolean holds(PlacedLine l, int offset, boolean before) {
    boolean first = l.line() == l.paragraph().lines().getFirst();
    boolean last = l.line() == l.paragraph().lines().getLast();
    boolean from = before && !first ? offset > l.line().from() : offset >= l.line().from();
    boolean to = before || last ? offset <= l.line().to() : offset < l.line().to();
    return (from || first) && (to || last);
  }

  /**
   * Where the caret of a position stands.
   *
   * @param before whether at a place between two lines it stands at the end of the first of them
   * @param near the page, from 0, that it is looked for on where it stands on many
   */
  public static Optional<CaretPlace> caret(Layout layout, Position at, boolean before, int near) {
    if (!before) {
      return layout.caret(at, near);
    }
    for (Page p : layout.pagesOf(at.paragraph(), near)) {
      for (PlacedLine l : layout.linesOf(p, at.paragraph())) {
        if (isSoftBreak(l, at.offset())) {
          return Optional.of(new CaretPlace(p, l.x() + endX(l), l.top(), l.line().height()));
        }
      }
    }
    return layout.caret(at, near);
  }

  /** Whether a place is both the end of a line and the beginning of the next one. */
  public static boolean isSoftBreak(PlacedLine l, int offset) {
    return offset == l.line().to()
        && offset > l.line().from()
        && l.line() != l.paragraph().lines().getLast();
  }

  /** Where what stands on a line ends, from the left edge of its block. */
  private static double endX(PlacedLine l) {
    boolean rightToLeft = l.paragraph().style().lines().rightToLeft();
    var ends = l.line().items().stream().mapToDouble(i -> rightToLeft ? i.x() : i.x() + i.width());
    return (rightToLeft ? ends.min() : ends.max()).orElse(startX(l));
  }

  /**
   * Where the caret stands before a place of a paragraph.
   *
   * @param lines those of the paragraph on the page
   */
  static Optional<CaretPlace> caret(Page page, List<PlacedLine> lines, int offset) {
    PlacedLine best = null;
    for (PlacedLine l : lines) {
      // What is anchored before the text has its places on no line; the first one stands for them.
      boolean reached = l.line().from() <= offset || l.line() == l.paragraph().lines().getFirst();
      boolean last = l.line() == l.paragraph().lines().getLast();
      if (reached && (offset <= l.line().to() || last)) {
        best = l; // at a break between two lines the later one wins
      }
    }
    if (best == null) {
      return Optional.empty();
    }
    return Optional.of(
        new CaretPlace(page, best.x() + xOf(best, offset), best.top(), best.line().height()));
  }

  /** Where the caret stands on a line, from the left edge of its block. */
  public static double xOf(PlacedLine placed, int offset) {
    Line line = placed.line();
    double fallback = startX(placed);
    for (Item item : line.items()) {
      switch (item) {
        case Item.GlyphRun r -> {
          if (!r.shown().generated() && offset >= r.shown().from() && offset <= r.shown().to()) {
            double x = runX(r, offset);
            if (offset < r.shown().to()) {
              return x;
            }
            fallback = x;
          } else if (!r.shown().generated() && offset > r.shown().to()) {
            fallback = Math.max(fallback, r.x() + r.width());
          }
        }
        case Item.PictureBox p -> {
          if (offset == p.at()) {
            return p.x();
          }
          if (offset > p.at()) {
            fallback = Math.max(fallback, p.x() + p.width());
          }
        }
        case Item.ShapeBox s -> {
          if (offset == s.at()) {
            return s.x();
          }
          if (offset > s.at()) {
            fallback = Math.max(fallback, s.x() + s.width());
          }
        }
        case Item.Fill f -> {}
      }
    }
    return fallback;
  }

  private static double startX(PlacedLine placed) {
    ParagraphStyle s = placed.paragraph().style();
    double width = placed.paragraph().width() - placed.line().right();
    double left =
        placed.line().left() + (s.lines().rightToLeft() ? s.indents().end() : s.indents().start());
    double right = width - (s.lines().rightToLeft() ? s.indents().start() : s.indents().end());
    return switch (s.lines().alignment()) {
      case START, JUSTIFIED ->
          s.lines().rightToLeft()
              ? right
              : left + Math.max(0, placed.line().from() == 0 ? s.indents().firstLine() : 0);
      case CENTRE -> (left + right) / 2;
      case END -> s.lines().rightToLeft() ? left : right;
    };
  }

  private static double runX(Item.GlyphRun r, int offset) {
    // Between clusters: the edge. Within one (a ligature): a share of it.
    int before = -1;
    int after = Integer.MAX_VALUE;
    for (int c : r.placed().clusters()) {
      if (c <= offset) {
        before = Math.max(before, c);
      }
      if (c > offset) {
        after = Math.min(after, c);
      }
    }
    int endPlace = after == Integer.MAX_VALUE ? r.shown().to() : after;
    if (before < 0) {
      return r.placed().rightToLeft() ? r.x() + r.width() : r.x();
    }
    double left = Double.MAX_VALUE;
    double right = 0;
    for (int g = 0; g < r.placed().glyphs().length; g++) {
      if (r.placed().clusters()[g] == before) {
        left = Math.min(left, r.placed().xs()[g]);
        right = Math.max(right, g + 1 < r.placed().glyphs().length ? nextOrigin(r, g) : r.width());
      }
    }
    double share = endPlace == before ? 0 : (offset - before) / (double) (endPlace - before);
    return r.x()
        + (r.placed().rightToLeft()
            ? right - share * (right - left)
            : left + share * (right - left));
  }

  private static double nextOrigin(Item.GlyphRun r, int g) {
    for (int k = g + 1; k < r.placed().glyphs().length; k++) {
      if (r.placed().clusters()[k] != r.placed().clusters()[g]) {
        return r.placed().xs()[k];
      }
    }
    return r.width();
  }

  /** The line nearest to a point. */
  static Optional<PlacedLine> nearest(List<PlacedLine> lines, double x, double y) {
    PlacedLine best = null;
    double bestDistance = Double.MAX_VALUE;
    for (PlacedLine l : lines) {
      double dy = y < l.top() ? l.top() - y : y > l.bottom() ? y - l.bottom() : 0;
      double dx = x < l.left() ? l.left() - x : x > l.right() ? x - l.right() : 0;
      double distance = dy * 4 + dx;
      // A line of text in a shape stands within the line that holds the shape.
      if (distance < bestDistance || distance == bestDistance && best != null && l.within(best)) {
        bestDistance = distance;
        best = l;
      }
    }
    return Optional.ofNullable(best);
  }

  /**
   * The last place of a line: before the space or break that it ends with, so that it is not the
   * start of the next.
   */
  public static int lineEnd(PlacedLine placed) {
    Line line = placed.line();
    String text = placed.paragraph().source().text();
    int end = line.to();
    while (end > line.from()
        && end > 0
        && (text.charAt(end - 1) == '\n'
            || text.charAt(end - 1) == '\f'
            || text.charAt(end - 1) == decant.model.Inline.COLUMN_BREAK
            || text.charAt(end - 1) == ' ' && line != placed.paragraph().lines().getLast())) {
      end--;
    }
    return end;
  }

  /** The place of a line nearest to a distance from the left edge of its block. */
  public static int offsetAt(PlacedLine placed, double x) {
    Line line = placed.line();
    String text = placed.paragraph().source().text();
    int end = lineEnd(placed);
    int best = line.from();
    double bestDistance = Double.MAX_VALUE;
    for (int k = line.from(); k <= end; k++) {
      if (k > 0 && k < text.length() && Character.isLowSurrogate(text.charAt(k))) {
        continue;
      }
      double d = Math.abs(xOf(placed, k) - x);
      if (d < bestDistance - 1e-6) {
        bestDistance = d;
        best = k;
      }
    }
    return best;
  }
}
