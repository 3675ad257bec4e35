package decant.office.odf.weave;

import decant.office.xml.Element;
import decant.reading.ReadProblem;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The part of common styles and pages, of which each style and each header may change. */
final class CommonStyles {
  static final String PART = "styles.xml";
  private static final String STYLES = "office:styles";

  private final BeforeAndAfter said;
  private final OdfPackage source;
  private final OdfPackage before;
  private final OdfPackage after;
  private final Pages pages;

  CommonStyles(
      BeforeAndAfter said, OdfPackage source, OdfPackage before, OdfPackage after, Pages pages) {
    this.said = said;
    this.source = source;
    this.before = before;
    this.after = after;
    this.pages = pages;
  }

  /** The part with what changed; empty if nothing did. */
  Optional<Element> merged() throws ReadProblem, Unweavable {
    Map<String, Element> old = keyed(before);
    Map<String, Element> now = keyed(after);
    Map<String, Element> different = new LinkedHashMap<>(now);
    different
        .entrySet()
        .removeIf(e ->
            old.containsKey(e.getKey())
                && said.before().of(old.get(e.getKey())).equals(said.after().of(e.getValue())));
    var gone = new ArrayList<>(old.keySet());
    gone.removeAll(now.keySet());
    if (different.isEmpty() && gone.isEmpty() && !pages.differ()) {
      return Optional.empty();
    }
    Element root = source.root(PART);
    Element masters = root.child("office:master-styles").orElse(null);
    Element pagesNow = masters == null || !pages.differ() ? masters : pages.merged(masters);
    List<Object> children = new ArrayList<>();
    for (Element e : root.elements()) {
      children.add(
          switch (e.name()) {
            case STYLES -> with(e, different, gone);
            case "office:automatic-styles" -> Weave.added(e, pages.styles());
            case "office:master-styles" -> pagesNow == null ? e : pagesNow;
            case "office:font-face-decls" ->
                Fonts.with(e, after.in(PART, "office:font-face-decls"));
            default -> e;
          });
    }
    return Optional.of(new Element(root.name(), root.attributes(), children));
  }

  static Map<String, Element> keyed(OdfPackage p) throws ReadProblem {
    var out = new LinkedHashMap<String, Element>();
    p.in(PART, STYLES).ifPresent(s -> s.elements().forEach(e -> out.putIfAbsent(key(e), e)));
    return out;
  }

  private static String key(Element e) {
    return e.name() + " " + e.attributes().getOrDefault("style:family", "") + " " + Odf.name(e);
  }

  private static Element with(Element own, Map<String, Element> different, List<String> gone) {
    Map<String, Element> left = new LinkedHashMap<>(different);
    List<Object> children = new ArrayList<>();
    for (Element e : own.elements()) {
      Element now = left.remove(key(e));
      if (now != null) {
        children.add(now);
      } else if (!gone.contains(key(e))) {
        children.add(e);
      }
    }
    children.addAll(left.values());
    return new Element(own.name(), own.attributes(), children);
  }
}
