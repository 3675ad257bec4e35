package decant.office.odf.write;

import decant.office.xml.XmlParts;
import java.nio.charset.StandardCharsets;

/** XML as it is written. */
final class Xml {
  static final String HEAD = "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n";

  /** Stands for a value that is empty and is said all the same. */
  static final String EMPTY = "\0";

  private final StringBuilder b = new StringBuilder(128);

  Xml raw(String xml) {
    b.append(xml);
    return this;
  }

  Xml text(String s) {
    b.append(XmlParts.escape(s));
    return this;
  }

  /**
   * Begins an element with attributes given as name, value, name, value; empty ones are left out.
   */
  Xml open(String name, String... attributes) {
    return start(name, attributes).raw(">");
  }

  /** An element without content. */
  Xml empty(String name, String... attributes) {
    return start(name, attributes).raw("/>");
  }

  Xml close(String name) {
    b.append("</").append(name).append('>');
    return this;
  }

  private Xml start(String name, String... attributes) {
    b.append('<').append(name);
    for (int k = 0; k < attributes.length; k += 2) {
      if (!attributes[k + 1].isEmpty()) {
        attribute(attributes[k], attributes[k + 1].equals(EMPTY) ? "" : attributes[k + 1]);
      }
    }
    return this;
  }

  /** An attribute of an element that is being begun. */
  Xml attribute(String name, String value) {
    b.append(' ').append(name).append("=\"").append(XmlParts.escape(value)).append('"');
    return this;
  }

  boolean isEmpty() {
    return b.isEmpty();
  }

  /** All of it, which is emptied. */
  String taken() {
    String all = b.toString();
    b.setLength(0);
    return all;
  }

  byte[] bytes() {
    return b.toString().getBytes(StandardCharsets.UTF_8);
  }

  @Override
  public String toString() {
    return b.toString();
  }
}
