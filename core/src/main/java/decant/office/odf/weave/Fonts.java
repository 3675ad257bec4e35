package decant.office.odf.weave;

import decant.office.xml.Element;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Declarations of fonts (ODF 1.3 part 3, §3.14). */
final class Fonts {
  private Fonts() {}

  /** Those of the source, and those of ours that it does not have. */
  static Element with(Element own, Optional<Element> ours) {
    Set<String> known = new HashSet<>();
    own.elements().forEach(e -> known.add(Odf.name(e)));
    List<Object> children = new ArrayList<>(own.children());
    ours.ifPresent(
        o -> o.elements().stream().filter(e -> known.add(Odf.name(e))).forEach(children::add));
    return new Element(own.name(), own.attributes(), children);
  }
}
