package decant.desktop.page;

import java.util.Optional;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.scene.Cursor;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;

/** The pointer over the pages is for one thing until that is done, or given up with Esc. */
public final class PointerTurn {
  /** What the pointer is for. */
  public interface Use {
    /**
     * @param at where on which page; empty beside the pages
     */
    void pointer(MouseEvent e, Optional<PagesView.PagePoint> at);

    /** Enter was pressed: with the keyboard alone. */
    default void enter() {}

    /** It is done or given up. */
    default void ended() {}
  }

  private final PagesView view;
  private final Use use;
  private final ReadOnlyBooleanWrapper active = new ReadOnlyBooleanWrapper();

  public PointerTurn(PagesView view, Use use) {
    this.view = view;
    this.use = use;
    view.addEventFilter(MouseEvent.ANY, this::pointer);
    view.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
  }

  public ReadOnlyBooleanProperty activeProperty() {
    return active.getReadOnlyProperty();
  }

  public void begin() {
    active.set(true);
    view.setCursor(Cursor.CROSSHAIR);
    view.requestFocus();
  }

  public void end() {
    active.set(false);
    view.setCursor(Cursor.DEFAULT);
    use.ended();
    view.refreshOverlays();
  }

  private void key(KeyEvent e) {
    if (!active.get()) {
      return;
    }
    if (e.getCode() == KeyCode.ESCAPE) {
      e.consume();
      end();
    } else if (e.getCode() == KeyCode.ENTER) {
      e.consume();
      use.enter();
    }
  }

  private void pointer(MouseEvent e) {
    if (active.get()) {
      e.consume();
      use.pointer(e, view.pagePoint(e.getX(), e.getY()));
    }
  }
}
