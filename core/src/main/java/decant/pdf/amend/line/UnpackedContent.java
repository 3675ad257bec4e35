package decant.pdf.amend.line;

import decant.pdf.content.ReadPage;
import java.io.IOException;
import java.io.InputStream;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDPage;

/** The bytes of contents, as they are read. */
public final class UnpackedContent {
  /** Content that is unpacked, in bytes; more is no page but a bomb. */
  private static final int MOST_BYTES = 64 << 20;

  private UnpackedContent() {}

  /** Nothing where there is far more than a page has. */
  static byte[] of(PDPage page) {
    try (InputStream in = page.getContents()) {
      byte[] some = in == null ? new byte[0] : in.readNBytes(MOST_BYTES + 1);
      return some.length > MOST_BYTES ? new byte[0] : some;
    } catch (IOException e) {
      return ReadPage.Unpacked.of(page).bytes(); // what could be unpacked of it
    }
  }

  /** What could be unpacked of a form; nothing where it is far more than a page has. */
  public static byte[] of(COSStream s) {
    var out = new java.io.ByteArrayOutputStream();
    try (var in = s.createInputStream()) {
      byte[] buffer = new byte[1 << 16];
      for (int n = in.read(buffer); n > 0 && out.size() <= MOST_BYTES; n = in.read(buffer)) {
        out.write(buffer, 0, n);
      }
      if (out.size() > MOST_BYTES) {
        return new byte[0];
      }
    } catch (IOException e) {
      return out.toByteArray(); // what could be unpacked of it
    }
    return out.toByteArray();
  }
}
