package decant.layout.block;

import decant.layout.item.Area;
import decant.layout.item.Fragment;
import decant.layout.item.TableEdges;
import decant.layout.item.TableLayout;
import decant.layout.label.Styles;
import decant.model.Block;
import decant.model.Cell;
import decant.model.Paragraph;
import decant.model.SetBlock;
import decant.model.SetLine;
import decant.model.Table;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.TableTraits;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** Sets tables: column widths, cell contents, row heights. */
final class TableSetter {
  /** The least height of a row. */
  private static final double LOWEST = 2;

  private final BlockLayouter blocks;

  TableSetter(BlockLayouter blocks) {
    this.blocks = blocks;
  }

  TableLayout set(Table t, double available) {
    return new Setting(t, available).run();
  }

  /** How wide the columns of a table are where it has all the room it wants. */
  double width(Table t, double room) {
    var s = new Setting(t, room);
    return s.edges[s.columns] - s.edges[0];
  }

  private final class Setting {
    private final Table t;
    private final int[][] at;
    private final int columns;
    private final double[] edges;
    private final TableEdges rules;
    private final double available;
    private final Map<Cell, Look> looks = new IdentityHashMap<>();

    Setting(Table t, double available) {
      this.t = t;
      this.at = t.cellColumns();
      this.columns = t.columnCount(at);
      this.rules = TableEdges.of(t, at, columns);
      this.available = available;
      for (Table.Row row : t.rows()) {
        for (Cell c : row.cells()) {
          looks.put(c, t.lookOf(row, c));
        }
      }
      double[] widths =
          ColumnWidths.of(
              t,
              at,
              columns,
              available + overhang(),
              c -> blocks.contentOf(c, cellLooks(c)),
              this::padding);
      this.edges = new double[columns + 1];
      for (int c = 0; c < columns; c++) {
        edges[c + 1] = edges[c] + widths[c];
      }
    }

    private Look look(Cell c) {
      return looks.getOrDefault(c, Look.PLAIN);
    }

    private Insets padding(Cell c) {
      return look(c).value(TableTraits.CELL_PADDING);
    }

    private Styles.CellLooks cellLooks(Cell c) {
      Look look = look(c);
      return look.sets(TableTraits.PARAGRAPHS) || look.sets(TableTraits.TEXTS)
          ? new Styles.CellLooks(look.value(TableTraits.PARAGRAPHS), look.value(TableTraits.TEXTS))
          : Styles.CellLooks.NONE;
    }

    /** How far a table may reach into the margins: so that its text stands at them. */
    private double overhang() {
      Insets p = t.padding();
      return p.left() + p.right();
    }

    TableLayout run() {
      double[] heights = new double[t.rows().size()];
      var boxes = new ArrayList<List<TableLayout.CellBox>>();
      for (int r = 0; r < t.rows().size(); r++) {
        Table.Row row = t.rows().get(r);
        var cells = new ArrayList<TableLayout.CellBox>();
        heights[r] = row.look().value(TableTraits.ROW_HEIGHT);
        boolean exact = row.look().value(TableTraits.ROW_EXACT);
        for (int k = 0; k < row.cells().size(); k++) {
          TableLayout.CellBox box = cell(r, k);
          cells.add(box);
          if (row.cells().get(k).rowSpan() == 1 && !exact) {
            heights[r] = Math.max(heights[r], box.inside().needed());
          }
        }
        heights[r] = Math.max(heights[r], LOWEST);
        boxes.add(cells);
      }
      if (!asFound(boxes, heights)) {
        stretchForSpans(boxes, heights);
      }
      var rows = new ArrayList<TableLayout.Row>();
      for (int r = 0; r < heights.length; r++) {
        rows.add(row(r, heights, boxes.get(r)));
      }
      int header = 0;
      while (header < rows.size() - 1
          && t.rows().get(header).look().value(TableTraits.HEADER_ROW)) {
        header++;
      }
      double width = edges[columns];
      return new TableLayout(t, x(width), width, rows, header);
    }

    /** Makes the rows of a table that is as it was as high as they were. */
    private boolean asFound(List<List<TableLayout.CellBox>> boxes, double[] heights) {
      List<SetLine> found = found();
      if (found.isEmpty()) {
        return false;
      }
      for (int r = 0; r + 1 < heights.length; r++) {
        double high = found.get(r + 1).baseline() - found.get(r).baseline();
        if (found.get(r + 1).page() == found.get(r).page() && high > LOWEST) {
          double next = TableLayout.firstBaseline(boxes.get(r + 1));
          double own = TableLayout.firstBaseline(boxes.get(r));
          heights[r] = Math.max(LOWEST, high + own - next);
        }
      }
      return true;
    }

    /** Where the rows stood; empty if the table has changed since. */
    private List<SetLine> found() {
      return blocks
          .asFound(t)
          .map(SetBlock::lines)
          .filter(l -> l.size() == t.rows().size())
          .orElse(List.of());
    }

    private TableLayout.Row row(int r, double[] heights, List<TableLayout.CellBox> boxes) {
      Table.Row row = t.rows().get(r);
      var sized = new ArrayList<TableLayout.CellBox>();
      boolean reachesDown = false;
      for (int k = 0; k < boxes.size(); k++) {
        int span = Math.min(row.cells().get(k).rowSpan(), heights.length - r);
        double h = 0;
        for (int s = 0; s < span; s++) {
          h += heights[r + s];
        }
        reachesDown |= span > 1;
        sized.add(boxes.get(k).sized(h));
      }
      boolean splits =
          row.look().value(TableTraits.ROW_SPLITS)
              && !row.look().value(TableTraits.ROW_EXACT)
              && !row.look().value(TableTraits.HEADER_ROW)
              && !reachesDown;
      return new TableLayout.Row(r, heights[r], splits, keepsWithNext(row), sized);
    }

    /** A row stands with the next where the first paragraph of each of its cells asks for it. */
    private boolean keepsWithNext(Table.Row row) {
      for (Cell c : row.cells()) {
        Block first = c.blocks().isEmpty() ? null : c.blocks().getFirst();
        if (!(first instanceof Paragraph p) || !blocks.styles().paragraph(p).keeps().withNext()) {
          return false;
        }
      }
      return !row.cells().isEmpty();
    }

    /** Where the table stands in its column (§17.4.28, §17.4.50). */
    private double x(double width) {
      List<SetLine> found = found();
      if (!found.isEmpty() && found.getFirst().xs().length > 0) {
        return found.getFirst().xs()[0];
      }
      double shift =
          blocks.styles().sheet().typesetting().textAtTableEdge() ? -t.padding().left() : 0;
      boolean mirrored = t.look().value(TableTraits.RIGHT_TO_LEFT);
      Alignment a = t.look().value(TableTraits.ALIGNMENT);
      return switch (a) {
        case CENTRE -> (available - width) / 2;
        case END -> mirrored ? 0 : available - width;
        case START, JUSTIFIED ->
            mirrored
                ? available - width - t.look().value(TableTraits.INDENT)
                : t.look().value(TableTraits.INDENT) + shift;
      };
    }

    private TableLayout.CellBox cell(int r, int k) {
      Table.Row row = t.rows().get(r);
      Cell c = row.cells().get(k);
      Look look = look(c);
      int from = Math.min(at[r][k], columns - 1);
      int to = Math.min(from + c.columnSpan(), columns);
      int bottom = Math.min(t.rows().size(), r + c.rowSpan());
      double left = edges[from];
      double right = edges[to];
      double width = right - left;
      Insets p = look.value(TableTraits.CELL_PADDING);
      double max = Math.max(0, width / 4);
      double padLeft = Math.min(p.left(), max);
      double padRight = Math.min(p.right(), max);
      double top = p.top() + rules.above(r);
      double inner = Math.max(6, width - padLeft - padRight);
      List<Fragment> content =
          blocks.stack(c.blocks(), inner, Area.inside(padLeft, top, inner), top, cellLooks(c));
      double end = top;
      for (Fragment f : content) {
        double after = f instanceof Fragment.Lines l ? l.layout().spaceAfter() : 0;
        boolean counts = !(f instanceof Fragment.Floated beside) || beside.takesRoom();
        end = counts ? Math.max(end, f.bottom() + after) : end;
      }
      double below = p.bottom() + (bottom == t.rows().size() ? rules.above(bottom) : 0);
      boolean mirrored = t.look().value(TableTraits.RIGHT_TO_LEFT);
      return new TableLayout.CellBox(
          k,
          mirrored ? edges[columns] - right : left,
          width,
          end + below,
          look.value(TableTraits.SHADING),
          rules.around(r, k),
          row.look().value(TableTraits.HEADER_ROW),
          new TableLayout.Inside(
              end + below, below, look.value(TableTraits.VERTICAL_ALIGNMENT), content));
    }

    private void stretchForSpans(List<List<TableLayout.CellBox>> boxes, double[] heights) {
      for (int r = 0; r < heights.length; r++) {
        for (int k = 0; k < boxes.get(r).size(); k++) {
          int span = Math.min(t.rows().get(r).cells().get(k).rowSpan(), heights.length - r);
          if (span > 1) {
            double h = 0;
            for (int s = 0; s < span; s++) {
              h += heights[r + s];
            }
            heights[r + span - 1] += Math.max(0, boxes.get(r).get(k).inside().needed() - h);
          }
        }
      }
    }
  }
}
