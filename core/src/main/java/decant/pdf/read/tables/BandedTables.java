package decant.pdf.read.tables;

import decant.model.Box;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Tables whose rows are told apart by shaded bars, by lines from side to side, or by the white
 * between them where that alone tells, and whose columns by nothing but the white between them.
 */
public final class BandedTables {
  /** The tables of a page, and the pieces that stand outside them. */
  public record Result(List<Detected.Grid> tables, List<TextLine> rest) {}

  private BandedTables() {}

  public static Result of(ScannedPage page, List<TextLine> lines) {
    var tables = new ArrayList<Detected.Grid>();
    Set<TextLine> taken = Collections.newSetFromMap(new IdentityHashMap<>());
    List<RowBands.Stack> stacks = new ArrayList<>(RowBands.of(page, lines));
    stacks.addAll(WhiteBands.of(lines));
    for (RowBands.Stack s : stacks) {
      if (s.rows().stream().flatMap(List::stream).anyMatch(taken::contains)) {
        continue;
      }
      List<List<RowLine>> rows = s.rows().stream().map(RowLine::of).toList();
      List<RowLine> whole = rows.stream().map(RowLine::stacked).toList();
      Optional<WhiteColumns> blank = ofHead(s, whole);
      WhiteColumns columns = blank.orElseGet(() -> WhiteColumns.ofRows(whole));
      if (blank.isPresent() || isTable(rows, whole, columns)) {
        s.rows().forEach(taken::addAll);
        tables.add(grid(page, s, rows, columns));
      }
    }
    List<TextLine> rest = lines.stream().filter(l -> !taken.contains(l)).toList();
    for (AlignedTables.Found f : RuleBounds.in(page, rest)) {
      List<TextLine> pieces = f.lines().stream().flatMap(l -> l.pieces().stream()).toList();
      if (pieces.stream().noneMatch(taken::contains)) {
        taken.addAll(pieces);
        tables.add(AlignedGrid.of(page, f));
      }
    }
    return new Result(tables, lines.stream().filter(l -> !taken.contains(l)).toList());
  }

  /**
   * The columns of a table that is to be filled in: its head has them all, and its rows nothing but
   * what they are called.
   */
  private static Optional<WhiteColumns> ofHead(RowBands.Stack s, List<RowLine> rows) {
    RowLine head = rows.getFirst();
    double near = TableThresholds.WhiteColumns.EDGE * head.size();
    double wide = TableThresholds.WhiteColumns.ALONE * head.size();
    List<RowLine.Span> titles = head.parts(wide);
    var edges = new ArrayList<Double>();
    edges.add(s.left());
    titles.stream().skip(1).forEach(t -> edges.add(t.left() - near));
    edges.add(s.right());
    boolean blank =
        rows.size() >= TableThresholds.AlignedTables.MIN_ROWS
            && titles.size() >= TableThresholds.Registers.COLUMNS
            && rows.stream()
                .skip(1)
                .allMatch(r -> Math.abs(r.left() - head.left()) < near && r.right() < edges.get(1));
    return blank ? Optional.of(WhiteColumns.ruled(rows, edges)) : Optional.empty();
  }

  private static boolean isTable(
      List<List<RowLine>> rows, List<RowLine> whole, WhiteColumns columns) {
    int n = columns.columns().size();
    // Of a table that goes on, there may be a head and one row at the foot of a page.
    boolean few =
        rows.size() < TableThresholds.AlignedTables.MIN_ROWS
            && !(n >= TableThresholds.Registers.COLUMNS
                && whole.stream().allMatch(r -> columns.chunks(r).size() == n)
                // Two lines in all columns are rather two rows than one of two lines.
                && rows.stream().noneMatch(r -> fullLines(r, columns) > 1));
    if (few || !columns.areOfTable()) {
      return false;
    }
    long parted = whole.stream().filter(columns::part).count();
    if (parted * 2 <= rows.size()) {
      return false;
    }
    // Lines may also divide groups of rows: then several lines in one have text in all columns.
    long groups = rows.stream().filter(r -> fullLines(r, columns) >= 3).count();
    return groups * TableThresholds.BandedTables.GROUPS <= rows.size();
  }

  /**
   * How many lines of a row have text in as many columns as any of them; none where each has text
   * in few, as lines of cells have that stand in the middle of their row.
   */
  private static long fullLines(List<RowLine> row, WhiteColumns columns) {
    int[] chunks = row.stream().mapToInt(l -> columns.chunks(l).size()).toArray();
    int most = Arrays.stream(chunks).max().orElse(0);
    int all = columns.chunks(RowLine.stacked(row)).size();
    return most < 2 || most * 2 <= all ? 0 : Arrays.stream(chunks).filter(n -> n == most).count();
  }

  private static Detected.Grid grid(
      ScannedPage page, RowBands.Stack stack, List<List<RowLine>> rows, WhiteColumns columns) {
    var cells = new ArrayList<List<Detected.DetectedCell>>();
    for (int r = 0; r < rows.size(); r++) {
      cells.add(AlignedGrid.cells(rows.get(r), columns, r == 0));
    }
    double top = stack.tops().getFirst();
    var box = new Box(stack.left(), top, stack.right() - stack.left(), stack.bottom() - top);
    var widths = new ArrayList<Double>();
    int n = columns.columns().size();
    for (int c = 0; c < n; c++) {
      double from = c == 0 ? stack.left() : columns.columns().get(c).from();
      double to = c + 1 == n ? stack.right() : columns.columns().get(c).to();
      widths.add(Math.max(1, to - from));
    }
    var rules = new RulesAlong(page.rules(), stack.left(), stack.right());
    List<RulesAlong.Row> bands = rows.stream().map(AlignedGrid::row).toList();
    return new Detected.Grid(page.number(), box, widths, cells, rules.ruling(bands, box, List.of()))
        .inReadingOrder();
  }
}
