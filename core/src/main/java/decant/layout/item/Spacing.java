package decant.layout.item;

import org.jspecify.annotations.Nullable;

/**
 * The space between blocks: that below the one and that above the next, but none between neighbours
 * of one style that ask for none (§17.3.1.9), and room for the lines around paragraphs, which
 * neighbours of equal lines share (§17.3.1.7).
 */
public final class Spacing {
  private double after;
  private @Nullable ParagraphStyle last;

  /** The space above a block that comes next. */
  public double before(BlockLayout l) {
    double before = l.spaceBefore();
    double gap = after;
    ParagraphStyle next = l instanceof ParagraphLayout p ? p.style() : null;
    ParagraphStyle above = last;
    if (next != null && above != null && next.style().equals(above.style())) {
      if (next.space().contextual()) {
        before = 0;
      }
      if (above.space().contextual()) {
        gap = 0;
      }
    }
    boolean shared =
        next != null && next.space().autoBefore() && above != null && above.space().autoAfter();
    return (shared ? Math.max(gap, before) : gap + before) + rules(above, next);
  }

  /** The space above a block at the top of a page, where that below the one before is gone. */
  public double atTop(BlockLayout l, boolean keepsSpace) {
    ParagraphStyle next = l instanceof ParagraphLayout p ? p.style() : null;
    return (keepsSpace ? l.spaceBefore() : 0) + rules(null, next);
  }

  private static double rules(@Nullable ParagraphStyle above, @Nullable ParagraphStyle next) {
    if (above != null && next != null && above.sharesRules(next)) {
      return extent(next.area().rules().insideAcross());
    }
    return (above == null ? 0 : extent(above.area().rules().bottom()))
        + (next == null ? 0 : extent(next.area().rules().top()));
  }

  private static double extent(java.util.Optional<decant.model.look.Rule> r) {
    return r.filter(decant.model.look.Rule::isDrawn).map(x -> x.extent() + x.space()).orElse(0.0);
  }

  /** The block was placed, and ends there. */
  public void placed(BlockLayout l) {
    after = l.spaceAfter();
    last = l instanceof ParagraphLayout p ? p.style() : null;
  }

  /** Nothing stands above any more. */
  public void clear() {
    after = 0;
    last = null;
  }

  public Spacing copy() {
    var c = new Spacing();
    c.after = after;
    c.last = last;
    return c;
  }
}
