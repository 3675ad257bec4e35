package decant.office.odf.weave;

import decant.office.xml.Element;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Pattern;

/**
 * What markup of our own says, whatever its automatic styles, lists and pictures are called: two
 * elements that say the same have the same words here.
 */
final class Said {
  /** Names that only tell things apart. */
  private static final Set<String> ONLY_NAMES =
      Set.of("xml:id", "text:id", "office:name", "draw:name", "draw:z-index", "table:name");

  private static final Pattern LENGTH = Pattern.compile("-?\\d+\\.\\d+pt");

  private final Map<String, Element> automatic;
  private final Map<String, byte[]> parts;
  private final boolean exactly;
  private final Map<String, String> styles = new HashMap<>();

  Said(Map<String, Element> automatic, Map<String, byte[]> parts) {
    this(automatic, parts, false);
  }

  private Said(Map<String, Element> automatic, Map<String, byte[]> parts, boolean exactly) {
    this.automatic = automatic;
    this.parts = parts;
    this.exactly = exactly;
  }

  /** Tells apart which list another goes on from too, by what they are called. */
  static Said exactly(Map<String, Element> automatic, Map<String, byte[]> parts) {
    return new Said(automatic, parts, true);
  }

  String of(Element e) {
    var b = new StringBuilder();
    element(e, b);
    return b.toString();
  }

  private void element(Element e, StringBuilder b) {
    b.append('<').append(e.name()).append(attributes(e)).append('>');
    if (e.name().equals("text:note-citation") && !e.attributes().containsKey("text:label")) {
      return; // a number that counts itself
    }
    for (Object c : e.children()) {
      if (c instanceof Element child) {
        element(child, b);
      } else {
        b.append('"').append((String) c).append('"');
      }
    }
    b.append("</>");
  }

  /** What an element says by itself. */
  String attributes(Element e) {
    var said = new TreeMap<String, String>();
    e.attributes()
        .forEach((n, v) -> {
          boolean named = n.equals("text:name") && e.name().equals("text:section");
          if (!ONLY_NAMES.contains(n) && !named) {
            said.put(n, value(n, v));
          }
        });
    return said.toString();
  }

  private String value(String attribute, String value) {
    if (attribute.equals("text:continue-list")) {
      return exactly ? value : "goes on";
    }
    if (value.endsWith("pt") && LENGTH.matcher(value).matches()) {
      double points = Double.parseDouble(value.substring(0, value.length() - 2));
      return Long.toString(Math.round(points * 20)); // nearer than a twip is the same
    }
    if (attribute.equals("xlink:href") && parts.containsKey(value)) {
      return Integer.toHexString(Arrays.hashCode(parts.get(value))) + "-" + parts.get(value).length;
    }
    if (!Odf.namesStyle(attribute) || !automatic.containsKey(value)) {
      return value;
    }
    String known = styles.get(value);
    if (known == null) {
      styles.put(value, ""); // a style that names itself ends there
      var b = new StringBuilder();
      Element style = automatic.get(value);
      var attributes = new TreeMap<String, String>();
      style
          .attributes()
          .forEach((n, v) -> {
            if (!n.equals("style:name")) {
              attributes.put(n, value(n, v));
            }
          });
      b.append(style.name()).append(attributes);
      style.elements().forEach(c -> element(c, b));
      known = b.toString();
      styles.put(value, known);
    }
    return "{" + known + "}";
  }
}
