package decant.compare;

import decant.layout.item.TableEdges;
import decant.layout.item.TableLayout;
import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.Look;
import decant.model.look.TableTraits;
import decant.model.look.VerticalAlignment;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * How a cell looks but for its text.
 *
 * @param header whether its row is repeated on each page that the table goes on on
 */
record CellLook(
    Colour shading, TableLayout.Edges edges, VerticalAlignment alignment, boolean header) {
  /** Those of all cells of a table, row by row. */
  static List<List<CellLook>> of(Table t) {
    int[][] at = t.cellColumns();
    TableEdges edges = TableEdges.of(t, at, t.columnCount(at));
    var out = new ArrayList<List<CellLook>>();
    for (int r = 0; r < t.rows().size(); r++) {
      Table.Row row = t.rows().get(r);
      var looks = new ArrayList<CellLook>();
      for (int k = 0; k < row.cells().size(); k++) {
        Look look = t.lookOf(row, row.cells().get(k));
        looks.add(
            new CellLook(
                look.value(TableTraits.SHADING),
                edges.around(r, k),
                look.value(TableTraits.VERTICAL_ALIGNMENT),
                row.look().value(TableTraits.HEADER_ROW)));
      }
      out.add(looks);
    }
    return out;
  }

  Set<About> differing(CellLook o) {
    return new About.Found()
        .add(Near.colours(shading, o.shading), About.BACKGROUND)
        .add(Near.rules(edges.top(), o.edges.top()), About.RULES)
        .add(Near.rules(edges.right(), o.edges.right()), About.RULES)
        .add(Near.rules(edges.bottom(), o.edges.bottom()), About.RULES)
        .add(Near.rules(edges.left(), o.edges.left()), About.RULES)
        .add(alignment == o.alignment, About.ALIGNMENT)
        .add(header == o.header, About.HEADER_ROW)
        .all();
  }
}
