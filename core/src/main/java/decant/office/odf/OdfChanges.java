package decant.office.odf;

import decant.model.look.Kept;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.office.pending.Pending;
import decant.office.xml.Element;
import decant.office.xml.XmlParts;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Changes that wait to be accepted (ODF 1.3 part 3, §5.5). They are told before the text, which
 * says by marks where each of them is.
 */
final class OdfChanges {
  private final Map<String, Kept> regions = new HashMap<>();

  /** Those whose text is being read, by their names. */
  private Map<String, Kept> open = new LinkedHashMap<>();

  /** Notes the regions of text:tracked-changes. */
  void note(Element tracked) {
    tracked
        .elements("text:changed-region")
        .filter(r -> !r.elements().isEmpty())
        .forEach(r ->
            r.attribute("xml:id")
                .or(() -> r.attribute("text:id"))
                .ifPresent(
                    id -> regions.put(id, new Kept(OdtReader.FORMAT, XmlParts.write(bare(r))))));
  }

  /** A region without the white space between its elements. */
  private static Element bare(Element region) {
    List<Object> children = new ArrayList<>(region.elements());
    return new Element(region.name(), region.attributes(), children);
  }

  /** The change that a mark is about; empty if none is told of. */
  Optional<Kept> of(Element mark) {
    return mark.attribute("text:change-id").map(regions::get);
  }

  /**
   * What comes next was changed, or is so no more.
   *
   * @return the change that begins
   */
  Optional<Kept> mark(Element mark) {
    String id = mark.attribute("text:change-id").orElse("");
    if (mark.name().equals("text:change-end")) {
      open.remove(id);
      return Optional.empty();
    }
    Optional<Kept> begins = of(mark).filter(k -> !Pending.isTakenAway(k));
    begins.ifPresent(k -> open.put(id, k));
    return begins;
  }

  /** A look of what is read now, with the changes that it is part of. */
  Look of(Look look) {
    if (open.isEmpty()) {
      return look;
    }
    var all = new ArrayList<>(look.value(TextTraits.KEPT));
    all.addAll(open.values());
    return look.with(TextTraits.KEPT, List.copyOf(all));
  }

  /** A text of its own begins within this one; what is open, to be given back at its end. */
  Map<String, Kept> aside() {
    Map<String, Kept> outer = open;
    open = new LinkedHashMap<>();
    return outer;
  }

  void back(Map<String, Kept> outer) {
    open = outer;
  }
}
