package decant.model.edit;

import decant.model.Cell;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.Extent;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.TableTraits;
import decant.model.look.VerticalAlignment;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** What the table at the caret looks like: its lines, grounds, margins and widths. */
public final class TableLooks {
  /** A column can be no narrower, in points. */
  private static final double NARROWEST = 8;

  /** Which lines of the selected cells are meant. */
  public enum Which {
    ALL,
    AROUND,
    BETWEEN
  }

  private TableLooks() {}

  /** The look of the cell at the caret, over what the table gives to it. */
  public static Optional<Look> atCaret(Revision r) {
    return TableEdits.in(r.document(), r.selection())
        .map(i ->
            i.grid()
                .spot(i.to())
                .orElseThrow()
                .cell()
                .look()
                .over(i.table().look().over(i.table().look().value(TableTraits.FROM_STYLE))));
  }

  /** Gives the selected cells a ground; white stands for none. */
  public static Revision shade(Revision r, Colour c) {
    return cells(r, "Ground of cells", l -> l.with(TableTraits.SHADING, c));
  }

  /** Puts what stands in the selected cells at their top, middle or bottom. */
  public static Revision align(Revision r, VerticalAlignment a) {
    return cells(r, "Place in cells", l -> l.with(TableTraits.VERTICAL_ALIGNMENT, a));
  }

  private static Revision cells(Revision r, String name, UnaryOperator<Look> to) {
    return table(
        r,
        name,
        i -> {
          Grid.Area area = i.area();
          return mapped(i.table(), s -> area.holds(s) ? to.apply(s.cell().look()) : null);
        });
  }

  /** Draws lines at the selected cells, or takes them away where the rule is none. */
  public static Revision rule(Revision r, Which which, Rule rule) {
    return table(
        r,
        "Lines of cells",
        i -> {
          Grid.Area a = i.area();
          Map<NodeId, Rules> sides = new HashMap<>();
          for (Grid.Spot s : i.grid().spots()) {
            Rules own = ruled(s, a, which, Optional.of(rule));
            if (!own.equals(Rules.UNSAID)) {
              sides.put(s.cell().id(), own);
            }
          }
          return mapped(
              i.table(),
              s ->
                  Optional.ofNullable(sides.get(s.cell().id()))
                      .map(x ->
                          s.cell()
                              .look()
                              .with(
                                  TableTraits.RULES,
                                  x.over(s.cell().look().value(TableTraits.RULES))))
                      .orElse(null));
        });
  }

  /** The sides of a cell that are meant: its own, and that to a selected neighbour. */
  private static Rules ruled(Grid.Spot s, Grid.Area a, Which which, Optional<Rule> rule) {
    boolean around = which != Which.BETWEEN;
    boolean between = which != Which.AROUND;
    boolean in = a.holds(s);
    boolean rows = s.row() <= a.bottom() && s.lastRow() >= a.top();
    boolean columns = s.column() <= a.right() && s.lastColumn() >= a.left();
    boolean top = in ? s.row() == a.top() ? around : between : false;
    boolean bottom = in ? s.lastRow() == a.bottom() ? around : between : false;
    boolean left = in ? s.column() == a.left() ? around : between : false;
    boolean right = in ? s.lastColumn() == a.right() ? around : between : false;
    if (!in && around) {
      top = columns && s.row() == a.bottom() + 1;
      bottom = columns && s.lastRow() == a.top() - 1;
      left = rows && s.column() == a.right() + 1;
      right = rows && s.lastColumn() == a.left() - 1;
    }
    return new Rules(
        top ? rule : Optional.empty(),
        right ? rule : Optional.empty(),
        bottom ? rule : Optional.empty(),
        left ? rule : Optional.empty(),
        Optional.empty(),
        Optional.empty());
  }

  /** Keeps what stands in the cells of the whole table so far from their edges, in points. */
  public static Revision padding(Revision r, double sides, double aboveAndBelow) {
    double across = Math.clamp(sides, 0, 72);
    double down = Math.clamp(aboveAndBelow, 0, 72);
    return table(
        r,
        "Margins of cells",
        i -> {
          Table plain = mapped(i.table(), s -> s.cell().look().without(TableTraits.CELL_PADDING));
          return new Table(
              plain.id(),
              plain.look().with(TableTraits.CELL_PADDING, new Insets(down, across, down, across)),
              plain.columns(),
              plain.rows());
        });
  }

  /** Puts a table that is narrower than the text at its left, middle or right. */
  public static Revision place(Revision r, ParagraphTraits.Alignment a) {
    return table(
        r,
        "Place of the table",
        i ->
            new Table(
                i.table().id(),
                i.table().look().with(TableTraits.ALIGNMENT, a).without(TableTraits.INDENT),
                i.table().columns(),
                i.table().rows()));
  }

  /**
   * Gives a table these widths of columns, in points, whatever stands in them.
   *
   * @param table which need not be the one at the caret
   */
  public static Revision columns(Revision r, NodeId table, List<Double> widths) {
    Document d = r.document();
    return TableEdits.in(d, r.selection())
        .map(TableEdits.In::table)
        .filter(t -> t.id().equals(table) && widths.size() == Grid.of(t).columns())
        .map(t -> {
          List<Double> wide = widths.stream().map(w -> Math.max(NARROWEST, w)).toList();
          Table plain = mapped(t, s -> s.cell().look().without(TableTraits.WIDTH));
          Look look =
              t.look()
                  .with(TableTraits.FIXED_COLUMNS, true)
                  .with(
                      TableTraits.WIDTH,
                      new Extent.Points(wide.stream().mapToDouble(w -> w).sum()));
          return replaced(r, "Widths of columns", t, new Table(t.id(), look, wide, plain.rows()));
        })
        .orElse(r);
  }

  /** A table whose cells have other looks; null leaves a cell as it is. */
  private static Table mapped(
      Table t,
      java.util.function.Function<Grid.Spot, @org.jspecify.annotations.Nullable Look> look) {
    Map<NodeId, Look> looks = new HashMap<>();
    for (Grid.Spot s : Grid.of(t).spots()) {
      Look l = look.apply(s);
      if (l != null) {
        looks.put(s.cell().id(), l);
      }
    }
    var rows = new ArrayList<Table.Row>();
    for (Table.Row row : t.rows()) {
      rows.add(
          new Table.Row(
              row.look(),
              row.cells().stream()
                  .map(c ->
                      new Cell(
                          c.id(),
                          c.columnSpan(),
                          c.rowSpan(),
                          looks.getOrDefault(c.id(), c.look()),
                          c.blocks()))
                  .toList()));
    }
    return t.withRows(rows);
  }

  private static Revision table(
      Revision r, String name, java.util.function.Function<TableEdits.In, Table> to) {
    return TableEdits.with(r, i -> replaced(r, name, i.table(), to.apply(i)));
  }

  /** What is selected stays so: no text moves. */
  private static Revision replaced(Revision r, String name, Table was, Table is) {
    if (is.equals(was)) {
      return r;
    }
    return TableEdits.changed(r, name, was, is, r.selection().caret()).withSelection(r.selection());
  }
}
