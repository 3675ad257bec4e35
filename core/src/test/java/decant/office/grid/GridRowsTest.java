package decant.office.grid;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Block;
import decant.model.Cell;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.look.Look;
import decant.model.walk.Walk;
import decant.office.grid.GridRows.Join;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Cells that say where they begin and end, as cells of a grid. */
class GridRowsTest {
  private final ColumnEdges edges = ColumnEdges.of(List.of(2000, -108, 1003, 1000, 4000));
  private final GridRows rows = new GridRows(edges);

  private static List<Block> said(String words) {
    return words.isEmpty() ? List.of() : List.of(Samples.paragraph(words));
  }

  private void cell(int left, int right, Join join, String words) {
    rows.cell(left, right, join, Look.PLAIN, said(words));
  }

  private List<String> shape() {
    return rows.rows().stream()
        .flatMap(r -> r.cells().stream())
        .map(c -> words(c) + " " + c.columnSpan() + "x" + c.rowSpan())
        .toList();
  }

  private static String words(Cell c) {
    return String.join("/", Walk.paragraphs(c.blocks()).stream().map(Paragraph::text).toList());
  }

  @Test
  void edgesNearerThanAPointAreOne() {
    assertThat(edges.widths()).containsExactly(55.4, 50.0, 100.0);
    assertThat(edges.left()).isEqualTo(-5.4);
    assertThat(List.of(-5000, 400, 500, 1003, 3001, 2999, 9000).stream().map(edges::nearest))
        .containsExactly(0, 0, 1, 1, 3, 2, 3);
    assertThat(ColumnEdges.of(List.of()).nearest(7)).isZero();
    assertThat(ColumnEdges.of(List.of()).isEmpty()).isTrue();
  }

  @Test
  void cellsCoverTheColumnsBetweenTheirEdges() {
    cell(-108, 1003, Join.NONE, "a");
    cell(1003, 4000, Join.NONE, "b");
    rows.end(Look.PLAIN);
    cell(1000, 2000, Join.NONE, "begins later");
    rows.end(Look.PLAIN);
    assertThat(shape()).containsExactly("a 1x1", "b 2x1", " 1x1", "begins later 1x1");
  }

  @Test
  void coveredCellsAreTakenIntoThoseThatCoverThem() {
    cell(-108, 1000, Join.DOWN, "a");
    cell(1000, 2000, Join.NONE, "b");
    cell(2000, 4000, Join.LEFT, "");
    rows.end(Look.PLAIN);
    cell(-108, 1000, Join.ABOVE, "");
    cell(1000, 4000, Join.NONE, "c");
    rows.end(Look.PLAIN);
    cell(-108, 1000, Join.ABOVE, "under it");
    cell(1000, 4000, Join.NONE, "d");
    rows.end(Look.PLAIN);
    assertThat(shape()).containsExactly("a/under it 1x3", "b 2x1", "c 2x1", "d 2x1");
  }

  /** A cell of no width, one under nothing, one under a cell of another width: none is lost. */
  @Test
  void whatFitsNowhereIsStillThere() {
    cell(-108, 1000, Join.ABOVE, "under nothing");
    cell(1000, 1001, Join.NONE, "narrow");
    cell(1000, 1001, Join.NONE, "narrower");
    rows.end(Look.PLAIN);
    cell(-108, 1000, Join.DOWN, "a");
    rows.end(Look.PLAIN);
    cell(-108, 2000, Join.ABOVE, "wider");
    rows.end(Look.PLAIN);
    rows.end(Look.PLAIN);
    cell(-108, 1000, Join.ABOVE, "after a gap");
    rows.end(Look.PLAIN);
    assertThat(shape())
        .containsExactly(
            "under nothing 1x1", "narrow/narrower 1x1", "a 1x1", "wider 2x1", "after a gap 1x1");
    assertThat(rows.rows()).extracting(Table.Row::cells).filteredOn(List::isEmpty).hasSize(1);
  }
}
