package decant.pdf.amend;

import java.io.IOException;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.jspecify.annotations.Nullable;

/**
 * A file with what stands on one of its pages. The other pages keep their places, so that links
 * lead where they led, but show nothing.
 */
final class OnePage {
  /** What of a page stays where nothing of it is shown. */
  private static final Set<COSName> FRAME =
      Set.of(COSName.TYPE, COSName.PARENT, COSName.MEDIA_BOX, COSName.CROP_BOX, COSName.ROTATE);

  /** What of the file pages and their links need. */
  private static final Set<COSName> OF_FILE =
      Set.of(
          COSName.TYPE,
          COSName.PAGES,
          COSName.VERSION,
          COSName.DESTS,
          COSName.NAMES,
          COSName.ACRO_FORM,
          COSName.OCPROPERTIES);

  private static final int DEEPEST = 50;

  private OnePage() {}

  static void leave(PDDocument pdf, int page) throws IOException {
    PDPage kept = pdf.getPage(page);
    var resources = kept.getResources();
    var media = kept.getMediaBox();
    int k = 0;
    for (PDPage p : pdf.getPages()) {
      if (k++ != page) {
        only(p.getCOSObject(), FRAME);
      }
      for (COSDictionary above = p.getCOSObject().getCOSDictionary(COSName.PARENT);
          above != null;
          above = above.getCOSDictionary(COSName.PARENT)) {
        above.removeItem(COSName.RESOURCES); // inherited by all, used by one
      }
    }
    if (resources != null) {
      kept.setResources(resources);
    }
    kept.setMediaBox(media);
    COSDictionary catalog = pdf.getDocumentCatalog().getCOSObject();
    only(catalog, OF_FILE);
    COSDictionary names = catalog.getCOSDictionary(COSName.NAMES);
    if (names != null) {
      only(names, Set.of(COSName.DESTS));
    }
    COSDictionary form = catalog.getCOSDictionary(COSName.ACRO_FORM);
    if (form != null) {
      form.removeItem(COSName.XFA);
      Set<COSDictionary> here = NotesOnPage.objects(kept);
      form.setItem(COSName.FIELDS, fields(form.getDictionaryObject(COSName.FIELDS), here, 0));
    }
    pdf.setAllSecurityToBeRemoved(true);
    pdf.getDocument().getTrailer().removeItem(COSName.ENCRYPT);
  }

  private static void only(COSDictionary d, Set<COSName> names) {
    List.copyOf(d.keySet()).stream().filter(n -> !names.contains(n)).forEach(d::removeItem);
  }

  /** Fields that have a place on the page. */
  private static COSArray fields(@Nullable COSBase all, Set<COSDictionary> here, int depth) {
    var out = new COSArray();
    if (!(all instanceof COSArray some) || depth > DEEPEST) {
      return out;
    }
    for (int k = 0; k < some.size(); k++) {
      if (some.getObject(k) instanceof COSDictionary f) {
        COSArray kids = fields(f.getDictionaryObject(COSName.KIDS), here, depth + 1);
        if (kids.size() > 0) {
          f.setItem(COSName.KIDS, kids);
        }
        if (kids.size() > 0 || here.contains(f)) {
          out.add(some.get(k));
        }
      }
    }
    return out;
  }
}
