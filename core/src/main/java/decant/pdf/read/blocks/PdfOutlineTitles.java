package decant.pdf.read.blocks;

import decant.pdf.read.page.Folding;
import decant.work.Faults;
import java.util.Collections;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.Set;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineNode;

/** The titles of a file's outline (ISO 32000-1 §12.3.3), folded for comparing. */
public final class PdfOutlineTitles {
  private static final int MAX = 20_000;

  private PdfOutlineTitles() {}

  public static Set<String> of(PDDocument pdf) {
    Set<String> out = new HashSet<>();
    try {
      PDOutlineNode root = pdf.getDocumentCatalog().getDocumentOutline();
      if (root != null) {
        collect(root, out, Collections.newSetFromMap(new IdentityHashMap<>()), 0);
      }
    } catch (RuntimeException e) {
      Faults.mended("reading the outline", e);
      return Set.of(); // a damaged outline is no outline
    }
    return out;
  }

  /**
   * @param seen the items that were met, each once, whatever circles the file has
   */
  private static void collect(PDOutlineNode node, Set<String> out, Set<COSBase> seen, int depth) {
    for (PDOutlineItem item = node.getFirstChild();
        item != null && seen.size() < MAX && seen.add(item.getCOSObject());
        item = item.getNextSibling()) {
      if (item.getTitle() != null && out.size() < MAX) {
        String title = Folding.fold(item.getTitle());
        if (title.length() > 1) {
          out.add(title);
        }
      }
      if (depth < 20) {
        collect(item, out, seen, depth + 1);
      }
    }
  }
}
