package decant.office.odf.weave;

import decant.office.xml.Element;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Marks that begin and end something come in pairs: one whose other end is gone goes too, but for
 * those by which a place is found, which mark that place then.
 */
final class Marks {
  /** Each beginning, its end, and the attribute that tells which belong together. */
  private static final Map<String, String> ENDS =
      Map.of(
          "text:bookmark-start", "text:bookmark-end",
          "text:reference-mark-start", "text:reference-mark-end",
          "text:change-start", "text:change-end",
          "text:toc-mark-start", "text:toc-mark-end",
          "text:user-index-mark-start", "text:user-index-mark-end",
          "text:alphabetical-index-mark-start", "text:alphabetical-index-mark-end");

  private static final Map<String, String> STARTS = turned();

  /** Beginnings that can stand for a place alone (§6.2.1.1, §7.7.1). */
  private static final Map<String, String> PLACES =
      Map.of(
          "text:bookmark-start", "text:bookmark",
          "text:reference-mark-start", "text:reference-mark");

  private final Map<String, Integer> begun = new HashMap<>();
  private final Map<String, Integer> ended = new HashMap<>();
  private final Set<String> changes = new HashSet<>();
  private final Set<String> annotations = new HashSet<>();
  private final Set<String> places = new HashSet<>();

  private Marks() {}

  private static Map<String, String> turned() {
    var out = new HashMap<String, String>();
    ENDS.forEach((a, b) -> out.put(b, a));
    return out;
  }

  static Element paired(Element text) {
    Element once = once(text);
    var m = new Marks();
    m.count(once);
    return m.mended(once);
  }

  /**
   * A text in which each end of a change is marked once: a mark between paragraphs goes where ours
   * has it in one of them (ODF 1.3 part 3, §5.5.7).
   */
  private static Element once(Element text) {
    if (!Changes.areTold(text)) {
      return text;
    }
    Set<String> inParagraphs = new HashSet<>();
    changes(text, false, inParagraphs);
    return inParagraphs.isEmpty() ? text : without(text, inParagraphs);
  }

  private static boolean isOfChange(Element e) {
    return e.name().startsWith("text:change") && e.attributes().containsKey("text:change-id");
  }

  private static boolean isParagraph(Element e) {
    return e.name().equals("text:p") || e.name().equals("text:h");
  }

  private static void changes(Element e, boolean inParagraph, Set<String> found) {
    if (inParagraph && isOfChange(e)) {
      found.add(key(e.name(), e));
    }
    e.elements().forEach(c -> changes(c, inParagraph || isParagraph(e), found));
  }

  /** Without marks between paragraphs that stand in paragraphs too. */
  private static Element without(Element e, Set<String> inParagraphs) {
    if (isParagraph(e)) {
      return e;
    }
    List<Object> children = new ArrayList<>(e.children().size());
    boolean other = false;
    for (Object c : e.children()) {
      if (c instanceof Element child) {
        if (isOfChange(child) && inParagraphs.contains(key(child.name(), child))) {
          other = true;
          continue;
        }
        Element now = without(child, inParagraphs);
        other |= now != child;
        children.add(now);
      } else {
        children.add(c);
      }
    }
    return other ? new Element(e.name(), e.attributes(), children) : e;
  }

  private static String key(String start, Element e) {
    return start
        + " "
        + e.attributes().getOrDefault("text:name", "")
        + e.attributes().getOrDefault("text:change-id", "")
        + e.attributes().getOrDefault("text:id", "");
  }

  private void count(Element e) {
    if (ENDS.containsKey(e.name())) {
      begun.merge(key(e.name(), e), 1, Integer::sum);
    } else if (STARTS.containsKey(e.name())) {
      ended.merge(key(STARTS.getOrDefault(e.name(), ""), e), 1, Integer::sum);
    }
    if (PLACES.containsValue(e.name())) {
      places.add(key(e.name(), e));
    }
    switch (e.name()) {
      case "text:change", "text:change-start" ->
          changes.add(e.attributes().getOrDefault("text:change-id", ""));
      case "office:annotation" -> annotations.add(e.attributes().getOrDefault("office:name", ""));
      default -> {}
    }
    e.elements().forEach(this::count);
  }

  private boolean isLone(Element e) {
    String start = ENDS.containsKey(e.name()) ? e.name() : STARTS.get(e.name());
    if (start != null) {
      String key = key(start, e);
      return begun.getOrDefault(key, 0) != 1 || ended.getOrDefault(key, 0) != 1;
    }
    return switch (e.name()) {
      case "office:annotation-end" ->
          !annotations.contains(e.attributes().getOrDefault("office:name", ""));
      case "text:changed-region" -> !changes.contains(Changes.name(e));
      default -> false;
    };
  }

  /** The place that is left of what begins there, unless something else marks it. */
  private Optional<Element> place(Element lone) {
    String name = PLACES.getOrDefault(lone.name(), "");
    boolean alone = begun.getOrDefault(key(lone.name(), lone), 0) == 1;
    return name.isEmpty() || !alone || places.contains(key(name, lone))
        ? Optional.empty()
        : Optional.of(
            new Element(
                name,
                Map.of("text:name", lone.attributes().getOrDefault("text:name", "")),
                List.of()));
  }

  private Element mended(Element e) {
    List<Object> children = new ArrayList<>(e.children().size());
    boolean other = false;
    for (Object c : e.children()) {
      if (!(c instanceof Element child)) {
        children.add(c);
        continue;
      }
      if (isLone(child)) {
        place(child).ifPresent(children::add);
        other = true;
        continue;
      }
      Element now = mended(child);
      other |= now != child;
      children.add(now);
    }
    return other ? new Element(e.name(), e.attributes(), children) : e;
  }
}
