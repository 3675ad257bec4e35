package decant.desktop.pinned;

import decant.desktop.page.PagesView;
import decant.desktop.page.PointerTurn;
import decant.model.Box;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.scene.Node;
import javafx.scene.input.MouseEvent;
import javafx.scene.shape.Rectangle;

/** A frame that is drawn around what a page is to show. */
public final class CropDrag implements PointerTurn.Use {
  private final PagesView view;
  private final BiConsumer<Integer, Box> drawn;
  private final PointerTurn turn;
  private Optional<PagesView.PagePoint> from = Optional.empty();
  private Optional<PagesView.PagePoint> to = Optional.empty();

  /**
   * @param drawn takes the page, from 0, and the frame
   */
  public CropDrag(PagesView view, BiConsumer<Integer, Box> drawn) {
    this.view = view;
    this.drawn = drawn;
    this.turn = new PointerTurn(view, this);
  }

  ReadOnlyBooleanProperty activeProperty() {
    return turn.activeProperty();
  }

  void begin() {
    from = Optional.empty();
    to = Optional.empty();
    turn.begin();
  }

  @Override
  public void pointer(MouseEvent e, Optional<PagesView.PagePoint> at) {
    if (e.getEventType() == MouseEvent.MOUSE_PRESSED) {
      from = at;
      to = at;
    } else if (e.getEventType() == MouseEvent.MOUSE_DRAGGED) {
      to = at.filter(p -> from.filter(f -> f.page() == p.page()).isPresent()).or(() -> to);
      view.refreshOverlays();
    } else if (e.getEventType() == MouseEvent.MOUSE_RELEASED && from.isPresent()) {
      Box box = box();
      int page = from.get().page();
      turn.end();
      drawn.accept(page, box);
    }
  }

  private Box box() {
    PagesView.PagePoint a = from.orElseThrow();
    PagesView.PagePoint b = to.orElseThrow();
    return new Box(
        Math.min(a.x(), b.x()),
        Math.min(a.y(), b.y()),
        Math.abs(a.x() - b.x()),
        Math.abs(a.y() - b.y()));
  }

  /** What is drawn over a page: the frame so far. */
  public List<Node> over(int page, double scale) {
    var out = new ArrayList<Node>();
    if (turn.activeProperty().get()
        && from.filter(f -> f.page() == page).isPresent()
        && to.isPresent()) {
      Box b = box();
      var frame =
          new Rectangle(b.x() * scale, b.y() * scale, b.width() * scale, b.height() * scale);
      frame.getStyleClass().add("picked-place");
      out.add(frame);
    }
    return out;
  }
}
