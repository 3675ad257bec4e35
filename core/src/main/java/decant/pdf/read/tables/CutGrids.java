package decant.pdf.read.tables;

import decant.pdf.read.detected.Detected;
import decant.pdf.read.page.TextLine;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Rows that the end of a page or column cuts off a table which what is painted tells, or the white
 * between its rows: there is too little of them to be known by itself.
 */
final class CutGrids {
  private final SplitTables.Part a;
  private final SplitTables.Part b;
  private final boolean beside;
  private final double by;

  private CutGrids(SplitTables.Part a, SplitTables.Part b) {
    this.a = a;
    this.b = b;
    this.beside = a.page() == b.page();
    this.by = beside ? b.column().left() - a.column().left() : 0;
  }

  /**
   * Takes the lines between a table at the end of one part and one at the beginning of the next for
   * rows, or those that either has there alone.
   *
   * @return whether there is such a table, whatever is taken
   */
  static boolean join(SplitTables.Part a, SplitTables.Part b) {
    return new CutGrids(a, b).join();
  }

  private boolean join() {
    Optional<Detected.Grid> last =
        a.grids().stream()
            .max(Comparator.comparingDouble(g -> g.box().bottom()))
            .filter(g -> !beside || g.box().right() <= b.column().left());
    Optional<Detected.Grid> first =
        b.grids().stream()
            .min(Comparator.comparingDouble(g -> g.box().y()))
            .filter(g -> !beside || a.column().right() <= g.box().x());
    List<RowLine> under = last.map(this::under).orElse(List.of());
    List<RowLine> over = first.map(this::over).orElse(List.of());
    if (last.isPresent() && first.isPresent() && areOne(last.get(), first.get(), under, over)) {
      take(a, under, columns(last.get()), true);
      take(b, over, columns(first.get()), true);
      return true;
    }
    boolean ends = last.isPresent() && under.isEmpty();
    boolean begins = first.isPresent() && over.isEmpty();
    if (ends && !begins && hasManyColumns(last.get())) {
      rowsOf(last.get());
    }
    if (begins && !ends && hasManyColumns(first.get())) {
      rowsBefore(first.get());
    }
    return ends || begins;
  }

  /** What two columns have, a listing with the numbers of its lines has. */
  private static boolean hasManyColumns(Detected.Grid table) {
    return table.columns().size() >= TableThresholds.Registers.COLUMNS;
  }

  private List<RowLine> under(Detected.Grid g) {
    return a.lines().stream().filter(l -> l.baseline() > g.box().bottom()).toList();
  }

  private List<RowLine> over(Detected.Grid g) {
    return b.lines().stream().filter(l -> l.baseline() < g.box().y()).toList();
  }

  /** Whether two tables are one, and what stands between them are cells of a row of it. */
  private boolean areOne(
      Detected.Grid last, Detected.Grid first, List<RowLine> under, List<RowLine> over) {
    if (last.columns().size() != first.columns().size()
        || !hasManyColumns(last)
        || under.isEmpty() && over.isEmpty()) {
      return false;
    }
    WhiteColumns before = columns(last);
    WhiteColumns after = columns(first);
    return before.shifted(by).standAs(after)
        && areOfRow(before, under)
        && areOfRow(after, over)
        && (under.isEmpty() || isNear(under.getFirst(), last.box().bottom()))
        && (over.isEmpty() || isNear(over.getLast(), first.box().y()));
  }

  private static boolean areOfRow(WhiteColumns columns, List<RowLine> lines) {
    return IntStream.range(0, lines.size()).allMatch(k -> isOfRow(columns, lines, k, k - 1));
  }

  private static boolean isNear(RowLine l, double edge) {
    return Math.abs(l.baseline() - edge) <= TableThresholds.AlignedTables.ENDS * l.size();
  }

  /** The lines at the top of a column that are rows of a table with which the last ended. */
  private void rowsOf(Detected.Grid table) {
    WhiteColumns columns = columns(table).shifted(by);
    int end = 0;
    while (end < b.lines().size() && isOfRow(columns, b.lines(), end, end - 1)) {
      end++;
    }
    for (AlignedTables.Found t : b.tables()) {
      int at = b.lines().indexOf(t.lines().getFirst());
      end = at < end && at + t.lines().size() > end ? at : end;
    }
    List<RowLine> rows = List.copyOf(b.lines().subList(0, end));
    if (rows.stream().anyMatch(columns::fits)) {
      take(b, rows, columns, true);
    }
  }

  /** The lines at the foot of a column that are rows of a table with which the next begins. */
  private void rowsBefore(Detected.Grid table) {
    WhiteColumns columns = columns(table).shifted(-by);
    int from = a.lines().size();
    while (from > a.below() && isOfRow(columns, a.lines(), from - 1, from)) {
      from--;
    }
    List<RowLine> rows = List.copyOf(a.lines().subList(from, a.lines().size()));
    if (rows.stream().anyMatch(columns::fits)) {
      take(a, rows, columns, false);
    }
  }

  /**
   * By itself, one row that has several lines may have seemed to be a table of its own.
   *
   * @param rest whether the rows are of the table before them
   */
  private static void take(
      SplitTables.Part part, List<RowLine> rows, WhiteColumns columns, boolean rest) {
    if (rows.isEmpty()) {
      return;
    }
    part.tables().removeIf(t -> rows.contains(t.lines().getFirst()));
    double at = rows.getFirst().baseline();
    int k = 0;
    while (k < part.tables().size() && part.tables().get(k).lines().getFirst().baseline() < at) {
      k++;
    }
    part.tables().add(k, new AlignedTables.Found(rows, columns, rest));
  }

  private static WhiteColumns columns(Detected.Grid table) {
    List<TextLine> texts =
        table.rows().stream().flatMap(List::stream).flatMap(c -> c.lines().stream()).toList();
    return WhiteColumns.ruled(RowLine.of(texts), table.edges());
  }

  /**
   * Whether a line is a row of columns, or one of the lines of a row, but not of its first cell:
   * text next to a table begins there too, and of a line of text words stand at edges by chance.
   *
   * @param next to it, that is one already, if there is such
   */
  private static boolean isOfRow(WhiteColumns columns, List<RowLine> lines, int k, int next) {
    RowLine l = lines.get(k);
    if (next >= 0
        && next < lines.size()
        && Math.abs(lines.get(next).baseline() - l.baseline())
            > TableThresholds.AlignedTables.ENDS * l.size()) {
      return false;
    }
    List<WhiteColumns.Chunk> chunks = columns.chunks(l);
    WhiteColumns.Chunk first = chunks.getFirst();
    return l.parted() && columns.fits(l)
        || chunks.size() == 1 && first.first() > 0 && columns.isAtEdge(first);
  }
}
