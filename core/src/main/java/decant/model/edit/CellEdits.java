package decant.model.edit;

import decant.model.Block;
import decant.model.Cell;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.look.Look;
import decant.model.look.TableTraits;
import decant.model.walk.Walk;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Optional;

/** What a person does with what stands in the cells of a table: fills, sorts and sums them. */
public final class CellEdits {
  private CellEdits() {}

  /**
   * Puts the cells of what was copied into the cells of the table at the caret, from there on to
   * the right and down; rows that are missing are added. Empty if what was copied is no table, or
   * the caret is in none.
   */
  public static Optional<Revision> fill(Revision r, Fragment from) {
    Optional<TableEdits.In> in = TableEdits.in(r.document(), r.selection());
    boolean table = from.blocks().size() == 1 && from.blocks().getFirst() instanceof Table;
    if (in.isEmpty() || !table) {
      return Optional.empty();
    }
    Grid.Area area = in.get().area();
    Grid given = Grid.of((Table) from.blocks().getFirst());
    Table out = in.get().table();
    while (out.rows().size() < area.top() + given.rows()) {
      out = Grid.of(out).withRow(out.rows().size() - 1, true, TableEdits::empty);
    }
    for (Grid.Spot s : given.spots()) {
      Optional<Grid.Spot> target = Grid.of(out).at(area.top() + s.row(), area.left() + s.column());
      if (target.isEmpty()) {
        continue; // past the right edge: there is no column for it
      }
      Cell to = target.get().cell();
      Look like =
          Walk.paragraphs(to.blocks()).stream().findFirst().map(Paragraph::look).orElse(Look.PLAIN);
      List<Block> blocks =
          Walk.paragraphs(s.cell().blocks()).stream()
              .map(p -> (Block) new Paragraph(NodeId.fresh(), like, Look.PLAIN, plain(p)))
              .toList();
      out = Grid.of(out).with(to.withBlocks(blocks));
    }
    Grid.Spot first = Grid.of(out).at(area.top(), area.left()).orElseThrow();
    return Optional.of(
        TableEdits.changed(
            r, "Paste cells", in.get().table(), out, TableEdits.start(first.cell())));
  }

  /** What stands in a paragraph, without what needs something else to come along. */
  private static List<Inline> plain(Paragraph p) {
    return p.inlines().stream().filter(i -> i instanceof Inline.Text).toList();
  }

  /** Whether the rows can be put in another order: no cell reaches over several. */
  public static boolean canSort(Revision r) {
    return TableEdits.in(r.document(), r.selection())
        .filter(i -> i.grid().spots().stream().allMatch(s -> s.cell().rowSpan() == 1))
        .isPresent();
  }

  /** Puts the rows below the head in the order of the column that the caret is in. */
  public static Revision sort(Revision r, boolean descending) {
    if (!canSort(r)) {
      return r;
    }
    return TableEdits.with(
        r,
        i -> {
          int column = i.grid().spot(i.to()).orElseThrow().column();
          var head = new ArrayList<Table.Row>();
          var body = new ArrayList<Table.Row>();
          for (Table.Row row : i.table().rows()) {
            boolean isHead = row.look().value(TableTraits.HEADER_ROW) && body.isEmpty();
            (isHead ? head : body).add(row);
          }
          Grid g = i.grid();
          var keys = new IdentityHashMap<Table.Row, String>();
          for (int k = 0; k < i.table().rows().size(); k++) {
            keys.put(i.table().rows().get(k), g.at(k, column).map(s -> text(s.cell())).orElse(""));
          }
          Comparator<Table.Row> order =
              Comparator.comparing((Table.Row row) -> keys.getOrDefault(row, ""), Amounts.order());
          body.sort(descending ? order.reversed() : order);
          head.addAll(body);
          return TableEdits.changed(
              r, "Sort rows", i.table(), i.table().withRows(head), r.selection().caret());
        });
  }

  static String text(Cell c) {
    var b = new StringBuilder();
    for (Paragraph p : Walk.paragraphs(c.blocks())) {
      b.append(b.isEmpty() ? "" : " ").append(p.text());
    }
    return b.toString().strip();
  }

  /** The sum of the amounts above the caret in its column, written as they are; empty for none. */
  public static Optional<String> sum(Revision r) {
    return TableEdits.in(r.document(), r.selection())
        .flatMap(i -> {
          Grid g = i.grid();
          Grid.Spot here = g.spot(i.to()).orElseThrow();
          var texts = new ArrayList<String>();
          for (int row = 0; row < here.row(); row++) {
            int at = row;
            g.at(row, here.column())
                .filter(s -> s.row() == at)
                .map(s -> text(s.cell()))
                .ifPresent(texts::add);
          }
          return Amounts.sum(texts);
        });
  }

  /** Puts the sum of the amounts above into the cell at the caret. */
  public static Revision putSum(Revision r) {
    Optional<TableEdits.In> in = TableEdits.in(r.document(), r.selection());
    Optional<String> sum = sum(r);
    if (in.isEmpty() || sum.isEmpty()) {
      return r;
    }
    Cell c = in.get().grid().spot(in.get().to()).orElseThrow().cell();
    return Commands.insert(r.withSelection(TableEdits.contents(c)), sum.get());
  }
}
