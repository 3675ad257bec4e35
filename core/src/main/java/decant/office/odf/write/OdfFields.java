package decant.office.odf.write;

import decant.model.Paragraph;
import decant.model.look.FormField;
import decant.model.look.TextTraits;
import decant.office.emit.Event;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Places to fill in (ODF 1.3 part 3, §7.4.14, §7.6.7), and controls for what is on or off (§13.5).
 */
final class OdfFields {
  /** Of the size of the letters beside it. */
  private static final double SIDE = 0.8;

  private final OdfRuns runs;
  private final Controls controls;
  private Optional<FormField> field = Optional.empty();
  private final StringBuilder on = new StringBuilder();
  private Event.@Nullable TextLooks looks;

  OdfFields(OdfRuns runs, Controls controls) {
    this.runs = runs;
    this.controls = controls;
  }

  /** A field begins; one that is on or off is text where there are no controls. */
  void begin(FormField f) {
    field = Optional.of(f).filter(g -> !g.isSwitch() || controls.held());
    on.setLength(0);
  }

  /** Text of the field that is open. @return whether one is */
  boolean takes(String text, Event.TextLooks how) {
    if (field.isPresent()) {
      on.append(text);
      looks = how;
    }
    return field.isPresent();
  }

  void end(Xml x, Paragraph paragraph) {
    if (field.isEmpty()) {
      return;
    }
    FormField f = field.get();
    field = Optional.empty();
    String text = on.toString();
    Event.TextLooks how = looks;
    if (f.isSwitch()) {
      double size = how == null ? TextTraits.SIZE.initial() : how.inForce().value(TextTraits.SIZE);
      controls.write(x, f, f.holds(text), size * SIDE);
      runs.thing();
      return;
    }
    String style = how == null ? "" : runs.style(how, paragraph);
    if (!style.isEmpty()) {
      x.open("text:span", "text:style-name", style);
    }
    if (text.indexOf('\n') >= 0 || text.indexOf('\t') >= 0) {
      runs.characters(x, text); // a field holds one line
    } else if (f.kind() == FormField.Kind.CHOICE) {
      x.open("text:drop-down", "text:name", f.name());
      for (String o : f.options()) {
        x.empty(
            "text:label",
            "text:value",
            o,
            "text:current-selected",
            Boolean.toString(o.equals(text.strip())));
      }
      x.text(text).close("text:drop-down");
    } else if (f.holds(text) || f.waiting().isEmpty()) {
      x.open("text:text-input", "text:description", f.name()).text(text).close("text:text-input");
    } else {
      x.open("text:placeholder", "text:placeholder-type", "text", "text:description", f.name())
          .text(text)
          .close("text:placeholder");
    }
    if (!style.isEmpty()) {
      x.close("text:span");
    }
    runs.thing();
  }
}
