package decant.text;

/** Scripts whose characters are all as wide, and of which most are written without spaces. */
public final class EastAsian {
  private EastAsian() {}

  /** Whether words around a character have no spaces between them (UAX #14, class ID). */
  public static boolean hasNoSpaces(int c) {
    return Character.isIdeographic(c)
        || c >= 0x3040 && c <= 0x30FF
        || c >= 0x3000 && c <= 0x303F
        || c >= 0xFF00 && c <= 0xFF60;
  }

  /** Whether a character is as wide as all others of its script (UAX #11, W and F). */
  public static boolean isWide(int c) {
    return hasNoSpaces(c) || c >= 0xAC00 && c <= 0xD7A3 || c >= 0x1100 && c <= 0x115F;
  }

  /** How long a text is in letters of an alphabet: a wide character says as much as two. */
  public static int letters(String s) {
    return s.length() + (int) s.codePoints().filter(EastAsian::isWide).count();
  }
}
