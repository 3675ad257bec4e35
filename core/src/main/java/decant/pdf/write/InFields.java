package decant.pdf.write;

import decant.layout.item.Item;
import decant.publication.PageSink;
import java.util.ArrayDeque;
import java.util.Deque;

/**
 * Tells, while a page is walked, which glyphs a field shows rather than the page: what was filled
 * in, and signs for switches. Running texts and what is turned have no fields.
 */
public final class InFields {
  private final boolean fillable;
  private final Deque<PageSink.Role> open = new ArrayDeque<>();
  private int turned;

  /**
   * @param fillable whether the file has fields at all
   */
  public InFields(boolean fillable) {
    this.fillable = fillable;
  }

  public void begin(PageSink.Role role) {
    open.push(role);
  }

  public void end() {
    open.pop();
  }

  public void turn() {
    turned++;
  }

  public void turnBack() {
    turned--;
  }

  /** Whether glyphs here may stand on a field. */
  public boolean here() {
    return fillable && turned == 0 && inText();
  }

  /** Whether this is the text, rather than what repeats from page to page. */
  public boolean inText() {
    return !open.isEmpty()
        && !open.contains(PageSink.Role.REPEATED)
        && open.peekLast() != PageSink.Role.RUNNING;
  }

  /** Whether these glyphs only hold the place of a field that shows nothing. */
  public boolean leavesBlank(Item.GlyphRun run) {
    return here()
        && run.meaning()
            .field()
            .filter(b -> b.isHeldOpen() && !b.holds(run.shown().text()))
            .isPresent();
  }

  /** Whether a field shows these glyphs. */
  public boolean takes(Item.GlyphRun run) {
    return here()
        && run.meaning()
            .field()
            .filter(b -> b.isSwitch() || b.holds(run.shown().text()))
            .isPresent();
  }
}
