package decant.office.docx;

import decant.model.look.Kept;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.office.docx.markup.DocxLooks;
import decant.office.xml.Element;
import decant.office.xml.XmlParts;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Text that somebody put in while changes were tracked (§17.13.5): it shows, and what is said of
 * the change is kept with its runs, so that it stays pending.
 */
final class Insertions {
  private Optional<Kept> open = Optional.empty();

  /** Begins one; what it stands in, to be given back at its end. */
  Optional<Kept> begin(Element e) {
    Optional<Kept> outer = open;
    var bare = new Element(e.name(), e.attributes(), List.of());
    open = Optional.of(new Kept(DocxLooks.FORMAT, XmlParts.write(bare)));
    return outer;
  }

  void end(Optional<Kept> outer) {
    open = outer;
  }

  /** The look of a run, with the change that it is. */
  Look of(Look look) {
    if (open.isEmpty()) {
      return look;
    }
    var kept = new ArrayList<>(look.value(TextTraits.KEPT));
    kept.add(open.get());
    return look.with(TextTraits.KEPT, List.copyOf(kept));
  }
}
