package decant.pdf.amend;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;

/** The order of a file's pages (ISO 32000-2 §7.7.3). */
final class PagesOrder {
  private PagesOrder() {}

  /**
   * Puts all pages in another order, flat in one list; what they inherited stands in them.
   *
   * @return what is changed by it
   * @throws IllegalArgumentException if it is no order of all pages
   */
  static List<COSBase> give(PDDocument pdf, List<Integer> order) {
    int all = pdf.getNumberOfPages();
    if (order.size() != all || !Set.copyOf(order).equals(new HashSet<>(numbers(all)))) {
      throw new IllegalArgumentException("no order of all pages");
    }
    if (order.equals(numbers(all))) {
      return List.of();
    }
    COSDictionary root = pdf.getPages().getCOSObject();
    var changed = new ArrayList<COSBase>();
    var pages = new ArrayList<COSDictionary>();
    for (int k : numbers(all)) {
      PDPage p = pdf.getPage(k);
      COSDictionary d = p.getCOSObject();
      if (p.getResources() != null) {
        p.setResources(p.getResources());
      }
      p.setMediaBox(p.getMediaBox());
      p.setCropBox(p.getCropBox());
      p.setRotation(p.getRotation());
      pages.add(d);
    }
    var kids = new COSArray();
    for (int k : order) {
      COSDictionary d = pages.get(k);
      d.setItem(COSName.PARENT, root.getKey() == null ? root : reference(pdf, root));
      kids.add(d.getKey() == null ? d : reference(pdf, d));
      changed.add(d);
    }
    root.setItem(COSName.KIDS, kids);
    root.setInt(COSName.COUNT, all);
    changed.add(root);
    return changed;
  }

  private static COSBase reference(PDDocument pdf, COSDictionary d) {
    return pdf.getDocument().getObjectFromPool(d.getKey());
  }

  private static List<Integer> numbers(int all) {
    return java.util.stream.IntStream.range(0, all).boxed().toList();
  }
}
