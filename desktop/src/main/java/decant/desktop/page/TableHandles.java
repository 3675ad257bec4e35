package decant.desktop.page;

import decant.desktop.shell.Work;
import decant.layout.PlacedTable;
import decant.layout.pages.Page;
import decant.model.Box;
import decant.model.Selection;
import decant.model.edit.TableEdits;
import decant.model.edit.TableLooks;
import decant.words.Figures;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;

/**
 * The rule along the edges of the table that the caret is in, with a handle above each column's
 * edge, and the frame of the caret's cell.
 */
final class TableHandles {
  private static final Words WORDS = Words.of(TableHandles.class);

  /** How far the rule stands off the table, in pixels. */
  private static final double OFF = 5;

  private static final double HANDLE = 7;
  private static final double MM = 72 / 25.4;

  private final PagesView view;
  private final Work work;
  private Optional<Held> held = Optional.empty();
  private double dx;

  /**
   * An edge that is taken hold of.
   *
   * @param edge 1 for that after the first column
   */
  private record Held(PlacedTable table, int page, int edge, double from) {}

  TableHandles(PagesView view, Work work) {
    this.view = view;
    this.work = work;
  }

  private Optional<TableEdits.In> in() {
    return TableEdits.in(
        work.revision().document(), Selection.at(work.revision().selection().caret()));
  }

  private Optional<PlacedTable> placed(Page page) {
    return in().flatMap(i -> PlacedTable.of(page, i.table().id()));
  }

  boolean holds() {
    return held.isPresent();
  }

  List<Node> over(Page page, double scale) {
    Optional<TableEdits.In> in = in();
    Optional<PlacedTable> placed = in.flatMap(i -> PlacedTable.of(page, i.table().id()));
    if (placed.isEmpty()) {
      return List.of();
    }
    var out = new ArrayList<Node>();
    Box b = placed.get().box();
    double left = b.x() * scale - OFF;
    double top = b.y() * scale - OFF;
    out.add(rule(left, top, b.right() * scale, top));
    out.add(rule(left, top, left, b.bottom() * scale));
    placed.get().cells().stream()
        .filter(c -> c.cell().equals(in.get().to()))
        .forEach(c -> {
          Box box = c.box();
          var frame =
              new Rectangle(
                  box.x() * scale, box.y() * scale, box.width() * scale, box.height() * scale);
          frame.getStyleClass().add("caret-cell");
          out.add(frame);
        });
    List<Double> edges = placed.get().edges();
    for (int k = 1; k < edges.size(); k++) {
      double x = edges.get(k) * scale;
      var handle = new Rectangle(x - HANDLE / 2, top - HANDLE / 2, HANDLE, HANDLE);
      handle.getStyleClass().add("object-handle");
      out.add(handle);
    }
    held.filter(h -> h.page() == page.number() - 1)
        .ifPresent(h -> {
          double x = (h.table().edges().get(h.edge()) + dx) * scale;
          out.add(rule(x, top, x, b.bottom() * scale));
          var size = new Label(width(h));
          size.getStyleClass().add("object-size");
          size.relocate(x + OFF, top - 3 * HANDLE);
          out.add(size);
        });
    return out;
  }

  private String width(Held h) {
    List<Double> edges = h.table().edges();
    double w = edges.get(h.edge()) + dx - edges.get(h.edge() - 1);
    return WORDS.say("table-handles.width", Figures.decimal(w / MM, 1));
  }

  private static Line rule(double x1, double y1, double x2, double y2) {
    var l = new Line(x1, y1, x2, y2);
    l.getStyleClass().add("table-rule");
    return l;
  }

  /** Takes hold of the handle under the pointer; whether there is one. */
  boolean pressed(Page page, int number, Point2D at) {
    double near = HANDLE / view.scale();
    double off = OFF / view.scale();
    held =
        placed(page)
            .filter(t -> Math.abs(at.getY() - (t.box().y() - off)) <= near)
            .flatMap(t -> {
              for (int k = 1; k < t.edges().size(); k++) {
                if (Math.abs(at.getX() - t.edges().get(k)) <= near) {
                  return Optional.of(new Held(t, number, k, at.getX()));
                }
              }
              return Optional.empty();
            });
    dx = 0;
    return held.isPresent();
  }

  void dragged(int number, Point2D at) {
    held.filter(h -> h.page() == number)
        .ifPresent(h -> {
          dx = at.getX() - h.from();
          view.refreshOverlays();
        });
  }

  /** Lets go: the columns on both sides of the edge have their new widths. */
  void released() {
    Optional<Held> was = held;
    held = Optional.empty();
    was.filter(h -> Math.abs(dx) > 0.5)
        .ifPresent(h -> {
          List<Double> edges = h.table().edges();
          var widths = new ArrayList<Double>();
          for (int k = 1; k < edges.size(); k++) {
            widths.add(edges.get(k) - edges.get(k - 1));
          }
          widths.set(h.edge() - 1, widths.get(h.edge() - 1) + dx);
          if (h.edge() < widths.size()) {
            widths.set(h.edge(), widths.get(h.edge()) - dx);
          }
          work.apply(r -> TableLooks.columns(r, h.table().table().id(), widths));
        });
    dx = 0;
  }
}
