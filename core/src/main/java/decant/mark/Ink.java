package decant.mark;

import decant.model.look.Colour;
import decant.picture.PictureSize;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What is drawn with a pointer or a pen, smoothed: the hand's tremor and the steps of the screen
 * go, turns stay. Lines are thicker where a pen is pressed, or where it goes slowly.
 */
public final class Ink {
  /**
   * A place that the pointer came by.
   *
   * @param x to the right, in pixels
   * @param y down, in pixels
   * @param pressure from 0 to 1; less than 0 where it is not known
   * @param millis when, on any clock
   */
  public record Point(double x, double y, double pressure, long millis) {
    public static final double UNKNOWN = -1;
  }

  /** Points nearer than this to the one before say nothing of the line, in pixels. */
  private static final double APART = 1.5;

  /** How often each point is drawn to the middle of its neighbours. */
  private static final int ROUNDS = 2;

  /** How far a hand trembles, in pixels. */
  private static final double TREMOR = 2;

  /** A hand that signs goes about this fast, in pixels a millisecond. */
  private static final double USUAL = 0.9;

  /** The thinnest and the thickest line, as shares of the pen's. */
  private static final double THIN = 0.6;

  private static final double THICK = 1.35;

  /** How much of the width comes from the point before, so that it swells and does not jump. */
  private static final double KEPT = 0.75;

  /** Widths are told apart by this share of the pen's. */
  private static final double STEP = 0.08;

  private Ink() {}

  /**
   * What was drawn.
   *
   * @param strokes each from where the pen came down to where it was lifted
   * @param pen how thick its line usually is, in pixels
   * @return empty if nothing was
   */
  public static Optional<Mark> drawn(List<List<Point>> strokes, Colour colour, double pen) {
    var svg = new Svg();
    Rectangle2D box = null;
    for (List<Point> s : strokes) {
      if (s.isEmpty()) {
        continue;
      }
      List<Point> smooth = smoothed(thinned(s));
      for (Stretch t : stretches(smooth, pen)) {
        svg.stroke(t.path, colour, t.width);
        Rectangle2D b = t.path.getBounds2D();
        double half = t.width / 2;
        b.setRect(
            b.getX() - half, b.getY() - half, b.getWidth() + t.width, b.getHeight() + t.width);
        box = box == null ? b : box.createUnion(b);
      }
    }
    if (box == null) {
      return Optional.empty();
    }
    return Optional.of(
        new Mark(
            "",
            Mark.Kind.SIGNATURE,
            svg.in(box),
            box.getWidth() * PictureSize.PIXEL,
            box.getHeight() * PictureSize.PIXEL));
  }

  /** A part of a line that is equally thick. */
  private record Stretch(Path2D path, double width) {}

  private static List<Point> thinned(List<Point> all) {
    var out = new ArrayList<Point>();
    for (Point p : all) {
      if (out.isEmpty() || distance(out.getLast(), p) >= APART) {
        out.add(p);
      }
    }
    if (out.getLast() != all.getLast() && out.size() > 1) {
      out.set(out.size() - 1, all.getLast()); // it ends where the pen was lifted
    }
    return out;
  }

  /**
   * The ends of a line stay where they are; so do sharp turns, which are meant. No point moves
   * farther than a hand trembles, so that what was drawn in a few quick moves keeps its shape.
   */
  private static List<Point> smoothed(List<Point> line) {
    List<Point> now = line;
    for (int round = 0; round < ROUNDS; round++) {
      var next = new ArrayList<>(now);
      for (int k = 1; k + 1 < now.size(); k++) {
        Point a = now.get(k - 1);
        Point b = now.get(k);
        Point c = now.get(k + 1);
        if (!turnsBack(a, b, c)) {
          next.set(k, near(line.get(k), (a.x + 2 * b.x + c.x) / 4, (a.y + 2 * b.y + c.y) / 4));
        }
      }
      now = next;
    }
    return now;
  }

  /** A point moved to a place, or as far towards it as it may go. */
  private static Point near(Point p, double x, double y) {
    double far = Math.hypot(x - p.x, y - p.y);
    double share = far > TREMOR ? TREMOR / far : 1;
    return new Point(p.x + share * (x - p.x), p.y + share * (y - p.y), p.pressure, p.millis);
  }

  /** Whether a line turns by more than a right angle. */
  private static boolean turnsBack(Point a, Point b, Point c) {
    return (b.x - a.x) * (c.x - b.x) + (b.y - a.y) * (c.y - b.y) < 0;
  }

  private static List<Stretch> stretches(List<Point> line, double pen) {
    var out = new ArrayList<Stretch>();
    if (line.size() == 1) {
      var dot = new Path2D.Double();
      dot.moveTo(line.getFirst().x, line.getFirst().y);
      dot.lineTo(line.getFirst().x + 0.01, line.getFirst().y); // a line, so that it is painted
      out.add(new Stretch(dot, pen * THICK));
      return out;
    }
    double[] widths = widths(line, pen);
    double step = STEP * pen;
    Path2D path = null;
    double width = 0;
    for (int k = 0; k + 1 < line.size(); k++) {
      double here = step * Math.round((widths[k] + widths[k + 1]) / 2 / step);
      if (path == null || Math.abs(here - width) > step / 2) {
        path = new Path2D.Double();
        path.moveTo(line.get(k).x, line.get(k).y);
        width = here;
        out.add(new Stretch(path, width));
      }
      curve(path, line, k);
    }
    return out;
  }

  private static double[] widths(List<Point> line, double pen) {
    double[] out = new double[line.size()];
    double before = 1;
    for (int k = 0; k < out.length; k++) {
      Point p = line.get(k);
      double now = before;
      if (p.pressure >= 0) {
        now = THIN + (THICK - THIN) * Math.min(1, p.pressure);
      } else if (k > 0) {
        double millis = Math.max(1, p.millis - line.get(k - 1).millis);
        double speed = distance(line.get(k - 1), p) / millis;
        now = Math.clamp(THICK - (THICK - 1) * speed / USUAL, THIN, THICK);
      }
      before = k == 0 ? now : KEPT * before + (1 - KEPT) * now;
      out[k] = pen * before;
    }
    return out;
  }

  /** From a point to the next, as a spline through all of them goes (Catmull and Rom). */
  private static void curve(Path2D path, List<Point> line, int k) {
    Point a = line.get(Math.max(0, k - 1));
    Point b = line.get(k);
    Point c = line.get(k + 1);
    Point d = line.get(Math.min(line.size() - 1, k + 2));
    path.curveTo(
        b.x + (c.x - a.x) / 6,
        b.y + (c.y - a.y) / 6,
        c.x - (d.x - b.x) / 6,
        c.y - (d.y - b.y) / 6,
        c.x,
        c.y);
  }

  private static double distance(Point a, Point b) {
    return Math.hypot(a.x - b.x, a.y - b.y);
  }
}
