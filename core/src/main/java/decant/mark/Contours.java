package decant.mark;

import java.awt.geom.Line2D;
import java.awt.geom.Path2D;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Outlines of what a field of values is high in (marching squares, with places between pixels). */
final class Contours {
  /** Outlines may be off by this much, in pixels, where that saves points. */
  private static final double EXACT = 0.3;

  private static final int TOP = 0;
  private static final int RIGHT = 1;
  private static final int BOTTOM = 2;
  private static final int LEFT = 3;

  /**
   * From which side to which side an outline crosses four neighbours, high ones on its left; by the
   * bits of those that are high: top left 8, top right 4, bottom right 2, bottom left 1.
   */
  private static final int[][] CROSSING = {
    {},
    {BOTTOM, LEFT},
    {RIGHT, BOTTOM},
    {RIGHT, LEFT},
    {TOP, RIGHT},
    {TOP, RIGHT, BOTTOM, LEFT},
    {TOP, BOTTOM},
    {TOP, LEFT},
    {LEFT, TOP},
    {BOTTOM, TOP},
    {LEFT, TOP, RIGHT, BOTTOM},
    {RIGHT, TOP},
    {LEFT, RIGHT},
    {BOTTOM, RIGHT},
    {LEFT, BOTTOM},
    {}
  };

  private final float[] field;
  private final int width;
  private final int height;
  private final float level;

  private Contours(float[] field, int width, float level) {
    this.field = field;
    this.width = width;
    this.height = field.length / width;
    this.level = level;
  }

  /**
   * @param field row by row, each of {@code width} values that stand in the middle of their pixels
   */
  static Path2D of(float[] field, int width, float level) {
    return new Contours(field, width, level).path();
  }

  private float at(int x, int y) {
    return x < 0 || y < 0 || x >= width || y >= height ? 0 : field[y * width + x];
  }

  private Path2D path() {
    int across = width + 2;
    int[] next = new int[2 * across * (height + 2)];
    Arrays.fill(next, -1);
    for (int y = -1; y < height; y++) {
      for (int x = -1; x < width; x++) {
        int high =
            (at(x, y) >= level ? 8 : 0)
                | (at(x + 1, y) >= level ? 4 : 0)
                | (at(x + 1, y + 1) >= level ? 2 : 0)
                | (at(x, y + 1) >= level ? 1 : 0);
        int[] sides = CROSSING[high];
        for (int k = 0; k < sides.length; k += 2) {
          next[edge(x, y, sides[k], across)] = edge(x, y, sides[k + 1], across);
        }
      }
    }
    var out = new Path2D.Double(Path2D.WIND_EVEN_ODD);
    for (int k = 0; k < next.length; k++) {
      if (next[k] >= 0) {
        loop(out, next, k, across);
      }
    }
    return out;
  }

  /** A side between two neighbours: twice the place of its first one, and one more if upright. */
  private static int edge(int x, int y, int side, int across) {
    int ex = x + 1 + (side == RIGHT ? 1 : 0);
    int ey = y + 1 + (side == BOTTOM ? 1 : 0);
    return 2 * (ey * across + ex) + (side == LEFT || side == RIGHT ? 1 : 0);
  }

  private void loop(Path2D out, int[] next, int from, int across) {
    var points = new ArrayList<Point2D>();
    int k = from;
    while (k >= 0 && next[k] >= 0) {
      points.add(crossing(k, across));
      int then = next[k];
      next[k] = -1;
      k = then;
    }
    List<Point2D> few = simpler(points);
    if (few.size() < 3) {
      return;
    }
    out.moveTo(few.getFirst().getX(), few.getFirst().getY());
    few.stream().skip(1).forEach(p -> out.lineTo(p.getX(), p.getY()));
    out.closePath();
  }

  /** Where the value is just at the level, between two neighbours. */
  private Point2D crossing(int edge, int across) {
    boolean upright = edge % 2 == 1;
    int x = edge / 2 % across - 1;
    int y = edge / 2 / across - 1;
    double a = at(x, y);
    double b = upright ? at(x, y + 1) : at(x + 1, y);
    double t = (level - a) / (b - a);
    return new Point2D.Double(x + 0.5 + (upright ? 0 : t), y + 0.5 + (upright ? t : 0));
  }

  /** A loop with fewer points (Douglas and Peucker), from its two points that are far apart. */
  private static List<Point2D> simpler(List<Point2D> loop) {
    int far = 0;
    for (int k = 1; k < loop.size(); k++) {
      if (loop.get(k).distanceSq(loop.getFirst()) > loop.get(far).distanceSq(loop.getFirst())) {
        far = k;
      }
    }
    boolean[] stays = new boolean[loop.size() + 1];
    stays[0] = true;
    stays[far] = true;
    var closed = new ArrayList<>(loop);
    closed.add(loop.getFirst());
    simplify(closed, 0, far, stays);
    simplify(closed, far, closed.size() - 1, stays);
    var out = new ArrayList<Point2D>();
    for (int k = 0; k < loop.size(); k++) {
      if (stays[k]) {
        out.add(loop.get(k));
      }
    }
    return out;
  }

  private static void simplify(List<Point2D> line, int first, int last, boolean[] stays) {
    var todo = new ArrayList<int[]>();
    todo.add(new int[] {first, last});
    while (!todo.isEmpty()) {
      int[] part = todo.removeLast();
      Point2D a = line.get(part[0]);
      Point2D b = line.get(part[1]);
      int most = -1;
      double off = EXACT;
      for (int k = part[0] + 1; k < part[1]; k++) {
        Point2D p = line.get(k);
        double d = Line2D.ptSegDist(a.getX(), a.getY(), b.getX(), b.getY(), p.getX(), p.getY());
        if (d > off) {
          off = d;
          most = k;
        }
      }
      if (most > 0) {
        stays[most] = true;
        todo.add(new int[] {part[0], most});
        todo.add(new int[] {most, part[1]});
      }
    }
  }
}
