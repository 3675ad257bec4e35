package decant.office.odf.weave;

import decant.office.xml.Element;
import decant.reading.ReadProblem;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Numbers of headings (ODF 1.3 part 3, §16.38): the source has them by the levels of its headings,
 * we write them as a list.
 */
final class OutlineNumbers {
  private static final String HEADING = "text:h";
  private static final String LIST = "List_20_Outline";

  /** The levels that have numbers. */
  private final Set<String> levels;

  private OutlineNumbers(Set<String> levels) {
    this.levels = levels;
  }

  static OutlineNumbers of(OdfPackage source) throws ReadProblem {
    return new OutlineNumbers(
        source.in("styles.xml", "office:styles").stream()
            .flatMap(s -> s.elements("text:outline-style"))
            .flatMap(s -> s.elements("text:outline-level-style"))
            .filter(l -> !l.attributes().getOrDefault("style:num-format", "").isEmpty())
            .map(l -> l.attributes().getOrDefault("text:level", ""))
            .collect(Collectors.toSet()));
  }

  /** A block of ours as the source has such: headings with numbers by themselves, or without. */
  List<Element> inSource(Element e) {
    if (levels.isEmpty()) {
      return List.of(e);
    }
    if (e.name().equals(HEADING) && isCounted(e)) {
      var attributes = new LinkedHashMap<>(e.attributes());
      attributes.put("text:is-list-header", "true");
      return List.of(new Element(e.name(), attributes, e.children()));
    }
    if (!LIST.equals(e.attributes().get("text:style-name"))) {
      return List.of(e);
    }
    var headings = new ArrayList<Element>();
    return areHeadings(e, headings) ? headings : List.of(e);
  }

  private boolean isCounted(Element heading) {
    return levels.contains(heading.attributes().getOrDefault("text:outline-level", "1"));
  }

  /** Whether a list holds nothing but headings that have their numbers by their levels. */
  private boolean areHeadings(Element list, List<Element> into) {
    for (Element e : list.elements()) {
      boolean heading = e.name().equals(HEADING) && isCounted(e);
      if (heading) {
        into.add(e);
      } else if (!Odf.isContainer(e) || !areHeadings(e, into)) {
        return false;
      }
    }
    return true;
  }
}
