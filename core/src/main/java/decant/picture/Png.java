package decant.picture;

import decant.model.look.Media;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import javax.imageio.ImageIO;

/** Pixels as a PNG (ISO/IEC 15948) in memory. */
public final class Png {
  public static final String TYPE = "image/png";

  private Png() {}

  /**
   * @throws IOException if pixels of this kind cannot be written
   */
  public static Media of(BufferedImage image) throws IOException {
    var out = new ByteArrayOutputStream();
    if (!ImageIO.write(image, "png", out)) {
      throw new IOException("no writer for these pixels: " + image);
    }
    return Media.of(TYPE, out.toByteArray());
  }
}
