package decant.clip;

import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.edit.Fragment;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.picture.PictureTypes;
import decant.picture.PixelPicture;
import java.awt.Dimension;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A file that holds a picture, to be put into the text. */
public final class PictureFile {
  /** The extensions of the pictures that can be put in. */
  public static final List<String> EXTENSIONS =
      List.of("png", "jpg", "jpeg", "gif", "bmp", "tif", "tiff");

  /** Larger files are no pictures for a document. */
  private static final long MOST_BYTES = 100L << 20;

  private PictureFile() {}

  /**
   * The picture of a file, no wider than the text of a document; empty if the file is none that can
   * be read, or far too large.
   *
   * @throws IOException if the file cannot be read
   */
  public static Optional<Fragment> read(Path file, Document d) throws IOException {
    if (Files.size(file) > MOST_BYTES) {
      return Optional.empty();
    }
    byte[] bytes = Files.readAllBytes(file);
    String type = PictureTypes.type(bytes, "");
    Optional<Dimension> size = PixelPicture.size(bytes);
    if (type.isEmpty() || size.isEmpty()) {
      return Optional.empty();
    }
    String alt = file.getFileName().toString().replaceFirst("\\.[^.]+$", "");
    return Optional.of(of(Media.of(type, bytes), size.get(), alt, d));
  }

  /** A picture of so many pixels, 96 to the inch, no wider than the text of a document. */
  public static Fragment of(Media media, Dimension pixels, String alt, Document d) {
    double room = d.sections().getFirst().page().textWidth();
    double width = Math.min(room, pixels.getWidth() * HtmlWriter.PIXEL);
    double height = width * pixels.getHeight() / Math.max(1, pixels.getWidth());
    var p = new Inline.Picture(media.id(), width, height, alt, Look.PLAIN);
    var paragraph = new Paragraph(NodeId.fresh(), Look.PLAIN, Look.PLAIN, List.of(p));
    return new Fragment(
        List.of(paragraph), Map.of(), Map.of(media.id(), media), Map.of(), d.styles());
  }
}
