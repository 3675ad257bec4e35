package decant.desktop.page;

import decant.desktop.shell.Work;
import decant.layout.Layout;
import decant.layout.pages.Page;
import decant.model.Document;
import decant.model.Position;
import decant.model.Selection;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

/** Pointing on the pages: places the caret, selects, moves text, takes hold of objects. */
final class PagePointer {
  private final PagesView view;
  private final Work work;
  private final CaretOnPages caret;
  private final Runnable placed;
  private final DragSelection drag;
  private final TextMoving moving;
  private final ObjectHandles handles;
  private final TableHandles tables;

  /**
   * @param placed told when the caret was placed
   */
  PagePointer(PagesView view, Work work, CaretOnPages caret, Runnable placed) {
    this.view = view;
    this.work = work;
    this.caret = caret;
    this.placed = placed;
    this.drag = new DragSelection(work.revision().selection());
    this.moving = new TextMoving(work);
    this.handles = new ObjectHandles(view, work, caret);
    this.tables = new TableHandles(view, work);
    view.addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
    view.addEventHandler(MouseEvent.MOUSE_DRAGGED, this::dragged);
    view.addEventHandler(MouseEvent.MOUSE_RELEASED, this::released);
  }

  ObjectHandles handles() {
    return handles;
  }

  private Layout layout() {
    return work.layout();
  }

  private Document document() {
    return work.revision().document();
  }

  /** What is drawn over a page while something is held or selected. */
  List<Node> over(Page page, double scale) {
    var out = new ArrayList<Node>(handles.over(page, scale));
    out.addAll(tables.over(page, scale));
    moving
        .target()
        .flatMap(caret::of)
        .filter(c -> c.page().number() == page.number())
        .ifPresent(c -> out.add(PageMarks.caret(c, scale)));
    return out;
  }

  private void pressed(MouseEvent e) {
    view.requestFocus();
    if (e.getButton() != MouseButton.PRIMARY) {
      return;
    }
    e.consume();
    Optional<Position> position = positionAt(e);
    if (!e.isShiftDown() && takesHold(e)) {
      placed.run();
      return;
    }
    boolean simple = e.getClickCount() == 1 && !e.isShiftDown();
    if (simple && position.filter(moving::pressed).isPresent()) {
      return;
    }
    position.ifPresent(at -> {
      point(e).ifPresent(p -> caret.putOn(p.page()));
      Selection now = work.revision().selection();
      Selection s =
          e.getClickCount() == 1 && e.isShiftDown() && sameText(now.anchor(), at)
              ? drag.lengthen(now, at)
              : drag.begin(document(), at, e.getClickCount());
      work.select(s);
      placed.run();
    });
  }

  /** Takes hold of an object; one on a line is moved like text. */
  private boolean takesHold(MouseEvent e) {
    Optional<PagesView.PagePoint> point = point(e);
    boolean edge =
        point
            .filter(p ->
                tables.pressed(layout().pages().get(p.page()), p.page(), new Point2D(p.x(), p.y())))
            .isPresent();
    if (edge) {
      return true;
    }
    boolean taken =
        point
            .filter(p ->
                handles.pressed(
                    layout().pages().get(p.page()), p.page(), new Point2D(p.x(), p.y())))
            .isPresent();
    if (taken && !handles.holdsShape()) {
      moving.hold();
    }
    return taken;
  }

  private void dragged(MouseEvent e) {
    if (!e.isPrimaryButtonDown()) {
      return;
    }
    scroll(e);
    if (tables.holds()) {
      point(e).ifPresent(p -> tables.dragged(p.page(), new Point2D(p.x(), p.y())));
    } else if (handles.holdsShape()) {
      point(e).ifPresent(p -> handles.dragged(p.page(), new Point2D(p.x(), p.y())));
    } else if (moving.holds()) {
      moving.dragged(positionAt(e));
      view.refreshOverlays();
    } else {
      positionAt(e)
          .filter(at -> sameText(drag.anchor(), at)) // into a note none: it waits at the edge
          .ifPresent(at -> {
            work.select(drag.to(document(), at));
            placed.run();
          });
    }
  }

  /** At the edge of the view the pages go on. */
  private void scroll(MouseEvent e) {
    if (e.getY() < 10) {
      view.scrollBy(-20);
    } else if (e.getY() > view.viewHeight() - 10) {
      view.scrollBy(20);
    }
  }

  private void released(MouseEvent e) {
    boolean shaped = handles.holdsShape() || tables.holds();
    tables.released();
    handles.released();
    if (!shaped
        && moving.holds()
        && !moving.released(e.isShortcutDown())
        && !handles.isSelected()) {
      // It was only clicked: the caret goes there.
      positionAt(e)
          .ifPresent(at -> {
            point(e).ifPresent(p -> caret.putOn(p.page()));
            work.select(drag.begin(document(), at, 1));
            placed.run();
          });
    }
    view.refreshOverlays();
  }

  private boolean sameText(Position a, Position b) {
    return document().index().sameText(a.paragraph(), b.paragraph());
  }

  private Optional<PagesView.PagePoint> point(MouseEvent e) {
    return view.pagePoint(e.getX(), e.getY()).filter(p -> p.page() < layout().pages().size());
  }

  private Optional<Position> positionAt(MouseEvent e) {
    return point(e)
        .flatMap(p -> layout().positionAt(layout().pages().get(p.page()), p.x(), p.y()))
        .filter(at -> document().paragraph(at.paragraph()).isPresent());
  }
}
