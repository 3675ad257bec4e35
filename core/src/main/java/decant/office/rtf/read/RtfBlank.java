package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;
import decant.office.field.AskedFor;
import java.util.ArrayList;
import java.util.List;

/** A place to fill in as it is told (Rich Text Format 1.9.1, “Form Fields”). */
final class RtfBlank {
  private static final int NOT_SAID = 25; // of a box or a choice: as it is at first

  private enum Said {
    NAME,
    OPTION,
    WRITTEN,
    OTHER
  }

  private final StringBuilder name = new StringBuilder();
  private final StringBuilder written = new StringBuilder();
  private final List<StringBuilder> options = new ArrayList<>();
  private Said said = Said.OTHER;
  private int type;
  private int text;
  private int most;
  private int first;
  private int chosen = NOT_SAID;

  /** A command of its description. */
  void command(Command c, int value) {
    said =
        switch (c) {
          case ffname -> Said.NAME;
          case ffl -> Said.OPTION;
          case ffformat -> Said.WRITTEN;
          default -> Said.OTHER;
        };
    switch (c) {
      case fftype -> type = value;
      case fftypetxt -> text = value;
      case ffmaxlen -> most = value;
      case ffdefres -> first = value;
      case ffres -> chosen = value;
      case ffl -> options.add(new StringBuilder());
      default -> {}
    }
  }

  void text(String s) {
    switch (said) {
      case NAME -> name.append(s);
      case OPTION -> options.getLast().append(s);
      case WRITTEN -> written.append(s);
      case OTHER -> {}
    }
  }

  AskedFor asked() {
    return new AskedFor(
        of(AskedFor.Kind.values(), type),
        of(AskedFor.Text.values(), text),
        name.toString().strip(),
        most,
        written.toString(),
        options.stream().map(StringBuilder::toString).toList(),
        chosen == NOT_SAID ? first : chosen);
  }

  private static <T> T of(T[] values, int k) {
    return values[k >= 0 && k < values.length ? k : 0];
  }
}
