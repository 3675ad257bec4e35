package decant.model;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A block where its source had it. Lengths in points, from the upper edge of the page.
 *
 * @param as the block as it was then
 * @param before the block before it on the same page; empty for the first of a page
 * @param page of the source, from 0, that it begins on
 * @param top where it begins
 * @param bottom where it ends on that page
 * @param left where the column that it stands in begins, from the left edge of the text of its page
 * @param width of the column that it stands in
 * @param lines of a paragraph, or the rows of a table
 * @param label where the label of an item begins, from the left edge of its column
 */
public record SetBlock(
    Block as,
    Optional<NodeId> before,
    int page,
    double top,
    double bottom,
    double left,
    double width,
    List<SetLine> lines,
    OptionalDouble label) {
  public SetBlock {
    lines = List.copyOf(lines);
  }

  /** The same below another block of its page. */
  public SetBlock below(Optional<NodeId> other) {
    return new SetBlock(as, other, page, top, bottom, left, width, lines, label);
  }

  /** The same place of a block that has become another since, and is set alike. */
  public SetBlock as(Block other) {
    return new SetBlock(other, before, page, top, bottom, left, width, lines, label);
  }
}
