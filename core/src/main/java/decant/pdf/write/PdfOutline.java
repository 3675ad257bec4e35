package decant.pdf.write;

import decant.layout.Layout;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Outline;
import java.util.Optional;
import java.util.function.Function;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PageMode;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDDocumentOutline;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineNode;

/** Writes headings as the outline (ISO 32000-1 §12.3.3). */
final class PdfOutline {
  private PdfOutline() {}

  /**
   * @param destination where a heading stands in the file; empty for one on a page that is left out
   */
  static void write(
      PDDocument pdf, Layout layout, Function<NodeId, Optional<COSArray>> destination) {
    Document d = layout.document();
    var outline = new PDDocumentOutline();
    int n = add(outline, Outline.of(d), destination);
    if (n > 0) {
      pdf.getDocumentCatalog().setDocumentOutline(outline);
      pdf.getDocumentCatalog().setPageMode(PageMode.USE_OUTLINES);
      outline.openNode();
    }
  }

  private static int add(
      PDOutlineNode parent,
      java.util.List<Outline.Entry> entries,
      Function<NodeId, Optional<COSArray>> destination) {
    int n = 0;
    for (Outline.Entry e : entries) {
      Optional<COSArray> to = destination.apply(e.paragraph());
      if (to.isPresent()) {
        var item = new PDOutlineItem();
        item.setTitle(e.text());
        item.getCOSObject().setItem(COSName.DEST, to.get());
        parent.addLast(item);
        n += 1 + add(item, e.children(), destination);
      } else {
        // The heading's page is left out: those below it that are in the file move up.
        n += add(parent, e.children(), destination);
      }
    }
    return n;
  }
}
