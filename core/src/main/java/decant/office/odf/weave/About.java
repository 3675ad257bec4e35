package decant.office.odf.weave;

import decant.office.xml.Element;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** What a document says of itself (ODF 1.3 part 3, §4.3). */
final class About {
  private static final Set<String> OURS =
      Set.of(
          "dc:title",
          "dc:subject",
          "meta:initial-creator",
          "dc:creator",
          "meta:keyword",
          "dc:language");

  private About() {}

  /** The source's part, with what we say otherwise now. */
  static Element merged(Element source, Element before, Element after) {
    List<Object> children = new ArrayList<>();
    for (Element e : source.elements()) {
      children.add(e.name().equals("office:meta") ? meta(e, inside(before), inside(after)) : e);
    }
    return new Element(source.name(), source.attributes(), children);
  }

  private static List<Element> inside(Element root) {
    return root.child("office:meta").map(Element::elements).orElse(List.of());
  }

  private static List<String> said(List<Element> all, String name) {
    return all.stream().filter(e -> e.name().equals(name)).map(Element::text).toList();
  }

  private static Element meta(Element own, List<Element> before, List<Element> after) {
    List<Object> children = new ArrayList<>();
    for (Element e : own.elements()) {
      boolean stands =
          !OURS.contains(e.name()) || said(before, e.name()).equals(said(after, e.name()));
      if (stands) {
        children.add(e);
      }
    }
    for (Element e : after) {
      if (OURS.contains(e.name()) && !said(before, e.name()).equals(said(after, e.name()))) {
        children.add(e);
      }
    }
    return new Element(own.name(), own.attributes(), children);
  }
}
