package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;
import decant.model.look.FormField;
import java.util.ArrayList;
import java.util.List;

/** A place to fill in as it is told (Rich Text Format 1.9.1, “Form Fields”). */
final class RtfBlank {
  private static final int TICK = 1;
  private static final int CHOICE = 2;
  private static final int NOT_SAID = 25; // of a box or a choice: as it is at first

  private final StringBuilder name = new StringBuilder();
  private final List<StringBuilder> options = new ArrayList<>();
  private boolean named;
  private boolean option;
  private int type;
  private int first;
  private int chosen = NOT_SAID;

  /** A command of its description. */
  void command(Command c, int value) {
    named = c == Command.ffname;
    option = c == Command.ffl;
    switch (c) {
      case fftype -> type = value;
      case ffdefres -> first = value;
      case ffres -> chosen = value;
      case ffl -> options.add(new StringBuilder());
      default -> {}
    }
  }

  void text(String s) {
    if (named) {
      name.append(s);
    } else if (option) {
      options.getLast().append(s);
    }
  }

  /**
   * @param id tells it from its neighbours
   * @param otherwise what it is called where it has no name
   */
  FormField field(String id, String otherwise) {
    String called = name.toString().strip();
    return new FormField(
        id,
        called.isEmpty() ? otherwise : called,
        type == TICK
            ? FormField.Kind.TICK
            : type == CHOICE ? FormField.Kind.CHOICE : FormField.Kind.TEXT,
        options.stream().map(StringBuilder::toString).toList(),
        0,
        "");
  }

  /** What shows of it where the file does not say: a box, or what is chosen; empty for text. */
  String shown() {
    int at = chosen == NOT_SAID ? first : chosen;
    return switch (type) {
      case TICK -> at == 1 ? "\u2611" : "\u2610";
      case CHOICE -> at >= 0 && at < options.size() ? options.get(at).toString() : "";
      default -> "";
    };
  }
}
