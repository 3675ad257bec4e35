package decant.model.look;

import java.util.Optional;

/**
 * The lines around and between things: the sides of a paragraph and between it and its like, the
 * edges of a table and between its cells, the edges of one cell. What is empty is left to whatever
 * stands below in the cascade; {@link Rule#NONE} says that there is no line.
 *
 * @param start the left side in text that runs from left to right
 * @param insideAcross the lines between rows, or between paragraphs of equal borders
 * @param insideDown the lines between columns
 */
public record Rules(
    Optional<Rule> top,
    Optional<Rule> end,
    Optional<Rule> bottom,
    Optional<Rule> start,
    Optional<Rule> insideAcross,
    Optional<Rule> insideDown) {
  /** Says nothing of any side. */
  public static final Rules UNSAID =
      new Rules(
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty());

  /** The same line everywhere. */
  public static Rules all(Rule r) {
    var one = Optional.of(r);
    return new Rules(one, one, one, one, one, one);
  }

  /** The same line on the four sides, nothing said of the inside. */
  public static Rules around(Rule r) {
    var one = Optional.of(r);
    return new Rules(one, one, one, one, Optional.empty(), Optional.empty());
  }

  /** These lines, and the base's where these say nothing. */
  public Rules over(Rules base) {
    return new Rules(
        top.or(() -> base.top),
        end.or(() -> base.end),
        bottom.or(() -> base.bottom),
        start.or(() -> base.start),
        insideAcross.or(() -> base.insideAcross),
        insideDown.or(() -> base.insideDown));
  }

  /** What has to be said over a base so that these lines and no others are there. */
  public Rules insteadOf(Rules base) {
    return new Rules(
        insteadOf(top, base.top),
        insteadOf(end, base.end),
        insteadOf(bottom, base.bottom),
        insteadOf(start, base.start),
        insteadOf(insideAcross, base.insideAcross),
        insteadOf(insideDown, base.insideDown));
  }

  private static Optional<Rule> insteadOf(Optional<Rule> own, Optional<Rule> base) {
    return own.or(() -> base.map(b -> Rule.NONE));
  }

  /** Whether any of the four sides is drawn. */
  public boolean isDrawn() {
    return drawn(top) || drawn(end) || drawn(bottom) || drawn(start);
  }

  private static boolean drawn(Optional<Rule> r) {
    return r.isPresent() && r.get().isDrawn();
  }
}
