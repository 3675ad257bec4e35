package decant.text;

import java.nio.ByteBuffer;
import java.util.Optional;

/**
 * The facts of an SFNT font that layout and publishing need, read from its tables (ISO/IEC
 * 14496-22).
 *
 * @param unitsPerEm head.unitsPerEm
 * @param ascent height of a line above the baseline, in font units
 * @param descent depth of a line below the baseline, positive, in font units
 * @param lineGap extra space between lines, in font units
 * @param underlinePosition middle of the underline, below the baseline, positive, in font units
 * @param underlineThickness in font units
 * @param capHeight OS/2.sCapHeight, or an estimate
 * @param italicAngle post.italicAngle in degrees
 * @param embedding OS/2.fsType
 */
public record FontTables(
    int unitsPerEm,
    int ascent,
    int descent,
    int lineGap,
    int underlinePosition,
    int underlineThickness,
    int capHeight,
    double italicAngle,
    int embedding) {
  private static final int USE_TYPO_METRICS = 1 << 7;

  /**
   * @throws IllegalArgumentException if the bytes are no SFNT font with the tables needed
   */
  public static FontTables read(byte[] font) {
    try {
      ByteBuffer b = ByteBuffer.wrap(font);
      int head = table(b, "head").orElseThrow();
      int hhea = table(b, "hhea").orElseThrow();
      int unitsPerEm = b.getShort(head + 18) & 0xFFFF;
      if (unitsPerEm < 16 || unitsPerEm > 16384) {
        throw new IllegalArgumentException("unitsPerEm " + unitsPerEm);
      }
      int hAscent = b.getShort(hhea + 4);
      int hDescent = -b.getShort(hhea + 6);
      int hGap = b.getShort(hhea + 8);
      int ascent = hAscent;
      int descent = hDescent;
      int gap = hGap;
      int fsType = 0;
      int cap = unitsPerEm * 7 / 10;
      Optional<Integer> os2 = table(b, "OS/2");
      if (os2.isPresent()) {
        int o = os2.get();
        int version = b.getShort(o) & 0xFFFF;
        fsType = b.getShort(o + 8) & 0xFFFF;
        int selection = b.getShort(o + 62) & 0xFFFF;
        int winAscent = b.getShort(o + 74) & 0xFFFF;
        int winDescent = b.getShort(o + 76) & 0xFFFF;
        if ((selection & USE_TYPO_METRICS) != 0) {
          ascent = b.getShort(o + 68);
          descent = -b.getShort(o + 70);
          gap = b.getShort(o + 72);
        } else if (winAscent + winDescent > 0) {
          // The line of an office document: win metrics, and as much of hhea's line as goes beyond
          // them.
          ascent = winAscent;
          descent = winDescent;
          gap = Math.max(0, hGap - (winAscent + winDescent - (hAscent + hDescent)));
        }
        if (version >= 2 && b.getShort(o + 88) > 0) {
          cap = b.getShort(o + 88);
        }
      }
      int underlinePosition = unitsPerEm / 10;
      int underlineThickness = unitsPerEm / 20;
      double angle = 0;
      Optional<Integer> post = table(b, "post");
      if (post.isPresent()) {
        int p = post.get();
        angle = b.getInt(p + 4) / 65536.0;
        if (b.getShort(p + 10) > 0) {
          underlineThickness = b.getShort(p + 10);
          underlinePosition = -b.getShort(p + 8) + underlineThickness / 2;
        }
      }
      return new FontTables(
          unitsPerEm,
          ascent,
          descent,
          gap,
          underlinePosition,
          underlineThickness,
          cap,
          angle,
          fsType);
    } catch (IndexOutOfBoundsException | java.util.NoSuchElementException e) {
      throw new IllegalArgumentException("not a complete SFNT font", e);
    }
  }

  private static Optional<Integer> table(ByteBuffer b, String tag) {
    int n = b.getShort(4) & 0xFFFF;
    for (int k = 0; k < n; k++) {
      int at = 12 + 16 * k;
      if (b.get(at) == tag.charAt(0)
          && b.get(at + 1) == tag.charAt(1)
          && b.get(at + 2) == tag.charAt(2)
          && b.get(at + 3) == tag.charAt(3)) {
        return Optional.of(b.getInt(at + 8));
      }
    }
    return Optional.empty();
  }
}
