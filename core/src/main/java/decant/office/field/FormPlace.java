package decant.office.field;

import decant.model.Inline;
import decant.model.look.FormField;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import java.util.Optional;

/** A place to fill in, and what a file asks for there. */
public record FormPlace(AskedFor asked, FormField field) {
  /** Whether text on it is what was filled in; boxes and choices show themselves. */
  public boolean takesText() {
    return asked.kind() == AskedFor.Kind.TEXT;
  }

  /**
   * What it shows where no text does: its box, what is chosen, or what holds it open.
   *
   * @param filled whether text stands on it
   */
  public Optional<Inline> shown(boolean filled, Look look) {
    String text = takesText() ? filled ? "" : AskedFor.NOTHING : asked.shown();
    return text.isEmpty()
        ? Optional.empty()
        : Optional.of(new Inline.Text(text, look.with(TextTraits.FIELD, field)));
  }
}
