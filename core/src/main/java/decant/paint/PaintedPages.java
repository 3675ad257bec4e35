package decant.paint;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.function.IntPredicate;

/** Pages that are painted to be held against others. */
public interface PaintedPages {
  /** Of a page that is looked at. */
  double MAX_PIXELS = 8_000_000;

  int count();

  /** Width of a page in points. */
  double width(int page);

  /** Height of a page in points. */
  double height(int page);

  /** The pixels a point that a page is painted in, if as many as wanted: posters take fewer. */
  default double scale(int page, double wanted) {
    return Math.min(wanted, Math.sqrt(MAX_PIXELS / (width(page) * height(page))));
  }

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
   * What is written on a page.
   *
   * @throws IOException if it cannot be read
   */
  Written written(int page) throws IOException;

  /**
   * What is written somewhere, in an order that does not follow from where it stands.
   *
   * @param figures apart, since they may be numbers of pages
   */
  record Written(String letters, String figures) {
    static Written of(CharSequence text) {
      return new Written(sorted(text, Character::isLetter), sorted(text, Character::isDigit));
    }

    private static String sorted(CharSequence text, IntPredicate some) {
      int[] all = text.codePoints().filter(some).sorted().toArray();
      return new String(all, 0, all.length);
    }
  }
}
