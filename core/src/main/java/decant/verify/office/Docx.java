package decant.verify.office;

import org.jspecify.annotations.Nullable;
import org.w3c.dom.Element;

/** Small things about the elements of a DOCX. */
final class Docx {
  private Docx() {}

  static @Nullable Element child(@Nullable Element e, String name) {
    if (e != null) {
      for (Element c : Package.children(e)) {
        if (c.getLocalName().equals(name)) {
          return c;
        }
      }
    }
    return null;
  }

  /** An attribute by its local name, whatever its namespace; empty if it is not there. */
  static String value(@Nullable Element e, String name) {
    if (e != null) {
      var all = e.getAttributes();
      for (int k = 0; k < all.getLength(); k++) {
        if (name.equals(all.item(k).getLocalName())) {
          return all.item(k).getNodeValue();
        }
      }
    }
    return "";
  }

  /** Whether a switch is on (§17.17.4), given what it is where nothing is said. */
  static boolean on(String value, String unsaid) {
    String v = value.isEmpty() ? unsaid : value;
    return v.equals("1") || v.equals("true") || v.equals("on");
  }

  /** The paper of a section (§17.6.13), whose measures may have a unit (§22.9.2.14). */
  static Sheet sheet(@Nullable Element size) {
    return Sheet.of(value(size, "w"), value(size, "h"));
  }

  static double number(String s) {
    try {
      return Double.parseDouble(s);
    } catch (NumberFormatException e) {
      return 0;
    }
  }

  /** The text of a comment, its paragraphs one after another. */
  static String words(Element e) {
    var b = new StringBuilder();
    for (Element c : Package.children(e)) {
      switch (c.getLocalName()) {
        case "t" -> b.append(c.getTextContent());
        case "tab", "br" -> b.append(' ');
        case "p" -> b.append(words(c)).append(' ');
        default -> b.append(words(c));
      }
    }
    return b.toString();
  }

  /** The text of an element that is not known. */
  static String plain(Element e) {
    return switch (e.getLocalName()) {
      case "t" -> e.getTextContent();
      case "tab" -> "\t";
      // Reading aids (§17.3.3.24), and what was deleted or moved away.
      case "rt", "del", "moveFrom", "rPr", "pPr", "instrText" -> "";
      default -> {
        var b = new StringBuilder();
        Package.children(e).forEach(c -> b.append(plain(c)));
        yield b.toString();
      }
    };
  }

  /** The text that was taken away (§17.4.20, §17.3.3.7). */
  static String deleted(Element e) {
    return switch (e.getLocalName()) {
      case "t", "delText" -> e.getTextContent();
      default -> {
        var b = new StringBuilder();
        Package.children(e).forEach(c -> b.append(deleted(c)));
        yield b.toString();
      }
    };
  }
}
