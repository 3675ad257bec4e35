package decant.layout.pages;

import decant.layout.item.Fragment;
import decant.layout.item.Item;
import decant.layout.item.Line;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * The stretch of a page that looks different from before, so that no more than it need be painted
 * again.
 *
 * @param top in points from the top of the page
 */
public record PageChange(double top, double bottom) {
  /** How far the ink of a line may reach beyond its own height, in points. */
  private static final double REACH = 12;

  /** What differs between two states of a page's text; empty if nothing does. */
  public static Optional<PageChange> between(Page a, Page b) {
    if (a == b) {
      return Optional.empty();
    }
    var whole = Optional.of(new PageChange(0, Math.max(a.setup().height(), b.setup().height())));
    boolean sameSheet =
        a.setup().equals(b.setup())
            && a.shown() == b.shown()
            && a.columnRules().equals(b.columnRules())
            && a.notes().isPresent() == b.notes().isPresent();
    // What an empty page shows may come from elsewhere.
    boolean empty = a.body().isEmpty() && b.body().isEmpty();
    if (!sameSheet || empty || !floats(a.body()).equals(floats(b.body()))) {
      return whole;
    }
    var c = new Comparison();
    c.compare(a.body(), b.body());
    if (a.notes().isPresent() && b.notes().isPresent()) {
      boolean moved = !a.notes().get().separator().equals(b.notes().get().separator());
      if (moved) {
        return whole;
      }
      c.compare(a.notes().get().content(), b.notes().get().content());
    }
    return c.found(a.setup().height());
  }

  /** What differs between two states of the running texts of a page; empty if nothing does. */
  public static Optional<PageChange> ofRunning(List<Fragment> a, List<Fragment> b, double height) {
    if (!floats(a).equals(floats(b))) {
      return Optional.of(new PageChange(0, height));
    }
    var c = new Comparison();
    c.compare(a, b);
    return c.found(height);
  }

  /** The stretch that two changes lie in. */
  public PageChange union(PageChange o) {
    return new PageChange(Math.min(top, o.top), Math.max(bottom, o.bottom));
  }

  private static List<Fragment> floats(List<Fragment> body) {
    return body.stream().filter(f -> f instanceof Fragment.Floated).toList();
  }

  private static final class Comparison {
    private double top = Double.MAX_VALUE;
    private double bottom = -1;

    /** The stretch that differs, of a page so high. */
    Optional<PageChange> found(double height) {
      return bottom < top
          ? Optional.empty()
          : Optional.of(new PageChange(Math.max(0, top - REACH), Math.min(height, bottom + REACH)));
    }

    void compare(List<Fragment> a, List<Fragment> b) {
      int n = Math.min(a.size(), b.size());
      int first = 0;
      while (first < n && same(a.get(first), b.get(first))) {
        first++;
      }
      int last = 0;
      while (last < n - first && same(a.get(a.size() - 1 - last), b.get(b.size() - 1 - last))) {
        last++;
      }
      if (a.size() == b.size() && a.size() - first - last == 1) {
        one(a.get(first), b.get(first));
        return;
      }
      a.subList(first, a.size() - last).forEach(this::take);
      b.subList(first, b.size() - last).forEach(this::take);
    }

    private void take(Fragment f) {
      double over = 0;
      if (f instanceof Fragment.Lines l) {
        for (int k = l.from(); k < l.to(); k++) {
          over = Math.max(over, overhang(l.layout().lines().get(k)));
        }
      }
      take(f.y() - over, f.bottom() + over);
    }

    /** How far what is turned may reach beyond its line, above and below. */
    private static double overhang(Line l) {
      double over = 0;
      for (Item i : l.items()) {
        double turned =
            switch (i) {
              case Item.PictureBox p -> p.rotation();
              case Item.ShapeBox s -> s.shape().shape().rotation();
              case Item.GlyphRun r -> 0;
              case Item.Fill x -> 0;
            };
        if (turned != 0) {
          over = Math.max(over, (i.width() + l.height()) / 2);
        }
      }
      return over;
    }

    private void take(double from, double to) {
      top = Math.min(top, from);
      bottom = Math.max(bottom, to);
    }

    /** The one fragment that differs: of a paragraph in the same place only the lines that do. */
    private void one(Fragment a, Fragment b) {
      boolean lineByLine =
          a instanceof Fragment.Lines
              && b instanceof Fragment.Lines
              && a.x() == b.x()
              && a.y() == b.y();
      if (!lineByLine) {
        take(a);
        take(b);
        return;
      }
      Fragment.Lines x = (Fragment.Lines) a;
      Fragment.Lines y = (Fragment.Lines) b;
      boolean framed =
          !x.layout().style().equals(y.layout().style())
              || x.layout().style().area().rules().isDrawn()
              || !x.layout().style().area().shading().equals(decant.model.look.Colour.WHITE);
      if (framed) {
        take(a.y(), Math.max(a.bottom(), b.bottom()));
        return;
      }
      int lines = Math.max(x.to() - x.from(), y.to() - y.from());
      for (int k = 0; k < lines; k++) {
        boolean both = x.from() + k < x.to() && y.from() + k < y.to();
        if (!both || !looksSame(x, y, k)) {
          if (x.from() + k < x.to()) {
            takeLine(x, k);
          }
          if (y.from() + k < y.to()) {
            takeLine(y, k);
          }
        }
      }
    }

    private void takeLine(Fragment.Lines f, int k) {
      double shift = f.layout().lines().get(f.from()).top();
      Line l = f.layout().lines().get(f.from() + k);
      double over = overhang(l);
      take(f.y() + l.top() - shift - over, f.y() + l.bottom() - shift + over);
    }

    private static boolean looksSame(Fragment.Lines a, Fragment.Lines b, int k) {
      Line x = a.layout().lines().get(a.from() + k);
      Line y = b.layout().lines().get(b.from() + k);
      double ax = x.top() - a.layout().lines().get(a.from()).top();
      double ay = y.top() - b.layout().lines().get(b.from()).top();
      if (ax != ay || x.baseline() != y.baseline() || x.items().size() != y.items().size()) {
        return false;
      }
      for (int i = 0; i < x.items().size(); i++) {
        if (!looksSame(x.items().get(i), y.items().get(i))) {
          return false;
        }
      }
      return true;
    }

    private static boolean looksSame(Item a, Item b) {
      return a instanceof Item.GlyphRun x && b instanceof Item.GlyphRun y
          ? x.face() == y.face()
              && x.size() == y.size()
              && x.x() == y.x()
              && x.rise() == y.rise()
              && x.colour().equals(y.colour())
              && Arrays.equals(x.placed().glyphs(), y.placed().glyphs())
              && Arrays.equals(x.placed().xs(), y.placed().xs())
              && Arrays.equals(x.placed().ys(), y.placed().ys())
          : a instanceof Item.Fill && a.equals(b);
    }

    private static boolean same(Fragment a, Fragment b) {
      if (a.x() != b.x() || a.y() != b.y()) {
        return false;
      }
      return switch (a) {
        case Fragment.Lines x ->
            b instanceof Fragment.Lines y
                && x.layout() == y.layout()
                && x.from() == y.from()
                && x.to() == y.to();
        case Fragment.Rows x ->
            b instanceof Fragment.Rows y
                && x.layout() == y.layout()
                && x.from() == y.from()
                && x.to() == y.to();
        case Fragment.Floated x -> a.equals(b);
      };
    }
  }
}
