package decant.pdf.content;

import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.awt.geom.Rectangle2D;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/** The space of a page and that of the sheet it is shown on (ISO 32000-2 §8.3.2.3). */
public final class PageSpace {
  private PageSpace() {}

  /**
   * From the page's own space to points from the top left of the page as shown.
   *
   * @param rotation clockwise, a multiple of 90
   */
  public static AffineTransform shown(PDRectangle crop, int rotation) {
    double w = crop.getWidth();
    double h = crop.getHeight();
    AffineTransform t =
        switch (Math.floorMod(rotation, 360)) {
          case 90 -> new AffineTransform(0, 1, 1, 0, 0, 0);
          case 180 -> new AffineTransform(-1, 0, 0, 1, w, 0);
          case 270 -> new AffineTransform(0, -1, -1, 0, h, w);
          default -> new AffineTransform(1, 0, 0, -1, 0, h);
        };
    t.translate(-crop.getLowerLeftX(), -crop.getLowerLeftY());
    return t;
  }

  /** A rectangle of a page's own space, on the page as shown. */
  public static Rectangle2D shown(PDPage page, PDRectangle r) {
    return shown(
        page,
        new Rectangle2D.Double(r.getLowerLeftX(), r.getLowerLeftY(), r.getWidth(), r.getHeight()));
  }

  /** What an area of a page's own space covers on the page as shown. */
  public static Rectangle2D shown(PDPage page, Shape area) {
    return shown(page.getCropBox(), page.getRotation()).createTransformedShape(area).getBounds2D();
  }

  /** From the frame of something to the page, so that it stands upright in a box as shown. */
  public static AffineTransform standing(PDPage page, Rectangle2D frame, Rectangle2D box) {
    var out =
        new AffineTransform(
            box.getWidth() / frame.getWidth(),
            0,
            0,
            -box.getHeight() / frame.getHeight(),
            box.getX(),
            box.getMaxY());
    out.translate(-frame.getX(), -frame.getY());
    out.preConcatenate(unshown(page));
    return out;
  }

  /** What moves and scales an area of a page's own space into a box as shown. */
  public static AffineTransform moving(PDPage page, Shape area, Rectangle2D box) {
    Rectangle2D from = shown(page, area);
    var out = AffineTransform.getTranslateInstance(box.getX(), box.getY());
    out.scale(
        box.getWidth() / Math.max(1e-6, from.getWidth()),
        box.getHeight() / Math.max(1e-6, from.getHeight()));
    out.translate(-from.getX(), -from.getY());
    out.concatenate(shown(page.getCropBox(), page.getRotation()));
    out.preConcatenate(unshown(page));
    return out;
  }

  /** What an area of the page as shown covers in the page's own space. */
  public static Rectangle2D unshown(PDPage page, Rectangle2D box) {
    return unshown(page).createTransformedShape(box).getBounds2D();
  }

  private static AffineTransform unshown(PDPage page) {
    try {
      return shown(page.getCropBox(), page.getRotation()).createInverse();
    } catch (NoninvertibleTransformException e) {
      throw new AssertionError("turns and moves alone", e);
    }
  }
}
