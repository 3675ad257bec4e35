package decant.preview;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.look.Placement;
import decant.model.walk.Part;
import decant.model.walk.Walk;

/** What stands at a place of the page rather than in the text. */
final class PlacedThings implements Walk.Visitor {
  private int beside;
  private int behind;

  private PlacedThings() {}

  static PlacedThings in(Document d) {
    var things = new PlacedThings();
    Walk.through(d, Part.ONCE, things);
    return things;
  }

  /** Pictures, and shapes before the text, or with text of their own. */
  int beside() {
    return beside;
  }

  /** Shapes that are painted before the text and have none. */
  int behind() {
    return behind;
  }

  /** Whether a part of the document has more than one column. */
  static boolean hasColumns(Document d) {
    return d.sections().stream().anyMatch(s -> s.page().columns().count() > 1);
  }

  @Override
  public void paragraph(Paragraph p) {
    for (Inline i : p.inlines()) {
      if (i instanceof Inline.Shape s && s.isBackdrop()) {
        behind++;
      } else if (i.placement() instanceof Placement.Floating) {
        beside++;
      }
    }
  }
}
