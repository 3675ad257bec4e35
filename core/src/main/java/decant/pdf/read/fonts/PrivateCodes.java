package decant.pdf.read.fonts;

import org.apache.pdfbox.cos.COSObjectKey;
import org.apache.pdfbox.pdmodel.font.PDFont;

/**
 * Characters for letters of which nothing tells what they stand for: places of Unicode that no
 * standard gives (The Unicode Standard, chapter 23.5, planes 15 and 16), so that the letter keeps
 * its shape in the text, and nobody takes it for another.
 */
public final class PrivateCodes {
  private static final int FIRST = 0xF0000;

  /** How many places a plane has, without its last two, which are no characters. */
  private static final int PLANE = 0xFFFE;

  private PrivateCodes() {}

  /**
   * The character of a code of a font: the same whenever the file is read, and for fonts of one
   * file as good as never that of another letter.
   */
  static String of(PDFont font, int code) {
    COSObjectKey key = font.getCOSObject().getKey();
    long number =
        key == null ? String.valueOf(font.getName()).hashCode() & 0xFFFFFFL : key.getNumber();
    int place = (int) Math.floorMod(number * 257 + code, 2L * PLANE);
    return Character.toString(FIRST + place + (place >= PLANE ? 2 : 0));
  }

  /** Whether a text holds such a character. */
  public static boolean in(String text) {
    return text.length() > 1 && text.codePoints().anyMatch(c -> c >= FIRST);
  }
}
