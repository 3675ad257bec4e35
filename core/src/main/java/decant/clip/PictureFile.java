package decant.clip;

import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.edit.Fragment;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.picture.PictureSize;
import decant.picture.PictureTypes;
import decant.picture.PixelPicture;
import decant.picture.Png;
import decant.picture.VectorPicture;
import java.awt.Dimension;
import java.awt.geom.Dimension2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;

/** A file that holds a picture, to be put into the text. */
public final class PictureFile {
  /** The extensions of the pictures that can be put in. */
  public static final List<String> EXTENSIONS =
      List.of("png", "jpg", "jpeg", "gif", "bmp", "tif", "tiff", "webp", "svg");

  /** Larger files are no pictures for a document. */
  private static final long MOST_BYTES = 100L << 20;

  /** Of a JPEG that a lossy picture becomes; its losses are not to be seen. */
  private static final float QUALITY = 0.95f;

  private PictureFile() {}

  /**
   * A picture that was read.
   *
   * @param width in points, 96 of its pixels to the inch
   * @param height in points
   */
  public record Loaded(Media media, double width, double height) {}

  /**
   * The picture of a file; empty if the file is none that can be read, or far too large. A WebP,
   * which no format that is published knows, becomes a PNG or a JPEG.
   *
   * @throws IOException if the file cannot be read
   */
  public static Optional<Loaded> load(Path file) throws IOException {
    if (Files.size(file) > MOST_BYTES) {
      return Optional.empty();
    }
    return load(Files.readAllBytes(file));
  }

  /** The same of what a file holds. @throws IOException if it cannot be made a PNG or JPEG */
  static Optional<Loaded> load(byte[] bytes) throws IOException {
    String type = PictureTypes.type(bytes, "");
    return switch (type) {
      case "" -> Optional.empty();
      case "image/svg+xml" -> {
        Media m = Media.of(type, bytes);
        yield VectorPicture.of(m).flatMap(VectorPicture::size).map(s -> loaded(m, s));
      }
      case "image/webp" -> {
        Optional<BufferedImage> decoded = PixelPicture.decode(bytes);
        yield decoded.isEmpty() ? Optional.empty() : Optional.of(converted(decoded.get()));
      }
      default -> PixelPicture.size(bytes).map(s -> loaded(Media.of(type, bytes), s));
    };
  }

  private static Loaded loaded(Media m, Dimension2D pixels) {
    return new Loaded(
        m, pixels.getWidth() * PictureSize.PIXEL, pixels.getHeight() * PictureSize.PIXEL);
  }

  private static Loaded converted(BufferedImage image) throws IOException {
    boolean clear = image.getColorModel().hasAlpha();
    Media m = clear ? Png.of(image) : jpeg(image);
    return loaded(m, new Dimension(image.getWidth(), image.getHeight()));
  }

  private static Media jpeg(BufferedImage image) throws IOException {
    var out = new ByteArrayOutputStream();
    ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
    try (var to = ImageIO.createImageOutputStream(out)) {
      ImageWriteParam how = writer.getDefaultWriteParam();
      how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
      how.setCompressionQuality(QUALITY);
      writer.setOutput(to);
      writer.write(null, new IIOImage(image, null, null), how);
    } finally {
      writer.dispose();
    }
    return Media.of("image/jpeg", out.toByteArray());
  }

  /** What is put in for a file: its picture, called like the file. @throws IOException as above */
  public static Optional<Fragment> read(Path file, Document d) throws IOException {
    String alt = file.getFileName().toString().replaceFirst("\\.[^.]+$", "");
    return load(file).map(p -> of(p, alt, d));
  }

  /** A picture of so many pixels, 96 to the inch, no wider than the text of a document. */
  public static Fragment of(Media media, Dimension pixels, String alt, Document d) {
    return of(loaded(media, pixels), alt, d);
  }

  private static Fragment of(Loaded picture, String alt, Document d) {
    double room = d.sections().getFirst().page().textWidth();
    double width = Math.min(room, picture.width());
    double height = width * picture.height() / Math.max(1, picture.width());
    Media media = picture.media();
    var p = new Inline.Picture(media.id(), width, height, alt, Look.PLAIN);
    var paragraph = new Paragraph(NodeId.fresh(), Look.PLAIN, Look.PLAIN, List.of(p));
    return new Fragment(
        List.of(paragraph), Map.of(), Map.of(media.id(), media), Map.of(), d.styles());
  }
}
