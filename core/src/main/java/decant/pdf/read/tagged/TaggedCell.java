package decant.pdf.read.tagged;

import decant.pdf.read.detected.Detected;
import decant.pdf.read.lines.Regions;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.jspecify.annotations.Nullable;

/** A cell as its tags have it (ISO 32000-2 §14.8.5.7). */
final class TaggedCell {
  private TaggedCell() {}

  static Detected.DetectedCell of(
      COSDictionary cell, List<List<TextLine>> paragraphs, boolean header) {
    var lines = new ArrayList<TextLine>();
    var begins = new ArrayList<Integer>();
    for (List<TextLine> p : paragraphs) {
      if (!lines.isEmpty()) {
        begins.add(lines.size());
      }
      lines.addAll(p);
    }
    return new Detected.DetectedCell(
        span(cell, "ColSpan"), span(cell, "RowSpan"), lines, header, begins);
  }

  /** Adds a paragraph that says something. */
  static void add(List<TextLine> paragraph, List<List<TextLine>> to) {
    if (!paragraph.isEmpty()) {
      to.add(Regions.merged(paragraph));
    }
  }

  private static int span(COSDictionary cell, String name) {
    COSBase a = cell.getDictionaryObject(COSName.A);
    if (!(a instanceof COSArray all)) {
      return spanIn(a, name);
    }
    int out = 1;
    for (int k = 0; k < all.size() && out == 1; k++) {
      out = spanIn(all.getObject(k), name);
    }
    return out;
  }

  private static int spanIn(@Nullable COSBase attributes, String name) {
    return attributes instanceof COSDictionary d
        ? Math.clamp(d.getInt(COSName.getPDFName(name), 1), 1, 100)
        : 1;
  }
}
