package decant.office.grid;

import decant.model.Block;
import decant.model.Cell;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.look.Look;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/**
 * The rows of a table, made cell by cell where each says where it begins and ends. What stands in a
 * cell that another covers is added to that one.
 */
public final class GridRows {
  /** How a cell is joined with its neighbours. */
  public enum Join {
    NONE,
    /** It is part of the cell before it. */
    LEFT,
    /** Cells below may be part of it. */
    DOWN,
    /** It is part of the cell above it. */
    ABOVE
  }

  /** A cell that reaches down: the row and the place in it. */
  private record Origin(int row, int cell) {}

  private final ColumnEdges edges;
  private final List<Table.Row> rows = new ArrayList<>();
  private final Map<Integer, Origin> open = new HashMap<>();
  private List<Cell> cells = new ArrayList<>();
  private int at;

  public GridRows(ColumnEdges edges) {
    this.edges = edges;
  }

  /**
   * One cell more of the row.
   *
   * @param left where it begins, in twips
   * @param right where it ends
   */
  public void cell(int left, int right, Join join, Look look, List<Block> blocks) {
    int from = edges.nearest(left);
    int to = Math.max(from + 1, edges.nearest(right));
    if (from > at) {
      cells.add(new Cell(NodeId.fresh(), from - at, 1, Look.PLAIN, filled(List.of())));
    }
    int wide = to - Math.max(from, at);
    at = Math.max(at, to);
    if (!cells.isEmpty() && (join == Join.LEFT || wide < 1)) {
      Cell last = cells.removeLast();
      cells.add(joined(last, last.columnSpan() + Math.max(0, wide), last.rowSpan(), blocks));
      return;
    }
    Origin above = open.get(from);
    if (join == Join.ABOVE && above != null && reaches(above, wide)) {
      grow(above, blocks);
      return;
    }
    cells.add(new Cell(NodeId.fresh(), Math.max(1, wide), 1, look, filled(blocks)));
    if (join == Join.DOWN) {
      open.put(from, new Origin(rows.size(), cells.size() - 1));
    } else {
      open.remove(from);
    }
  }

  /** The row ends. */
  public void end(Look look) {
    rows.add(new Table.Row(look, cells));
    cells = new ArrayList<>();
    at = 0;
  }

  public List<Table.Row> rows() {
    return List.copyOf(rows);
  }

  private boolean reaches(Origin o, int wide) {
    Cell c = rows.get(o.row).cells().get(o.cell);
    return o.row + c.rowSpan() == rows.size() && c.columnSpan() == wide;
  }

  private void grow(Origin o, List<Block> blocks) {
    Table.Row row = rows.get(o.row);
    var all = new ArrayList<>(row.cells());
    Cell c = all.get(o.cell);
    all.set(o.cell, joined(c, c.columnSpan(), c.rowSpan() + 1, blocks));
    rows.set(o.row, new Table.Row(row.look(), all));
  }

  private static Cell joined(Cell c, int columns, int down, List<Block> more) {
    List<Block> all =
        isBlank(more)
            ? c.blocks()
            : isBlank(c.blocks())
                ? more
                : Stream.concat(c.blocks().stream(), more.stream()).toList();
    return new Cell(c.id(), columns, down, c.look(), all);
  }

  private static boolean isBlank(List<Block> blocks) {
    return blocks.stream().allMatch(b -> b instanceof Paragraph p && p.inlines().isEmpty());
  }

  private static List<Block> filled(List<Block> blocks) {
    return blocks.isEmpty() ? List.of(Paragraph.of(Look.PLAIN, "")) : blocks;
  }
}
