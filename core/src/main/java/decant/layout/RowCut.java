package decant.layout;

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
    var heads = new ArrayList<TableLayout.CellBox>();
    var tails = new ArrayList<TableLayout.CellBox>();
    double tailHeight = 0;
    boolean anyTail = false;
    boolean everyHead = true;
    for (TableLayout.CellBox c : row.cells()) {
      var above = new ArrayList<Fragment>();
      var below = new ArrayList<Fragment>();
      double limit = room - c.paddingBottom();
      double shift = -1;
      for (Fragment f : c.content()) {
        int k = below.isEmpty() ? Parts.fitting(f, limit) : Parts.from(f);
        if (k > Parts.from(f)) {
          above.add(Parts.part(f, Parts.from(f), k, f.y()));
        }
        if (k < Parts.to(f)) {
          double y = f.y() + Parts.height(f, Parts.from(f), k);
          shift = shift < 0 ? y - firstOffset(c) : shift;
          below.add(Parts.part(f, k, Parts.to(f), y - shift));
        }
      }
      everyHead &= !above.isEmpty() || c.content().isEmpty();
      anyTail |= !below.isEmpty();
      heads.add(c.with(room, above));
      tails.add(c.with(0, below));
      for (Fragment f : below) {
        tailHeight = Math.max(tailHeight, f.bottom() + c.paddingBottom());
      }
    }
    if (!everyHead || !anyTail) {
      return new RowCut(row, Optional.empty());
    }
    double rest = tailHeight;
    List<TableLayout.CellBox> sized = tails.stream().map(c -> c.with(rest, c.content())).toList();
    return new RowCut(
        new TableLayout.Row(row.number(), room, true, false, heads),
        Optional.of(
            new TableLayout.Row(row.number(), rest, row.splits(), row.keepWithNext(), sized)));
  }

  /** Where content starts below the cell's top: its padding. */
  private static double firstOffset(TableLayout.CellBox c) {
    return c.content().isEmpty() ? 0 : Math.max(0, Math.min(c.content().getFirst().y(), 8));
  }
}
