package decant.pdf.write.pictures;

import org.apache.pdfbox.cos.COSStream;

/**
 * A picture as the file holds it, and how large it is in its own units: 1 by 1 for an image.
 *
 * @param how how it was stored, in plain words
 */
public record PictureInFile(COSStream stream, double width, double height, String how) {
  /** An image. */
  public static PictureInFile image(COSStream stream, String how) {
    return new PictureInFile(stream, 1, 1, how);
  }
}
