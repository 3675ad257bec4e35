package decant.pdf.read.scan;

import decant.model.finding.Finding;
import decant.words.Words;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;

/**
 * What of a PDF acts when it is opened: scripts, and actions that start or fetch something (ISO
 * 32000-1 §12.6.4). None of it is carried on.
 */
public final class Scripts {
  private static final Words WORDS = Words.of(Scripts.class);

  /** Actions that only move about in the document. */
  private static final Set<String> HARMLESS = Set.of("GoTo", "Named");

  private Scripts() {}

  public static List<Finding> in(PDDocument pdf) {
    COSDictionary catalog = pdf.getDocumentCatalog().getCOSObject();
    boolean acts =
        catalog.containsKey(COSName.AA)
            || catalog.getDictionaryObject(COSName.OPEN_ACTION) instanceof COSDictionary open
                && !HARMLESS.contains(open.getNameAsString(COSName.S))
            || catalog.getDictionaryObject(COSName.NAMES) instanceof COSDictionary names
                && names.containsKey(COSName.getPDFName("JavaScript"));
    return acts
        ? List.of(
            Finding.general(
                Finding.Kind.ACTIVE_CONTENT, Finding.Severity.LOSS, WORDS.say("scripts.left-out")))
        : List.of();
  }
}
