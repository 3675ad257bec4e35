package decant.layout.pages;

import decant.layout.Layout;
import decant.layout.item.Fragment;
import decant.model.Box;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.look.ListDefinition.NumberFormat;
import decant.publication.PublishedPage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * One page, without its running texts, which depend on how many pages there are (see {@link
 * Layout#running}).
 *
 * @param number from 1
 * @param shown the number that is shown on it, which a section may start anew
 * @param section which section of the document it belongs to
 * @param firstOfSection whether it is that section's first page
 * @param setup the paper, its margins as running texts leave them
 * @param start how it begins
 * @param body fragments, from the top left of the page
 * @param notes what stands at its foot
 * @param columnRules the lines between its columns
 */
public record Page(
    int number,
    int shown,
    int section,
    boolean firstOfSection,
    PageSetup setup,
    Start start,
    List<Fragment> body,
    Optional<Notes> notes,
    List<Box> columnRules)
    implements PublishedPage {
  @Override
  public NumberFormat numbering() {
    return setup.numbers().format();
  }

  @Override
  public double width() {
    return setup.width();
  }

  @Override
  public double height() {
    return setup.height();
  }

  @Override
  public double textRight() {
    return setup.width() - setup.margins().right();
  }

  @Override
  public boolean beginsWith(NodeId block) {
    return !body.isEmpty() && body.getFirst().source().id().equals(block);
  }

  /** A place in the flow: a block by its number, and a line or row of it. */
  public record FlowPoint(int block, int part) {}

  /**
   * How a page begins.
   *
   * @param at where the flow continues on it
   * @param afterBreak whether it begins because the text asks for it, not because the page before
   *     is full
   * @param resumable whether it follows from that place alone: nothing of it was begun on the page
   *     before in a way that only that page knows
   * @param found the page of the source, from 0, that it is like in all its text; -1 if none
   */
  public record Start(FlowPoint at, boolean afterBreak, boolean resumable, int found) {
    /** The place by the numbers of blocks after some were added before it. */
    Start moved(int blocksBy) {
      return new Start(
          new FlowPoint(at.block() + blocksBy, at.part()), afterBreak, resumable, found);
    }
  }

  /**
   * The notes at the foot of a page.
   *
   * @param separator the line above them, if there is one
   */
  public record Notes(Optional<Box> separator, List<Fragment> content) {
    public Notes {
      content = List.copyOf(content);
    }
  }

  public Page {
    body = List.copyOf(body);
    columnRules = List.copyOf(columnRules);
  }

  /** The body, then the notes: everything that holds text on the page but its running texts. */
  public List<Fragment> texts() {
    if (notes.isEmpty()) {
      return body;
    }
    var out = new ArrayList<Fragment>(body);
    out.addAll(notes.get().content());
    return out;
  }

  /** This page, of a section that has another number now. */
  public Page inSection(int other) {
    return other == section
        ? this
        : new Page(number, shown, other, firstOfSection, setup, start, body, notes, columnRules);
  }

  public Page moved(int newNumber, int newShown, int blocksBy) {
    return newNumber == number && newShown == shown && blocksBy == 0
        ? this
        : new Page(
            newNumber,
            newShown,
            section,
            firstOfSection,
            setup,
            start.moved(blocksBy),
            body,
            notes,
            columnRules);
  }
}
