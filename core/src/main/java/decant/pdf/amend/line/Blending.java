package decant.pdf.amend.line;

import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;

/** Opacity, masks and blending in graphics states (ISO 32000-2 tables 57 and 134). */
final class Blending {
  private Blending() {}

  /** Whether what is painted in a state lets something else shine through. */
  static boolean isIn(COSDictionary state) {
    COSBase blend = state.getDictionaryObject(COSName.BM);
    COSBase first = blend instanceof COSArray a && a.size() > 0 ? a.getObject(0) : blend;
    return state.getFloat(COSName.CA_NS, 1) < 1
        || state.getDictionaryObject(COSName.SMASK) instanceof COSDictionary
        || first != null && !COSName.NORMAL.equals(first) && !COSName.COMPATIBLE.equals(first);
  }
}
