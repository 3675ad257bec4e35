package decant.pdf.read.tables;

import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Tables between lines from side to side: one above the head, one below it, one below the last row.
 * That they are tables is told by the lines, where their columns are by the white between them.
 */
final class RuleBounds {
  /** Lines of text in a head. */
  private static final int HEAD = 4;

  private RuleBounds() {}

  static List<AlignedTables.Found> in(ScannedPage page, List<TextLine> pieces) {
    var out = new ArrayList<AlignedTables.Found>();
    for (List<List<TextLine>> here : RowBands.betweenLines(page, pieces)) {
      List<List<RowLine>> between = here.stream().map(RowLine::of).toList();
      int k = 0;
      while (k + 1 < between.size()) {
        Stretch s = stretch(between, k);
        s.table().filter(t -> !isSeen(t)).ifPresent(out::add);
        k = Math.max(k + 1, s.end());
      }
    }
    return out;
  }

  /**
   * What a head and the rows below it make.
   *
   * @param end of what is between lines and belongs to it
   */
  private record Stretch(int end, Optional<AlignedTables.Found> table) {}

  /** Whether it is known for one table without the lines, with as many columns. */
  private static boolean isSeen(AlignedTables.Found table) {
    List<AlignedTables.Found> found = AlignedTables.in(table.lines());
    return found.size() == 1
        && found.getFirst().lines().size() == table.lines().size()
        && found.getFirst().columns().columns().size() >= table.columns().columns().size();
  }

  /** The longest table whose head stands between a line and the next. */
  private static Stretch stretch(List<List<RowLine>> between, int from) {
    List<RowLine> head = between.get(from);
    var table = new Stretch(from, Optional.empty());
    if (head.isEmpty() || head.size() > HEAD) {
      return table;
    }
    var lines = new ArrayList<>(head);
    for (int k = from + 1; k < between.size() && !between.get(k).isEmpty(); k++) {
      lines.addAll(between.get(k));
      WhiteColumns white = WhiteColumns.ofAll(lines);
      if (!isTable(lines, head, white) || !areRows(between.get(k), white)) {
        break;
      }
      table = new Stretch(k + 1, Optional.of(new AlignedTables.Found(List.copyOf(lines), white)));
    }
    return table;
  }

  private static boolean isTable(List<RowLine> lines, List<RowLine> head, WhiteColumns white) {
    if (lines.size() < TableThresholds.AlignedTables.MIN_ROWS
        || !white.areOfTable()
        || AlignedTables.isProse(lines, white)) {
      return false;
    }
    for (int k = 1; k < lines.size(); k++) {
      double gap = lines.get(k).baseline() - lines.get(k - 1).baseline();
      double size = head.getFirst().size();
      boolean otherSize = RowLine.isOtherSize(lines.get(k).size(), size);
      if (otherSize || gap > TableThresholds.AlignedTables.ENDS * size) {
        return false;
      }
    }
    return head.stream().anyMatch(white::part);
  }

  /** Whether lines stand in columns, but for few that reach across. */
  private static boolean areRows(List<RowLine> lines, WhiteColumns white) {
    long across = lines.stream().filter(white::reachesAcross).count();
    return lines.stream().anyMatch(white::part)
        && across <= TableThresholds.RuleBounds.ACROSS * lines.size();
  }
}
