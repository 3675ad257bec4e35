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
        int k = below.isEmpty() ? fitting(f, limit) : from(f);
        if (k > from(f)) {
          above.add(part(f, from(f), k, f.y()));
        }
        if (k < to(f)) {
          double y = f.y() + height(f, from(f), k);
          shift = shift < 0 ? y - firstOffset(c) : shift;
          below.add(part(f, k, to(f), y - shift));
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

  /** The part that a fragment can be cut before so that what stands above is within a limit. */
  private static int fitting(Fragment f, double limit) {
    int k = from(f);
    while (k < to(f) && f.y() + height(f, from(f), k + 1) <= limit + 0.01) {
      k++;
    }
    return k;
  }

  private static int from(Fragment f) {
    return switch (f) {
      case Fragment.Lines l -> l.from();
      case Fragment.Rows r -> r.from();
      case Fragment.Floated p -> 0;
    };
  }

  private static int to(Fragment f) {
    return switch (f) {
      case Fragment.Lines l -> l.to();
      case Fragment.Rows r -> r.to();
      case Fragment.Floated p -> 1;
    };
  }

  private static double height(Fragment f, int from, int to) {
    return switch (f) {
      case Fragment.Lines l -> l.layout().height(from, to);
      case Fragment.Rows r -> r.layout().height(from, to);
      case Fragment.Floated p -> from < to ? p.height() : 0;
    };
  }

  private static Fragment part(Fragment f, int from, int to, double y) {
    return switch (f) {
      case Fragment.Floated p -> p.moved(0, y - p.y());
      case Fragment.Lines l -> new Fragment.Lines(l.layout(), from, to, l.x(), y);
      case Fragment.Rows r -> new Fragment.Rows(r.layout(), from, to, false, r.x(), y);
    };
  }
}
