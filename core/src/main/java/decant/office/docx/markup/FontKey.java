package decant.office.docx.markup;

/** What makes a font in a file unreadable, and readable again (§17.8.1). */
public final class FontKey {
  private FontKey() {}

  /** The first 32 bytes are XORed with the key's, last byte first; the same way in and out. */
  public static byte[] turned(byte[] font, String key) {
    String hex = key.replaceAll("[^0-9A-Fa-f]", "");
    if (hex.length() != 32 || font.length < 32) {
      return font;
    }
    byte[] out = font.clone();
    for (int k = 0; k < 32; k++) {
      int at = 30 - 2 * (k % 16);
      out[k] ^= (byte) Integer.parseInt(hex.substring(at, at + 2), 16);
    }
    return out;
  }
}
