package decant.pdf.read.scan;

import decant.model.look.Rule;
import decant.pdf.read.page.RuledLine;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;

/** Finds ruled lines in drawn paths. */
final class PathRules {
  private PathRules() {}

  /**
   * How thick a frame is that a path paints as two outlines, one just within the other; empty if it
   * is no such frame.
   */
  static OptionalDouble frame(Shape path) {
    double[] c = new double[6];
    var outlines = new ArrayList<Rectangle2D>();
    for (PathIterator it = path.getPathIterator(null); !it.isDone(); it.next()) {
      int kind = it.currentSegment(c);
      if (kind == PathIterator.SEG_MOVETO) {
        if (outlines.size() == 2) {
          return OptionalDouble.empty();
        }
        outlines.add(new Rectangle2D.Double(c[0], c[1], 0, 0));
      } else if (kind != PathIterator.SEG_CLOSE) {
        int last = kind == PathIterator.SEG_CUBICTO ? 4 : 0;
        outlines.getLast().add(c[last], c[last + 1]);
      }
    }
    if (outlines.size() < 2) {
      return OptionalDouble.empty();
    }
    Rectangle2D a = outlines.get(0);
    Rectangle2D b = outlines.get(1);
    double across = Math.abs(a.getWidth() - b.getWidth()) / 2;
    double down = Math.abs(a.getHeight() - b.getHeight()) / 2;
    boolean thin = Math.max(across, down) < ScanThresholds.PathRules.THICKEST_FRAME;
    return thin && (a.contains(b) || b.contains(a))
        ? OptionalDouble.of((across + down) / 2)
        : OptionalDouble.empty();
  }

  /** Whether most of a path's length is curved or slanting. */
  static boolean isFree(Shape path) {
    double[] c = new double[6];
    double startX = 0;
    double startY = 0;
    double x = 0;
    double y = 0;
    double free = 0;
    double all = 0;
    for (PathIterator it = path.getPathIterator(null); !it.isDone(); it.next()) {
      int kind = it.currentSegment(c);
      if (kind == PathIterator.SEG_MOVETO) {
        startX = x = c[0];
        startY = y = c[1];
        continue;
      }
      boolean curved = kind == PathIterator.SEG_CUBICTO;
      double nx = kind == PathIterator.SEG_CLOSE ? startX : curved ? c[4] : c[0];
      double ny = kind == PathIterator.SEG_CLOSE ? startY : curved ? c[5] : c[1];
      double length = Math.hypot(nx - x, ny - y);
      all += length;
      if (curved
          || Math.abs(nx - x) > ScanThresholds.PathRules.STRAIGHT
              && Math.abs(ny - y) > ScanThresholds.PathRules.STRAIGHT) {
        free += length;
      }
      x = nx;
      y = ny;
    }
    return free > all * ScanThresholds.PathRules.FREE;
  }

  /**
   * Adds the lines of a path: the edges of what is stroked, and filled rectangles that are thin.
   *
   * @param look how what is stroked is drawn; of what is filled, its colour alone
   */
  static void collect(
      Shape path, AffineTransform toShown, boolean stroked, Rule look, List<RuledLine> out) {
    double[] c = new double[6];
    double startX = 0;
    double startY = 0;
    double x = 0;
    double y = 0;
    double minX = Double.MAX_VALUE;
    double minY = Double.MAX_VALUE;
    double maxX = -Double.MAX_VALUE;
    double maxY = -Double.MAX_VALUE;
    boolean any = false;
    for (PathIterator it = path.getPathIterator(toShown); !it.isDone(); it.next()) {
      int kind = it.currentSegment(c);
      if (kind == PathIterator.SEG_MOVETO) {
        if (any && !stroked) {
          filled(minX, minY, maxX, maxY, look, out);
        }
        startX = x = c[0];
        startY = y = c[1];
        minX = maxX = x;
        minY = maxY = y;
        any = true;
        continue;
      }
      double nx =
          kind == PathIterator.SEG_CLOSE ? startX : kind == PathIterator.SEG_CUBICTO ? c[4] : c[0];
      double ny =
          kind == PathIterator.SEG_CLOSE ? startY : kind == PathIterator.SEG_CUBICTO ? c[5] : c[1];
      if (stroked && kind != PathIterator.SEG_CUBICTO) {
        edge(x, y, nx, ny, look, out);
      }
      x = nx;
      y = ny;
      minX = Math.min(minX, x);
      minY = Math.min(minY, y);
      maxX = Math.max(maxX, x);
      maxY = Math.max(maxY, y);
    }
    if (any && !stroked) {
      filled(minX, minY, maxX, maxY, look, out);
    }
  }

  private static void edge(
      double x1, double y1, double x2, double y2, Rule look, List<RuledLine> out) {
    boolean lying = Math.abs(y1 - y2) < ScanThresholds.PathRules.STRAIGHT;
    boolean standing = Math.abs(x1 - x2) < ScanThresholds.PathRules.STRAIGHT;
    if (lying != standing) {
      out.add(
          new RuledLine(
              Math.min(x1, x2), Math.min(y1, y2), Math.max(x1, x2), Math.max(y1, y2), look));
    }
  }

  private static void filled(
      double x1, double y1, double x2, double y2, Rule look, List<RuledLine> out) {
    double thickest = ScanThresholds.PathRules.THICKEST_RULE;
    double thick = Math.min(x2 - x1, y2 - y1);
    boolean longEnough = Math.max(x2 - x1, y2 - y1) > thickest * 2;
    if (thick <= thickest && longEnough) {
      out.add(
          new RuledLine(x1, y1, x2, y2, Rule.single(Math.max(thick, look.width()), look.colour())));
    }
  }
}
