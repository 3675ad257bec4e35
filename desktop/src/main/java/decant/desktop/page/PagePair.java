package decant.desktop.page;

import java.util.function.BooleanSupplier;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Two views of pages side by side, each below its title, at one zoom and scrolled together. */
public final class PagePair extends HBox {
  private final BooleanSupplier together;
  private boolean scrolling;

  /**
   * @param together whether one view is to follow the other just now
   */
  public PagePair(
      Label leftTitle,
      PagesView left,
      Label rightTitle,
      PagesView right,
      BooleanSupplier together) {
    super(1);
    this.together = together;
    getChildren().addAll(titled(leftTitle, left), titled(rightTitle, right));
    getStyleClass().add("pair");
    HBox.setHgrow(this, Priority.ALWAYS);
    left.scrollProperty().addListener(o -> follow(left, right));
    right.scrollProperty().addListener(o -> follow(right, left));
    right.zoomWith(left);
    left.scrollByKeys();
    right.scrollByKeys();
  }

  private static VBox titled(Label title, PagesView view) {
    title.getStyleClass().add("pair-title");
    var box = new VBox(title, view);
    VBox.setVgrow(view, Priority.ALWAYS);
    HBox.setHgrow(box, Priority.ALWAYS);
    box.setPrefWidth(100);
    return box;
  }

  /** Does something that scrolls one view, or each to a place of its own. */
  public void apart(Runnable scrolls) {
    scrolling = true;
    scrolls.run();
    scrolling = false;
  }

  private void follow(PagesView from, PagesView to) {
    if (!scrolling && together.getAsBoolean()) {
      apart(() -> to.setScrollShare(from.scrollShare()));
    }
  }
}
