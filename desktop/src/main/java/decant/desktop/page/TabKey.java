package decant.desktop.page;

import decant.blanks.BlankTour;
import decant.desktop.shell.Work;
import decant.model.Selection;
import decant.model.edit.Commands;
import decant.model.edit.ListEdits;
import decant.model.edit.TableEdits;
import java.util.Optional;
import java.util.function.Predicate;
import javafx.scene.input.KeyEvent;

/** What the Tab key does: it goes through blanks and cells, moves items in and out, or is typed. */
final class TabKey {
  private TabKey() {}

  /**
   * @param edit makes a change where one can be made
   * @param reveal brings what is selected into sight
   * @return whether the key was for the page
   */
  static boolean pressed(KeyEvent e, Work work, Predicate<Runnable> edit, Runnable reveal) {
    int by = e.isShiftDown() ? -1 : 1;
    Optional<Selection> blank =
        e.isControlDown() ? Optional.empty() : BlankTour.next(work.revision(), by);
    if (blank.isPresent()) {
      work.select(blank.get());
      reveal.run();
      return true;
    }
    if (!e.isControlDown() && TableEdits.isIn(work.revision())) {
      return edit.test(() -> work.apply(r -> TableEdits.go(r, by)));
    }
    if (!e.isControlDown() && ListEdits.movesByTab(work.revision())) {
      return edit.test(() -> work.apply(r -> ListEdits.shift(r, by)));
    }
    boolean typed = !e.isShiftDown() && (!e.isControlDown() || TableEdits.isIn(work.revision()));
    return typed && edit.test(() -> work.apply(r -> Commands.insert(r, "\t")));
  }
}
