package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/**
 * Objects that are drawn as in older files, over the text (Rich Text Format 1.9.1, “Word 6.0 and
 * Word 95 Drawing Objects”), told as newer files tell of shapes.
 */
final class RtfOldShapes {
  /** The kinds by their numbers in newer files; 0 for what has none, a box is drawn around it. */
  private static final Map<Command, Integer> KINDS =
      Map.of(
          Command.dptxbx, 202,
          Command.dprect, 1,
          Command.dproundr, 2,
          Command.dpellipse, 3,
          Command.dpline, 20,
          Command.dppolyline, 0,
          Command.dppolygon, 0,
          Command.dparc, 0,
          Command.dpcallout, 0);

  private static final Map<Command, Command> PLACES =
      Map.of(
          Command.dobxpage, Command.shpbxpage,
          Command.dobxmargin, Command.shpbxmargin,
          Command.dobypage, Command.shpbypage,
          Command.dobymargin, Command.shpbymargin);

  private static final int OVER_TEXT = 3;
  private static final String COLOUR = "fillColor";
  private static final String FILLED = "fFilled";

  private RtfOldShapes() {}

  static boolean isKind(Command c) {
    return KINDS.containsKey(c);
  }

  static String kind(Command c) {
    return Objects.requireNonNull(KINDS.get(c)).toString();
  }

  static void begins(RtfShapes.Told t) {
    t.words.put(Command.shpwr, OVER_TEXT);
    t.options.put(FILLED, "0");
  }

  /** The next object of a group is placed by what the one before it is. */
  static void goesOn(RtfShapes.Told t, RtfShapes.Told before) {
    List.copyOf(PLACES.values()).stream()
        .filter(before.words::containsKey)
        .forEach(p -> t.words.put(p, 1));
  }

  /** Where an object stands, and how it is drawn. @return whether a word is about that */
  static boolean takes(RtfShapes.Told t, Command c, int v) {
    switch (c) {
      case dobxpage, dobxmargin, dobypage, dobymargin ->
          t.words.put(Objects.requireNonNull(PLACES.get(c)), 1);
      case dpxN -> t.words.put(Command.shpleft, v);
      case dpyN -> t.words.put(Command.shptop, v);
      case dpxsizeN -> t.words.put(Command.shpright, t.word(Command.shpleft, 0) + v);
      case dpysizeN -> t.words.put(Command.shpbottom, t.word(Command.shptop, 0) + v);
      case dplinehollow -> t.options.put("fLine", "0");
      case dpfillpatN -> t.options.put(FILLED, v == 1 ? "1" : "0");
      case dpfillfgcrN -> t.options.put(COLOUR, Integer.toString(v & 0xFF));
      case dpfillfgcgN -> channel(t, v, Byte.SIZE);
      case dpfillfgcbN -> channel(t, v, 2 * Byte.SIZE);
      default -> {
        return false;
      }
    }
    return true;
  }

  private static void channel(RtfShapes.Told t, int v, int shift) {
    t.options.put(COLOUR, Integer.toString(t.option(COLOUR, 0) | (v & 0xFF) << shift));
  }
}
