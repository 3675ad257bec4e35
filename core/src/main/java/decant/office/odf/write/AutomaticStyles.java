package decant.office.odf.write;

import java.util.LinkedHashMap;
import java.util.Map;

/** The automatic styles of one part (ODF 1.3 part 3, §3.15.3): equal ones are one. */
final class AutomaticStyles {
  private final Map<String, String> names = new LinkedHashMap<>();
  private final Map<String, Integer> counts = new LinkedHashMap<>();
  private final Map<String, String> lists = new LinkedHashMap<>();
  private final String prefix;

  /**
   * @param prefix of all names, which tells the styles of one part from those of another
   */
  AutomaticStyles(String prefix) {
    this.prefix = prefix;
  }

  /**
   * The name of a style.
   *
   * @param letter that its name begins with
   * @param attributes of the style but its name, such as {@code style:family="text"}
   * @param properties its elements
   */
  String name(String letter, String attributes, String properties) {
    return names.computeIfAbsent(
        attributes + ">" + properties,
        k -> prefix + letter + counts.merge(letter, 1, Integer::sum));
  }

  /** A list style, whole, under its own name. */
  void list(String name, String element) {
    lists.putIfAbsent(name, element);
  }

  boolean hasList(String name) {
    return lists.containsKey(name);
  }

  /** All of them. */
  String element(String more) {
    var x = new Xml().raw("<office:automatic-styles>");
    names.forEach((key, name) -> {
      int cut = key.indexOf('>');
      String properties = key.substring(cut + 1);
      x.raw("<style:style").attribute("style:name", name).raw(key.substring(0, cut));
      x.raw(properties.isEmpty() ? "/>" : ">" + properties + "</style:style>");
    });
    lists.values().forEach(x::raw);
    return x.raw(more).raw("</office:automatic-styles>").toString();
  }
}
