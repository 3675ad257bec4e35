package decant.pdf.drawn;

import de.rototor.pdfbox.graphics2d.PdfBoxGraphics2D;
import java.awt.Shape;
import java.awt.TexturePaint;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;

/**
 * Shapes that are filled with a picture, which is how metafiles place their bitmaps: the picture is
 * drawn, once or tile by tile, and cut to the shape. As a pattern the library would place it
 * without regard to how the drawing is scaled, so that it falls outside the shape and is lost.
 */
final class TextureFills {
  /** Beyond that many pictures in one shape, the library's pattern serves. */
  private static final int MAX_TILES = 4000;

  private TextureFills() {}

  /** Fills a shape; false where that is better left to the library. */
  static boolean fill(Shape shape, TexturePaint t, PdfBoxGraphics2D g) {
    Rectangle2D tile = t.getAnchorRect();
    Rectangle2D all = shape.getBounds2D();
    if (tile.getWidth() <= 0 || tile.getHeight() <= 0 || all.isEmpty()) {
      return false;
    }
    // Edges that meet but for rounding need no further tile.
    double rounding = 1e-6;
    double left = Math.floor((all.getMinX() - tile.getX()) / tile.getWidth() + rounding);
    double right = Math.ceil((all.getMaxX() - tile.getX()) / tile.getWidth() - rounding);
    double top = Math.floor((all.getMinY() - tile.getY()) / tile.getHeight() + rounding);
    double bottom = Math.ceil((all.getMaxY() - tile.getY()) / tile.getHeight() - rounding);
    if ((right - left) * (bottom - top) > MAX_TILES) {
      return false;
    }
    Shape clip = g.getClip();
    g.clip(shape);
    for (double y = top; y < bottom; y++) {
      for (double x = left; x < right; x++) {
        BufferedImage image = t.getImage();
        var at =
            AffineTransform.getTranslateInstance(
                tile.getX() + x * tile.getWidth(), tile.getY() + y * tile.getHeight());
        at.scale(tile.getWidth() / image.getWidth(), tile.getHeight() / image.getHeight());
        g.drawImage(image, at, null);
      }
    }
    g.setClip(clip);
    return true;
  }
}
