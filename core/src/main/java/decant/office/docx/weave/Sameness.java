package decant.office.docx.weave;

import decant.office.xml.Element;
import decant.reading.ReadProblem;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Whether two packages that we wrote say the same, whatever numbers and names stand in them. */
final class Sameness {
  private final Parts one;
  private final Parts other;
  private final Canon canonOne;
  private final Canon canonOther;

  private Sameness(Parts one, Parts other) throws ReadProblem {
    this.one = one;
    this.other = other;
    this.canonOne = new Canon(one, Map.of());
    this.canonOther = new Canon(other, new Stories(one, one, other).names());
  }

  /**
   * Compares the text, headers and footers, notes, comments and what is said of the document; of
   * styles and lists those of the first.
   */
  static boolean of(Parts one, Parts other) throws ReadProblem {
    return new Sameness(one, other).isSame();
  }

  private boolean isSame() throws ReadProblem {
    if (!same(one.main(), other.main()) || !CoreProperties.isSame(one, other)) {
      return false;
    }
    for (String name : one.names()) {
      if (name.matches("word/(header|footer)\\d+\\.xml")
          && (!other.has(name) || !same(name, name))) {
        return false;
      }
    }
    for (String kind : Stories.KINDS) {
      if (!stories(kind)) {
        return false;
      }
    }
    return styles() && lists();
  }

  private boolean same(String name, String otherName) throws ReadProblem {
    return canonOne
        .of(one.root(name), name)
        .equals(canonOther.of(other.root(otherName), otherName));
  }

  private boolean stories(String kind) throws ReadProblem {
    Optional<String> a = Stories.part(one, kind);
    Optional<String> b = Stories.part(other, kind);
    Map<String, Element> mine = Stories.in(one, kind);
    Map<String, Element> others = Stories.in(other, kind);
    if (mine.size() != others.size()) {
      return false;
    }
    List<Element> left = List.copyOf(mine.values());
    List<Element> right = List.copyOf(others.values());
    for (int k = 0; k < left.size(); k++) {
      String said = canonOne.of(left.get(k), a.orElseThrow());
      if (!said.equals(canonOther.of(right.get(k), b.orElseThrow()))) {
        return false;
      }
    }
    return true;
  }

  private boolean styles() throws ReadProblem {
    Map<String, String> others = styles(other);
    for (Map.Entry<String, String> e : styles(one).entrySet()) {
      if (!e.getValue().equals(others.get(e.getKey()))) {
        return false;
      }
    }
    return true;
  }

  private static Map<String, String> styles(Parts parts) throws ReadProblem {
    var out = new LinkedHashMap<String, String>();
    Optional<String> part = parts.relatedTo(parts.main(), "styles");
    if (part.isPresent()) {
      for (Element e : parts.root(part.get()).elements()) {
        out.put(Markup.local(e) + Markup.attribute(e, "styleId").orElse(""), e.toString());
      }
    }
    return out;
  }

  private boolean lists() throws ReadProblem {
    Lists mine = lists(one);
    Lists others = lists(other);
    return mine.instances().keySet().stream().allMatch(k -> mine.said(k).equals(others.said(k)));
  }

  private static Lists lists(Parts parts) throws ReadProblem {
    Optional<String> part = parts.relatedTo(parts.main(), "numbering");
    return part.isPresent() ? Lists.of(parts.root(part.get())) : Lists.NONE;
  }
}
