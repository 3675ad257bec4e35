package decant.picture;

import java.awt.Dimension;
import java.util.Optional;

/** The size in which a picture that was copied elsewhere comes into the text. */
public record PictureSize(double width, double height) {
  /** A pixel where no size is said, in points: 96 are an inch. */
  public static final double PIXEL = 0.75;

  /** The widest it comes, in points: what a page of A4 has between usual margins. */
  private static final double WIDEST = 450;

  /**
   * As large as is said, in points, in the picture's own proportions where only one measure is;
   * made smaller if it is too wide.
   */
  public static PictureSize of(Dimension pixels, Optional<Double> width, Optional<Double> height) {
    PictureSize said = said(pixels, width, height);
    double shrunk = Math.min(1, WIDEST / Math.max(1, said.width));
    return new PictureSize(said.width * shrunk, said.height * shrunk);
  }

  /** The same however wide. */
  public static PictureSize said(
      Dimension pixels, Optional<Double> width, Optional<Double> height) {
    double w = width.orElse(pixels.getWidth() * PIXEL);
    double h = height.orElse(w * (pixels.getHeight() / Math.max(1, pixels.getWidth())));
    return new PictureSize(w, h);
  }
}
