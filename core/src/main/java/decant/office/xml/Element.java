package decant.office.xml;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * An XML element. Names carry the standard's usual prefix whatever prefix the file used, such as
 * {@code w:p}; the transitional and the strict namespaces come out alike.
 *
 * @param attributes by prefixed name; of the element's own namespace too ({@code w:val})
 * @param children elements and strings
 */
public record Element(String name, Map<String, String> attributes, List<Object> children) {
  static Element open(String name) {
    return new Element(name, new LinkedHashMap<>(), new ArrayList<>());
  }

  /** The child elements. */
  public List<Element> elements() {
    var out = new ArrayList<Element>(children.size());
    for (Object c : children) {
      if (c instanceof Element e) {
        out.add(e);
      }
    }
    return out;
  }

  public Stream<Element> elements(String childName) {
    return elements().stream().filter(e -> e.name.equals(childName));
  }

  /** The first child of a name. */
  public Optional<Element> child(String childName) {
    for (Object c : children) {
      if (c instanceof Element e && e.name.equals(childName)) {
        return Optional.of(e);
      }
    }
    return Optional.empty();
  }

  /** The first descendant of a name, in document order. */
  public Optional<Element> descendant(String childName) {
    for (Object c : children) {
      if (c instanceof Element e) {
        if (e.name.equals(childName)) {
          return Optional.of(e);
        }
        Optional<Element> deeper = e.descendant(childName);
        if (deeper.isPresent()) {
          return deeper;
        }
      }
    }
    return Optional.empty();
  }

  /** An attribute; empty if it is not there. */
  public Optional<String> attribute(String attributeName) {
    return Optional.ofNullable(attributes.get(attributeName));
  }

  /** The attribute {@code w:val} of a child. */
  public Optional<String> val(String childName) {
    return child(childName).flatMap(c -> c.attribute("w:val"));
  }

  /** All text inside. */
  public String text() {
    var b = new StringBuilder();
    collect(b);
    return b.toString();
  }

  private void collect(StringBuilder b) {
    for (Object c : children) {
      if (c instanceof Element e) {
        e.collect(b);
      } else {
        b.append(c);
      }
    }
  }
}
