package decant.office.odf.weave;

import decant.office.xml.Element;
import decant.reading.ReadProblem;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Pages (ODF 1.3 part 3, §16.9): what they are like, their headers and footers, and those that came
 * along.
 */
final class Pages {
  private static final String PART = "styles.xml";
  private static final String MASTERS = "office:master-styles";
  private static final String PAGE = "style:master-page";
  private static final String NEXT = "style:next-style-name";

  /** In the order that they stand in (§16.9). */
  private static final List<String> ORDER =
      List.of(
          "style:header",
          "style:header-left",
          "style:header-first",
          "style:footer",
          "style:footer-left",
          "style:footer-first");

  private final Imports inText;
  private final Imports imports;
  private final BeforeAndAfter said;
  private final Map<String, Element> before;
  private final Map<String, Element> after;

  /**
   * @param inText which knows what pages of ours are called in the source
   * @param imports brings headers and footers into the source
   */
  Pages(BeforeAndAfter said, Imports inText, Imports imports, OdfPackage before, OdfPackage after)
      throws ReadProblem {
    this.said = said;
    this.inText = inText;
    this.imports = imports;
    this.before = masters(before);
    this.after = masters(after);
  }

  private static Map<String, Element> masters(OdfPackage p) throws ReadProblem {
    var out = new LinkedHashMap<String, Element>();
    p.in(PART, MASTERS).ifPresent(m -> m.elements().forEach(e -> out.putIfAbsent(Odf.name(e), e)));
    return out;
  }

  /** The automatic styles that came along. */
  List<Element> styles() {
    return imports.styles();
  }

  boolean differ() {
    return !all(before, said.before()).equals(all(after, said.after()));
  }

  private static List<String> all(Map<String, Element> masters, Said said) {
    return masters.values().stream().map(said::of).toList();
  }

  /**
   * The pages of the source with what changed; those that are gone stay, and nothing begins them.
   */
  Element merged(Element own) throws Unweavable {
    Map<String, Element> changed = new LinkedHashMap<>();
    for (Map.Entry<String, Element> e : before.entrySet()) {
      Element is = after.getOrDefault(e.getKey(), e.getValue());
      if (!said.before().of(e.getValue()).equals(said.after().of(is))) {
        Element page = page(own, e.getKey());
        changed.put(Odf.name(page), page(own, page, e.getValue(), is));
      }
    }
    List<Object> children = new ArrayList<>();
    for (Element e : own.elements()) {
      Element now = e.name().equals(PAGE) ? changed.get(Odf.name(e)) : null;
      children.add(now == null ? e : now);
    }
    for (Map.Entry<String, Element> e : after.entrySet()) {
      if (!before.containsKey(e.getKey())) {
        children.add(with(imports.of(e.getValue()), e.getValue(), own));
      }
    }
    return new Element(own.name(), own.attributes(), children);
  }

  /** A page of ours that comes along, by the names that pages have in the source. */
  private Element with(Element came, Element ours, Element own) throws Unweavable {
    var attributes = new LinkedHashMap<>(came.attributes());
    attributes.put("style:name", inText.fresh(Odf.name(ours)));
    String next = ours.attributes().getOrDefault(NEXT, "");
    if (!next.isEmpty()) {
      attributes.put(NEXT, named(own, next));
    }
    return new Element(came.name(), attributes, came.children());
  }

  /** What a page of ours is called in the source. */
  private String named(Element own, String ours) throws Unweavable {
    return before.containsKey(ours) ? Odf.name(page(own, ours)) : inText.fresh(ours);
  }

  /** The page of the source that one of ours is. */
  private Element page(Element own, String ours) throws Unweavable {
    Optional<String> named = inText.page(ours).or(() -> follows(own, ours));
    String name = named.orElse(ours).isEmpty() ? "Standard" : named.orElse(ours);
    return page(own.elements(PAGE).toList(), name)
        .orElseThrow(() -> new Unweavable("a page of ours is none of the source's"));
  }

  /** The page that follows in the source, where ours follows one that is known. */
  private Optional<String> follows(Element own, String ours) {
    return before.values().stream()
        .filter(e -> ours.equals(e.attributes().get(NEXT)))
        .flatMap(e -> inText.page(Odf.name(e)).stream())
        .flatMap(name -> page(own.elements(PAGE).toList(), name).stream())
        .flatMap(e -> Optional.ofNullable(e.attributes().get(NEXT)).stream())
        .findFirst();
  }

  private static Optional<Element> page(List<Element> pages, String name) {
    return pages.stream().filter(e -> Odf.name(e).equals(name)).findFirst();
  }

  private Element page(Element masters, Element own, Element was, Element is) throws Unweavable {
    var attributes = new LinkedHashMap<>(own.attributes());
    if (!said.before().attributes(was).equals(said.after().attributes(is))) {
      attributes.put(Odf.PAGE_LAYOUT, imports.layout(own, was, is));
    }
    String next = is.attributes().getOrDefault(NEXT, "");
    if (!next.equals(was.attributes().getOrDefault(NEXT, ""))) {
      attributes.put(
          NEXT, next.isEmpty() ? Odf.name(own) : named(masters, next)); // itself: no other
    }
    var blocks = new Blocks(said, imports);
    List<Object> children = new ArrayList<>();
    for (String name : ORDER) {
      Optional<Element> s = own.child(name);
      Optional<Element> b = was.child(name);
      Optional<Element> a = is.child(name);
      if (a.isEmpty()) {
        s.filter(e -> b.isEmpty()).ifPresent(children::add);
      } else if (s.isEmpty() || b.isEmpty()) {
        children.add(s.isPresent() ? s.get() : imports.of(a.get()));
      } else if (said.before().of(b.get()).equals(said.after().of(a.get()))) {
        children.add(s.get());
      } else {
        children.add(
            new Element(
                name,
                s.get().attributes(),
                blocks.merged(s.get().elements(), b.get().elements(), a.get().elements())));
      }
    }
    own.elements().stream().filter(e -> !ORDER.contains(e.name())).forEach(children::add);
    return new Element(own.name(), attributes, children);
  }
}
