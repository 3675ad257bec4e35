package decant.preview;

import decant.model.look.Media;
import decant.pdf.choices.Compression;
import decant.pdf.choices.Conformance;
import decant.pdf.write.pictures.PictureInFile;
import decant.pdf.write.pictures.PictureMaker;
import decant.picture.PixelPicture;
import decant.work.Faults;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.Optional;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;

/**
 * A picture as it came, and as a file will hold it.
 *
 * @param how it is stored, in plain words
 */
public record StoredPicture(BufferedImage before, BufferedImage after, String how) {
  /**
   * Empty if the picture cannot be decoded, or is a drawing.
   *
   * @param width that it is placed in, in points
   */
  public static Optional<StoredPicture> of(
      Media m, double width, double height, Compression compression, Conformance conformance) {
    try {
      Optional<BufferedImage> before = PixelPicture.decode(m.bytes());
      Optional<PictureInFile> made =
          new PictureMaker(compression, conformance).image(m, width, height);
      if (before.isEmpty() || made.isEmpty()) {
        return Optional.empty();
      }
      var image = new PDImageXObject(new PDStream(made.get().stream()), null);
      return Optional.of(new StoredPicture(before.get(), image.getImage(), made.get().how()));
    } catch (IOException | RuntimeException e) {
      Faults.mended("comparing a picture", e);
      return Optional.empty(); // there is nothing to compare
    }
  }
}
