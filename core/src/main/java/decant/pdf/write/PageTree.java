package decant.pdf.write;

import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;

/** The pages as a balanced tree (ISO 32000-2 §7.7.3), so that any of them is found soon. */
final class PageTree {
  private static final int BRANCHES = 40;

  private PageTree() {}

  static COSDictionary of(List<COSDictionary> pages) {
    List<COSDictionary> level = pages;
    do {
      var above = new ArrayList<COSDictionary>();
      for (int from = 0; from < level.size(); from += BRANCHES) {
        above.add(node(level.subList(from, Math.min(level.size(), from + BRANCHES))));
      }
      level = above;
    } while (level.size() > 1);
    return level.getFirst();
  }

  private static COSDictionary node(List<COSDictionary> kids) {
    COSDictionary n = new COSDictionary();
    n.setItem(COSName.TYPE, COSName.PAGES);
    COSArray a = new COSArray();
    int count = 0;
    for (COSDictionary k : kids) {
      a.add(k);
      k.setItem(COSName.PARENT, n);
      count += k.getInt(COSName.COUNT, 1);
    }
    n.setItem(COSName.KIDS, a);
    n.setInt(COSName.COUNT, count);
    return n;
  }
}
