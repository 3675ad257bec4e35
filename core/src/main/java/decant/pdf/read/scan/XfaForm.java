package decant.pdf.read.scan;

import decant.model.finding.Finding;
import decant.model.finding.Finding.Kind;
import decant.model.finding.Finding.Severity;
import decant.words.Words;
import java.util.Optional;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;

/**
 * A form that is described in XML (XFA, ISO 32000-1 §12.7.8). Where its pages are made only when it
 * is opened, those in the file say no more than that; the form itself is not in them.
 */
public final class XfaForm {
  private static final Words WORDS = Words.of(XfaForm.class);
  private static final COSName XFA = COSName.getPDFName("XFA");
  private static final COSName NEEDS_RENDERING = COSName.getPDFName("NeedsRendering");

  private XfaForm() {}

  /** What is to be said of it, if the file is one. */
  public static Optional<Finding> in(PDDocument pdf) {
    COSDictionary catalog = pdf.getDocumentCatalog().getCOSObject();
    COSDictionary form = catalog.getCOSDictionary(COSName.ACRO_FORM);
    if (form == null || form.getDictionaryObject(XFA) == null) {
      return Optional.empty();
    }
    COSArray fields = form.getCOSArray(COSName.FIELDS);
    boolean madeOnOpening =
        catalog.getBoolean(NEEDS_RENDERING, false) || fields == null || fields.size() == 0;
    return Optional.of(
        madeOnOpening
            ? Finding.general(Kind.FORM, Severity.LOSS, WORDS.say("xfa-form.made-on-opening"))
            : Finding.general(Kind.FORM, Severity.NOTE, WORDS.say("xfa-form.beside-fields")));
  }
}
