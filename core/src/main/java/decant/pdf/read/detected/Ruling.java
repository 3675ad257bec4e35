package decant.pdf.read.detected;

import decant.model.look.Colour;
import decant.model.look.Rule;
import decant.model.look.Rules;
import java.util.Optional;

/**
 * Which lines of a table are drawn.
 *
 * @param top above its first row
 * @param belowHeader between the first row and the second
 * @param across between all rows
 * @param bottom below its last row
 * @param down between and beside its columns
 */
public record Ruling(
    boolean top, boolean belowHeader, boolean across, boolean bottom, boolean down) {
  public static final Ruling GRID = new Ruling(true, true, true, true, true);

  private static final Rule LINE = Rule.single(0.5, Colour.BLACK);

  /** The lines of the table as a whole. */
  public Rules ofTable() {
    return new Rules(line(top), line(down), line(bottom), line(down), line(across), line(down));
  }

  /** The lines of the cells of its first row that its others do not have. */
  public Rules ofHeader() {
    return belowHeader && !across
        ? new Rules(
            Optional.empty(),
            Optional.empty(),
            line(true),
            Optional.empty(),
            Optional.empty(),
            Optional.empty())
        : Rules.UNSAID;
  }

  private static Optional<Rule> line(boolean drawn) {
    return drawn ? Optional.of(LINE) : Optional.empty();
  }
}
