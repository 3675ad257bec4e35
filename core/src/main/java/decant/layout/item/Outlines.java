package decant.layout.item;

import decant.model.Box;
import decant.model.Inline.Geometry;
import decant.model.look.Rule;
import java.awt.BasicStroke;
import java.awt.Shape;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.Rectangle2D;
import java.awt.geom.RoundRectangle2D;
import java.util.List;

/** The outlines of shapes and the strokes of their lines, one for all that draw pages. */
public final class Outlines {
  private Outlines() {}

  /**
   * The outline of a geometry in a box, y growing downwards.
   *
   * @param scale units of the target a point
   */
  public static Shape of(Geometry g, Box b, double scale) {
    double x = b.x() * scale;
    double y = b.y() * scale;
    double w = b.width() * scale;
    double h = b.height() * scale;
    return switch (g) {
      case RECTANGLE -> new Rectangle2D.Double(x, y, w, h);
      case ROUNDED -> {
        double across = 2 * Geometry.CORNER * Math.min(w, h);
        yield new RoundRectangle2D.Double(x, y, w, h, across, across);
      }
      case ELLIPSE -> new Ellipse2D.Double(x, y, w, h);
      case LINE_DOWN -> new Line2D.Double(x, y, x + w, y + h);
      case LINE_UP -> new Line2D.Double(x, y + h, x + w, y);
    };
  }

  /** The stroke of a line. */
  public static BasicStroke stroke(Rule r, double scale) {
    float w = (float) (r.width() * scale);
    float[] dashes = dashes(r, scale);
    return dashes.length == 0
        ? new BasicStroke(w, BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER)
        : new BasicStroke(w, BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER, 10, dashes, 0);
  }

  /** On and off lengths of a broken line; none for one that is not. */
  public static float[] dashes(Rule r, double scale) {
    float w = (float) (r.width() * scale);
    List<Integer> widths = r.dashes();
    float[] out = new float[widths.size()];
    for (int k = 0; k < out.length; k++) {
      out[k] = widths.get(k) * w;
    }
    return out;
  }
}
