package decant.pdf.read.scan;

import decant.pdf.content.StreamDamage;
import decant.work.Faults;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.graphics.image.PDImage;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;

/**
 * Whether something of a picture is damaged in the file. It is shown as far as it goes by every
 * reader, in grey or black from there, without a word.
 */
final class PictureDamage {
  private static final int MARKER = 0xFF;
  private static final int START_OF_SCAN = 0xDA;
  private static final int END_OF_IMAGE = 0xD9;

  private PictureDamage() {}

  /** Whether it is; so is what cannot be looked at, though the picture itself was read. */
  static boolean isIn(PDImage image) {
    try {
      // One within the content is looked at as a whole with that.
      return image instanceof PDImageXObject x && isIn(x);
    } catch (IOException | RuntimeException e) {
      Faults.mended("looking for damage of a picture", e);
      return true;
    }
  }

  private static boolean isIn(PDImageXObject x) throws IOException {
    COSStream stream = x.getCOSObject();
    COSBase filter = stream.getDictionaryObject(COSName.FILTER);
    if (COSName.DCT_DECODE.equals(filter)) {
      try (InputStream in = x.createInputStream(List.of(COSName.DCT_DECODE.getName()))) {
        if (!endsJpeg(in.readAllBytes())) {
          return true;
        }
      }
    } else if (!StreamDamage.isWhole(stream, leastBytes(x))) {
      return true;
    }
    PDImageXObject mask = x.getSoftMask();
    return mask != null && !StreamDamage.isWhole(mask.getCOSObject(), leastBytes(mask));
  }

  /** Bytes that a picture's dots take; the last row may be short, which some programs leave so. */
  private static long leastBytes(PDImageXObject x) throws IOException {
    // Where the file says no colours, what is packed may: one part of a colour there is at least.
    boolean said = !x.isStencil() && x.getCOSObject().containsKey(COSName.COLORSPACE);
    int components = said ? x.getColorSpace().getNumberOfComponents() : 1;
    long row = ((long) x.getWidth() * x.getBitsPerComponent() * components + 7) / Byte.SIZE;
    return row * Math.max(0, x.getHeight() - 1);
  }

  /**
   * Whether a JPEG goes to its end (ISO/IEC 10918-1 B.1.1.3): in what is packed, a marker's first
   * byte is never followed by that of another but those that start it anew.
   */
  private static boolean endsJpeg(byte[] jpeg) {
    for (int k = jpeg.length - 2; k > 0; k--) {
      if ((jpeg[k] & 0xFF) == MARKER) {
        int marker = jpeg[k + 1] & 0xFF;
        if (marker == END_OF_IMAGE) {
          return true;
        } else if (marker == START_OF_SCAN) {
          return false;
        }
      }
    }
    return false;
  }
}
