package decant.office.emit;

import decant.model.Cell;
import decant.model.Table;
import java.util.ArrayList;
import java.util.List;

/**
 * What stands in each row of a table, cells merged downwards in every row that they cover.
 *
 * @param columns how many columns the table has
 * @param rows the pieces of each row, from the first column on
 */
public record CellGrid(int columns, List<List<Piece>> rows) {
  /**
   * A cell in one of its rows.
   *
   * @param column the first that it covers
   * @param row that the cell begins in
   * @param below whether it began further up
   */
  public record Piece(Cell cell, int column, int row, boolean below) {}

  public static CellGrid of(Table t) {
    int[][] at = t.cellColumns();
    int columns = t.columnCount(at);
    var grid = new Piece[t.rows().size()][columns];
    for (int r = 0; r < at.length; r++) {
      for (int k = 0; k < at[r].length; k++) {
        Cell c = t.rows().get(r).cells().get(k);
        for (int down = 0; down < c.rowSpan() && r + down < grid.length; down++) {
          if (at[r][k] < columns && grid[r + down][at[r][k]] == null) {
            grid[r + down][at[r][k]] = new Piece(c, at[r][k], r, down > 0);
          }
        }
      }
    }
    var rows = new ArrayList<List<Piece>>();
    for (Piece[] row : grid) {
      var pieces = new ArrayList<Piece>();
      for (Piece p : row) {
        if (p != null) {
          pieces.add(p);
        }
      }
      rows.add(pieces);
    }
    return new CellGrid(columns, rows);
  }
}
