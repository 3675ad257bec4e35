package decant.layout.item;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A row cut in two between the lines of its cells. */
record RowCut(TableLayout.Row head, Optional<TableLayout.Row> tail) {
  /**
   * Cuts a row so that its head is no higher than the room. There is no tail if not one line of it
   * would stand above the cut, or nothing below it.
   */
  static RowCut of(TableLayout.Row row, double room) {
    var above = new ArrayList<List<Fragment>>();
    var below = new ArrayList<List<Fragment>>();
    double rest = 0;
    boolean anyTail = false;
    boolean everyHead = true;
    for (TableLayout.CellBox c : row.cells()) {
      var head = new ArrayList<Fragment>();
      var tail = new ArrayList<Fragment>();
      double limit = room - c.inside().paddingBottom();
      double shift = Double.NaN;
      List<Fragment> content = c.atTop();
      for (Fragment f : content) {
        int k = tail.isEmpty() ? Parts.fitting(f, limit) : Parts.from(f);
        if (k > Parts.from(f)) {
          head.add(Parts.part(f, Parts.from(f), k, f.y()));
        }
        if (k < Parts.to(f)) {
          double y = f.y() + Parts.height(f, Parts.from(f), k);
          shift = Double.isNaN(shift) ? y - firstOffset(content) : shift;
          tail.add(Parts.part(f, k, Parts.to(f), y - shift));
        }
      }
      everyHead &= !head.isEmpty() || content.isEmpty();
      anyTail |= !tail.isEmpty();
      above.add(head);
      below.add(tail);
      rest = Math.max(rest, bottom(tail) + c.inside().paddingBottom());
    }
    if (!everyHead || !anyTail) {
      return new RowCut(row, Optional.empty());
    }
    var heads = new ArrayList<TableLayout.CellBox>();
    var tails = new ArrayList<TableLayout.CellBox>();
    for (int k = 0; k < row.cells().size(); k++) {
      TableLayout.CellBox c = row.cells().get(k);
      heads.add(c.part(room, bottom(above.get(k)) + c.inside().paddingBottom(), above.get(k)));
      tails.add(c.part(rest, bottom(below.get(k)) + c.inside().paddingBottom(), below.get(k)));
    }
    return new RowCut(
        new TableLayout.Row(row.number(), room, true, false, heads),
        Optional.of(
            new TableLayout.Row(row.number(), rest, row.splits(), row.keepWithNext(), tails)));
  }

  private static double bottom(List<Fragment> content) {
    double bottom = 0;
    for (Fragment f : content) {
      bottom = Math.max(bottom, f.bottom());
    }
    return bottom;
  }

  /** Where content starts below the cell's top: its padding. */
  private static double firstOffset(List<Fragment> content) {
    return content.isEmpty() ? 0 : Math.max(0, Math.min(content.getFirst().y(), 8));
  }
}
