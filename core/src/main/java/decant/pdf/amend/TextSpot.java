package decant.pdf.amend;

import decant.model.look.Colour;
import decant.pdf.amend.line.AmendLimits;

/**
 * Where text is put on a page, and how it looks.
 *
 * @param x where its lines begin on the page as it is shown, in points from the left
 * @param baseline of its first line, in points from the top
 * @param size in points
 */
public record TextSpot(
    double x,
    double baseline,
    String family,
    boolean bold,
    boolean italic,
    double size,
    Colour colour) {
  /** Lines stand so many sizes apart. Common practice. */
  public static final double PITCH = 1.2;

  private static final String FAMILY = "Liberation Sans";
  private static final double SIZE = 11;

  /** In plain looks, its letters as far above a height as below. */
  public static TextSpot plain(double x, double y) {
    return new TextSpot(x, y + middle(SIZE), FAMILY, false, false, SIZE, Colour.BLACK);
  }

  /** From the middle of letters down to the line they stand on. */
  static double middle(double size) {
    return (AmendLimits.ASCENT - AmendLimits.DESCENT) / 2 * size;
  }
}
