package decant.paint;

import java.awt.image.BufferedImage;
import java.io.IOException;

/** Pages that are painted to be held against others. */
public interface PaintedPages {
  int count();

  /** Width of a page in points. */
  double width(int page);

  /** Height of a page in points. */
  double height(int page);

  /**
   * A page on white without its text: what of it is only to be seen.
   *
   * @param page from 0
   * @param scale pixels a point
   * @return opaque, its pixels 0xRRGGBB
   * @throws IOException if it cannot be painted
   */
  BufferedImage paintTextless(int page, double scale) throws IOException;

  /** A page on white with all that is on it, else as {@link #paintTextless}. */
  BufferedImage paintWhole(int page, double scale) throws IOException;

  /**
   * The letters of a page, without figures, which may be numbers of pages, in an order that does
   * not follow from where they stand.
   *
   * @throws IOException if they cannot be read
   */
  String letters(int page) throws IOException;

  /** The letters of a text in that order. */
  static String sorted(CharSequence text) {
    int[] all = text.codePoints().filter(Character::isLetter).sorted().toArray();
    return new String(all, 0, all.length);
  }
}
