package decant.pdf.write;

import decant.model.Box;
import decant.publication.PublishedPage;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;

/** Numbers and rectangles (ISO 32000-2 §7.9.5) to hundredths of a point. */
final class Numbers {
  private Numbers() {}

  /** A box of a page, whose heights are measured from above, as a file has it. */
  static COSArray box(Box b, PublishedPage page) {
    double h = page.height();
    return box(b.x(), h - b.bottom(), b.right(), h - b.y());
  }

  static COSArray box(double left, double bottom, double right, double top) {
    COSArray a = new COSArray();
    for (double v : new double[] {left, bottom, right, top}) {
      a.add(real(v));
    }
    return a;
  }

  static COSBase real(double v) {
    long hundredths = Math.round(v * 100);
    return hundredths % 100 == 0
        ? COSInteger.get(hundredths / 100)
        : new COSFloat((float) (hundredths / 100.0));
  }
}
