package decant.pdf.read.tables;

import decant.pdf.read.lines.Flow;
import decant.pdf.read.page.TextLine;
import java.util.Arrays;
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
    if (n < TableThresholds.Registers.COLUMNS || white.repeat()) {
      return false;
    }
    List<RowLine> lines = table.lines();
    BitSet starts = starts(lines, white);
    long parted = lines.stream().filter(white::part).count();
    int rows = starts.cardinality();
    if (rows < TableThresholds.AlignedTables.MIN_ROWS
        || rows * TableThresholds.Registers.LINES < parted
        || holdsTitle(lines)
        || lines.stream().anyMatch(l -> hasTwoInOne(l, white))) {
      return false;
    }
    int over = 0;
    for (int c = 0; c < n; c++) {
      over = Math.max(over, runsOver(lines, white, c, starts));
    }
    return over <= TableThresholds.Registers.RUNS_OVER * rows;
  }

  /**
   * The lines that begin rows: with text in half of the columns, and not the rest of what stands
   * above. Whether text runs on is told in wide columns alone: in narrow ones all seems to.
   */
  private static BitSet starts(List<RowLine> lines, WhiteColumns white) {
    int n = white.columns().size();
    var starts = new BitSet();
    var above = new TextLine[n];
    for (int k = 0; k < lines.size(); k++) {
      int chunks = 0;
      boolean numbers = false;
      boolean runsOn = false;
      for (WhiteColumns.Chunk h : white.chunks(lines.get(k))) {
        TextLine here = lines.get(k).between(h.left(), h.right());
        TextLine last = above[h.first()];
        double measure = white.columns().get(h.first()).width();
        numbers |=
            LogicalRows.isNumber(here)
                && (last == null || !isNear(last, here) || LogicalRows.isNumber(last));
        runsOn |= !h.spans() && last != null && runsOn(last, here, measure);
        above[h.first()] = here;
        chunks++;
      }
      starts.set(k, chunks >= 2 && chunks * 2 >= n && (numbers || !runsOn));
    }
    return starts;
  }

  /** Whether two parts of a line stand in one column; beside the last one, notes may stand. */
  private static boolean hasTwoInOne(RowLine l, WhiteColumns white) {
    int last = white.columns().size() - 1;
    int[] columns =
        white.chunks(l).stream()
            .mapToInt(WhiteColumns.Chunk::first)
            .filter(c -> c < last)
            .toArray();
    return Arrays.stream(columns).distinct().count() < columns.length;
  }

  /** Whether something is larger than what stands in most cells: a title beside the table. */
  private static boolean holdsTitle(List<RowLine> lines) {
    double[] sizes =
        lines.stream()
            .flatMap(l -> l.pieces().stream())
            .mapToDouble(TextLine::size)
            .sorted()
            .toArray();
    double usual = sizes[sizes.length / 2];
    return sizes[sizes.length - 1] - usual > TableThresholds.AlignedTables.OTHER_SIZE * usual;
  }

  /** Whether text runs on from the line above; what is narrow is not told. */
  private static boolean runsOn(TextLine above, TextLine below, double measure) {
    return measure > TableThresholds.AlignedTables.PROSE_WIDTH * below.size()
        && isNear(above, below)
        && Flow.goesOn(above, below, measure);
  }

  private static boolean isNear(TextLine above, TextLine below) {
    return below.baseline() - above.baseline() < TableThresholds.Registers.PITCH * below.size();
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
        boolean on = last != null && starts.get(k) && runsOn(last, here, measure);
        over += on ? 1 : 0;
        last = here;
      }
    }
    return over;
  }
}
