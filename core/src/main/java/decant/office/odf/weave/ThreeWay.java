package decant.office.odf.weave;

import decant.office.xml.Element;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * An element that has one child at most of each name, such as what a page is like: what we write of
 * it otherwise than before goes into the source's own, of which everything else stands.
 */
final class ThreeWay {
  /** The room of headers and footers, of which height and margins say the same together. */
  private static final Set<String> ROOM = Set.of("style:header-style", "style:footer-style");

  /** In the order that they stand in (§16.5, §17.2). */
  private static final List<String> ORDER =
      List.of(
          "style:page-layout-properties",
          "style:header-style",
          "style:footer-style",
          "style:background-image",
          "style:columns",
          "style:footnote-sep");

  private ThreeWay() {}

  /**
   * @param own that of the source
   * @param was what we write of the source
   * @param is what we write now
   */
  static Element merged(Element own, Element was, Element is) {
    Map<String, String> attributes = new LinkedHashMap<>(own.attributes());
    was.attributes()
        .forEach((name, value) -> {
          if (!is.attributes().containsKey(name)) {
            attributes.remove(name);
          }
        });
    is.attributes()
        .forEach((name, value) -> {
          if (!value.equals(was.attributes().get(name))) {
            attributes.put(name, value);
          }
        });
    return new Element(own.name(), attributes, children(own, was, is));
  }

  private static List<Object> children(Element own, Element was, Element is) {
    List<Object> out = new ArrayList<>();
    for (Object c : own.children()) {
      if (c instanceof Element e) {
        child(e, was.child(e.name()), is.child(e.name())).ifPresent(out::add);
      } else {
        out.add(c);
      }
    }
    is.elements().stream()
        .filter(e -> own.child(e.name()).isEmpty())
        .forEach(e -> out.add(place(out, e), e));
    return out;
  }

  /** Where an element comes among others: before the first that stands after it in all files. */
  private static int place(List<Object> among, Element e) {
    int own = ORDER.indexOf(e.name());
    for (int k = 0; own >= 0 && k < among.size(); k++) {
      if (among.get(k) instanceof Element other && ORDER.indexOf(other.name()) > own) {
        return k;
      }
    }
    return among.size();
  }

  private static Optional<Element> child(Element own, Optional<Element> was, Optional<Element> is) {
    if (is.isEmpty()) {
      return was.isEmpty() ? Optional.of(own) : Optional.empty();
    }
    if (ROOM.contains(own.name())) {
      return was.equals(is) ? Optional.of(own) : is;
    }
    return was.isPresent() ? Optional.of(merged(own, was.get(), is.get())) : is;
  }
}
