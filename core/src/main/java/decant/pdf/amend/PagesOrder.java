package decant.pdf.amend;

import decant.pdf.amend.page.FreshObject;
import decant.pdf.amend.page.PageFrame;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSDocument;
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
    COSDocument file = pdf.getDocument();
    COSDictionary root = pdf.getPages().getCOSObject();
    var pages = new ArrayList<COSDictionary>();
    for (PDPage p : pdf.getPages()) {
      PageFrame.inherit(p);
      p.getCOSObject().setItem(COSName.PARENT, FreshObject.reference(file, root));
      pages.add(p.getCOSObject());
    }
    var kids = new COSArray();
    order.forEach(k -> kids.add(FreshObject.reference(file, pages.get(k))));
    root.setItem(COSName.KIDS, kids);
    root.setInt(COSName.COUNT, all);
    List<COSBase> changed = new ArrayList<>(pages);
    changed.add(root);
    return changed;
  }

  private static List<Integer> numbers(int all) {
    return IntStream.range(0, all).boxed().toList();
  }
}
