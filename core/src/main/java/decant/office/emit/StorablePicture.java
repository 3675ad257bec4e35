package decant.office.emit;

import decant.model.look.Media;
import decant.picture.Png;
import decant.picture.VectorPicture;
import decant.work.Faults;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.function.Predicate;
import javax.imageio.ImageIO;

/** Pictures as a format can hold them: as they are, or else as pixels. */
public final class StorablePicture {
  private static final double DOTS = 300; // to the inch, for drawings that become pixels
  private static final int MAX_PIXELS = 6000;

  private StorablePicture() {}

  /**
   * @param width as shown, in points
   * @param holds whether a format holds a picture as it is
   * @return the picture itself too where it cannot be decoded
   */
  public static Media of(Media m, double width, double height, Predicate<Media> holds) {
    if (holds.test(m)) {
      return m;
    }
    if (m.type().equals("application/pdf")) {
      return VectorPicture.pixels(m).orElse(m);
    }
    try {
      BufferedImage image =
          VectorPicture.isVector(m.type())
              ? drawn(m, width, height)
              : ImageIO.read(new ByteArrayInputStream(m.bytes()));
      if (image != null) {
        return Png.of(image);
      }
    } catch (IOException | RuntimeException e) {
      Faults.mended("making a picture that a format can hold", e);
    }
    return m;
  }

  private static BufferedImage drawn(Media m, double width, double height) {
    double dots = Math.min(DOTS, 72 * MAX_PIXELS / Math.max(1, Math.max(width, height)));
    int w = (int) Math.max(1, Math.round(width * dots / 72));
    int h = (int) Math.max(1, Math.round(height * dots / 72));
    var image = new BufferedImage(w, h, BufferedImage.TYPE_INT_ARGB);
    var g = image.createGraphics();
    VectorPicture.of(m).ifPresent(v -> v.draw(g, 0, 0, w, h));
    g.dispose();
    return image;
  }
}
