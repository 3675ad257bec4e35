package decant.pdf.drawn;

import java.awt.Paint;
import java.awt.PaintContext;
import java.awt.Rectangle;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.awt.image.ColorModel;
import java.awt.image.Raster;

/**
 * A paint whose masks and tiles have their places in the dots of a large picture, for a part of it.
 *
 * @param right where the part begins, in dots
 * @param down where the part begins, in dots
 */
record ShiftedPaint(Paint whole, int right, int down) implements Paint {
  @Override
  public PaintContext createContext(
      ColorModel model,
      Rectangle device,
      Rectangle2D user,
      AffineTransform toPart,
      RenderingHints hints) {
    AffineTransform toWhole = AffineTransform.getTranslateInstance(right, down);
    toWhole.concatenate(toPart);
    var there = new Rectangle(device.x + right, device.y + down, device.width, device.height);
    PaintContext context = whole.createContext(model, there, user, toWhole, hints);
    return new PaintContext() {
      @Override
      public void dispose() {
        context.dispose();
      }

      @Override
      public ColorModel getColorModel() {
        return context.getColorModel();
      }

      @Override
      public Raster getRaster(int x, int y, int w, int h) {
        return context.getRaster(x + right, y + down, w, h);
      }
    };
  }

  @Override
  public int getTransparency() {
    return whole.getTransparency();
  }
}
