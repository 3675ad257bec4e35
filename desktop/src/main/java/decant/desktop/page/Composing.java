package decant.desktop.page;

import decant.desktop.shell.Work;
import decant.layout.CaretPlace;
import decant.layout.pages.Page;
import decant.model.edit.Commands;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.InputMethodEvent;
import javafx.scene.input.InputMethodRequests;
import javafx.scene.input.InputMethodTextRun;

/**
 * Text that an input method composes: shown at the caret while it is in the making, typed once it
 * is decided about. Dead keys come through it too.
 */
final class Composing {
  private final PagesView view;
  private final Work work;
  private final CaretOnPages caret;
  private final Runnable typed;
  private String making = "";

  /**
   * @param typed told when something was typed
   */
  Composing(PagesView view, Work work, CaretOnPages caret, Runnable typed) {
    this.view = view;
    this.work = work;
    this.caret = caret;
    this.typed = typed;
    view.setInputMethodRequests(new Requests());
    view.setOnInputMethodTextChanged(this::changed);
  }

  private void changed(InputMethodEvent e) {
    var made = new StringBuilder();
    for (InputMethodTextRun r : e.getComposed()) {
      made.append(r.getText());
    }
    making = made.toString();
    String decided = e.getCommitted();
    boolean pinned =
        work.revision().document().isPinned(work.revision().selection().caret().paragraph());
    if (!decided.isEmpty() && !pinned) {
      work.apply(r -> Commands.insert(r, decided));
      typed.run();
    }
    view.refreshOverlays();
    e.consume();
  }

  /** What is in the making, over the caret's page. */
  List<Node> over(Page page, double scale) {
    Optional<CaretPlace> at = making.isEmpty() ? Optional.empty() : caret.place(false);
    return at.filter(c -> c.page().number() == page.number())
        .map(c -> {
          var l = new Label(making);
          l.getStyleClass().add("composed-text");
          l.setStyle(
              "-fx-font-size: " + Math.max(8, Math.round(c.height() * scale * 0.75)) + "px;");
          l.relocate(c.x() * scale, c.top() * scale);
          return List.<Node>of(l);
        })
        .orElse(List.of());
  }

  /** Where the input method shows what there is to choose from. */
  private final class Requests implements InputMethodRequests {
    @Override
    public Point2D getTextLocation(int offset) {
      return caret
          .place(false)
          .flatMap(c -> view.viewPoint(c.page().number() - 1, c.x(), c.top() + c.height()))
          .map(view::localToScreen)
          .orElseGet(() -> view.localToScreen(0, 0));
    }

    @Override
    public int getLocationOffset(int x, int y) {
      return 0;
    }

    @Override
    public void cancelLatestCommittedText() {
      // What was typed can be undone; there is nothing to take back here.
    }

    @Override
    public String getSelectedText() {
      return "";
    }
  }
}
