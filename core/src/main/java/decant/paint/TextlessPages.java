package decant.paint;

import java.awt.image.BufferedImage;
import java.io.IOException;

/** Pages that are painted without their text: what of them is only to be seen. */
public interface TextlessPages {
  int count();

  /** Width of a page in points. */
  double width(int page);

  /** Height of a page in points. */
  double height(int page);

  /**
   * A page on white.
   *
   * @param page from 0
   * @param scale pixels a point
   * @return opaque, its pixels 0xRRGGBB
   * @throws IOException if it cannot be painted
   */
  BufferedImage paint(int page, double scale) throws IOException;
}
