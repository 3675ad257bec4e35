package decant.pdf.amend.line;

import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;

/** Whose content an operator stands in. */
public sealed interface ContentPlace {
  /** That of the page. */
  record OfPage() implements ContentPlace {}

  /**
   * That of a form that is painted.
   *
   * @param in whose content paints it, by
   * @param name among its resources
   */
  record OfForm(ContentPlace in, COSName name, COSStream form) implements ContentPlace {
    @Override
    public boolean equals(Object o) {
      return o instanceof OfForm f && f.form == form && f.name.equals(name) && f.in.equals(in);
    }

    @Override
    public int hashCode() {
      return System.identityHashCode(form);
    }
  }
}
