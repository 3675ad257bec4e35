package decant.verify.office;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.apache.poi.util.LittleEndian;

/** The fields of forms in a DOC file. */
final class DocForms {
  private DocForms() {}

  /** What a box or a choice of a form shows, by its FFData ([MS-DOC] 2.9.78, 2.9.158). */
  static String shown(byte[] data, int at) throws IOException {
    try {
      int from = at + LittleEndian.getUShort(data, at + 4);
      int bits = LittleEndian.getUShort(data, from + 4);
      int chosen = bits >> 2 & 31;
      if ((bits & 3) == 1) {
        return DocumentDigest.box(chosen == 1);
      }
      int k = from + 10;
      k += 2 * LittleEndian.getUShort(data, k) + 4; // its name
      k += 2; // what is chosen at first
      for (int n = 0; n < 5; n++) {
        k += 2 * LittleEndian.getUShort(data, k) + 4;
      }
      k += 6;
      for (int n = 0; n < chosen; n++) {
        k += 2 * LittleEndian.getUShort(data, k) + 2;
      }
      int length = LittleEndian.getUShort(data, k);
      return DocumentDigest.choice(new String(data, k + 2, 2 * length, StandardCharsets.UTF_16LE));
    } catch (IndexOutOfBoundsException e) {
      throw new IOException("a field of a form is damaged", e);
    }
  }
}
