package decant.desktop.page;

import decant.desktop.shell.Work;
import decant.model.edit.style.PickedLook;
import java.util.Optional;
import javafx.animation.PauseTransition;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.scene.Cursor;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.util.Duration;

/** A look that was picked up is laid down on whatever is selected next, until Escape. */
public final class LookLaying {
  private final PagesView view;
  private final Work work;
  private final PauseTransition single = new PauseTransition(Duration.millis(350));
  private final ReadOnlyObjectWrapper<Optional<PickedLook>> picked =
      new ReadOnlyObjectWrapper<>(Optional.empty());

  public LookLaying(PagesView view, Work work) {
    this.view = view;
    this.work = work;
    single.setOnFinished(e -> layDown());
    // A filter: the letting go of the pointer ends a selection, wherever it is handled.
    view.addEventFilter(MouseEvent.MOUSE_RELEASED, this::released);
    view.addEventFilter(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (e.getCode() == KeyCode.ESCAPE && picked.get().isPresent()) {
            end();
            e.consume();
          }
        });
  }

  /** The look that is laid down; empty for none. */
  public ReadOnlyObjectProperty<Optional<PickedLook>> pickedProperty() {
    return picked.getReadOnlyProperty();
  }

  /** Picks up the look of what is selected. */
  public void pickUp() {
    picked.set(Optional.of(PickedLook.of(work.revision())));
    view.setCursor(Cursor.CROSSHAIR);
    view.requestFocus();
  }

  /** Lays it down on what is selected. */
  public void layDown() {
    if (!pinned()) {
      picked.get().ifPresent(p -> work.apply(p::layDown));
    }
  }

  /** Lays it down on all paragraphs that look like the one at the caret. */
  public void layDownOnAlike() {
    if (!pinned()) {
      picked.get().ifPresent(p -> work.apply(p::layDownOnAlike));
    }
  }

  public void end() {
    single.stop();
    picked.set(Optional.empty());
    view.setCursor(Cursor.DEFAULT);
  }

  private void released(MouseEvent e) {
    if (e.getButton() != MouseButton.PRIMARY || picked.get().isEmpty()) {
      return;
    }
    single.stop();
    if (work.revision().selection().isCaret()) {
      single.playFromStart(); // unless it is the first click of two
    } else {
      layDown();
    }
  }

  private boolean pinned() {
    return work.revision().document().isPinned(work.revision().selection().caret().paragraph());
  }
}
