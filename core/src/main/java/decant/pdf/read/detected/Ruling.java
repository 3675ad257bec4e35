package decant.pdf.read.detected;

import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.pdf.read.page.RuledLine;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Which lines of a table are drawn, and how.
 *
 * @param top above its first row
 * @param belowHeader between the first row and the second
 * @param across between all rows
 * @param bottom below its last row
 * @param beside at its left and right
 * @param down between its columns
 */
public record Ruling(
    Optional<Rule> top,
    Optional<Rule> belowHeader,
    Optional<Rule> across,
    Optional<Rule> bottom,
    Optional<Rule> beside,
    Optional<Rule> down) {
  /** No line at all. */
  public static final Ruling NONE =
      new Ruling(
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty());

  /** How most of some lines are drawn, by their length; empty if there are none. */
  public static Optional<Rule> mostOf(List<RuledLine> lines) {
    Map<Rule, Double> length = new HashMap<>();
    for (RuledLine l : lines) {
      Rule look = l.look();
      // Lines of one look are not drawn equally thick to the last digit.
      Rule rounded =
          new Rule(look.kind(), Math.round(look.width() * 8) / 8.0, look.colour(), look.space());
      length.merge(
          rounded.isDrawn() ? rounded : look, l.x2() - l.x1() + l.y2() - l.y1(), Double::sum);
    }
    return length.entrySet().stream().max(Map.Entry.comparingByValue()).map(Map.Entry::getKey);
  }

  /** Without lines between all rows. */
  public Ruling withoutAcross() {
    return new Ruling(top, belowHeader, Optional.empty(), bottom, beside, down);
  }

  /** Without a line below the first row. */
  public Ruling withoutHeader() {
    return new Ruling(top, Optional.empty(), across, bottom, beside, down);
  }

  /** The lines of the table as a whole. */
  public Rules ofTable() {
    return new Rules(top, beside, bottom, beside, across, down);
  }

  /** The lines of the cells of its first row that its others do not have. */
  public Rules ofHeader() {
    return belowHeader.isPresent() && !belowHeader.equals(across)
        ? new Rules(
            Optional.empty(),
            Optional.empty(),
            belowHeader,
            Optional.empty(),
            Optional.empty(),
            Optional.empty())
        : Rules.UNSAID;
  }
}
