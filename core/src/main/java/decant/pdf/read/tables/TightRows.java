package decant.pdf.read.tables;

import decant.pdf.read.lines.Regions;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Rows above and below a table whose cells stand no further apart than words: each of their parts
 * has an edge of its column, to a hair, which no line of text has in three columns and more.
 */
final class TightRows {
  private final List<RowLine> lines;
  private final WhiteColumns columns;

  private TightRows(List<RowLine> lines, WhiteColumns columns) {
    this.lines = lines;
    this.columns = columns;
  }

  /** A table, with columns that little room parts too, unless they would part heads of groups. */
  static AlignedTables.Found table(List<RowLine> lines, WhiteColumns columns) {
    WhiteColumns tight = columns.tightened(lines);
    boolean other = tight != columns && keep(lines, columns, tight);
    return new AlignedTables.Found(lines, other ? tight : columns);
  }

  /**
   * Whether what reaches over several columns, or stands alone in its line, is in one piece in
   * others too: heads of groups, and titles over several columns.
   */
  private static boolean keep(List<RowLine> lines, WhiteColumns columns, WhiteColumns others) {
    return lines.stream()
        .allMatch(l -> {
          List<WhiteColumns.Chunk> before = columns.chunks(l);
          List<WhiteColumns.Chunk> after = others.chunks(l);
          return before.stream()
              .filter(k -> k.spans() || before.size() == 1)
              .allMatch(k ->
                  after.stream().anyMatch(o -> o.left() == k.left() && o.right() == k.right()));
        });
  }

  /**
   * A table with the rows next to it.
   *
   * @param lines of the page or column
   * @param from where the table begins among them
   * @param floor the first line that may be of it
   */
  static AlignedTables.Found with(
      List<RowLine> lines, int from, int floor, AlignedTables.Found table) {
    int end = from + table.lines().size();
    boolean near =
        from > floor && isNear(lines, from - 1, from)
            || end < lines.size() && isNear(lines, end, end - 1);
    return near
        ? cut(table).map(c -> new TightRows(lines, c).grown(from, floor, table)).orElse(table)
        : table;
  }

  /** Whether a line stands as near to the next as rows of one table do. */
  private static boolean isNear(List<RowLine> lines, int k, int next) {
    RowLine l = lines.get(k);
    double gap = Math.abs(lines.get(next).baseline() - l.baseline());
    return gap <= TableThresholds.AlignedTables.LONE * l.size()
        && !RowLine.isOtherSize(l.size(), lines.get(next).size());
  }

  private AlignedTables.Found grown(int from, int floor, AlignedTables.Found table) {
    int begin = from;
    while (begin > floor && isRow(begin - 1, begin)) {
      begin--;
    }
    int end = from + table.lines().size();
    while (end < lines.size() && isRow(end, end - 1) && !isHeadAgain(begin, end)) {
      end++;
    }
    return end - begin == table.lines().size()
        ? table
        : new AlignedTables.Found(List.copyOf(lines.subList(begin, end)), columns);
  }

  /** Whether a line has the titles once more: of a table of its own. */
  private boolean isHeadAgain(int begin, int k) {
    return text(k).equals(text(begin)) && text(k).chars().noneMatch(Character::isDigit);
  }

  private String text(int k) {
    return Regions.whole(lines.get(k).pieces()).text();
  }

  private boolean isRow(int k, int next) {
    RowLine l = lines.get(k);
    return isNear(lines, k, next)
        && isOneEach(columns.chunks(l), columns, TableThresholds.TightRows.EDGE * l.size());
  }

  /** Whether there is one part in each column, which stands there as others do. */
  static boolean isOneEach(List<WhiteColumns.Chunk> parts, WhiteColumns columns, double near) {
    return parts.size() == columns.columns().size()
        && IntStream.range(0, parts.size())
            .allMatch(c -> {
              WhiteColumns.Chunk here = parts.get(c);
              return here.first() == c
                  && !here.spans()
                  && columns.columns().get(c).standsAs(here.left(), here.right(), near);
            });
  }

  /** The columns of a table as if lines parted them; empty if they are few, or would part heads. */
  private static Optional<WhiteColumns> cut(AlignedTables.Found table) {
    List<WhiteColumns.Column> all = table.columns().columns();
    if (all.size() < TableThresholds.Registers.COLUMNS) {
      return Optional.empty();
    }
    // Other cells may be longer: nearly all of the white is theirs.
    return RowLine.edges(
            all.stream().map(c -> new RowLine.Span(c.left(), c.right())).toList(), 0.99)
        .map(xs -> WhiteColumns.ruled(table.lines(), xs))
        .filter(c -> keep(table.lines(), table.columns(), c));
  }
}
