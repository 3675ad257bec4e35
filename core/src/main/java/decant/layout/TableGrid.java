package decant.layout;

import decant.model.Cell;
import decant.model.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A table as a grid without gaps or overlaps, as ISO 14289-1 §7.5 asks for it. */
final class TableGrid {
  /**
   * What begins at a place of the grid.
   *
   * @param cell empty where a row lacks one
   * @param rows how many it covers, this one included
   */
  record Slot(Optional<Cell> cell, int columns, int rows) {}

  private TableGrid() {}

  /** The slots that begin in each row; none in a row that cells from above cover. */
  static List<List<Slot>> of(Table t) {
    int[][] at = t.cellColumns();
    int count = t.rows().size();
    int max = 2 * t.columnCount(at);
    boolean[][] taken = new boolean[count][max];
    var out = new ArrayList<List<Slot>>();
    int columns = 1;
    for (int r = 0; r < count; r++) {
      var row = new ArrayList<Slot>();
      List<Cell> cells = t.rows().get(r).cells();
      int next = 0;
      for (int k = 0; k < cells.size(); k++) {
        Cell c = cells.get(k);
        int column = Math.max(next, at[r][k]);
        while (column < max - 1 && taken[r][column]) {
          column++; // a cell from above reaches down further to the right than the table goes
        }
        fill(row, taken[r], next, column);
        int wide = free(taken[r], column, c.columnSpan());
        int high = Math.min(c.rowSpan(), count - r);
        for (int y = r; y < r + high; y++) {
          java.util.Arrays.fill(taken[y], column, column + wide, true);
        }
        row.add(new Slot(Optional.of(c), wide, high));
        next = column + wide;
        columns = Math.max(columns, next);
      }
      out.add(row);
    }
    for (int r = 0; r < count; r++) {
      fill(out.get(r), taken[r], 0, columns);
    }
    return out;
  }

  /** How many columns a cell covers that no cell of a row above reaches down into. */
  private static int free(boolean[] taken, int from, int span) {
    int n = 1;
    while (n < span && from + n < taken.length && !taken[from + n]) {
      n++;
    }
    return n;
  }

  private static void fill(List<Slot> row, boolean[] taken, int from, int to) {
    for (int x = from; x < to; x++) {
      if (!taken[x]) {
        row.add(new Slot(Optional.empty(), 1, 1));
        taken[x] = true;
      }
    }
  }
}
