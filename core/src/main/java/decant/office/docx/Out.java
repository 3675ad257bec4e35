package decant.office.docx;

import decant.office.xml.XmlParts;
import java.util.Locale;

/** Text of an XML part while it is written. */
final class Out {
  private final StringBuilder b = new StringBuilder(4096);

  Out raw(String xml) {
    b.append(xml);
    return this;
  }

  Out text(String s) {
    b.append(XmlParts.escape(s));
    return this;
  }

  /** An empty element with attributes given as name, value, name, value. */
  Out empty(String name, String... attributes) {
    b.append('<').append(name);
    for (int k = 0; k < attributes.length; k += 2) {
      b.append(' ')
          .append(attributes[k])
          .append("=\"")
          .append(XmlParts.escape(attributes[k + 1]))
          .append('"');
    }
    b.append("/>");
    return this;
  }

  static String twips(double points) {
    return Long.toString(Math.round(points * 20));
  }

  static String decimal(double v) {
    return String.format(Locale.ROOT, "%.2f", v);
  }

  int length() {
    return b.length();
  }

  @Override
  public String toString() {
    return b.toString();
  }
}
