package decant.pdf.write;

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
    int columns = t.columnCount(at);
    int count = t.rows().size();
    boolean[][] taken = new boolean[count][columns];
    var out = new ArrayList<List<Slot>>();
    for (int r = 0; r < count; r++) {
      var row = new ArrayList<Slot>();
      List<Cell> cells = t.rows().get(r).cells();
      int next = 0;
      for (int k = 0; k < cells.size(); k++) {
        Cell c = cells.get(k);
        fill(row, taken[r], next, at[r][k]);
        int wide = free(taken[r], at[r][k], c.columnSpan());
        int high = Math.min(c.rowSpan(), count - r);
        for (int y = r; y < r + high; y++) {
          java.util.Arrays.fill(taken[y], at[r][k], Math.min(columns, at[r][k] + wide), true);
        }
        row.add(new Slot(Optional.of(c), wide, high));
        next = at[r][k] + wide;
      }
      fill(row, taken[r], next, columns);
      out.add(row);
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
