package decant.desktop.page;

import decant.desktop.shell.Work;
import decant.model.Document;
import decant.model.Position;
import decant.model.Selection;
import decant.model.edit.Moving;
import decant.model.edit.Range;
import java.util.Optional;

/** What is selected is dragged to another place of the text, or a copy of it. */
final class TextMoving {
  private final Work work;
  private boolean held;
  private Optional<Position> target = Optional.empty();

  TextMoving(Work work) {
    this.work = work;
  }

  /** Takes hold of what is selected, if the pointer is on it. */
  boolean pressed(Position at) {
    Document d = work.revision().document();
    Selection s = work.revision().selection();
    if (s.isCaret()) {
      return false;
    }
    Range range = Range.of(d, s);
    held =
        d.index().sameText(range.start().paragraph(), at.paragraph())
            && range.cells(d).isEmpty()
            && Range.compare(d, range.start(), at) <= 0
            && Range.compare(d, at, range.end()) < 0;
    return held;
  }

  /** Takes hold of what is selected, wherever the pointer is. */
  void hold() {
    held = true;
  }

  boolean holds() {
    return held;
  }

  void dragged(Optional<Position> over) {
    target = over;
  }

  /** Where it would be put; empty as long as it was not dragged. */
  Optional<Position> target() {
    return target;
  }

  /**
   * Lets go.
   *
   * @return whether something was moved: a hand that trembled while it clicked moves nothing
   */
  boolean released(boolean copy) {
    Optional<Position> to = target;
    Document before = work.revision().document();
    held = false;
    target = Optional.empty();
    to.ifPresent(t -> work.apply(r -> Moving.to(r, t, copy)));
    return work.revision().document() != before;
  }
}
