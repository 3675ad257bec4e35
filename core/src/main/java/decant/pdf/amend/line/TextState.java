package decant.pdf.amend.line;

import decant.pdf.content.Instruction;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.apache.pdfbox.cos.COSBase;

/**
 * How text is shown at a place of a content (ISO 32000-2 §9.3.1); without a font it shows nothing.
 *
 * @param show as an operator shows it, but for its font
 * @param paint what fills letters, by the operators that say so
 */
record TextState(
    Optional<LettersOfFont> font, Numbers show, Optional<String> name, double size, Paint paint) {
  static final TextState NONE =
      new TextState(
          Optional.empty(), new Numbers(0, 0, 1, 0, 0, 0), Optional.empty(), 0, new Paint("", ""));

  /** The parameters that are numbers: Tc, Tw, Tz (1 for 100), TL, Ts and Tr. */
  record Numbers(
      double letters, double words, double stretch, double leading, double rise, int mode) {
    private Numbers with(String operator, double v) {
      return switch (operator) {
        case "Tc" -> new Numbers(v, words, stretch, leading, rise, mode);
        case "Tw" -> new Numbers(letters, v, stretch, leading, rise, mode);
        case "Tz" -> new Numbers(letters, words, v / 100, leading, rise, mode);
        case "TL" -> new Numbers(letters, words, stretch, v, rise, mode);
        case "Ts" -> new Numbers(letters, words, stretch, leading, v, mode);
        default -> new Numbers(letters, words, stretch, leading, rise, (int) v);
      };
    }
  }

  /** The colour space in force, where one was chosen, and the colour in it (§8.6.8). */
  record Paint(String space, String colour) {
    private Paint with(Instruction.Colour c) {
      String operator = c.raw().operator();
      if (Character.isUpperCase(operator.charAt(0))) {
        return this; // of lines
      }
      String said = operator + said(c.raw().operands());
      return switch (operator) {
        case "cs" -> new Paint(said, "");
        case "sc", "scn" -> new Paint(space, said);
        default -> new Paint("", said);
      };
    }

    private static String said(List<COSBase> operands) {
      return operands.stream().map(String::valueOf).collect(Collectors.joining(" "));
    }
  }

  TextState with(Optional<LettersOfFont> f, Optional<String> n, double s) {
    return new TextState(f, show, n, s, paint);
  }

  TextState with(String operator, double v) {
    return new TextState(font, show.with(operator, v), name, size, paint);
  }

  TextState with(Instruction.Colour c) {
    return new TextState(font, show, name, size, paint.with(c));
  }

  /** As an operator shows it. */
  Show.State of(LettersOfFont f) {
    return new Show.State(
        f, name, size, show.letters, show.words, show.stretch, show.rise, show.mode);
  }
}
