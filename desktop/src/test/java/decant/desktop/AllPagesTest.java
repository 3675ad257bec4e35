package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import decant.desktop.shell.Work;
import java.util.List;
import java.util.Set;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** All pages, small: chosen, dragged and moved by keys in a real window. */
class AllPagesTest extends WindowCase {
  private Work work;

  @BeforeEach
  void rules() {
    work = revise("Berth rules.pdf");
    fire("#side-pages");
    window.until(() -> window.has("#page-order"));
  }

  private List<Integer> order() {
    return Window.on(() ->
        work.revision().document().sections().stream()
            .map(s -> s.pinned().map(p -> p.page()).orElse(-1))
            .toList());
  }

  private void pinAndShow() {
    fire("#page-pin-all");
    window.until(
        () -> order().size() == 15 && !window.find("#page-later", Button.class).isDisabled());
    window.settle();
    show();
  }

  private void show() {
    fire("#page-all");
    window.until(() -> small().size() == work.layout().pages().size());
    window.settle();
  }

  private Set<Node> small() {
    return window.stage.getScene().getRoot().lookupAll(".small-page");
  }

  private Node page(int number) {
    return Window.on(() ->
        small().stream()
            .filter(n -> ("Page " + number).equals(n.getAccessibleText()))
            .findFirst()
            .orElseThrow());
  }

  private Point2D middle(int number) {
    Node n = page(number);
    return Window.on(() -> {
      Bounds b = n.localToScreen(n.getBoundsInLocal());
      return new Point2D(b.getCenterX(), b.getCenterY());
    });
  }

  private void click(int number) {
    Point2D at = middle(number);
    window.clickAt(at.getX(), at.getY(), 1);
  }

  private ImageView picture(int number) {
    return (ImageView) page(number).lookup(".image-view");
  }

  private String says() {
    return Window.on(() -> window.find("#all-pages-says", Label.class).getText());
  }

  @Test
  void aPageIsDraggedToAnotherPlace() {
    pinAndShow();
    window.drag(middle(2), middle(5).add(40, 0));
    window.until(() -> order().subList(0, 6).equals(List.of(0, 2, 3, 4, 1, 5)));
    window.until(() -> says().startsWith("1 page is chosen, of 15"));
    Window.run(() -> work.apply(r -> r.undo()));
    window.until(() -> order().subList(0, 4).equals(List.of(0, 1, 2, 3)));
  }

  @Test
  void severalAreMovedTurnedAndTakenAwayByKeysAndButtons() {
    pinAndShow();
    click(4);
    window.until(
        () -> window.find("#page-order-which", Label.class).getText().startsWith("Page 4 "));
    click(1);
    window.press(KeyCode.SHIFT, KeyCode.RIGHT);
    window.until(() -> says().startsWith("2 pages are chosen, of 15"));
    window.press(KeyCode.ALT, KeyCode.RIGHT);
    window.until(() -> order().subList(0, 4).equals(List.of(2, 0, 1, 3)));
    window.until(() -> says().startsWith("2 pages are chosen, of 15"));
    window.settle();
    fire("#all-turn-right");
    window.until(() ->
        work.layout().pages().get(1).width() > work.layout().pages().get(1).height()
            && work.layout().pages().get(2).width() > work.layout().pages().get(2).height());
    assertThat(work.layout().pages().getFirst().width())
        .isLessThan(work.layout().pages().getFirst().height());
    window.settle();
    window.press(KeyCode.DELETE);
    window.until(() -> order().size() == 13 && !order().contains(0) && !order().contains(1));
    window.settle();
    Window.run(() -> window.desk.dismiss());
    window.press(KeyCode.ESCAPE);
    window.until(() -> !window.has("#all-pages") && window.has("#pages"));
  }

  @Test
  void whatIsInSightIsPaintedAndAPageIsShownLarge() {
    show();
    assertThat(says()).contains("Pin all pages");
    assertThat(Window.on(() -> window.find("#all-later", Button.class).isDisabled())).isTrue();
    window.until(() -> Window.on(() -> picture(1).getImage() != null));
    Window.run(() -> assertThat(picture(1).getFitHeight()).isGreaterThan(picture(1).getFitWidth()));
    window.press(KeyCode.END);
    window.press(KeyCode.ENTER);
    window.until(() -> !window.has("#all-pages"));
    window.until(
        () -> window.find("#page-order-which", Label.class).getText().startsWith("Page 15 "));
  }
}
