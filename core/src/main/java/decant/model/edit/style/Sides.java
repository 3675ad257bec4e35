package decant.model.edit.style;

import decant.model.look.Colour;
import decant.model.look.Rule;
import decant.model.look.Rules;
import java.util.Optional;
import java.util.stream.Stream;

/** On which sides of a paragraph lines are drawn, as people choose it. */
public enum Sides {
  NONE,
  AROUND,
  ABOVE,
  BELOW,
  ABOVE_AND_BELOW,
  LEFT;

  /** How far a line stands from the text, in points. */
  private static final double SPACE = 3;

  private static final Rule USUAL = new Rule(Rule.Kind.SINGLE, 0.75, Colour.BLACK, SPACE);

  /** Those that some rules come nearest to. */
  public static Sides of(Rules r) {
    boolean top = drawn(r.top());
    boolean bottom = drawn(r.bottom());
    boolean start = drawn(r.start());
    if (top && bottom) {
      return start || drawn(r.end()) ? AROUND : ABOVE_AND_BELOW;
    }
    return top ? ABOVE : bottom ? BELOW : start || drawn(r.end()) ? LEFT : NONE;
  }

  private static boolean drawn(Optional<Rule> r) {
    return r.filter(Rule::isDrawn).isPresent();
  }

  /** The line that some rules draw first; a usual one if they draw none. */
  public static Rule line(Rules r) {
    return Stream.of(r.top(), r.bottom(), r.start(), r.end())
        .flatMap(Optional::stream)
        .filter(Rule::isDrawn)
        .findFirst()
        .orElse(USUAL);
  }

  /** A line on these sides, and expressly none on the others. */
  public Rules drawn(Rule line) {
    Optional<Rule> yes = Optional.of(line);
    Optional<Rule> no = Optional.of(Rule.NONE);
    boolean top = this == AROUND || this == ABOVE || this == ABOVE_AND_BELOW;
    boolean bottom = this == AROUND || this == BELOW || this == ABOVE_AND_BELOW;
    boolean start = this == AROUND || this == LEFT;
    return new Rules(
        top ? yes : no,
        this == AROUND ? yes : no,
        bottom ? yes : no,
        start ? yes : no,
        Optional.empty(),
        Optional.empty());
  }
}
