package decant.pdf.amend;

import decant.pdf.amend.page.FreshObject;
import decant.pdf.amend.page.PageFrame;
import java.io.IOException;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSDocument;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
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
    alone(pdf, NotesOnPage.objects(kept));
  }

  /** A file with nothing but its pages, and what they need; it opens without a password. */
  private static void alone(PDDocument pdf, Set<COSDictionary> fields) {
    COSDictionary catalog = pdf.getDocumentCatalog().getCOSObject();
    only(catalog, OF_FILE);
    COSDictionary names = catalog.getCOSDictionary(COSName.NAMES);
    if (names != null) {
      only(names, Set.of(COSName.DESTS));
    }
    COSDictionary form = catalog.getCOSDictionary(COSName.ACRO_FORM);
    if (form != null) {
      form.removeItem(COSName.XFA);
      form.setItem(COSName.FIELDS, fields(form.getDictionaryObject(COSName.FIELDS), fields, 0));
    }
    pdf.setAllSecurityToBeRemoved(true);
    pdf.getDocument().getTrailer().removeItem(COSName.ENCRYPT);
  }

  /**
   * Leaves some pages, in an order of their own, after so many empty ones. What links on them lead
   * to on other pages is gone.
   *
   * @param pages from 0
   * @param from the number of the first of them afterwards, from 0
   */
  static void leave(PDDocument pdf, List<Integer> pages, int from) throws IOException {
    COSDocument file = pdf.getDocument();
    COSDictionary catalog = pdf.getDocumentCatalog().getCOSObject();
    var tree = new COSDictionary();
    COSObject root = FreshObject.of(file, tree);
    var kids = new COSArray();
    tree.setItem(COSName.TYPE, COSName.PAGES);
    for (int k = 0; k < from; k++) {
      var empty = new PDPage();
      empty.getCOSObject().setItem(COSName.PARENT, root);
      kids.add(FreshObject.of(file, empty.getCOSObject()));
    }
    var here = new HashSet<COSDictionary>();
    for (int k : pages) {
      PDPage p = pdf.getPage(k);
      COSDictionary d = p.getCOSObject();
      PageFrame.inherit(p);
      here.addAll(NotesOnPage.objects(p));
      d.setItem(COSName.PARENT, root);
      kids.add(d.getKey() == null ? FreshObject.of(file, d) : file.getObjectFromPool(d.getKey()));
    }
    tree.setItem(COSName.KIDS, kids);
    tree.setInt(COSName.COUNT, kids.size());
    catalog.setItem(COSName.PAGES, root);
    alone(pdf, here);
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
