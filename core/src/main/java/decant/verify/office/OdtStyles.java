package decant.verify.office;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.w3c.dom.Element;

/** What the styles of an ODT give (ODF 1.3 part 3, §16), worked out for single stretches. */
final class OdtStyles {
  private final Map<String, Element> styles = new HashMap<>();
  private final Map<String, String> fonts = new HashMap<>();
  private Map<String, String> defaults = Map.of();

  /** Takes in the styles of a part: its automatic ones stand beside the common ones. */
  void add(Element root) {
    for (Element group : Package.children(root)) {
      for (Element e : Package.children(group)) {
        String name = Docx.value(e, "name");
        switch (e.getLocalName()) {
          case "style" -> styles.put(Docx.value(e, "family") + " " + name, e);
          case "list-style" -> styles.put("list " + name, e);
          case "default-style" -> {
            if (Docx.value(e, "family").equals("paragraph")) {
              defaults = properties(e);
            }
          }
          case "font-face" -> fonts.put(name, Docx.value(e, "font-family").replaceAll("^'|'$", ""));
          default -> {}
        }
      }
    }
  }

  @Nullable Element find(String family, String name) {
    return styles.get(family + " " + name);
  }

  /** Properties of text, of a style or a label, by what they say. */
  private Map<String, String> properties(Element style) {
    var out = new HashMap<String, String>();
    Element p = Docx.child(style, "text-properties");
    if (p == null) {
      return out;
    }
    put(out, "font", Docx.value(p, "font-name"));
    put(out, "size", Docx.value(p, "font-size"));
    put(out, "bold", Docx.value(p, "font-weight"));
    put(out, "italic", Docx.value(p, "font-style"));
    put(out, "underline", Docx.value(p, "text-underline-style"));
    put(out, "strike", struck(p));
    put(out, "colour", Docx.value(p, "color"));
    put(out, "position", Docx.value(p, "text-position"));
    return out;
  }

  /** One line through the text; two are told of by no other format alike. */
  private static String struck(Element p) {
    return Docx.value(p, "text-line-through-type").equals("double")
        ? "none"
        : Docx.value(p, "text-line-through-style");
  }

  private static void put(Map<String, String> into, String name, String value) {
    if (!value.isEmpty()) {
      into.put(name, value);
    }
  }

  private Map<String, String> chain(String family, String name) {
    var out = new HashMap<String, String>();
    var seen = new HashSet<String>();
    Element e = find(family, name);
    while (e != null && seen.add(Docx.value(e, "name"))) {
      below(out, properties(e));
      e = find(family, Docx.value(e, "parent-style-name"));
    }
    return out;
  }

  /** Adds what is said further up; a size in per cent is of the size there (§20.196). */
  private static void below(Map<String, String> said, Map<String, String> further) {
    String size = said.getOrDefault("size", "");
    String whole = further.getOrDefault("size", "");
    further.forEach(said::putIfAbsent);
    if (size.endsWith("%") && !whole.isEmpty()) {
      double part = Docx.number(size.replace("%", "")) / 100;
      said.put(
          "size",
          whole.endsWith("%")
              ? part * Docx.number(whole.replace("%", "")) + "%"
              : part * points(whole) + "pt");
    }
  }

  /** Properties of the text of a paragraph. */
  Map<String, String> ofParagraph(String style) {
    var out = chain("paragraph", style);
    below(out, defaults);
    return out;
  }

  /** Properties of a span within text of others. */
  Map<String, String> ofSpan(Map<String, String> around, String style) {
    var out = chain("text", style);
    below(out, around);
    return out;
  }

  /** A look as every format can say it. */
  TextLook look(Map<String, String> p) {
    String position = p.getOrDefault("position", "");
    String colour = p.getOrDefault("colour", "#000000");
    String font = p.getOrDefault("font", "");
    return new TextLook(
        fonts.getOrDefault(font, font),
        Math.round(2 * points(p.getOrDefault("size", "12pt"))),
        p.getOrDefault("bold", "normal").equals("bold"),
        p.getOrDefault("italic", "normal").equals("italic"),
        !p.getOrDefault("underline", "none").equals("none"),
        !p.getOrDefault("strike", "none").equals("none"),
        Integer.parseInt(colour.substring(1), 16),
        position.startsWith("super") ? 1 : position.startsWith("sub") ? -1 : 0);
  }

  /** A length with its unit (part 3, §18.3.18), in points. */
  static double points(String length) {
    String unit = length.replaceFirst("^.*?([a-z]*)$", "$1");
    double number = Docx.number(length.substring(0, length.length() - unit.length()));
    return switch (unit) {
      case "in" -> number * 72;
      case "cm" -> number * 72 / 2.54;
      case "mm" -> number * 72 / 25.4;
      case "pc" -> number * 12;
      case "px" -> number * 0.75;
      default -> number;
    };
  }
}
