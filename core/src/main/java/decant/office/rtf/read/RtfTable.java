package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;
import decant.model.Block;
import decant.model.NodeId;
import decant.model.Table;
import decant.office.grid.ColumnEdges;
import decant.office.grid.GridRows;
import decant.office.rtf.read.RtfRow.CellSaid;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;

/** The rows of a table as RTF tells them: what their cells are like, before or after their text. */
final class RtfTable {
  private static final int USUAL_WIDTH = 1440; // twips, of a cell of which nothing was said

  private record Made(RtfRow said, List<List<Block>> cells) {}

  private final RtfColours colours;
  private final List<Made> rows = new ArrayList<>();
  private List<List<Block>> cells = new ArrayList<>();
  private RtfRow said;

  RtfTable(RtfColours colours) {
    this.colours = colours;
    this.said = new RtfRow(colours);
  }

  /** A command about rows and cells. @return whether it is one */
  boolean takes(Command c, int value, boolean hasValue) {
    if (c == Command.trowd) {
      said = new RtfRow(colours);
      return true;
    }
    return said.takes(c, value, hasValue);
  }

  /** A line was told of. */
  void ruled(RtfRules rules) {
    said.ruled(rules);
  }

  void cell(List<Block> content) {
    cells.add(List.copyOf(content));
  }

  /** The row ends. */
  void row() {
    if (!cells.isEmpty()) {
      rows.add(new Made(said, cells));
      cells = new ArrayList<>();
    }
  }

  boolean isEmpty() {
    return rows.isEmpty() && cells.isEmpty();
  }

  /** The table as far as it was read; another may begin. */
  Table done() {
    row();
    var edges = new TreeSet<Integer>();
    for (Made m : rows) {
      edges.add(m.said.left());
      for (int k = 0; k < count(m); k++) {
        edges.add(right(m.said, k));
      }
    }
    ColumnEdges columns = ColumnEdges.of(edges);
    var grid = new GridRows(columns);
    for (Made m : rows) {
      int left = m.said.left();
      for (int k = 0; k < count(m); k++) {
        List<Block> content = k < m.cells.size() ? m.cells.get(k) : List.of();
        int right = right(m.said, k);
        CellSaid c =
            k < m.said.cells().size()
                ? m.said.cells().get(k)
                : new CellSaid(right, GridRows.Join.NONE, decant.model.look.Look.PLAIN);
        grid.cell(left, right, c.join(), c.look(), content);
        left = right;
      }
      grid.end(m.said.look());
    }
    var t =
        new Table(
            NodeId.fresh(),
            rows.getFirst().said.table(columns.left()),
            columns.widths(),
            grid.rows());
    rows.clear();
    return t;
  }

  /** Cells that were told of, and those that came without. */
  private static int count(Made m) {
    return Math.max(m.cells.size(), m.said.cells().size());
  }

  private static int right(RtfRow row, int k) {
    List<CellSaid> known = row.cells();
    if (k < known.size()) {
      return known.get(k).right();
    }
    int from = known.isEmpty() ? row.left() : known.getLast().right();
    return from + (k - known.size() + 1) * USUAL_WIDTH;
  }
}
