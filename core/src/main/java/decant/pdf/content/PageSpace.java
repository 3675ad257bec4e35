package decant.pdf.content;

import java.awt.Shape;
import java.awt.geom.AffineTransform;
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
}
