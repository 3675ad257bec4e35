package decant.pdf.read.page;

import decant.model.Box;
import decant.model.look.Colour;
import decant.model.look.Rule;
import java.util.Optional;

/**
 * A shape drawn on a page.
 *
 * @param free whether most of its outline is curved or slanting: no ruled line, no upright box
 * @param patterned whether its inside is no one colour: a gradient, a pattern, or what shines
 *     through of what is below it
 * @param fill the colour of its inside, if that is painted; of a gradient its middle
 * @param stroke how its outline is drawn, if it is
 * @param content number of the marked content it belongs to; -1 for none
 */
public record Painted(
    Box box,
    boolean free,
    boolean patterned,
    Optional<Colour> fill,
    Optional<Rule> stroke,
    int content) {
  /** Whether it can be seen on white paper. */
  public boolean shows() {
    return stroke.isPresent() || patterned || fill.isPresent() && !fill.get().equals(Colour.WHITE);
  }

  /** Whether it is a bar or a block rather than a line. */
  public boolean solid() {
    return fill.isPresent() && Math.min(box.width(), box.height()) > 3;
  }
}
