package decant.pdf.write.fonts;

/**
 * What signs of the private use area mean where office documents use them: the places of a symbol
 * font's own encoding, moved up by F000. Common practice; the list is from memory.
 */
public final class PrivateSigns {
  private PrivateSigns() {}

  /** The character that is meant, or U+FFFD for one that only its font knows. */
  public static int meant(int c) {
    boolean own = c >= 0xE000 && c <= 0xF8FF || c >= 0xF0000;
    if (!own) {
      return c;
    }
    return switch (c) {
      case 0xF0B7, 0xF06C, 0xF09F -> 0x2022; // bullet
      case 0xF0A7, 0xF06E -> 0x25AA; // small square
      case 0xF0A8, 0xF06F, 0xF071 -> 0x25A1; // white square
      case 0xF0D8, 0xF0E8, 0xF0E0 -> 0x2192; // arrow
      case 0xF0FC -> 0x2713; // check mark
      case 0xF0FE -> 0x2611; // ticked box
      case 0xF076 -> 0x2756; // diamonds
      case 0xF02D -> 0x2212; // minus
      default -> 0xFFFD;
    };
  }
}
