package decant.model.edit;

import decant.model.Cell;
import decant.model.NodeId;
import decant.model.Table;
import decant.model.look.Look;
import decant.model.look.TableTraits;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A table as a grid: which cell covers each of its fields. Rows and columns are put in and taken
 * out here; every result is a table whose rows all cover the same columns.
 */
public final class Grid {
  /**
   * Where a cell stands.
   *
   * @param row of its first field
   * @param column of its first field
   */
  public record Spot(Cell cell, int row, int column) {
    boolean covers(int r, int c) {
      return r >= row && r < row + cell.rowSpan() && c >= column && c < column + cell.columnSpan();
    }

    int lastRow() {
      return row + cell.rowSpan() - 1;
    }

    int lastColumn() {
      return column + cell.columnSpan() - 1;
    }
  }

  private final Table table;
  private final List<Spot> spots = new ArrayList<>();
  private final int columns;

  private Grid(Table table) {
    this.table = table;
    int[][] at = table.cellColumns();
    this.columns = table.columnCount(at);
    for (int r = 0; r < at.length; r++) {
      List<Cell> cells = table.rows().get(r).cells();
      for (int k = 0; k < cells.size(); k++) {
        spots.add(new Spot(cells.get(k), r, at[r][k]));
      }
    }
  }

  public static Grid of(Table table) {
    return new Grid(table);
  }

  public int rows() {
    return table.rows().size();
  }

  public int columns() {
    return columns;
  }

  /** The cells, row by row. */
  public List<Spot> spots() {
    return List.copyOf(spots);
  }

  /** Where the cell with an identity stands. */
  public Optional<Spot> spot(NodeId cell) {
    return spots.stream().filter(s -> s.cell().id().equals(cell)).findFirst();
  }

  /** The cell that covers a field. */
  public Optional<Spot> at(int row, int column) {
    return spots.stream().filter(s -> s.covers(row, column)).findFirst();
  }

  /** The rectangle of cells from one to another, as a table of its own. */
  Table part(NodeId from, NodeId to) {
    Area area = area(from, to);
    return cut(area.top(), area.bottom(), area.left(), area.right());
  }

  /** A rectangle of fields, all included. */
  public record Area(int top, int bottom, int left, int right) {
    boolean holds(Spot s) {
      return s.row() >= top && s.row() <= bottom && s.column() >= left && s.column() <= right;
    }
  }

  /** The smallest rectangle around two cells that cuts through none. */
  public Area area(NodeId from, NodeId to) {
    Spot a = spot(from).orElseThrow();
    Spot b = spot(to).orElseThrow();
    int top = Math.min(a.row(), b.row());
    int bottom = Math.max(a.lastRow(), b.lastRow());
    int left = Math.min(a.column(), b.column());
    int right = Math.max(a.lastColumn(), b.lastColumn());
    boolean grown = true;
    while (grown) {
      grown = false;
      for (Spot s : spots) {
        boolean meets =
            s.row() <= bottom
                && s.lastRow() >= top
                && s.column() <= right
                && s.lastColumn() >= left;
        if (meets
            && (s.row() < top
                || s.lastRow() > bottom
                || s.column() < left
                || s.lastColumn() > right)) {
          top = Math.min(top, s.row());
          bottom = Math.max(bottom, s.lastRow());
          left = Math.min(left, s.column());
          right = Math.max(right, s.lastColumn());
          grown = true;
        }
      }
    }
    return new Area(top, bottom, left, right);
  }

  private Table cut(int top, int bottom, int left, int right) {
    var rows = new ArrayList<Table.Row>();
    for (int r = top; r <= Math.min(bottom, rows() - 1); r++) {
      var cells = new ArrayList<Cell>();
      for (Spot s : spots) {
        if (s.row() == r && s.column() >= left && s.column() <= right) {
          cells.add(s.cell());
        }
      }
      rows.add(new Table.Row(table.rows().get(r).look(), cells));
    }
    List<Double> widths =
        table
            .columns()
            .subList(
                Math.min(left, table.columns().size()),
                Math.min(right + 1, table.columns().size()));
    return new Table(table.id(), table.look(), widths, rows);
  }

  /**
   * The table with a row more, above or below another, of cells like those of that row. Cells that
   * reach past the new row are a row longer.
   *
   * @param by the row that it is put beside
   */
  public Table withRow(int by, boolean below, CellMaker empty) {
    int at = below ? by + 1 : by;
    var fresh = new ArrayList<Cell>();
    for (int c = 0; c < columns; ) {
      Spot beside = at(by, c).orElse(null);
      boolean reaches = beside != null && beside.row() < at && beside.lastRow() >= at;
      if (!reaches) {
        fresh.add(empty.like(beside == null ? null : beside.cell(), spanIn(beside)));
      }
      c = beside == null ? c + 1 : Math.max(c + 1, beside.lastColumn() + 1);
    }
    var rows = new ArrayList<Table.Row>();
    for (int r = 0; r < rows(); r++) {
      var cells = new ArrayList<Cell>();
      for (Spot s : spots) {
        if (s.row() == r) {
          boolean longer = s.row() < at && s.lastRow() >= at;
          cells.add(
              longer
                  ? spanning(s.cell(), s.cell().columnSpan(), s.cell().rowSpan() + 1)
                  : s.cell());
        }
      }
      rows.add(new Table.Row(table.rows().get(r).look(), cells));
    }
    Look look = table.rows().get(by).look();
    rows.add(at, new Table.Row(below ? look.without(TableTraits.HEADER_ROW) : look, fresh));
    return table.withRows(rows);
  }

  private static int spanIn(@Nullable Spot s) {
    return s == null ? 1 : s.cell().columnSpan();
  }

  /** Makes an empty cell in the look of another one. */
  public interface CellMaker {
    Cell like(@Nullable Cell other, int columnSpan);
  }

  /** The table with a column more, beside another, as wide as that one. */
  public Table withColumn(int by, boolean after, CellMaker empty) {
    int at = after ? by + 1 : by;
    var rows = new ArrayList<Table.Row>();
    for (int r = 0; r < rows(); r++) {
      var cells = new ArrayList<Cell>();
      boolean put = false;
      for (Spot s : spots) {
        if (s.row() != r) {
          continue;
        }
        if (!put && s.column() >= at && !reached(r, at)) {
          cells.add(fresh(r, by, empty));
          put = true;
        }
        boolean wider = s.column() < at && s.lastColumn() >= at;
        put |= wider;
        cells.add(
            wider ? spanning(s.cell(), s.cell().columnSpan() + 1, s.cell().rowSpan()) : s.cell());
      }
      if (!put && !reached(r, at)) {
        cells.add(fresh(r, by, empty));
      }
      rows.add(new Table.Row(table.rows().get(r).look(), cells));
    }
    var widths = new ArrayList<>(table.columns());
    if (by < widths.size()) {
      widths.add(Math.min(at, widths.size()), widths.get(by));
    }
    return new Table(table.id(), table.look(), widths, rows);
  }

  /** Whether a cell that begins before a column, in this row or above it, reaches past its edge. */
  private boolean reached(int row, int at) {
    return spots.stream()
        .anyMatch(
            s -> s.column() < at && s.lastColumn() >= at && s.row() <= row && s.lastRow() >= row);
  }

  private Cell fresh(int row, int by, CellMaker empty) {
    return empty.like(at(row, by).map(Spot::cell).orElse(null), 1);
  }

  /** The table without some rows; nothing if none would be left. */
  public Optional<Table> withoutRows(int top, int bottom) {
    var rows = new ArrayList<Table.Row>();
    for (int r = 0; r < rows(); r++) {
      if (r >= top && r <= bottom) {
        continue;
      }
      var cells = new ArrayList<Cell>();
      for (Spot s : spots) {
        boolean movesHere = s.row() >= top && s.row() <= bottom && r == bottom + 1;
        if (s.row() == r || movesHere && s.lastRow() > bottom) {
          int kept = 0;
          for (int k = s.row(); k <= s.lastRow(); k++) {
            kept += k < top || k > bottom ? 1 : 0;
          }
          cells.add(spanning(s.cell(), s.cell().columnSpan(), kept));
        }
      }
      cells.sort(java.util.Comparator.comparingInt(c -> spot(c.id()).orElseThrow().column()));
      rows.add(new Table.Row(table.rows().get(r).look(), cells));
    }
    return rows.isEmpty() ? Optional.empty() : Optional.of(table.withRows(rows));
  }

  /** The table without some columns; nothing if none would be left. */
  public Optional<Table> withoutColumns(int left, int right) {
    if (left <= 0 && right >= columns - 1) {
      return Optional.empty();
    }
    var rows = new ArrayList<Table.Row>();
    for (int r = 0; r < rows(); r++) {
      var cells = new ArrayList<Cell>();
      for (Spot s : spots) {
        if (s.row() != r) {
          continue;
        }
        int kept = 0;
        for (int c = s.column(); c <= s.lastColumn(); c++) {
          kept += c < left || c > right ? 1 : 0;
        }
        if (kept > 0) {
          cells.add(spanning(s.cell(), kept, s.cell().rowSpan()));
        }
      }
      rows.add(new Table.Row(table.rows().get(r).look(), cells));
    }
    var widths = new ArrayList<Double>();
    for (int c = 0; c < table.columns().size(); c++) {
      if (c < left || c > right) {
        widths.add(table.columns().get(c));
      }
    }
    return Optional.of(new Table(table.id(), table.look(), widths, rows));
  }

  /** The table with the cells of a rectangle made one, in which their texts follow one another. */
  public Table merged(Area area) {
    Spot first = at(area.top(), area.left()).orElseThrow();
    var blocks = new ArrayList<decant.model.Block>();
    for (Spot s : spots) {
      if (area.holds(s)) {
        s.cell().blocks().stream().filter(b -> !isEmpty(b)).forEach(blocks::add);
      }
    }
    if (blocks.isEmpty()) {
      blocks.add(first.cell().blocks().getFirst());
    }
    Cell one =
        spanning(first.cell(), area.right() - area.left() + 1, area.bottom() - area.top() + 1)
            .withBlocks(blocks);
    return replaced(
        s -> !area.holds(s) ? List.of(s.cell()) : s.equals(first) ? List.of(one) : List.of());
  }

  /** The table with a merged cell cut into its fields; its text stays in the first. */
  public Table split(NodeId cell, CellMaker empty) {
    Spot it = spot(cell).orElseThrow();
    var rows = new ArrayList<Table.Row>();
    for (int r = 0; r < rows(); r++) {
      var cells = new ArrayList<Cell>();
      boolean put = r < it.row() || r > it.lastRow();
      for (Spot s : spots) {
        if (s.row() != r) {
          continue;
        }
        if (!put && s.column() >= it.column()) {
          fields(it, r, empty, cells);
          put = true;
        }
        if (!s.equals(it)) {
          cells.add(s.cell());
        }
      }
      if (!put) {
        fields(it, r, empty, cells);
      }
      rows.add(new Table.Row(table.rows().get(r).look(), cells));
    }
    return table.withRows(rows);
  }

  private static void fields(Spot it, int row, CellMaker empty, List<Cell> to) {
    for (int c = it.column(); c <= it.lastColumn(); c++) {
      boolean first = row == it.row() && c == it.column();
      to.add(first ? spanning(it.cell(), 1, 1) : empty.like(it.cell(), 1));
    }
  }

  /** The table with another cell in place of the one of its identity. */
  Table with(Cell cell) {
    return replaced(s -> List.of(s.cell().id().equals(cell.id()) ? cell : s.cell()));
  }

  private Table replaced(java.util.function.Function<Spot, List<Cell>> by) {
    var rows = new ArrayList<Table.Row>();
    for (int r = 0; r < rows(); r++) {
      var cells = new ArrayList<Cell>();
      for (Spot s : spots) {
        if (s.row() == r) {
          cells.addAll(by.apply(s));
        }
      }
      rows.add(new Table.Row(table.rows().get(r).look(), cells));
    }
    return table.withRows(rows);
  }

  private static boolean isEmpty(decant.model.Block b) {
    return b instanceof decant.model.Paragraph p && p.length() == 0;
  }

  static Cell spanning(Cell c, int columnSpan, int rowSpan) {
    return new Cell(c.id(), columnSpan, rowSpan, c.look(), c.blocks());
  }
}
