package decant.pdf.open;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSDocument;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.pdmodel.PDDocument;

/**
 * The pages of a file as its tree of pages has them (ISO 32000-2 §7.7.3), whatever its counts say;
 * where it has none, they are looked for among all objects.
 */
public final class PageList {
  private static final COSName[] INHERITED = {
    COSName.RESOURCES, COSName.MEDIA_BOX, COSName.CROP_BOX, COSName.ROTATE
  };

  /**
   * @param said how many pages the file says that it has
   * @param found how many it has
   * @param listed whether its tree leads to them
   */
  public record Found(int said, int found, boolean listed) {}

  /** Trees of real files have a few levels; one that goes deeper was made to do harm. */
  private static final int DEEPEST = 200;

  /** A page, and what it takes over from what it hangs on (§7.7.3.4). */
  private record Leaf(COSBase reference, COSDictionary page, Map<COSName, COSBase> inherited) {}

  private final List<Leaf> pages = new ArrayList<>();
  private final Set<COSDictionary> seen = Collections.newSetFromMap(new IdentityHashMap<>());
  private boolean right = true;

  private PageList() {}

  /** Finds the pages; where the tree is not as it should be, the document gets one that is. */
  static Found mended(PDDocument pdf) {
    COSDictionary catalog = pdf.getDocumentCatalog().getCOSObject();
    COSDictionary root = catalog.getCOSDictionary(COSName.PAGES);
    var list = new PageList();
    int said = root == null ? 0 : Math.max(0, root.getInt(COSName.COUNT, 0));
    if (root != null) {
      list.node(root, Map.of(), 0);
    }
    boolean listed = !list.pages.isEmpty();
    if (!listed) {
      list.unlisted(pdf.getDocument());
    }
    if (!list.right) {
      list.into(root == null ? newRoot(catalog) : root);
    }
    return new Found(said, list.pages.size(), listed);
  }

  private static COSDictionary newRoot(COSDictionary catalog) {
    var root = new COSDictionary();
    root.setItem(COSName.TYPE, COSName.PAGES);
    catalog.setItem(COSName.PAGES, new COSObject(root));
    return root;
  }

  /** Gathers the pages below a node. */
  private void node(COSDictionary node, Map<COSName, COSBase> inherited, int depth) {
    if (depth > DEEPEST || !seen.add(node)) {
      right = false;
      return;
    }
    int before = pages.size();
    Map<COSName, COSBase> handed = handedDown(node, inherited);
    COSArray kids = node.getCOSArray(COSName.KIDS);
    for (int k = 0; kids != null && k < kids.size(); k++) {
      if (!(kids.getObject(k) instanceof COSDictionary kid)) {
        right = false;
      } else if (COSName.PAGES.equals(kid.getCOSName(COSName.TYPE))
          || kid.containsKey(COSName.KIDS)) {
        node(kid, handed, depth + 1);
      } else if (isPage(kid)) {
        pages.add(new Leaf(kids.get(k), kid, handed));
      } else {
        right = false;
      }
    }
    right &= node.getInt(COSName.COUNT) == pages.size() - before;
  }

  /** Whether something is a page; what says to be something else and looks like one becomes one. */
  private static boolean isPage(COSDictionary kid) {
    COSName type = kid.getCOSName(COSName.TYPE);
    boolean says = type == null || type.equals(COSName.PAGE);
    if (!says && kid.containsKey(COSName.CONTENTS)) {
      kid.setItem(COSName.TYPE, COSName.PAGE);
      return true;
    }
    return says;
  }

  private static Map<COSName, COSBase> handedDown(
      COSDictionary node, Map<COSName, COSBase> inherited) {
    Map<COSName, COSBase> own = new HashMap<>();
    for (COSName name : INHERITED) {
      COSBase value = node.getItem(name);
      if (value != null) {
        own.put(name, value);
      }
    }
    if (own.isEmpty()) {
      return inherited;
    }
    inherited.forEach(own::putIfAbsent);
    return own;
  }

  /** Pages that no tree leads to, in the order of their numbers. */
  private void unlisted(COSDocument file) {
    file.getObjectsByType(COSName.PAGE).stream()
        .sorted(Comparator.comparingLong(o -> o.getKey().getNumber()))
        .forEach(o -> pages.add(new Leaf(o, (COSDictionary) o.getObject(), Map.of())));
    right = false;
  }

  private void into(COSDictionary root) {
    var kids = new COSArray();
    for (Leaf leaf : pages) {
      kids.add(leaf.reference());
      leaf.inherited()
          .forEach((name, value) -> {
            if (!leaf.page().containsKey(name)) {
              leaf.page().setItem(name, value);
            }
          });
      leaf.page().setItem(COSName.PARENT, root);
    }
    root.setItem(COSName.KIDS, kids);
    root.setInt(COSName.COUNT, pages.size());
  }
}
