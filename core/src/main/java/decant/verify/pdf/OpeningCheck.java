package decant.verify.pdf;

import decant.pdf.choices.InitialView;
import decant.pdf.choices.PdfChoices;
import decant.pdf.choices.Version;
import decant.verify.Check;
import decant.words.Words;
import java.util.Optional;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBoolean;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.pdmodel.PDDocument;

/** Whether a file opens and prints as chosen (ISO 32000-2 tables 29 and 147). */
final class OpeningCheck {
  private static final Words WORDS = Words.of(OpeningCheck.class);

  private final COSDictionary catalog;
  private final PDDocument pdf;
  private final PdfChoices choices;
  private final InitialView sight;

  private OpeningCheck(PDDocument pdf, PdfChoices choices) {
    this.pdf = pdf;
    this.catalog = pdf.getDocumentCatalog().getCOSObject();
    this.choices = choices;
    this.sight = choices.settings().initialView();
  }

  /** Empty if nothing is chosen and the file says nothing either. */
  static Optional<Check> of(PDDocument pdf, PdfChoices choices) {
    var c = new OpeningCheck(pdf, choices);
    boolean usual = choices.settings().initialView().equals(InitialView.DEFAULT);
    boolean same = c.opensAtPage() && c.looks() && c.prints();
    return usual && same
        ? Optional.empty()
        : Optional.of(
            Check.of(
                WORDS.say("opening-check.name"),
                same,
                WORDS.say("opening-check.as-chosen"),
                WORDS.say("opening-check.not-as-chosen")));
  }

  private boolean opensAtPage() {
    COSArray to = catalog.getCOSArray(COSName.OPEN_ACTION);
    if (to == null) {
      return sight.page() == 1 && sight.zoom() == InitialView.Zoom.VIEWERS;
    }
    boolean page = to.size() > 0 && LinkCheck.pageOf(pdf, to) == sight.page() - 1;
    String fit = to.size() > 1 && to.getObject(1) instanceof COSName n ? n.getName() : "";
    double zoom = to.size() > 4 && to.getObject(4) instanceof COSNumber n ? n.floatValue() : 0;
    return page
        && switch (sight.zoom()) {
          case VIEWERS -> fit.equals("XYZ") && zoom == 0;
          case ACTUAL -> fit.equals("XYZ") && zoom == 1;
          case WHOLE_PAGE -> fit.equals("Fit");
          case PAGE_WIDTH -> fit.equals("FitH");
        };
  }

  private boolean looks() {
    String mode = catalog.getNameAsString(COSName.PAGE_MODE, "UseNone");
    boolean none =
        sight.panel() == InitialView.Panel.BOOKMARKS && !catalog.containsKey(COSName.OUTLINES);
    return mode.equals(none ? "UseNone" : sight.panel().pdfName())
        && catalog.getNameAsString(COSName.PAGE_LAYOUT, "").equals(sight.arrangement().pdfName())
        && flag("HideToolbar") == sight.window().hideToolbar()
        && flag("HideMenubar") == sight.window().hideMenu()
        && flag("HideWindowUI") == sight.window().hideControls()
        && flag("FitWindow") == sight.window().fitWindow()
        && flag("DisplayDocTitle") == titled();
  }

  /** PDF/UA-1 7.1 asks for the title; a file without one has none to show. */
  private boolean titled() {
    boolean accessible = choices.settings().conformance().accessible();
    boolean has = !choices.metadata().title().isEmpty();
    return accessible || has && sight.window().titleInBar();
  }

  private boolean prints() {
    boolean newer = choices.settings().conformance().writtenVersion().compareTo(Version.V1_7) >= 0;
    COSDictionary p = preferences();
    String scaling = p.getNameAsString("PrintScaling", "AppDefault");
    return scaling.equals("None") == (sight.printing().scaling() == InitialView.PrintScaling.NONE)
        && p.getNameAsString("Duplex", "").equals(newer ? sight.printing().duplex().pdfName() : "")
        && p.getInt("NumCopies", 0) == (newer ? sight.printing().copies() : 0);
  }

  private boolean flag(String name) {
    return preferences().getDictionaryObject(name) instanceof COSBoolean b && b.getValue();
  }

  private COSDictionary preferences() {
    COSDictionary p = catalog.getCOSDictionary(COSName.VIEWER_PREFERENCES);
    return p == null ? new COSDictionary() : p;
  }
}
