package decant.office.emit;

import decant.model.Cell;
import decant.model.Table;
import decant.model.look.Extent;
import decant.model.look.TableTraits;
import java.util.ArrayList;
import java.util.List;

/**
 * What stands in each row of a table, cells merged downwards in every row that they cover.
 *
 * @param columns how many columns the table has
 * @param rows the pieces of each row, from the first column on
 */
public record CellGrid(int columns, List<List<Piece>> rows) {
  private static final double NARROW = 30; // points: no column of no known width is narrower

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

  /**
   * Where the columns of the table begin and end, in points from its start side; columns of no
   * known width share the room.
   *
   * @param room the width that the table stands in, in points
   */
  public double[] edges(Table t, double room) {
    var edges = new double[columns + 1];
    boolean known = t.columns().size() >= columns && t.columns().stream().allMatch(w -> w > 0);
    double each = known ? 0 : Math.max(NARROW, room / columns);
    double[] preferred = t.preferredWidths(t.cellColumns(), columns, room);
    for (int c = 0; c < columns; c++) {
      double own = known ? t.columns().get(c) : each;
      edges[c + 1] = edges[c] + (preferred[c] > 0 ? preferred[c] : own);
    }
    double factor = edges[columns] > 0 ? width(t, edges[columns], room) / edges[columns] : 1;
    for (int c = 1; c <= columns; c++) {
      edges[c] *= factor;
    }
    return edges;
  }

  /**
   * How wide a table is whose columns ask for so much: no wider than its room, if they may give.
   */
  private static double width(Table t, double asked, double room) {
    boolean gives = !t.look().value(TableTraits.FIXED_COLUMNS);
    return switch (t.look().value(TableTraits.WIDTH)) {
      case Extent.Share s -> s.share() * room;
      case Extent.Points p -> gives ? Math.min(asked, Math.max(p.points(), 1)) : asked;
      case Extent.Auto a -> gives ? Math.min(asked, Math.max(room, 1)) : asked;
    };
  }
}
