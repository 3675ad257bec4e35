package decant.office.docx.weave;

import decant.office.xml.Element;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Marks that begin and end something come in pairs (§17.13): one whose text is gone goes too, or is
 * ended where it begins.
 */
final class Marks {
  private static final Map<String, String> ENDS =
      Map.of(
          "bookmarkStart", "bookmarkEnd",
          "commentRangeStart", "commentRangeEnd",
          "permStart", "permEnd",
          "moveFromRangeStart", "moveFromRangeEnd",
          "moveToRangeStart", "moveToRangeEnd");

  private Marks() {}

  static Element paired(Element root) {
    Set<String> begun = new HashSet<>();
    Set<String> ended = new HashSet<>();
    count(root, begun, ended);
    return begun.equals(ended) ? root : mended(root, begun, ended);
  }

  private static String number(Element e) {
    return " " + Markup.attribute(e, "id").orElse("");
  }

  private static void count(Element e, Set<String> begun, Set<String> ended) {
    String name = Markup.local(e);
    if (ENDS.containsKey(name)) {
      begun.add(ENDS.get(name) + number(e));
    } else if (ENDS.containsValue(name)) {
      ended.add(name + number(e));
    }
    for (Element c : e.elements()) {
      count(c, begun, ended);
    }
  }

  private static Element mended(Element e, Set<String> begun, Set<String> ended) {
    List<Object> children = new ArrayList<>();
    for (Object c : e.children()) {
      if (!(c instanceof Element child)) {
        children.add(c);
        continue;
      }
      String name = Markup.local(child);
      if (ENDS.containsValue(name) && !begun.contains(name + number(child))) {
        continue;
      }
      children.add(mended(child, begun, ended));
      String end = ENDS.get(name);
      if (end != null && !ended.contains(end + number(child))) {
        var id = new LinkedHashMap<String, String>();
        child
            .attributes()
            .forEach((n, v) -> {
              if (Markup.local(n).equals("id")) {
                id.put(n, v);
              }
            });
        children.add(new Element(child.name().replace("Start", "End"), id, List.of()));
      }
    }
    return new Element(e.name(), e.attributes(), children);
  }
}
