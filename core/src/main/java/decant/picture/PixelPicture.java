package decant.picture;

import decant.work.Faults;
import java.awt.Dimension;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.Optional;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/** Pictures of pixels: their size and their content, within limits. */
public final class PixelPicture {
  private static final long MAX_PIXELS = 120_000_000;

  private PixelPicture() {}

  /**
   * The width and height of a picture in pixels, by its head alone; empty if it is of a kind that
   * cannot be decoded, or far too large.
   */
  public static Optional<Dimension> size(byte[] bytes) {
    return read(bytes, r -> new Dimension(r.getWidth(0), r.getHeight(0)));
  }

  /** Decodes a PNG, JPEG, GIF, BMP or TIFF within limits. */
  public static Optional<BufferedImage> decode(byte[] bytes) {
    return read(bytes, r -> r.read(0));
  }

  /** Something that is read of a picture. */
  private interface Reading<T> {
    T of(ImageReader reader) throws IOException;
  }

  private static <T> Optional<T> read(byte[] bytes, Reading<T> what) {
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      if (!readers.hasNext()) {
        return Optional.empty();
      }
      ImageReader reader = readers.next();
      try {
        reader.setInput(in, true, true);
        return (long) reader.getWidth(0) * reader.getHeight(0) > MAX_PIXELS
            ? Optional.empty()
            : Optional.ofNullable(what.of(reader));
      } finally {
        reader.dispose();
      }
    } catch (IOException | RuntimeException e) {
      Faults.mended("decoding a picture", e);
      return Optional.empty(); // decoders throw all kinds of things at damaged pictures
    }
  }
}
