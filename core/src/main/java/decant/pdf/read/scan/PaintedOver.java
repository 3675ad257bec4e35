package decant.pdf.read.scan;

import decant.model.Box;
import decant.pdf.read.page.Anatomy;
import decant.pdf.read.page.Bands;
import decant.pdf.read.page.Glyph;
import java.awt.geom.AffineTransform;
import java.awt.geom.GeneralPath;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.util.List;
import org.apache.pdfbox.pdmodel.graphics.blend.BlendMode;
import org.apache.pdfbox.pdmodel.graphics.state.PDGraphicsState;

/**
 * Areas that are filled over letters which were painted before (ISO 32000-2 §8.1: what is painted
 * later covers what is below it). Nobody sees those, but they are in the file, and can be copied.
 */
final class PaintedOver {
  /** Areas that are noted; a page with more is a drawing. */
  private static final int MOST = 5000;

  /** Corners of a rectangle, and its ends. */
  private static final int SEGMENTS = 7;

  /** An area, and how many letters of the page were painted before it. */
  private record Cover(Box area, int letters) {}

  private final AffineTransform toShown;
  private final Bands<Cover> covers = new Bands<>();
  private int noted;

  /**
   * @param toShown from the page's own space to the page as shown
   */
  PaintedOver(AffineTransform toShown) {
    this.toShown = toShown;
  }

  /**
   * Notes an area that is filled.
   *
   * @param showing the part of the page that is not clipped away
   * @param letters how many letters of the page were painted before
   */
  void fill(GeneralPath path, PDGraphicsState state, Rectangle2D showing, int letters) {
    if (letters == 0 || noted >= MOST || !isOpaque(state) || !isRectangle(path)) {
      return;
    }
    Rectangle2D r =
        toShown
            .createTransformedShape(path.getBounds2D())
            .getBounds2D()
            .createIntersection(showing);
    if (r.getWidth() >= ScanThresholds.PaintedOver.LEAST
        && r.getHeight() >= ScanThresholds.PaintedOver.LEAST) {
      noted++;
      var area = new Box(r.getX(), r.getY(), r.getWidth(), r.getHeight());
      covers.add(area.y(), area.bottom(), new Cover(area, letters));
    }
  }

  private static boolean isOpaque(PDGraphicsState state) {
    return state.getNonStrokeAlphaConstant() == 1
        && state.getSoftMask() == null
        && BlendMode.NORMAL.equals(state.getBlendMode())
        && !PatternInk.is(state.getNonStrokingColor());
  }

  private static boolean isRectangle(GeneralPath path) {
    var at = new double[6];
    double x = 0;
    double y = 0;
    int n = 0;
    for (PathIterator i = path.getPathIterator(null); !i.isDone(); i.next()) {
      int kind = i.currentSegment(at);
      boolean curved = kind == PathIterator.SEG_QUADTO || kind == PathIterator.SEG_CUBICTO;
      boolean slanted = kind == PathIterator.SEG_LINETO && at[0] != x && at[1] != y;
      if (++n > SEGMENTS || curved || slanted) {
        return false;
      }
      x = at[0];
      y = at[1];
    }
    return n > 0;
  }

  /**
   * How many letters and digits are covered.
   *
   * @param painted the letters of the page, in the order in which they were painted
   */
  int count(List<Glyph> painted) {
    int covered = 0;
    for (int k = 0; k < painted.size() && noted > 0; k++) {
      Glyph g = painted.get(k);
      if (g.quarter() == 0 && isWord(g) && isCovered(g, k)) {
        covered++;
      }
    }
    return covered < ScanThresholds.PaintedOver.FEW ? 0 : covered;
  }

  private boolean isCovered(Glyph g, int number) {
    for (Cover c : covers.near(Anatomy.middle(g.baseline(), g.size()))) {
      if (number < c.letters() && g.standsIn(c.area())) {
        return true;
      }
    }
    return false;
  }

  private static boolean isWord(Glyph g) {
    return g.text().codePoints().anyMatch(Character::isLetterOrDigit);
  }
}
