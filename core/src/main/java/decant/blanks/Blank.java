package decant.blanks;

import decant.model.NodeId;
import decant.model.look.FormField;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A blank of a form: a field wherever it stands, or switches that exclude each other.
 *
 * @param name as the form calls it
 * @param places where it is filled in, in the order of the text
 * @param value what is filled in; of a switch, the option that is on; empty for nothing
 */
public record Blank(String name, FormField.Kind kind, List<Place> places, String value) {
  private static final Words WORDS = Words.of(Blank.class);

  /**
   * A place of a blank.
   *
   * @param from its first place in the paragraph, and
   * @param to the one after its last
   * @param shown the text that stands there
   */
  public record Place(NodeId paragraph, int from, int to, FormField field, String shown) {}

  public Blank {
    places = List.copyOf(places);
  }

  /** What can be chosen; empty where anything can be written. */
  public List<String> options() {
    if (kind == FormField.Kind.ONE_OF || kind == FormField.Kind.TICK) {
      var out = new ArrayList<String>();
      for (int k = 0; k < places.size(); k++) {
        out.add(option(k));
      }
      return out.stream().distinct().toList();
    }
    return places.getFirst().field().options();
  }

  /** What it means that a switch is on. */
  String option(int place) {
    List<String> given = places.get(place).field().options();
    boolean said = !given.isEmpty() && !given.getFirst().isBlank();
    // As the writer of PDF calls what the form gives no name to.
    return said ? given.getFirst() : kind == FormField.Kind.ONE_OF ? "choice" + (place + 1) : "Yes";
  }

  /** Whether it is on or off rather than text. */
  public boolean isSwitch() {
    return kind == FormField.Kind.TICK || kind == FormField.Kind.ONE_OF;
  }

  /** Why a value cannot be filled in, in the person's words; empty if it can. */
  public Optional<String> problem(String value) {
    if (value.isBlank() || isSwitch() && value.equals(OFF)) {
      return Optional.empty();
    }
    boolean chosen =
        switch (kind) {
          case TEXT, LINES, CHOICE_OR_TEXT -> true;
          case CHOICE, TICK, ONE_OF -> options().contains(value) || options().isEmpty();
        };
    if (!chosen) {
      return Optional.of(WORDS.say("blank.no-option", name, value, String.join(", ", options())));
    }
    boolean line = kind != FormField.Kind.LINES && value.indexOf('\n') >= 0;
    return line
        ? Optional.of(WORDS.say("blank.one-line", name))
        : isSwitch()
            ? Optional.empty()
            : Asked.problem(places.getFirst().field().rule(), name, value);
  }

  /** What a switch that is off is called (ISO 32000-2 §12.7.5.2.3). */
  public static final String OFF = "Off";
}
