package decant.office.odf.weave;

import decant.office.xml.Element;
import decant.reading.ReadProblem;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Rows of ours may go on on the next page unless they say otherwise; where those of the source may
 * not (ODF 1.3 part 3, §16.4, §20.227), ours say so.
 */
final class RowBreaks {
  private static final String STYLE = "table:style-name";
  private static final String PROPERTIES = "style:table-row-properties";
  private static final String TOGETHER = "fo:keep-together";

  private final boolean kept;

  private RowBreaks(boolean kept) {
    this.kept = kept;
  }

  static RowBreaks of(OdfPackage source) throws ReadProblem {
    return new RowBreaks(
        source.in("styles.xml", "office:styles").stream()
            .flatMap(s -> s.elements("style:default-style"))
            .filter(s -> "table-row".equals(s.attributes().get("style:family")))
            .flatMap(s -> s.elements(PROPERTIES))
            .anyMatch(p -> "always".equals(p.attributes().get(TOGETHER))));
  }

  /**
   * Gives a row that was brought along a style which says that it may be divided.
   *
   * @param row its attributes, changed where need be
   * @param styles those that came along, added to
   * @param free the name of a style for rows that have none
   */
  void say(Map<String, String> row, Map<String, Element> styles, String free) {
    String named = row.getOrDefault(STYLE, "");
    Element style = styles.get(named);
    if (!kept || style == null && !named.isEmpty()) {
      return;
    }
    var properties = new LinkedHashMap<String, String>();
    if (style != null) {
      style.child(PROPERTIES).ifPresent(p -> properties.putAll(p.attributes()));
    }
    if (properties.putIfAbsent(TOGETHER, "auto") != null) {
      return;
    }
    String name = named.isEmpty() ? free : named;
    List<Object> children = new ArrayList<>();
    children.add(new Element(PROPERTIES, properties, new ArrayList<>()));
    styles.put(
        name,
        new Element(
            "style:style",
            new LinkedHashMap<>(Map.of("style:name", name, "style:family", "table-row")),
            children));
    row.put(STYLE, name);
  }
}
