package decant.pdf.amend;

import decant.work.Faults;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;

/** Files that hold signatures, which changes break. */
final class Signed {
  private Signed() {}

  static boolean is(PDDocument pdf) {
    try {
      return !pdf.getSignatureDictionaries().isEmpty();
    } catch (RuntimeException e) {
      Faults.mended("looking for signatures", e);
      // A damaged signature is one too, where the form says that it has some (table 225).
      COSDictionary form =
          pdf.getDocumentCatalog().getCOSObject().getCOSDictionary(COSName.ACRO_FORM);
      return form != null && (form.getInt(COSName.SIG_FLAGS, 0) & 1) != 0;
    }
  }
}
