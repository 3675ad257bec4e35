package decant.layout;

import decant.model.PageSetup;
import java.util.List;

/**
 * One page, without its running texts, which depend on how many pages there are (see {@link
 * Layout#running}).
 *
 * @param number from 1
 * @param section which section of the document it belongs to
 * @param firstOfSection whether it is that section's first page
 * @param start where the flow continues on it
 * @param body fragments, from the top left of the page
 */
public record Page(
    int number,
    int section,
    boolean firstOfSection,
    PageSetup setup,
    FlowPoint start,
    List<Fragment> body) {
  /** A place in the flow: a block by its number, and a line or row of it. */
  public record FlowPoint(int block, int part) {}

  public Page {
    body = List.copyOf(body);
  }

  Page moved(int newNumber, int blocksBy) {
    return newNumber == number && blocksBy == 0
        ? this
        : new Page(
            newNumber,
            section,
            firstOfSection,
            setup,
            new FlowPoint(start.block() + blocksBy, start.part()),
            body);
  }
}
