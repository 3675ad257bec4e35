package decant.layout;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A row cut in two between the lines of its cells. */
record RowCut(TableLayout.Row head, Optional<TableLayout.Row> tail) {
  static RowCut of(TableLayout.Row row, double room) {
    var heads = new ArrayList<TableLayout.CellBox>();
    var tails = new ArrayList<TableLayout.CellBox>();
    double tailHeight = 0;
    boolean anyTail = false;
    boolean anyHead = false;
    for (TableLayout.CellBox c : row.cells()) {
      var above = new ArrayList<Fragment>();
      var below = new ArrayList<Fragment>();
      double shift = -1;
      for (Fragment f : c.content()) {
        switch (f) {
          case Fragment.Lines l -> {
            int k = l.from();
            while (k < l.to() && l.y() + l.layout().height(l.from(), k + 1) <= room) {
              k++;
            }
            if (k > l.from() && below.isEmpty()) {
              above.add(new Fragment.Lines(l.layout(), l.from(), k, l.x(), l.y()));
            } else {
              k = l.from();
            }
            if (k < l.to()) {
              double y = l.y() + l.layout().height(l.from(), k);
              shift = shift < 0 ? y : shift;
              below.add(new Fragment.Lines(l.layout(), k, l.to(), l.x(), y - shift));
            }
          }
          case Fragment.Rows t -> {
            if (t.bottom() <= room && below.isEmpty()) {
              above.add(t);
            } else {
              shift = shift < 0 ? t.y() : shift;
              below.add(
                  new Fragment.Rows(t.layout(), t.from(), t.to(), false, t.x(), t.y() - shift));
            }
          }
        }
      }
      anyHead |= !above.isEmpty();
      anyTail |= !below.isEmpty();
      heads.add(with(c, room, above));
      tails.add(with(c, 0, below));
      for (Fragment f : below) {
        tailHeight = Math.max(tailHeight, f.bottom() + 2);
      }
    }
    if (!anyHead || !anyTail) {
      // Nothing can be cut: what is taller than the page is cut off by its edge, as on paper.
      return new RowCut(
          new TableLayout.Row(row.number(), Math.min(room, row.height()), row.cells()),
          Optional.empty());
    }
    double rest = tailHeight;
    List<TableLayout.CellBox> sized = tails.stream().map(c -> with(c, rest, c.content())).toList();
    return new RowCut(
        new TableLayout.Row(row.number(), room, heads),
        Optional.of(new TableLayout.Row(row.number(), rest, sized)));
  }

  private static TableLayout.CellBox with(
      TableLayout.CellBox c, double height, List<Fragment> content) {
    return new TableLayout.CellBox(
        c.number(),
        c.x(),
        c.width(),
        height,
        c.padding(),
        c.shading(),
        c.ruleWidth(),
        c.ruleColour(),
        c.header(),
        content);
  }
}
