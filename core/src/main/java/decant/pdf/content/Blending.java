package decant.pdf.content;

import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;

/** Opacity, masks and blending in graphics states (ISO 32000-2 tables 57 and 134). */
public final class Blending {
  private Blending() {}

  /** Whether what is painted in a state lets something else shine through. */
  public static boolean isIn(COSDictionary state) {
    return state.getFloat(COSName.CA_NS, 1) < 1
        || state.getDictionaryObject(COSName.SMASK) instanceof COSDictionary
        || mixes(state);
  }

  /** Whether colours that are painted in a state mix with those below by a rule of their own. */
  public static boolean mixes(COSDictionary state) {
    COSBase blend = state.getDictionaryObject(COSName.BM);
    COSBase first = blend instanceof COSArray a && a.size() > 0 ? a.getObject(0) : blend;
    return first != null && !COSName.NORMAL.equals(first) && !COSName.COMPATIBLE.equals(first);
  }
}
