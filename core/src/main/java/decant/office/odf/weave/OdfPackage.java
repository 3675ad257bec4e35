package decant.office.odf.weave;

import decant.office.xml.Element;
import decant.office.xml.RawXml;
import decant.reading.ReadProblem;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** The parts of a package, and what their roots hold. */
final class OdfPackage {
  private static final int DEEPEST = 1000;

  private final Map<String, byte[]> parts;
  private final Map<String, Element> roots = new HashMap<>();

  OdfPackage(Map<String, byte[]> parts) {
    this.parts = new LinkedHashMap<>(parts);
  }

  Map<String, byte[]> parts() {
    return parts;
  }

  /**
   * @throws ReadProblem if there is no such part, or it is no XML
   */
  Element root(String name) throws ReadProblem {
    Element known = roots.get(name);
    if (known == null) {
      known = RawXml.parse(parts.getOrDefault(name, new byte[0]), name, DEEPEST);
      roots.put(name, known);
    }
    return known;
  }

  /** A child of a part's root; empty if there is none. */
  Optional<Element> in(String name, String child) throws ReadProblem {
    return root(name).child(child);
  }

  /** The automatic styles of a part by their names; of two with one name the first. */
  Map<String, Element> automatic(String name) throws ReadProblem {
    var out = new LinkedHashMap<String, Element>();
    in(name, "office:automatic-styles")
        .ifPresent(a -> a.elements().forEach(e -> out.putIfAbsent(Odf.name(e), e)));
    return out;
  }
}
