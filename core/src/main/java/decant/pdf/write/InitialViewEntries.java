package decant.pdf.write;

import decant.pdf.choices.InitialView;
import decant.pdf.choices.PdfChoices;
import decant.pdf.choices.Version;
import java.util.List;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBoolean;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNull;

/** How the file opens and prints (ISO 32000-2 tables 29 and 147). */
final class InitialViewEntries {
  private InitialViewEntries() {}

  static void write(COSDictionary catalog, PdfChoices choices, List<COSDictionary> pages) {
    InitialView f = choices.settings().initialView();
    boolean hasBookmarks = catalog.containsKey(COSName.OUTLINES);
    if (f.panel() != InitialView.Panel.NOTHING
        && (f.panel() != InitialView.Panel.BOOKMARKS || hasBookmarks)) {
      catalog.setName(COSName.PAGE_MODE, f.panel().pdfName());
    }
    if (!f.arrangement().pdfName().isEmpty()) {
      catalog.setName(COSName.PAGE_LAYOUT, f.arrangement().pdfName());
    }
    if (f.page() > 1 || f.zoom() != InitialView.Zoom.VIEWERS) {
      catalog.setItem(COSName.OPEN_ACTION, destination(f, pages.get(f.page() - 1)));
    }
    COSDictionary p = new COSDictionary();
    flag(p, "HideToolbar", f.window().hideToolbar());
    flag(p, "HideMenubar", f.window().hideMenu());
    flag(p, "HideWindowUI", f.window().hideControls());
    flag(p, "FitWindow", f.window().fitWindow());
    boolean titled =
        !choices.metadata().title().isEmpty() || choices.settings().conformance().accessible();
    flag(
        p,
        "DisplayDocTitle",
        titled && (f.window().titleInBar() || choices.settings().conformance().accessible()));
    if (f.printing().scaling() == InitialView.PrintScaling.NONE) {
      p.setName("PrintScaling", "None");
    }
    // Both came with PDF 1.7.
    boolean newer = choices.settings().conformance().writtenVersion().compareTo(Version.V1_7) >= 0;
    if (newer && !f.printing().duplex().pdfName().isEmpty()) {
      p.setName(COSName.getPDFName("Duplex"), f.printing().duplex().pdfName());
    }
    if (newer && f.printing().copies() > 0) {
      p.setInt("NumCopies", f.printing().copies());
    }
    if (p.size() > 0) {
      catalog.setItem(COSName.VIEWER_PREFERENCES, p);
    }
  }

  private static void flag(COSDictionary p, String name, boolean value) {
    if (value) {
      p.setItem(COSName.getPDFName(name), COSBoolean.TRUE);
    }
  }

  private static COSArray destination(InitialView f, COSDictionary page) {
    COSArray d = new COSArray();
    d.add(page);
    switch (f.zoom()) {
      case VIEWERS, ACTUAL -> {
        d.add(COSName.getPDFName("XYZ"));
        d.add(COSNull.NULL);
        d.add(COSNull.NULL);
        d.add(f.zoom() == InitialView.Zoom.ACTUAL ? new COSFloat(1) : COSNull.NULL);
      }
      case WHOLE_PAGE -> d.add(COSName.getPDFName("Fit"));
      case PAGE_WIDTH -> {
        d.add(COSName.getPDFName("FitH"));
        COSArray box = page.getCOSArray(COSName.MEDIA_BOX);
        d.add(box == null ? COSInteger.ZERO : box.getObject(3));
      }
    }
    return d;
  }
}
