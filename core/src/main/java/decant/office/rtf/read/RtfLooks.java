package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;
import decant.model.Inline;
import decant.model.look.Colour;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.TextTraits;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What the commands of RTF say of the looks of text and paragraphs. */
final class RtfLooks {
  private static final double TWIP = 1 / 20.0;
  private static final double FARTHEST = 1000;

  private final Map<Integer, String> fonts = new HashMap<>();
  private final List<Optional<Colour>> colours = new ArrayList<>();
  private final StringBuilder font = new StringBuilder();
  private int fontNumber;
  private int rgb;
  private boolean coloured;

  /** A command within the table of colours. */
  void colour(Command c, int value) {
    coloured = true;
    int v = Math.clamp(value, 0, 255);
    rgb |= c == Command.red ? v << 16 : c == Command.green ? v << 8 : v;
  }

  /** Each semicolon ends a colour; one of which nothing was said is that of text anyway. */
  void colours(String s) {
    for (int k = 0; k < s.length(); k++) {
      if (s.charAt(k) == ';') {
        colours.add(coloured ? Optional.of(new Colour(rgb)) : Optional.empty());
        rgb = 0;
        coloured = false;
      }
    }
  }

  void font(int number) {
    fontNumber = number;
    font.setLength(0);
  }

  Optional<String> family(int number) {
    return Optional.ofNullable(fonts.get(number)).filter(f -> !f.isEmpty());
  }

  void fonts(String s) {
    font.append(s);
    if (s.endsWith(";")) {
      fonts.put(fontNumber, font.substring(0, font.length() - 1).strip());
      font.setLength(0);
    }
  }

  /** The look of characters after a command, if it is one of theirs. */
  Optional<Look> text(Look look, Command c, int value, boolean hasValue) {
    boolean on = !hasValue || value != 0;
    return switch (c) {
      case plain -> Optional.of(onlyLink(look));
      case b -> Optional.of(look.with(TextTraits.BOLD, on));
      case i -> Optional.of(look.with(TextTraits.ITALIC, on));
      case ul, uld, uldash, uldb, ulth, ulw, ulwave ->
          Optional.of(look.with(TextTraits.UNDERLINE, on));
      case ulnone -> Optional.of(look.without(TextTraits.UNDERLINE));
      case strike -> Optional.of(look.with(TextTraits.STRIKE, on));
      case caps -> Optional.of(look.with(TextTraits.ALL_CAPS, on));
      case scaps -> Optional.of(look.with(TextTraits.SMALL_CAPS, on));
      case supercmd -> Optional.of(look.with(TextTraits.RAISE, TextTraits.Raise.SUPERSCRIPT));
      case sub -> Optional.of(look.with(TextTraits.RAISE, TextTraits.Raise.SUBSCRIPT));
      case nosupersub -> Optional.of(look.without(TextTraits.RAISE));
      case fs ->
          Optional.of(value >= 2 && value <= 2000 ? look.with(TextTraits.SIZE, value / 2.0) : look);
      case f -> Optional.of(named(look, value));
      case cf -> Optional.of(painted(look, value));
      case highlight, cb, chcbpat -> Optional.of(grounded(look, value));
      default -> Optional.empty();
    };
  }

  private static Look onlyLink(Look look) {
    return look.sets(TextTraits.LINK)
        ? Look.of(TextTraits.LINK, look.value(TextTraits.LINK))
        : Look.PLAIN;
  }

  private Look named(Look look, int font) {
    String family = fonts.getOrDefault(font, "");
    return family.isEmpty() ? look : look.with(TextTraits.FAMILY, family);
  }

  private Look painted(Look look, int number) {
    return colour(number)
        .map(c -> look.with(TextTraits.COLOUR, c))
        .orElseGet(() -> look.without(TextTraits.COLOUR));
  }

  private Look grounded(Look look, int number) {
    return colour(number)
        .filter(c -> number > 0)
        .map(c -> look.with(TextTraits.HIGHLIGHT, c))
        .orElseGet(() -> look.without(TextTraits.HIGHLIGHT));
  }

  private Optional<Colour> colour(int number) {
    return number >= 0 && number < colours.size() ? colours.get(number) : Optional.empty();
  }

  /** The look of a paragraph after a command, if it is one of theirs. */
  static Optional<Look> paragraph(Look look, Command c, int value) {
    double points = Math.clamp(value * TWIP, -FARTHEST, FARTHEST);
    return switch (c) {
      case ql -> Optional.of(look.without(ParagraphTraits.ALIGNMENT));
      case qc -> Optional.of(look.with(ParagraphTraits.ALIGNMENT, Alignment.CENTRE));
      case qr -> Optional.of(look.with(ParagraphTraits.ALIGNMENT, Alignment.END));
      case qj -> Optional.of(look.with(ParagraphTraits.ALIGNMENT, Alignment.JUSTIFIED));
      case li, lin -> Optional.of(look.with(ParagraphTraits.INDENT_START, points));
      case ri, rin -> Optional.of(look.with(ParagraphTraits.INDENT_END, points));
      case fi -> Optional.of(look.with(ParagraphTraits.FIRST_LINE, points));
      case sb -> Optional.of(look.with(ParagraphTraits.SPACE_BEFORE, Math.max(0, points)));
      case sa -> Optional.of(look.with(ParagraphTraits.SPACE_AFTER, Math.max(0, points)));
      case keepn -> Optional.of(look.with(ParagraphTraits.KEEP_WITH_NEXT, true));
      case keep -> Optional.of(look.with(ParagraphTraits.KEEP_TOGETHER, true));
      case rtlpar ->
          Optional.of(
              look.with(ParagraphTraits.DIRECTION, ParagraphTraits.Direction.RIGHT_TO_LEFT));
      default -> Optional.empty();
    };
  }

  /** Its size and weight are those of headings of the document. */
  static Inline inHeading(Inline i) {
    return i.withLook(
        i.look()
            .without(TextTraits.SIZE)
            .without(TextTraits.BOLD)
            .without(TextTraits.FAMILY)
            .without(TextTraits.COLOUR));
  }
}
