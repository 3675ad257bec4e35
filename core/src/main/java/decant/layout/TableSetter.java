package decant.layout;

import decant.model.Cell;
import decant.model.Colour;
import decant.model.Look;
import decant.model.Table;
import decant.model.TableTraits;
import java.util.ArrayList;
import java.util.List;

/** Sets tables: column widths, cell contents, row heights. */
final class TableSetter {
  private static final double PAD_TOP = 1;

  private final BlockSetter blocks;

  TableSetter(BlockSetter blocks) {
    this.blocks = blocks;
  }

  TableLayout set(Table t, double available) {
    int[][] at = t.cellColumns();
    double[] edges = edges(t, at, available);
    double[] heights = new double[t.rows().size()];
    var boxes = new ArrayList<List<TableLayout.CellBox>>();
    for (int r = 0; r < t.rows().size(); r++) {
      Table.Row row = t.rows().get(r);
      var cells = new ArrayList<TableLayout.CellBox>();
      heights[r] = row.look().value(TableTraits.ROW_HEIGHT);
      for (int k = 0; k < row.cells().size(); k++) {
        Cell c = row.cells().get(k);
        TableLayout.CellBox box = cell(t, row, c, k, at[r][k], edges);
        cells.add(box);
        if (c.rowSpan() == 1) {
          heights[r] = Math.max(heights[r], box.height());
        }
      }
      heights[r] = Math.max(heights[r], 4);
      boxes.add(cells);
    }
    stretchForSpans(t, boxes, heights);
    var rows = new ArrayList<TableLayout.Row>();
    for (int r = 0; r < heights.length; r++) {
      var sized = new ArrayList<TableLayout.CellBox>();
      for (int k = 0; k < boxes.get(r).size(); k++) {
        int span = Math.min(t.rows().get(r).cells().get(k).rowSpan(), heights.length - r);
        double h = 0;
        for (int s = 0; s < span; s++) {
          h += heights[r + s];
        }
        sized.add(withHeight(boxes.get(r).get(k), h));
      }
      rows.add(new TableLayout.Row(r, heights[r], sized));
    }
    int header = 0;
    while (header < rows.size() - 1 && t.rows().get(header).look().value(TableTraits.HEADER_ROW)) {
      header++;
    }
    return new TableLayout(t, edges[edges.length - 1] - edges[0], rows, header);
  }

  private double[] edges(Table t, int[][] at, double available) {
    int columns = t.columnCount(at);
    double indent = t.look().value(TableTraits.INDENT);
    double room = Math.max(columns * 8.0, available - Math.max(0, indent));
    double[] widths = new double[columns];
    double sum = 0;
    for (int c = 0; c < columns; c++) {
      widths[c] =
          c < t.columns().size() && t.columns().get(c) > 0 ? t.columns().get(c) : room / columns;
      sum += widths[c];
    }
    double scale = sum > room * 1.001 ? room / sum : 1;
    double[] edges = new double[columns + 1];
    edges[0] = indent;
    for (int c = 0; c < columns; c++) {
      edges[c + 1] = edges[c] + widths[c] * scale;
    }
    return edges;
  }

  private TableLayout.CellBox cell(
      Table t, Table.Row row, Cell c, int number, int column, double[] edges) {
    Look look = c.look().over(row.look().over(t.look()));
    double x = edges[Math.min(column, edges.length - 1)];
    double right = edges[Math.min(column + c.columnSpan(), edges.length - 1)];
    double padding = Math.min(look.value(TableTraits.CELL_PADDING), Math.max(0, (right - x) / 4));
    List<Fragment> content =
        blocks.stack(c.blocks(), Math.max(6, right - x - 2 * padding), padding, PAD_TOP);
    double bottom = PAD_TOP;
    for (Fragment f : content) {
      double after = f instanceof Fragment.Lines l ? l.layout().spaceAfter() : 0;
      bottom = Math.max(bottom, f.bottom() + after);
    }
    Colour shading = look.value(TableTraits.SHADING);
    return new TableLayout.CellBox(
        number,
        x,
        right - x,
        bottom + PAD_TOP,
        padding,
        shading,
        look.value(TableTraits.RULE_WIDTH),
        look.value(TableTraits.RULE_COLOUR),
        row.look().value(TableTraits.HEADER_ROW),
        content);
  }

  private static void stretchForSpans(
      Table t, List<List<TableLayout.CellBox>> boxes, double[] heights) {
    for (int r = 0; r < heights.length; r++) {
      for (int k = 0; k < boxes.get(r).size(); k++) {
        int span = Math.min(t.rows().get(r).cells().get(k).rowSpan(), heights.length - r);
        if (span > 1) {
          double h = 0;
          for (int s = 0; s < span; s++) {
            h += heights[r + s];
          }
          heights[r + span - 1] += Math.max(0, boxes.get(r).get(k).height() - h);
        }
      }
    }
  }

  private static TableLayout.CellBox withHeight(TableLayout.CellBox c, double h) {
    return new TableLayout.CellBox(
        c.number(),
        c.x(),
        c.width(),
        h,
        c.padding(),
        c.shading(),
        c.ruleWidth(),
        c.ruleColour(),
        c.header(),
        c.content());
  }
}
