package decant.pdf.read.tables;

import decant.pdf.read.lines.Flow;
import decant.pdf.read.page.TextLine;
import java.util.BitSet;
import java.util.List;

/**
 * Wide tables without a grid, told from columns of prose: each row begins on one baseline in its
 * columns, and no text runs on from one row into the next.
 */
public final class Registers {
  private Registers() {}

  /** The pieces of each among pieces of a page or a column, down the page. */
  public static List<List<TextLine>> in(List<TextLine> pieces) {
    List<RowLine> lines = RowLine.of(pieces);
    return AlignedTables.in(lines).stream()
        .filter(Registers::isRegister)
        .map(t ->
            t.lines().stream().flatMap(l -> l.pieces().stream()).sorted(TextLine.DOWN).toList())
        .toList();
  }

  private static boolean isRegister(AlignedTables.Found table) {
    WhiteColumns white = table.columns();
    int n = white.columns().size();
    if (n < TableThresholds.Registers.COLUMNS) {
      return false;
    }
    List<RowLine> lines = table.lines();
    var starts = new BitSet();
    int parted = 0;
    for (int k = 0; k < lines.size(); k++) {
      int chunks = white.chunks(lines.get(k)).size();
      parted += chunks >= 2 ? 1 : 0;
      starts.set(k, chunks >= 2 && chunks * 2 >= n);
    }
    int rows = starts.cardinality();
    if (rows < TableThresholds.AlignedTables.MIN_ROWS || rows * 2 < parted) {
      return false;
    }
    int over = 0;
    for (int c = 0; c < n; c++) {
      over = Math.max(over, runsOver(lines, white, c, starts));
    }
    return over <= TableThresholds.Registers.RUNS_OVER * rows;
  }

  /** How often the text of a column runs on into a row that begins. */
  private static int runsOver(List<RowLine> lines, WhiteColumns white, int column, BitSet starts) {
    double measure = white.columns().get(column).width();
    TextLine last = null;
    int over = 0;
    for (int k = 0; k < lines.size(); k++) {
      RowLine l = lines.get(k);
      for (WhiteColumns.Chunk h : white.chunks(l)) {
        if (h.first() != column || h.spans()) {
          continue;
        }
        TextLine here = l.between(h.left(), h.right());
        boolean on =
            last != null
                && starts.get(k)
                && measure > TableThresholds.AlignedTables.PROSE_WIDTH * here.size()
                && here.baseline() - last.baseline() < TableThresholds.Registers.PITCH * here.size()
                && Flow.goesOn(last, here, measure);
        over += on ? 1 : 0;
        last = here;
      }
    }
    return over;
  }
}
