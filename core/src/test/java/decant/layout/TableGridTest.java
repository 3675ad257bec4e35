package decant.layout;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Cell;
import decant.model.NodeId;
import decant.model.Table;
import decant.model.look.Look;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Whatever a table's cells say, its grid has neither gaps nor overlaps. */
class TableGridTest {
  @Test
  void everyPlaceOfTheGridIsCoveredOnce() {
    var random = new Random(5);
    for (int round = 0; round < 500; round++) {
      Table t = table(random);
      List<List<TableGrid.Slot>> rows = TableGrid.of(t);
      assertThat(rows).hasSize(t.rows().size());
      int[] widths = widths(rows);
      assertThat(widths).as("round %d", round).containsOnly(widths[0]);
      // Every cell of the table is there, in its order.
      var cells = new ArrayList<Cell>();
      t.rows().forEach(r -> cells.addAll(r.cells()));
      var placed = new ArrayList<Cell>();
      rows.forEach(r -> r.forEach(s -> s.cell().ifPresent(placed::add)));
      assertThat(placed).isEqualTo(cells);
    }
  }

  private static Table table(Random random) {
    var rows = new ArrayList<Table.Row>();
    int n = 1 + random.nextInt(6);
    for (int r = 0; r < n; r++) {
      var cells = new ArrayList<Cell>();
      int k = random.nextInt(6);
      for (int c = 0; c < k; c++) {
        cells.add(
            new Cell(
                NodeId.fresh(),
                1 + random.nextInt(3),
                1 + random.nextInt(3),
                Look.PLAIN,
                List.of(Samples.paragraph("x"))));
      }
      rows.add(new Table.Row(Look.PLAIN, cells));
    }
    return new Table(NodeId.fresh(), Look.PLAIN, List.of(50.0), rows);
  }

  /** How many places of each row are covered; fails where two cover the same. */
  private static int[] widths(List<List<TableGrid.Slot>> rows) {
    boolean[][] covered = new boolean[rows.size()][100];
    for (int r = 0; r < rows.size(); r++) {
      int column = 0;
      for (TableGrid.Slot s : rows.get(r)) {
        while (covered[r][column]) {
          column++;
        }
        for (int y = r; y < r + s.rows(); y++) {
          for (int x = column; x < column + s.columns(); x++) {
            assertThat(covered[y][x]).isFalse();
            covered[y][x] = true;
          }
        }
      }
    }
    int[] out = new int[rows.size()];
    for (int r = 0; r < out.length; r++) {
      for (boolean c : covered[r]) {
        out[r] += c ? 1 : 0;
      }
    }
    return out;
  }
}
