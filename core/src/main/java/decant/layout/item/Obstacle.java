package decant.layout.item;

import decant.model.Box;
import decant.model.look.Contour;
import decant.model.look.Insets;
import decant.model.look.Placement.Floating;
import decant.model.look.Placement.Side;
import decant.model.look.Placement.Wrap;
import java.util.List;
import java.util.Optional;

/**
 * Something in the way of the lines of a page.
 *
 * @param box all that lines keep clear of, its distance to them included
 * @param wholeWidth whether no line stands beside it
 * @param side where lines stand beside it
 * @param outline the corners of what lines keep clear of where that is not the box, in points
 * @param distance how far lines keep from the outline to the left and right
 */
public record Obstacle(
    Box box, boolean wholeWidth, Side side, List<Contour.Point> outline, Insets distance) {
  /** What stands between two heights, from left to right. */
  public record Span(double left, double right) {}

  /** What a thing beside the flow puts in the way of lines, if they take notice of it. */
  public static Optional<Obstacle> of(Floating f, Box thing) {
    Insets d = f.distance();
    return switch (f.wrap()) {
      case Wrap.Through t -> Optional.empty();
      case Wrap.AboveAndBelow a ->
          Optional.of(new Obstacle(grown(thing, d), true, Side.BOTH, List.of(), d));
      case Wrap.Around a ->
          Optional.of(
              a.contour().isBox()
                  ? new Obstacle(grown(thing, d), false, a.side(), List.of(), d)
                  : outlined(a, thing, d));
    };
  }

  private static Box grown(Box b, Insets d) {
    return new Box(
        b.x() - d.left(),
        b.y() - d.top(),
        b.width() + d.left() + d.right(),
        b.height() + d.top() + d.bottom());
  }

  /** Above and below it, lines come as near to an outline as they can. */
  private static Obstacle outlined(Wrap.Around a, Box thing, Insets d) {
    List<Contour.Point> outline =
        a.contour().points().stream()
            .map(p ->
                new Contour.Point(
                    thing.x() + p.x() * thing.width(), thing.y() + p.y() * thing.height()))
            .toList();
    double top = outline.stream().mapToDouble(Contour.Point::y).min().orElse(0);
    double bottom = outline.stream().mapToDouble(Contour.Point::y).max().orElse(0);
    double left = outline.stream().mapToDouble(Contour.Point::x).min().orElse(0);
    double right = outline.stream().mapToDouble(Contour.Point::x).max().orElse(0);
    var sides = new Insets(0, d.right(), 0, d.left());
    Box box = grown(new Box(left, top, right - left, bottom - top), sides);
    return new Obstacle(box, false, a.side(), outline, sides);
  }

  /** Whether both stand in nearly the same place. */
  public boolean isNear(Obstacle o) {
    return wholeWidth == o.wholeWidth
        && Math.abs(box.x() - o.box.x()) < 1
        && Math.abs(box.y() - o.box.y()) < 1
        && Math.abs(box.bottom() - o.box.bottom()) < 1;
  }

  /** Whether any of it stands within an area. */
  public boolean reaches(double left, double right, double top, double bottom) {
    return box.y() < bottom - 0.01
        && box.bottom() > top + 0.01
        && box.x() < right - 0.01
        && box.right() > left + 0.01;
  }

  /** What of it stands between two heights. */
  public Optional<Span> between(double top, double bottom) {
    if (outline.isEmpty()) {
      return Optional.of(new Span(box.x(), box.right()));
    }
    double left = Double.MAX_VALUE;
    double right = -Double.MAX_VALUE;
    Contour.Point a = outline.getLast();
    for (Contour.Point b : outline) {
      double upper = Math.min(a.y(), b.y());
      double lower = Math.max(a.y(), b.y());
      if (upper < bottom && lower > top || upper == lower && upper > top && upper < bottom) {
        double x1 = xAt(a, b, Math.max(upper, top));
        double x2 = xAt(a, b, Math.min(lower, bottom));
        left = Math.min(left, upper == lower ? Math.min(a.x(), b.x()) : Math.min(x1, x2));
        right = Math.max(right, upper == lower ? Math.max(a.x(), b.x()) : Math.max(x1, x2));
      }
      a = b;
    }
    return left > right
        ? Optional.empty()
        : Optional.of(new Span(left - distance.left(), right + distance.right()));
  }

  private static double xAt(Contour.Point a, Contour.Point b, double y) {
    return a.y() == b.y() ? a.x() : a.x() + (b.x() - a.x()) * (y - a.y()) / (b.y() - a.y());
  }
}
