package decant.text;

import java.awt.Shape;
import java.awt.geom.PathIterator;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * One closed line of a TrueType outline: points on the line and, between two of them, points that
 * pull a quadratic curve towards themselves. Coordinates are whole units of the font.
 */
final class GlyphContour {
  /** How far a curve of the third degree may be missed by those of the second, in units. */
  private static final double NEAR = 0.4;

  private static final int MAX_PARTS = 16;

  private int[] xs = new int[16];
  private int[] ys = new int[16];
  private boolean[] on = new boolean[16];
  private int size;

  int size() {
    return size;
  }

  int x(int k) {
    return xs[k];
  }

  int y(int k) {
    return ys[k];
  }

  boolean isOn(int k) {
    return on[k];
  }

  int minX() {
    return Arrays.stream(xs, 0, size).min().orElse(0);
  }

  int minY() {
    return Arrays.stream(ys, 0, size).min().orElse(0);
  }

  int maxX() {
    return Arrays.stream(xs, 0, size).max().orElse(0);
  }

  int maxY() {
    return Arrays.stream(ys, 0, size).max().orElse(0);
  }

  /**
   * The closed lines of a shape.
   *
   * @param farthest coordinates beyond this are brought back to it
   */
  static List<GlyphContour> of(Shape shape, int farthest) {
    var out = new ArrayList<GlyphContour>();
    var open = new GlyphContour();
    double[] c = new double[6];
    double x = 0;
    double y = 0;
    for (PathIterator i = shape.getPathIterator(null); !i.isDone(); i.next()) {
      switch (i.currentSegment(c)) {
        case PathIterator.SEG_MOVETO -> {
          open.finish(out);
          open = new GlyphContour();
          open.add(c[0], c[1], true, farthest);
          x = c[0];
          y = c[1];
        }
        case PathIterator.SEG_LINETO -> {
          open.add(c[0], c[1], true, farthest);
          x = c[0];
          y = c[1];
        }
        case PathIterator.SEG_QUADTO -> {
          open.add(c[0], c[1], false, farthest);
          open.add(c[2], c[3], true, farthest);
          x = c[2];
          y = c[3];
        }
        case PathIterator.SEG_CUBICTO -> {
          open.curve(x, y, c, farthest);
          x = c[4];
          y = c[5];
        }
        default -> {} // every line is closed
      }
    }
    open.finish(out);
    return out;
  }

  /**
   * A curve of the third degree as curves of the second: cut into as many parts as bring each near
   * enough. Both differ by at most √3/36 of the third difference of the points, a cube smaller with
   * each cut.
   */
  private void curve(double x, double y, double[] c, int farthest) {
    double dx = c[4] - 3 * c[2] + 3 * c[0] - x;
    double dy = c[5] - 3 * c[3] + 3 * c[1] - y;
    double miss = Math.sqrt(3) / 36 * Math.hypot(dx, dy);
    int parts = Math.clamp((int) Math.ceil(Math.cbrt(miss / NEAR)), 1, MAX_PARTS);
    for (int k = 0; k < parts; k++) {
      double t0 = (double) k / parts;
      double t1 = (double) (k + 1) / parts;
      double h = (t1 - t0) / 4;
      // The middle of the two points where the tangents at the ends would lead.
      double px = point(x, c[0], c[2], c[4], t0) + point(x, c[0], c[2], c[4], t1);
      double py = point(y, c[1], c[3], c[5], t0) + point(y, c[1], c[3], c[5], t1);
      double ax = slope(x, c[0], c[2], c[4], t0) - slope(x, c[0], c[2], c[4], t1);
      double ay = slope(y, c[1], c[3], c[5], t0) - slope(y, c[1], c[3], c[5], t1);
      add(px / 2 + ax * h, py / 2 + ay * h, false, farthest);
      add(point(x, c[0], c[2], c[4], t1), point(y, c[1], c[3], c[5], t1), true, farthest);
    }
  }

  private static double point(double a, double b, double c, double d, double t) {
    double u = 1 - t;
    return u * u * u * a + 3 * u * u * t * b + 3 * u * t * t * c + t * t * t * d;
  }

  private static double slope(double a, double b, double c, double d, double t) {
    double u = 1 - t;
    return 3 * (u * u * (b - a) + 2 * u * t * (c - b) + t * t * (d - c));
  }

  private void add(double x, double y, boolean onLine, int farthest) {
    int px = Math.clamp(Math.round(x), -farthest, farthest);
    int py = Math.clamp(Math.round(y), -farthest, farthest);
    if (size > 0 && on[size - 1] && onLine && xs[size - 1] == px && ys[size - 1] == py) {
      return;
    }
    if (size == xs.length) {
      xs = Arrays.copyOf(xs, 2 * size);
      ys = Arrays.copyOf(ys, 2 * size);
      on = Arrays.copyOf(on, 2 * size);
    }
    xs[size] = px;
    ys[size] = py;
    on[size++] = onLine;
  }

  private void finish(List<GlyphContour> out) {
    if (size > 1 && on[size - 1] && xs[size - 1] == xs[0] && ys[size - 1] == ys[0]) {
      size--;
    }
    if (size > 1) {
      out.add(this);
    }
  }
}
