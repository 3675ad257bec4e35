package decant.office.rtf.read;

import decant.model.Inline;
import decant.model.look.FormField;
import decant.model.look.Look;
import decant.office.field.AskedFor;
import decant.office.field.FieldInstruction;
import decant.words.Words;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Fields (Rich Text Format 1.9.1, “Fields”): what is worked out anew, what draws itself, and what
 * can be filled in.
 */
final class RtfFields {
  private static final Words WORDS = Words.of(RtfFields.class);

  private @Nullable RtfBlank blank;

  /** The field whose result comes. */
  private Inline.@Nullable Field field;

  private int blanks;
  private boolean equations;

  /** A place to fill in is told of. */
  void blankBegins() {
    blank = new RtfBlank();
  }

  /** The place to fill in that is being told of. */
  Optional<RtfBlank> blank() {
    return Optional.ofNullable(blank);
  }

  /** The same, whose instruction comes now. */
  Optional<RtfBlank> blankAsked() {
    Optional<RtfBlank> on = blank();
    blank = null;
    return on;
  }

  FormField place(AskedFor asked) {
    return asked.field("r" + ++blanks, WORDS.say("rtf-fields.unnamed"));
  }

  /** What stands for a field whose result is not needed. */
  Optional<Inline> instead(FieldInstruction told, Look look) {
    Optional<Inline.Field.Kind> kind = told.kind();
    if (kind.isPresent()) {
      field = new Inline.Field(kind.get(), told.target(), "", look);
      return Optional.of(field);
    }
    equations |= told.keyword().equals("EQ");
    return told.alone().map(s -> new Inline.Text(s, look));
  }

  /** What a field showed last stands where its value is not known. */
  void result(String s, Look look, List<Inline> open) {
    if (field instanceof Inline.Field f && !open.isEmpty() && open.getLast() == f) {
      Look shown = f.shown().isEmpty() ? look : f.look();
      field = new Inline.Field(f.kind(), f.target(), f.shown() + s, shown);
      open.set(open.size() - 1, field);
    }
  }

  /** Whether a field draws an equation. */
  boolean hasEquations() {
    return equations;
  }
}
