package decant.desktop.pinned;

import decant.desktop.page.Grip;
import decant.desktop.page.PagesView;
import decant.model.Box;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.shape.Rectangle;

/**
 * The frame of a picture of a pinned page: moved as a whole, scaled at its corners and sides, or
 * moved by the arrow keys.
 */
final class PictureFrame {
  private static final double SIZE = 8;

  /** How near the pointer must come to a handle, in pixels. */
  private static final double NEAR = 7;

  /** A movement smaller than this is a click, in points. */
  private static final double CLICK = 2;

  /** Nothing is made smaller than this, in points. */
  private static final double LEAST = 4;

  /** By how far the arrow keys move it, in points. */
  private static final double STEP = 1;

  private static final double FAR_STEP = 10;

  private final PagesView view;
  private final Consumer<Box> moved;
  private Optional<Shown> shown = Optional.empty();
  private Optional<Drag> drag = Optional.empty();

  /** What is framed. */
  private record Shown(int page, Box box) {}

  /**
   * What is held.
   *
   * @param grip empty: the whole
   */
  private record Drag(Optional<Grip> grip, Point2D from, Box now) {}

  /**
   * @param moved takes where the picture is to stand
   */
  PictureFrame(PagesView view, Consumer<Box> moved) {
    this.view = view;
    this.moved = moved;
    view.addEventFilter(MouseEvent.MOUSE_PRESSED, this::pressed);
    view.addEventFilter(MouseEvent.MOUSE_DRAGGED, this::dragged);
    view.addEventFilter(MouseEvent.MOUSE_RELEASED, this::released);
    view.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
  }

  /**
   * Frames a picture.
   *
   * @param page of the view, from 0
   */
  void show(int page, Box box) {
    shown = Optional.of(new Shown(page, box));
    view.refreshOverlays();
  }

  void hide() {
    drop();
    view.refreshOverlays();
  }

  /** Frames nothing any more, from the next drawing on. */
  void drop() {
    shown = Optional.empty();
    drag = Optional.empty();
  }

  boolean isShown() {
    return shown.isPresent();
  }

  List<Node> over(int page, double scale) {
    var out = new ArrayList<Node>();
    shown
        .filter(s -> s.page == page)
        .ifPresent(s -> {
          Box b = drag.map(Drag::now).orElse(s.box);
          var frame =
              new Rectangle(b.x() * scale, b.y() * scale, b.width() * scale, b.height() * scale);
          frame.getStyleClass().addAll("object-frame", "sizing");
          out.add(frame);
          for (Grip g : Grip.values()) {
            Point2D at = g.on(b).multiply(scale);
            var handle = new Rectangle(at.getX() - SIZE / 2, at.getY() - SIZE / 2, SIZE, SIZE);
            handle.getStyleClass().add("object-handle");
            out.add(handle);
          }
        });
    return out;
  }

  private void pressed(MouseEvent e) {
    if (shown.isEmpty() || e.getButton() != MouseButton.PRIMARY) {
      return;
    }
    Shown s = shown.get();
    Optional<PagesView.PagePoint> p =
        view.pagePoint(e.getX(), e.getY()).filter(x -> x.page() == s.page);
    if (p.isEmpty()) {
      return;
    }
    var at = new Point2D(p.get().x(), p.get().y());
    double near = NEAR / view.scale();
    for (Grip g : Grip.values()) {
      if (g.on(s.box).distance(at) <= near) {
        drag = Optional.of(new Drag(Optional.of(g), at, s.box));
        e.consume();
        return;
      }
    }
    if (at.getX() >= s.box.x()
        && at.getX() <= s.box.right()
        && at.getY() >= s.box.y()
        && at.getY() <= s.box.bottom()) {
      drag = Optional.of(new Drag(Optional.empty(), at, s.box));
      view.requestFocus();
      e.consume();
    }
  }

  private void dragged(MouseEvent e) {
    if (shown.isEmpty() || drag.isEmpty()) {
      return;
    }
    e.consume();
    Shown s = shown.get();
    Drag d = drag.get();
    view.pagePoint(e.getX(), e.getY())
        .filter(p -> p.page() == s.page)
        .ifPresent(p -> {
          double dx = p.x() - d.from.getX();
          double dy = p.y() - d.from.getY();
          Box now =
              d.grip
                  .map(g -> pulled(s.box, g, dx, dy))
                  .orElse(new Box(s.box.x() + dx, s.box.y() + dy, s.box.width(), s.box.height()));
          drag = Optional.of(new Drag(d.grip, d.from, now));
          view.refreshOverlays();
        });
  }

  private static Box pulled(Box b, Grip g, double dx, double dy) {
    double[] size = g.pulled(b.width(), b.height(), dx, dy);
    double w = Math.max(LEAST, size[0]);
    double h = Math.max(LEAST, size[1]);
    double x = g.across < 0 ? b.right() - w : b.x();
    double y = g.down < 0 ? b.bottom() - h : b.y();
    return new Box(x, y, w, h);
  }

  private void released(MouseEvent e) {
    if (shown.isEmpty() || drag.isEmpty()) {
      return;
    }
    Box was = shown.get().box;
    Box now = drag.get().now;
    drag = Optional.empty();
    if (Math.abs(now.x() - was.x()) + Math.abs(now.y() - was.y()) > CLICK
        || Math.abs(now.width() - was.width()) + Math.abs(now.height() - was.height()) > CLICK) {
      e.consume();
      moved.accept(now);
    }
    view.refreshOverlays();
  }

  /** Arrow keys move the picture, Esc lets it go. */
  void key(KeyEvent e) {
    if (shown.isEmpty() || e.isShortcutDown() || e.isAltDown()) {
      return;
    }
    double step = e.isShiftDown() ? FAR_STEP : STEP;
    double dx = e.getCode() == KeyCode.LEFT ? -step : e.getCode() == KeyCode.RIGHT ? step : 0;
    double dy = e.getCode() == KeyCode.UP ? -step : e.getCode() == KeyCode.DOWN ? step : 0;
    if (e.getCode() == KeyCode.ESCAPE && e.getTarget() == view) {
      e.consume();
      hide();
    } else if (dx != 0 || dy != 0) {
      e.consume();
      Box b = shown.get().box;
      moved.accept(new Box(b.x() + dx, b.y() + dy, b.width(), b.height()));
    }
  }
}
