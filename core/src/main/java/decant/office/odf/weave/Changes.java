package decant.office.odf.weave;

import decant.office.xml.Element;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Changes that wait to be accepted, as a text tells of them before it begins (ODF 1.3 part 3,
 * §5.5.1): those of the source stand, those of ours that it does not tell of come along.
 */
final class Changes {
  private static final String TOLD = "text:tracked-changes";

  private Changes() {}

  /** Blocks without what is told of changes, and of controls, before them. */
  static List<Element> without(List<Element> blocks) {
    return blocks.stream()
        .filter(e -> !e.name().equals(TOLD) && !e.name().equals("office:forms"))
        .toList();
  }

  /**
   * A text with the changes that ours tells of.
   *
   * @param merged which tells of those of the source
   */
  static Element with(Element merged, Element ours) {
    Element told = merged.child(TOLD).orElse(null);
    Element more = ours.child(TOLD).orElse(null);
    if (more == null) {
      return merged;
    }
    Set<String> known = new HashSet<>();
    List<Object> regions = new ArrayList<>();
    if (told != null) {
      regions.addAll(told.children());
      told.elements().forEach(r -> known.add(name(r)));
    }
    more.elements().stream().filter(r -> !known.contains(name(r))).forEach(regions::add);
    Element all = new Element(TOLD, told == null ? more.attributes() : told.attributes(), regions);
    List<Object> children = new ArrayList<>();
    int at = 0;
    for (Object c : merged.children()) {
      boolean before = c instanceof Element e && e.name().equals("office:forms");
      if (c != told) {
        children.add(c);
      }
      at = before ? children.size() : at;
    }
    children.add(at, all);
    return new Element(merged.name(), merged.attributes(), children);
  }

  /** Whether a text tells of any. */
  static boolean areTold(Element text) {
    return text.child(TOLD).isPresent();
  }

  /** The name that marks call a change by. */
  static String name(Element region) {
    return region
        .attributes()
        .getOrDefault("xml:id", region.attributes().getOrDefault("text:id", ""));
  }
}
