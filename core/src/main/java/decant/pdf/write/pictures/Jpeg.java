package decant.pdf.write.pictures;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Optional;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;

/**
 * What the head of a JPEG file (ITU-T T.81) says.
 *
 * @param adobe whether the four components of a picture for print are stored the other way round
 */
record Jpeg(int width, int height, int components, int bits, boolean adobe) {
  /** Empty if the bytes are no JPEG that PDF can hold as it is. */
  static Optional<Jpeg> of(byte[] b) {
    if (b.length < 4 || (b[0] & 0xFF) != 0xFF || (b[1] & 0xFF) != 0xD8) {
      return Optional.empty();
    }
    boolean adobe = false;
    int at = 2;
    while (at + 9 < b.length) {
      if ((b[at] & 0xFF) != 0xFF) {
        return Optional.empty();
      }
      int marker = b[at + 1] & 0xFF;
      if (marker == 0xFF) {
        at++;
        continue;
      }
      int length = (b[at + 2] & 0xFF) << 8 | b[at + 3] & 0xFF;
      boolean frame =
          marker >= 0xC0 && marker <= 0xCF && marker != 0xC4 && marker != 0xC8 && marker != 0xCC;
      if (marker == 0xEE && length >= 14 && b[at + 4] == 'A' && b[at + 5] == 'd') {
        adobe = true;
      }
      if (frame) {
        // Baseline, extended and progressive are what the filter takes (ISO 32000-2 §7.4.8).
        boolean known = marker <= 0xC2;
        int bits = b[at + 4] & 0xFF;
        int height = (b[at + 5] & 0xFF) << 8 | b[at + 6] & 0xFF;
        int width = (b[at + 7] & 0xFF) << 8 | b[at + 8] & 0xFF;
        int components = b[at + 9] & 0xFF;
        boolean usual = components == 1 || components == 3 || components == 4;
        return known && usual && width > 0 && height > 0
            ? Optional.of(new Jpeg(width, height, components, bits, adobe))
            : Optional.empty();
      }
      at += 2 + length;
    }
    return Optional.empty();
  }

  /**
   * @param quality 1 to 100
   */
  static byte[] encode(BufferedImage image, int quality) throws IOException {
    ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
    var out = new ByteArrayOutputStream();
    try (ImageOutputStream target = ImageIO.createImageOutputStream(out)) {
      writer.setOutput(target);
      ImageWriteParam p = writer.getDefaultWriteParam();
      p.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
      p.setCompressionQuality(quality / 100f);
      writer.write(null, new IIOImage(image, null, null), p);
    } finally {
      writer.dispose();
    }
    return out.toByteArray();
  }
}
