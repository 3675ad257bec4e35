package decant.layout;

import decant.layout.item.Fragment;
import decant.layout.item.TableLayout;
import decant.layout.pages.Page;
import decant.model.Box;
import decant.model.Cell;
import decant.model.NodeId;
import decant.model.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;

/**
 * A table, or the part of it that a page has, where it stands.
 *
 * @param box from the top left of the page
 * @param edges of its columns, from left to right: one more than there are columns; empty where
 *     they cannot be told because no cell ends at some of them
 * @param cells where each cell stands
 */
public record PlacedTable(Table table, Box box, List<Double> edges, List<PlacedCell> cells) {
  /** Edges nearer to one another are one, in points. */
  private static final double CLOSE = 0.5;

  /** A cell where it stands. */
  public record PlacedCell(NodeId cell, Box box) {}

  public PlacedTable {
    edges = List.copyOf(edges);
    cells = List.copyOf(cells);
  }

  /** The table with an identity, as far as it stands on a page. */
  public static Optional<PlacedTable> of(Page page, NodeId table) {
    return find(page.texts(), 0, 0, table);
  }

  private static Optional<PlacedTable> find(
      List<Fragment> in, double dx, double dy, NodeId wanted) {
    for (Fragment f : in) {
      if (f instanceof Fragment.Rows r) {
        if (r.source().id().equals(wanted)) {
          return Optional.of(of(r, dx + r.x(), dy + r.y()));
        }
        double y = dy + r.y() + r.headHeight();
        for (TableLayout.Placed p : r.layout().placed(r.from(), r.to())) {
          Optional<PlacedTable> inner =
              find(p.content(), dx + r.x() + p.cell().x(), y + p.y(), wanted);
          if (inner.isPresent()) {
            return inner;
          }
        }
      }
    }
    return Optional.empty();
  }

  private static PlacedTable of(Fragment.Rows r, double x, double y) {
    TableLayout layout = r.layout();
    Table source = layout.source();
    double top = y + r.headHeight();
    var cells = new ArrayList<PlacedCell>();
    double left = Double.MAX_VALUE;
    double right = -Double.MAX_VALUE;
    for (TableLayout.Placed p : layout.placed(r.from(), r.to())) {
      var box = new Box(x + p.cell().x(), top + p.y(), p.cell().width(), p.height());
      left = Math.min(left, box.x());
      right = Math.max(right, box.right());
      Cell cell = source.rows().get(p.row()).cells().get(p.cell().number());
      cells.add(new PlacedCell(cell.id(), box));
    }
    var box = new Box(left, y, right - left, r.height());
    return new PlacedTable(source, box, edges(layout, source, x), cells);
  }

  private static List<Double> edges(TableLayout layout, Table source, double x) {
    var all = new TreeSet<Double>();
    for (TableLayout.Row row : layout.rows()) {
      for (TableLayout.CellBox c : row.cells()) {
        all.add(x + c.x());
        all.add(x + c.x() + c.width());
      }
    }
    var out = new ArrayList<Double>();
    for (double e : all) {
      if (out.isEmpty() || e - out.getLast() > CLOSE) {
        out.add(e);
      }
    }
    boolean known = out.size() == source.columnCount(source.cellColumns()) + 1;
    return known ? out : List.of();
  }
}
