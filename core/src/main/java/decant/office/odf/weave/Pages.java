package decant.office.odf.weave;

import decant.office.xml.Element;
import decant.reading.ReadProblem;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Headers and footers of pages (ODF 1.3 part 3, §16.9), whose words may change; pages may not. */
final class Pages {
  private static final String PART = "styles.xml";
  private static final String MASTERS = "office:master-styles";

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

  /** The pages of the source with what changed. */
  Element merged(Element own) throws Unweavable {
    if (!before.keySet().equals(after.keySet())) {
      throw new Unweavable("other pages");
    }
    Map<String, Element> changed = new LinkedHashMap<>();
    for (Map.Entry<String, Element> e : before.entrySet()) {
      Element is = after.getOrDefault(e.getKey(), e.getValue());
      if (!said.before().of(e.getValue()).equals(said.after().of(is))) {
        Element page = page(own, e.getKey());
        changed.put(Odf.name(page), page(page, e.getValue(), is));
      }
    }
    List<Object> children = new ArrayList<>();
    for (Element e : own.elements()) {
      Element now = e.name().equals("style:master-page") ? changed.get(Odf.name(e)) : null;
      children.add(now == null ? e : now);
    }
    return new Element(own.name(), own.attributes(), children);
  }

  private Element page(Element own, String ours) throws Unweavable {
    String named = inText.page(ours).orElse(ours);
    String name = named.isEmpty() ? "Standard" : named;
    return own.elements("style:master-page")
        .filter(e -> Odf.name(e).equals(name))
        .findFirst()
        .orElseThrow(() -> new Unweavable("a page of ours is none of the source's"));
  }

  private Element page(Element own, Element was, Element is) throws Unweavable {
    if (!said.before().attributes(was).equals(said.after().attributes(is))) {
      throw new Unweavable("other pages");
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
    return new Element(own.name(), own.attributes(), children);
  }
}
