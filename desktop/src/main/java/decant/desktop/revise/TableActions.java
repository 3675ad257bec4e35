package decant.desktop.revise;

import decant.desktop.shell.Actions;
import decant.desktop.shell.Desk;
import decant.model.edit.CellEdits;
import decant.model.edit.Range;
import decant.model.edit.Revision;
import decant.model.edit.StructureEdits;
import decant.model.edit.TableEdits;
import java.util.function.UnaryOperator;

/** What can be done to the table that the caret is in. */
final class TableActions {
  private TableActions() {}

  static void register(Actions actions, Desk desk) {
    ReviseView.edit(actions, desk, "insert-table", "", r -> TableEdits.insert(r, 3, 3));
    in(actions, desk, "row-above", r -> TableEdits.insertRows(r, false));
    in(actions, desk, "row-below", r -> TableEdits.insertRows(r, true));
    in(actions, desk, "column-before", r -> TableEdits.insertColumns(r, false));
    in(actions, desk, "column-after", r -> TableEdits.insertColumns(r, true));
    in(actions, desk, "delete-row", TableEdits::deleteRows);
    in(actions, desk, "delete-column", TableEdits::deleteColumns);
    in(actions, desk, "delete-table", TableEdits::delete);
    ReviseView.editWhere(actions, desk, "merge-cells", TableEdits::hasCells, TableEdits::merge);
    ReviseView.editWhere(actions, desk, "split-cell", TableEdits::canSplit, TableEdits::split);
    in(actions, desk, "table-head", TableEdits::toggleHeader);
    ReviseView.editWhere(
        actions, desk, "sort-rows", CellEdits::canSort, r -> CellEdits.sort(r, false));
    ReviseView.editWhere(
        actions, desk, "sort-rows-down", CellEdits::canSort, r -> CellEdits.sort(r, true));
    in(
        actions,
        desk,
        "table-to-text",
        r ->
            TableEdits.in(r.document(), r.selection())
                .map(i -> StructureEdits.lines(r, i.table().id()))
                .orElse(r));
    ReviseView.edit(
        actions,
        desk,
        "text-to-table",
        "",
        r ->
            StructureEdits.table(
                r,
                Range.of(r.document(), r.selection()).parts(r.document()).stream()
                    .map(p -> p.paragraph().id())
                    .toList()));
    ReviseView.editWhere(
        actions, desk, "sum-column", r -> CellEdits.sum(r).isPresent(), CellEdits::putSum);
  }

  private static void in(Actions actions, Desk desk, String id, UnaryOperator<Revision> change) {
    ReviseView.editWhere(actions, desk, id, TableEdits::isIn, change);
  }
}
