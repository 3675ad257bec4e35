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
  private final Map<String, Integer> known;
  private final Map<String, String> styles = new HashMap<>();

  /**
   * @param known what styles are like, by which those of both packages are told apart
   * @param exactly whether it counts which list another goes on from, by what they are called
   */
  Said(
      Map<String, Element> automatic,
      Map<String, byte[]> parts,
      Map<String, Integer> known,
      boolean exactly) {
    this.automatic = automatic;
    this.parts = parts;
    this.known = known;
    this.exactly = exactly;
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
    return switch (e.attributes().size()) {
      case 0 -> "";
      case 1 -> {
        Map.Entry<String, String> a = e.attributes().entrySet().iterator().next();
        yield counts(e, a.getKey()) ? a.getKey() + "=" + value(a.getKey(), a.getValue()) : "";
      }
      default -> {
        var said = new TreeMap<String, String>();
        e.attributes()
            .forEach((n, v) -> {
              if (counts(e, n)) {
                said.put(n, value(n, v));
              }
            });
        yield said.size() == 1
            ? said.firstKey() + "=" + said.firstEntry().getValue()
            : said.isEmpty() ? "" : said.toString();
      }
    };
  }

  private static boolean counts(Element e, String attribute) {
    boolean named = attribute.equals("text:name") && e.name().equals("text:section");
    return !ONLY_NAMES.contains(attribute) && !named;
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
    String said = styles.get(value);
    if (said == null) {
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
      said = "{" + known.computeIfAbsent(b.toString(), k -> known.size()) + "}";
      styles.put(value, said);
    }
    return said;
  }
}
