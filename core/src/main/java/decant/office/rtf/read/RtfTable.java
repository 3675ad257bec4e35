package decant.office.rtf.read;

import decant.model.Block;
import decant.model.Cell;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.look.Look;
import decant.model.look.TableTraits;
import java.util.ArrayList;
import java.util.List;

/** The rows of a table as RTF tells them: what their cells are like first, then their text. */
final class RtfTable {
  private static final int MOST_COLUMNS = 200;

  /** How a cell is joined with others. */
  private record Joined(boolean withLeft, boolean withAbove) {}

  private final List<Table.Row> rows = new ArrayList<>();
  private final List<List<Block>> cells = new ArrayList<>();
  private List<Joined> defined = new ArrayList<>();
  private boolean withLeft;
  private boolean withAbove;
  private boolean head;

  /** A row is told of from here on. */
  void defines() {
    defined = new ArrayList<>();
    head = false;
    withLeft = false;
    withAbove = false;
  }

  void isHead() {
    head = true;
  }

  void withLeft() {
    withLeft = true;
  }

  void withAbove() {
    withAbove = true;
  }

  /** One cell more is known. */
  void cellKnown() {
    defined.add(new Joined(withLeft, withAbove));
    withLeft = false;
    withAbove = false;
  }

  void cell(List<Block> content) {
    if (cells.size() < MOST_COLUMNS) {
      cells.add(List.copyOf(content));
    }
  }

  /** The row ends. */
  void row() {
    var made = new ArrayList<Cell>();
    for (int k = 0; k < cells.size(); k++) {
      Joined j = k < defined.size() ? defined.get(k) : new Joined(false, false);
      if (j.withLeft && !made.isEmpty()) {
        made.set(made.size() - 1, wider(made.getLast()));
      } else if (!j.withAbove || rows.isEmpty() || !lengthened(columnsOf(made))) {
        made.add(new Cell(NodeId.fresh(), 1, 1, Look.PLAIN, content(cells.get(k))));
      }
    }
    cells.clear();
    if (!made.isEmpty()) {
      rows.add(new Table.Row(head ? Look.of(TableTraits.HEADER_ROW, true) : Look.PLAIN, made));
    }
  }

  private static List<Block> content(List<Block> of) {
    return of.isEmpty() ? List.of(Paragraph.of(Look.PLAIN, "")) : of;
  }

  private static int columnsOf(List<Cell> row) {
    return row.stream().mapToInt(Cell::columnSpan).sum();
  }

  private static Cell wider(Cell c) {
    return new Cell(c.id(), c.columnSpan() + 1, c.rowSpan(), c.look(), c.blocks());
  }

  /** Makes the cell above a column one row longer. @return whether there is one */
  private boolean lengthened(int column) {
    for (int r = rows.size() - 1; r >= 0; r--) {
      int at = 0;
      List<Cell> row = rows.get(r).cells();
      for (int k = 0; k < row.size() && at <= column; k++) {
        Cell c = row.get(k);
        if (at == column && r + c.rowSpan() == rows.size()) {
          var other = new ArrayList<>(row);
          other.set(k, new Cell(c.id(), c.columnSpan(), c.rowSpan() + 1, c.look(), c.blocks()));
          rows.set(r, new Table.Row(rows.get(r).look(), other));
          return true;
        }
        at += c.columnSpan();
      }
    }
    return false;
  }

  boolean isEmpty() {
    return rows.isEmpty() && cells.isEmpty();
  }

  Table done() {
    if (!cells.isEmpty()) {
      row();
    }
    var t = new Table(NodeId.fresh(), TableTraits.RULED, List.of(), List.copyOf(rows));
    rows.clear();
    return t;
  }
}
