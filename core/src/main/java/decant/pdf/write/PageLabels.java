package decant.pdf.write;

import decant.model.look.ListDefinition.NumberFormat;
import decant.publication.PublishedPage;
import java.util.List;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;

/** The numbers that stand on the pages, for viewers to show (ISO 32000-2 §12.4.2). */
final class PageLabels {
  private PageLabels() {}

  static void write(COSDictionary catalog, List<? extends PublishedPage> pages) {
    COSArray nums = new COSArray();
    String before = "";
    int expected = -1;
    for (int k = 0; k < pages.size(); k++) {
      PublishedPage p = pages.get(k);
      String style = style(p.numbering());
      if (!style.equals(before) || p.shown() != expected) {
        COSDictionary range = new COSDictionary();
        range.setName(COSName.S, style);
        if (p.shown() != 1) {
          range.setInt(COSName.ST, Math.max(1, p.shown()));
        }
        nums.add(COSInteger.get(k));
        nums.add(range);
      }
      before = style;
      expected = p.shown() + 1;
    }
    COSDictionary labels = new COSDictionary();
    labels.setItem(COSName.NUMS, nums);
    catalog.setItem(COSName.PAGE_LABELS, labels);
  }

  private static String style(NumberFormat f) {
    return switch (f) {
      case LOWER_ROMAN -> "r";
      case UPPER_ROMAN -> "R";
      case LOWER_LETTER -> "a";
      case UPPER_LETTER -> "A";
      case DECIMAL, TWO_DIGITS, ORDINAL, BULLET, NONE -> "D";
    };
  }
}
