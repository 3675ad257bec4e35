package decant.model.edit;

import decant.model.Around;
import decant.model.Block;
import decant.model.Cell;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.Table;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TableTraits;
import decant.model.walk.Walk;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/** What a person does to the table that the caret or the selection is in. */
public final class TableEdits {
  /**
   * The table that a selection lies in, the innermost.
   *
   * @param from the cell where the selection begins
   * @param to the cell that the caret is in
   */
  public record In(Table table, NodeId from, NodeId to) {
    Grid grid() {
      return Grid.of(table);
    }

    Grid.Area area() {
      return grid().area(from, to);
    }

    /** The cells of the rectangle from one to the other, row by row. */
    List<Cell> cells() {
      Grid.Area area = area();
      return grid().spots().stream().filter(area::holds).map(Grid.Spot::cell).toList();
    }
  }

  private TableEdits() {}

  /** The table around what is selected; empty if both its ends are not in one. */
  public static Optional<In> in(Document d, Selection s) {
    List<Around> a = Around.of(d, s.anchor().paragraph());
    List<Around> c = Around.of(d, s.caret().paragraph());
    for (int k = Math.min(a.size(), c.size()) - 1; k > 0; k--) {
      Around outer = a.get(k - 1);
      Around other = c.get(k - 1);
      if (outer.container().id().equals(other.container().id()) && outer.at() == other.at()) {
        Table t = (Table) outer.container().blocks().get(outer.at());
        return Optional.of(new In(t, a.get(k).container().id(), c.get(k).container().id()));
      }
    }
    return Optional.empty();
  }

  public static boolean isIn(Revision r) {
    return in(r.document(), r.selection()).isPresent();
  }

  /** Whether more than one cell is selected. */
  public static boolean hasCells(Revision r) {
    return Range.of(r.document(), r.selection()).cells(r.document()).isPresent();
  }

  /** Goes to the next cell (1) or the one before (-1); past the last one a row is added. */
  public static Revision go(Revision r, int by) {
    Optional<In> in = in(r.document(), Selection.at(r.selection().caret()));
    if (in.isEmpty()) {
      return r;
    }
    List<Grid.Spot> spots =
        in.get().grid().spots().stream()
            .filter(s -> !Walk.paragraphs(s.cell().blocks()).isEmpty())
            .toList();
    int at = 0;
    while (!spots.get(at).cell().id().equals(in.get().to())) {
      at++;
    }
    int to = at + by;
    if (to < 0) {
      return r;
    }
    if (to < spots.size()) {
      return r.withSelection(contents(spots.get(to).cell()));
    }
    Grid g = in.get().grid();
    Table longer = g.withRow(g.rows() - 1, true, TableEdits::empty);
    Cell first = longer.rows().getLast().cells().getFirst();
    return changed(r, "Insert row", in.get().table(), longer, start(first));
  }

  /** All that is in a cell. */
  static Selection contents(Cell c) {
    List<Paragraph> all = Walk.paragraphs(c.blocks());
    Paragraph last = all.getLast();
    return new Selection(start(c), new Position(last.id(), last.length()));
  }

  static Position start(Cell c) {
    return new Position(Walk.paragraphs(c.blocks()).getFirst().id(), 0);
  }

  /** An empty cell that looks like another one. */
  static Cell empty(@Nullable Cell like, int columnSpan) {
    Look look = like == null ? Look.PLAIN : like.look();
    Look paragraph = Look.PLAIN;
    Look text = Look.PLAIN;
    if (like != null && Walk.paragraphs(like.blocks()).getFirst() instanceof Paragraph p) {
      paragraph = p.look().without(ParagraphTraits.BOOKMARKS);
      text = p.inlines().isEmpty() ? p.endLook() : p.inlines().getFirst().look();
    }
    return new Cell(
        NodeId.fresh(),
        columnSpan,
        1,
        look,
        List.of(new Paragraph(NodeId.fresh(), paragraph, bare(text), List.of())));
  }

  private static Look bare(Look text) {
    return text.without(decant.model.look.TextTraits.LINK)
        .without(decant.model.look.TextTraits.COMMENTS)
        .without(decant.model.look.TextTraits.FIELD);
  }

  static Revision changed(Revision r, String name, Table was, Table is, Position refuge) {
    Document d = r.document();
    NodeId container = d.index().container(d, was.id()).orElseThrow();
    int at = d.index().place(was.id()).orElseThrow();
    var step = new Step.ReplaceBlocks(container, at, List.of(was), List.of(is.styled()), refuge);
    return r.apply(Edit.of(name, step), Selection.at(refuge));
  }

  static Revision with(Revision r, Function<In, Revision> change) {
    return in(r.document(), r.selection()).map(change).orElse(r);
  }

  /** Puts a table without text in at the caret, as wide as the text is there. */
  public static Revision insert(Revision r, int rows, int columns) {
    Document d = r.document();
    Paragraph here = d.requireParagraph(r.selection().caret().paragraph());
    double width = d.sectionOf(here.id()).map(s -> s.page().textWidth()).orElse(200.0);
    var made = new ArrayList<Table.Row>();
    for (int k = 0; k < rows; k++) {
      var cells = new ArrayList<Cell>();
      for (int c = 0; c < columns; c++) {
        cells.add(empty(null, 1));
      }
      made.add(new Table.Row(Look.PLAIN, cells));
    }
    List<Double> widths = java.util.Collections.nCopies(columns, width / columns);
    var table = new Table(NodeId.fresh(), TableTraits.RULED, widths, made);
    Splice s = Splice.of(d, r.selection().caret(), List.of(table), false);
    Position first = start(made.getFirst().cells().getFirst());
    return r.apply(new Edit("Insert table", s.steps()), Selection.at(first));
  }

  /** Puts in as many rows as are selected, above or below them. */
  public static Revision insertRows(Revision r, boolean below) {
    return with(
        r,
        i -> {
          Grid.Area area = i.area();
          Table t = i.table();
          int by = below ? area.bottom() : area.top();
          for (int k = area.top(); k <= area.bottom(); k++) {
            t = Grid.of(t).withRow(by, below, TableEdits::empty);
          }
          List<Cell> fresh = t.rows().get(below ? by + 1 : by).cells();
          // Where cells reach over the row, it has none of its own.
          Cell first = fresh.isEmpty() ? Grid.of(t).spots().getFirst().cell() : fresh.getFirst();
          return changed(r, "Insert row", i.table(), t, start(first));
        });
  }

  /** Puts in as many columns as are selected, before or after them. */
  public static Revision insertColumns(Revision r, boolean after) {
    return with(
        r,
        i -> {
          Grid.Area area = i.area();
          Table t = i.table();
          int by = after ? area.right() : area.left();
          for (int k = area.left(); k <= area.right(); k++) {
            t = Grid.of(t).withColumn(by, after, TableEdits::empty);
          }
          return changed(
              r, "Insert column", i.table(), fitted(r, i.table(), t), r.selection().caret());
        });
  }

  /** Columns as wide together as they were before there were more of them. */
  private static Table fitted(Revision r, Table was, Table is) {
    double before = was.columns().stream().mapToDouble(w -> w).sum();
    double now = is.columns().stream().mapToDouble(w -> w).sum();
    double room =
        r.document()
            .sectionOf(was.id())
            .map(s -> Math.max(before, s.page().textWidth()))
            .orElse(before);
    if (now <= room || now <= 0) {
      return is;
    }
    return new Table(
        is.id(), is.look(), is.columns().stream().map(w -> w * room / now).toList(), is.rows());
  }

  /** Takes the rows out that the selection touches; with the last row the table goes. */
  public static Revision deleteRows(Revision r) {
    return with(
        r,
        i -> {
          Grid.Area area = i.area();
          return without(
              r,
              "Delete row",
              i.table(),
              i.grid().withoutRows(area.top(), area.bottom()),
              i.area());
        });
  }

  /** Takes the columns out that the selection touches; with the last column the table goes. */
  public static Revision deleteColumns(Revision r) {
    return with(
        r,
        i -> {
          Grid.Area area = i.area();
          return without(
              r,
              "Delete column",
              i.table(),
              i.grid().withoutColumns(area.left(), area.right()),
              area);
        });
  }

  private static Revision without(
      Revision r, String name, Table was, Optional<Table> is, Grid.Area area) {
    if (is.isEmpty()) {
      return delete(r);
    }
    Grid left = Grid.of(is.get());
    Grid.Spot near =
        left.at(Math.min(area.top(), left.rows() - 1), Math.min(area.left(), left.columns() - 1))
            .orElse(left.spots().getFirst());
    return changed(r, name, was, is.get(), start(near.cell()));
  }

  /** Takes the table out. Where nothing else is left, an empty paragraph is. */
  public static Revision delete(Revision r) {
    return with(
        r,
        i -> {
          Document d = r.document();
          NodeId container = d.index().container(d, i.table().id()).orElseThrow();
          int at = d.index().place(i.table().id()).orElseThrow();
          List<Block> all = d.blocksOf(container);
          Optional<Position> after =
              all.subList(at + 1, all.size()).stream()
                  .filter(b -> b instanceof Paragraph)
                  .map(b -> new Position(b.id(), 0))
                  .findFirst();
          Optional<Position> before =
              all.subList(0, at).reversed().stream()
                  .filter(b -> b instanceof Paragraph)
                  .map(b -> new Position(b.id(), ((Paragraph) b).length()))
                  .findFirst();
          List<Block> with = new ArrayList<>();
          Position refuge =
              after
                  .or(() -> before)
                  .orElseGet(() -> {
                    Paragraph p = Paragraph.of(Look.PLAIN, "");
                    with.add(p);
                    return new Position(p.id(), 0);
                  });
          var step = new Step.ReplaceBlocks(container, at, List.of(i.table()), with, refuge);
          return r.apply(Edit.of("Delete table", step), Selection.at(refuge));
        });
  }

  /** Makes the selected cells one. */
  public static Revision merge(Revision r) {
    return with(
        r,
        i -> {
          if (i.from().equals(i.to())) {
            return r;
          }
          Grid.Area area = i.area();
          Table t = i.grid().merged(area);
          Cell one = Grid.of(t).at(area.top(), area.left()).orElseThrow().cell();
          return changed(r, "Merge cells", i.table(), t, start(one));
        });
  }

  public static boolean canSplit(Revision r) {
    return in(r.document(), r.selection())
        .flatMap(i -> i.grid().spot(i.to()))
        .filter(s -> s.cell().columnSpan() > 1 || s.cell().rowSpan() > 1)
        .isPresent();
  }

  /** Cuts a merged cell into its fields. */
  public static Revision split(Revision r) {
    return !canSplit(r)
        ? r
        : with(
            r,
            i ->
                changed(
                    r,
                    "Split cell",
                    i.table(),
                    i.grid().split(i.to(), TableEdits::empty),
                    r.selection().caret()));
  }

  /**
   * Makes the rows down to the selection heads of the table, repeated on each page; or no longer.
   */
  public static Revision toggleHeader(Revision r) {
    return with(
        r,
        i -> {
          int last = i.area().bottom();
          boolean is = i.table().rows().get(last).look().value(TableTraits.HEADER_ROW);
          var rows = new ArrayList<Table.Row>();
          for (int k = 0; k < i.table().rows().size(); k++) {
            Table.Row row = i.table().rows().get(k);
            boolean head =
                is ? k < i.area().top() && row.look().value(TableTraits.HEADER_ROW) : k <= last;
            Look look =
                head
                    ? row.look().with(TableTraits.HEADER_ROW, true)
                    : row.look().without(TableTraits.HEADER_ROW);
            rows.add(new Table.Row(look, row.cells()));
          }
          return changed(
              r, "Head of a table", i.table(), i.table().withRows(rows), r.selection().caret());
        });
  }
}
