package decant.pdf.amend.page;

import decant.model.Box;
import decant.pdf.content.PageSpace;
import java.awt.Shape;
import java.awt.geom.Rectangle2D;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/** How a page is shown: turned, and which part of it (ISO 32000-2 §14.11.2). */
public final class PageFrame {
  private PageFrame() {}

  /**
   * @param quarters of a turn, clockwise
   */
  public static void turn(PDPage page, int quarters) {
    page.setRotation(Math.floorMod(page.getRotation() + 90 * quarters, 360));
  }

  /**
   * @param to on the page as it is shown, in points
   */
  public static void crop(PDPage page, Rectangle2D to) {
    Rectangle2D r = PageSpace.unshown(page, to);
    var crop = new PDRectangle();
    crop.setLowerLeftX(hundredths(r.getX()));
    crop.setLowerLeftY(hundredths(r.getY()));
    crop.setUpperRightX(hundredths(r.getMaxX()));
    crop.setUpperRightY(hundredths(r.getMaxY()));
    page.setCropBox(crop);
  }

  /** What a page inherits stands in it from now on (§7.7.3.4). */
  public static void inherit(PDPage page) {
    if (page.getResources() != null) {
      page.setResources(page.getResources());
    }
    page.setMediaBox(page.getMediaBox());
    page.setCropBox(page.getCropBox());
    page.setRotation(page.getRotation());
  }

  /** Numbers that are the same when they were written and read again. */
  private static float hundredths(double d) {
    return Math.round(d * 100) / 100f;
  }

  /** Where something stands on a page as it is shown. */
  public static Box box(PDPage page, Shape area) {
    Rectangle2D r = PageSpace.shown(page, area);
    return new Box(r.getX(), r.getY(), r.getWidth(), r.getHeight());
  }

  public static Rectangle2D area(Box b) {
    return new Rectangle2D.Double(b.x(), b.y(), b.width(), b.height());
  }
}
