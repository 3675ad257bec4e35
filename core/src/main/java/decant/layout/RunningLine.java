package decant.layout;

import decant.layout.Places.PlacedLine;
import decant.model.NodeId;

/**
 * A line of a header or footer on one page.
 *
 * @param paragraph what of the document it shows; where running texts stand as the source had them,
 *     the line itself belongs to its page alone
 * @param base the place of the paragraph that the line's first place stands for
 */
public record RunningLine(PlacedLine line, NodeId paragraph, int base) {
  /** Whether a place of the paragraph stands on it. */
  boolean holds(int offset) {
    boolean first = line.line() == line.paragraph().lines().getFirst();
    return base == 0 && first || offset >= base + line.line().from();
  }

  /** The place of the line that stands for one of the paragraph; the last for those beyond it. */
  public int within(int offset) {
    return Math.clamp(offset - base, line.line().from(), line.line().to());
  }
}
