package decant.office.odf.markup;

import decant.model.look.Media;

/** How large a picture of pixels is by what it says of its own density. */
public final class PictureScale {
  private static final double USUAL = 0.75; // 96 dots to the inch, common practice
  private static final double METRE = 72 / 0.0254; // in points

  private PictureScale() {}

  /** So many of its pixels, in points. */
  public static double points(Media m, int pixels) {
    return pixels * ofPixel(m.bytes());
  }

  /** The size of one pixel: PNG's pHYs chunk, JPEG's JFIF segment (ITU-T T.871 §10.1), or usual. */
  private static double ofPixel(byte[] b) {
    if (b.length > 20
        && (b[0] & 0xFF) == 0xFF
        && (b[1] & 0xFF) == 0xD8
        && b[6] == 'J'
        && b[7] == 'F') {
      int density = (b[14] & 0xFF) << 8 | b[15] & 0xFF;
      return density < 10
          ? USUAL
          : b[13] == 1 ? 72.0 / density : b[13] == 2 ? 72 / 2.54 / density : USUAL;
    }
    if (b.length > 33 && (b[0] & 0xFF) == 0x89 && b[1] == 'P') {
      int at = 8;
      while (at + 21 < b.length) {
        int length = number(b, at);
        boolean data = b[at + 4] == 'I' && b[at + 5] == 'D';
        if (data || length < 0) {
          break;
        }
        if (b[at + 4] == 'p' && b[at + 5] == 'H') {
          int each = number(b, at + 8);
          return b[at + 16] == 1 && each > 300 ? METRE / each : USUAL;
        }
        at += 12 + length;
      }
    }
    return USUAL;
  }

  private static int number(byte[] b, int at) {
    return (b[at] & 0xFF) << 24
        | (b[at + 1] & 0xFF) << 16
        | (b[at + 2] & 0xFF) << 8
        | b[at + 3] & 0xFF;
  }
}
