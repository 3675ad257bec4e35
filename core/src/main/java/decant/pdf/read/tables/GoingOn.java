package decant.pdf.read.tables;

import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.Detected.DetectedCell;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.DoubleSummaryStatistics;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * The part of a table that goes on after a page, cut into the columns of the part before it: by
 * itself it may be too short to tell columns that little room parts.
 */
public final class GoingOn {
  private final WhiteColumns columns;
  private final int many;

  private GoingOn(WhiteColumns columns, int many) {
    this.columns = columns;
    this.many = many;
  }

  /**
   * A table with the columns of the one before it.
   *
   * @return empty if it has as many by itself, if lines are drawn between them, or if something in
   *     it stands elsewhere
   */
  public static Optional<Detected.Grid> cutAs(Detected.Grid before, Detected.Grid table) {
    int many = before.columns().size();
    if (table.columns().size() >= many
        || many < TableThresholds.Registers.COLUMNS
        || !table.ruling().down().isEmpty()
        || before.rightToLeft()) {
      return Optional.empty();
    }
    return columns(before)
        .flatMap(c -> new GoingOn(c, many).rows(table))
        .map(rows ->
            new Detected.Grid(
                table.page(), table.box(), before.columns(), rows, table.ruling(), table.rest()));
  }

  /** The columns of a table, if white parts the texts of all of them from top to bottom. */
  private static Optional<WhiteColumns> columns(Detected.Grid g) {
    int n = g.columns().size();
    List<DoubleSummaryStatistics> reach =
        IntStream.range(0, n).mapToObj(c -> new DoubleSummaryStatistics()).toList();
    var texts = new ArrayList<TextLine>();
    for (List<DetectedCell> row : g.rows()) {
      int c = 0;
      for (DetectedCell cell : row) {
        if (cell.columnSpan() == 1 && c < n) {
          for (TextLine l : cell.lines()) {
            reach.get(c).accept(l.box().x());
            reach.get(c).accept(l.box().right());
            texts.add(l);
          }
        }
        c += cell.columnSpan();
      }
    }
    if (reach.stream().anyMatch(r -> r.getCount() == 0)) {
      return Optional.empty(); // where it is, nothing tells
    }
    List<RowLine.Span> spans =
        reach.stream().map(r -> new RowLine.Span(r.getMin(), r.getMax())).toList();
    return RowLine.edges(spans, 0.5).map(xs -> WhiteColumns.ruled(RowLine.of(texts), xs));
  }

  private Optional<List<List<DetectedCell>>> rows(Detected.Grid table) {
    var out = new ArrayList<List<DetectedCell>>();
    boolean more = false;
    for (List<DetectedCell> row : table.rows()) {
      List<RowLine> lines = RowLine.of(row.stream().flatMap(c -> c.lines().stream()).toList());
      if (isHead(row)) {
        DetectedCell head = row.getFirst();
        out.add(List.of(new DetectedCell(many, 1, head.lines(), head.header())));
        continue;
      }
      if (!lines.stream().allMatch(this::fits)) {
        return Optional.empty();
      }
      List<DetectedCell> cells = AlignedGrid.cells(lines, columns, false);
      long filled = cells.stream().filter(c -> !c.lines().isEmpty()).count();
      more |= filled > row.stream().filter(c -> !c.lines().isEmpty()).count();
      out.add(cells);
    }
    return more ? Optional.of(out) : Optional.empty();
  }

  /** Whether a row is one text that begins where the first column does, as heads of groups do. */
  private boolean isHead(List<DetectedCell> row) {
    List<TextLine> lines = row.stream().flatMap(c -> c.lines().stream()).toList();
    if (lines.size() != 1 || row.getFirst().lines().isEmpty()) {
      return false;
    }
    double off = lines.getFirst().box().x() - columns.columns().getFirst().left();
    return Math.abs(off) < TableThresholds.WhiteColumns.EDGE * lines.getFirst().size();
  }

  private boolean fits(RowLine l) {
    return columns.chunks(l).stream().allMatch(columns::isAtEdge);
  }
}
