package decant.desktop.page;

import java.util.function.BooleanSupplier;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** Two views of pages side by side, each below its title, at one zoom and scrolled together. */
public final class PagePair extends HBox {
  private final BooleanSupplier together;
  private final VBox first;
  private final VBox second;
  private final PagesView left;
  private final PagesView right;
  private boolean scrolling;
  private boolean over;

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
    this.left = left;
    this.right = right;
    this.first = titled(leftTitle, left);
    this.second = titled(rightTitle, right);
    getChildren().addAll(first, second);
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

  /** Lays the views over one another, so that one is seen at a time; or side by side again. */
  public void layOver(boolean now) {
    over = now;
    first.setVisible(true);
    second.setVisible(!now);
    getChildren().clear();
    if (now) {
      var both = new StackPane(first, second);
      HBox.setHgrow(both, Priority.ALWAYS);
      getChildren().add(both);
      follow(left, right);
    } else {
      getChildren().addAll(first, second);
    }
  }

  /** Shows the other one of two views that lie over one another. */
  public void turn() {
    first.setVisible(!first.isVisible());
    second.setVisible(!first.isVisible());
  }

  /** Whether the first view is the one that is seen, or both are. */
  public boolean showsFirst() {
    return first.isVisible();
  }

  private void follow(PagesView from, PagesView to) {
    if (!scrolling && over) {
      // The same page at the same height, however many pages come before it.
      from.pagePoint(from.getWidth() / 2, 0)
          .ifPresent(p -> apart(() -> to.scrollTo(to.heightAbove(p.page(), p.y()))));
    } else if (!scrolling && together.getAsBoolean()) {
      apart(() -> to.setScrollShare(from.scrollShare()));
    }
  }
}
