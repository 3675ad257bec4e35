package decant.pdf.read.page;

import decant.model.Box;

/**
 * A picture that stands behind the text of a page.
 *
 * @param background whether it lies behind the page as a whole, and shapes that are not part of it
 *     lie on it
 */
public record Ground(Placed picture, boolean background) {
  /** The share of a background that a shape covers which is part of it. */
  private static final double COVERS = 0.9;

  public Box box() {
    return picture.box();
  }

  /** Whether a shape is part of the picture. */
  public boolean shows(Painted s) {
    if (!background) {
      return box().holds(s.box(), 1);
    }
    Box b = s.box();
    return s.patterned() && b.width() * b.height() >= COVERS * box().width() * box().height();
  }

  /** Whether a shape that has the colour of paper shows on it. */
  public boolean showsUnder(Painted s) {
    return background && box().sharedWidth(s.box()) > 0 && box().sharedHeight(s.box()) > 0;
  }
}
