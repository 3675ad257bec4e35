package decant.model;

import decant.model.look.Extent;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.TableStyle;
import decant.model.look.TableTraits;
import java.util.ArrayList;
import java.util.List;

/**
 * A table.
 *
 * @param look table traits, which rows and cells may set again
 * @param columns width of each grid column, in points
 * @param rows each with the cells that begin in it; a cell merged downwards stands in its first row
 *     only
 */
public record Table(NodeId id, Look look, List<Double> columns, List<Row> rows) implements Block {
  /** One row. */
  public record Row(Look look, List<Cell> cells) {
    public Row {
      cells = List.copyOf(cells);
    }
  }

  public Table {
    columns = List.copyOf(columns);
    rows = List.copyOf(rows);
  }

  public Table withRows(List<Row> others) {
    return new Table(id, look, columns, others);
  }

  /** With what the table's style gives to each cell, by where the cells stand now. */
  public Table styled() {
    TableStyle style = look.value(TableTraits.BY_PLACE);
    if (style.isPlain()) {
      return this;
    }
    int[][] at = cellColumns();
    int count = columnCount(at);
    var styled = new ArrayList<Row>();
    for (int r = 0; r < rows.size(); r++) {
      var cells = new ArrayList<Cell>();
      for (int k = 0; k < rows.get(r).cells().size(); k++) {
        Cell c = rows.get(r).cells().get(k);
        int left = at[r][k];
        var place = new TableStyle.Place(r, rows.size(), left, left + c.columnSpan(), count);
        cells.add(
            new Cell(c.id(), c.columnSpan(), c.rowSpan(), style.of(c.look(), place), c.blocks()));
      }
      styled.add(new Row(rows.get(r).look(), cells));
    }
    return withRows(styled);
  }

  /**
   * The look of a cell of a row, with what the row, the table and the style of the table say where
   * it says nothing itself.
   */
  public Look lookOf(Row row, Cell c) {
    Look direct = c.look().over(row.look().over(look));
    return direct.over(
        c.look().value(TableTraits.FROM_STYLE).over(look.value(TableTraits.FROM_STYLE)));
  }

  /** The room around the text of cells that say nothing of it themselves. */
  public Insets padding() {
    return look.over(look.value(TableTraits.FROM_STYLE)).value(TableTraits.CELL_PADDING);
  }

  /**
   * How wide the cells of each grid column ask it to be, in points, which goes before {@link
   * #columns}; 0 where none does.
   *
   * @param at what {@link #cellColumns} gives
   * @param room the width that the table stands in
   */
  public double[] preferredWidths(int[][] at, int count, double room) {
    double[] preferred = new double[count];
    for (int r = 0; r < at.length; r++) {
      for (int k = 0; k < at[r].length; k++) {
        Cell c = rows.get(r).cells().get(k);
        int column = at[r][k];
        if (c.columnSpan() == 1 && column < count) {
          double w =
              switch (c.look().value(TableTraits.WIDTH)) {
                case Extent.Auto a -> 0;
                case Extent.Points p -> p.points();
                case Extent.Share s -> s.share() * room;
              };
          preferred[column] = Math.max(preferred[column], w);
        }
      }
    }
    return preferred;
  }

  /**
   * How many grid columns the table has: those it gives widths for, and those its cells reach into.
   * At least one.
   *
   * @param at what {@link #cellColumns} gives
   */
  public int columnCount(int[][] at) {
    int count = Math.max(1, columns.size());
    for (int r = 0; r < at.length; r++) {
      for (int k = 0; k < at[r].length; k++) {
        count = Math.max(count, at[r][k] + rows.get(r).cells().get(k).columnSpan());
      }
    }
    return count;
  }

  /**
   * Which grid column each cell of each row begins in, merged cells of earlier rows taken into
   * account.
   */
  public int[][] cellColumns() {
    int[][] result = new int[rows.size()][];
    int width = Math.max(1, columns.size());
    for (Row row : rows) {
      int sum = 0;
      for (Cell c : row.cells()) {
        sum += c.columnSpan();
      }
      width = Math.max(width, sum);
    }
    int[] blocked = new int[width * 2 + 1]; // rows still covered from above, per column
    for (int r = 0; r < rows.size(); r++) {
      List<Cell> cells = rows.get(r).cells();
      result[r] = new int[cells.size()];
      int[] next = new int[blocked.length];
      for (int c = 0; c < blocked.length; c++) {
        next[c] = Math.max(0, blocked[c] - 1);
      }
      int column = 0;
      for (int k = 0; k < cells.size(); k++) {
        while (column < width && blocked[column] > 0) {
          column++;
        }
        result[r][k] = column;
        Cell cell = cells.get(k);
        for (int c = 0; c < cell.columnSpan() && column < blocked.length; c++, column++) {
          next[column] = Math.max(next[column], cell.rowSpan() - 1);
        }
      }
      blocked = next;
    }
    return result;
  }
}
