package decant.desktop.pinned;

import decant.desktop.page.PagesView;
import decant.model.Box;
import javafx.event.EventHandler;
import javafx.scene.Node;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.VBox;
import javafx.stage.Popup;

/** A small window below a place of a page. */
final class PagePopup {
  private final PagesView view;
  private final Popup popup = new Popup();
  private Runnable closed = () -> {};

  PagePopup(PagesView view, Node... content) {
    this.view = view;
    var box = new VBox(7, content);
    box.getStyleClass().add("line-field");
    box.getStylesheets()
        .add(PagePopup.class.getResource("/decant/desktop/decant.css").toExternalForm());
    popup.getContent().add(box);
    popup.setAutoHide(true);
    popup.setConsumeAutoHidingEvents(false); // what is pressed beside it is meant
    popup.setHideOnEscape(true);
    popup.setOnHidden(e -> closed.run());
  }

  /** Lets keys go elsewhere before the window itself has them. */
  void keys(EventHandler<KeyEvent> handler) {
    popup.addEventFilter(KeyEvent.KEY_PRESSED, handler);
  }

  /**
   * Opens below a place.
   *
   * @param page of the view, from 0
   */
  void open(int page, Box place, Runnable whenClosed) {
    closed = () -> {}; // for the place before, which is left
    popup.hide();
    closed = whenClosed;
    view.viewPoint(page, place.x(), place.bottom())
        .map(p -> view.localToScreen(p))
        .ifPresent(p -> popup.show(view, p.getX() - 10, p.getY() + 6));
  }

  void close() {
    popup.hide();
    view.requestFocus();
  }
}
