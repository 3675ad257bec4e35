package decant.pdf.read.tables;

import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.List;

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
    for (RowBands.Lines l : RowBands.lines(page)) {
      List<List<RowLine>> between = between(l, pieces);
      int k = 0;
      while (k + 1 < between.size()) {
        int end = end(between, k);
        if (end > k) {
          List<RowLine> lines = between.subList(k, end).stream().flatMap(List::stream).toList();
          WhiteColumns white = WhiteColumns.ofAll(lines);
          if (!isSeen(lines, white)) {
            out.add(new AlignedTables.Found(lines, white));
          }
        }
        k = Math.max(k + 1, end);
      }
    }
    return out;
  }

  /** Whether they are known for one table without the lines, with as many columns. */
  private static boolean isSeen(List<RowLine> lines, WhiteColumns white) {
    List<AlignedTables.Found> found = AlignedTables.in(lines);
    return found.size() == 1
        && found.getFirst().lines().size() == lines.size()
        && found.getFirst().columns().columns().size() >= white.columns().size();
  }

  /** What stands between each line and the next; empty where something reaches beyond them. */
  private static List<List<RowLine>> between(RowBands.Lines rules, List<TextLine> pieces) {
    var out = new ArrayList<List<RowLine>>();
    for (int k = 1; k < rules.at().size(); k++) {
      double top = rules.at().get(k - 1);
      double bottom = rules.at().get(k);
      List<TextLine> here =
          pieces.stream()
              .filter(p ->
                  RowBands.middle(p) > top
                      && RowBands.middle(p) < bottom
                      && p.box().right() > rules.left()
                      && p.box().x() < rules.right())
              .toList();
      boolean within =
          here.stream()
              .allMatch(p ->
                  p.box().x() >= rules.left() - TableThresholds.RowBands.NEAR
                      && p.box().right() <= rules.right() + TableThresholds.RowBands.NEAR);
      out.add(within ? RowLine.of(here) : List.of());
    }
    return out;
  }

  /** Where the stretches end that are a table from one on; there itself if it begins none. */
  private static int end(List<List<RowLine>> between, int from) {
    int head = between.get(from).size();
    if (head == 0 || head > HEAD) {
      return from;
    }
    int end = from;
    var lines = new ArrayList<>(between.get(from));
    for (int k = from + 1; k < between.size(); k++) {
      if (between.get(k).isEmpty()) {
        break;
      }
      lines.addAll(between.get(k));
      if (!isTable(lines, head) || !isRows(between.get(k), WhiteColumns.ofAll(lines))) {
        break;
      }
      end = k + 1;
    }
    return end;
  }

  private static boolean isTable(List<RowLine> lines, int head) {
    WhiteColumns white = WhiteColumns.ofAll(lines);
    int n = white.columns().size();
    if (lines.size() < TableThresholds.AlignedTables.MIN_ROWS
        || n < 2
        || n > TableThresholds.AlignedTables.MAX_COLUMNS
        || AlignedTables.isProse(lines, white)) {
      return false;
    }
    for (int k = 1; k < lines.size(); k++) {
      double gap = lines.get(k).baseline() - lines.get(k - 1).baseline();
      if (gap > TableThresholds.AlignedTables.ENDS * lines.get(k).size()) {
        return false;
      }
    }
    return lines.subList(0, head).stream().anyMatch(l -> white.chunks(l).size() >= 2);
  }

  /** Whether lines stand in columns, but for few that reach across. */
  private static boolean isRows(List<RowLine> lines, WhiteColumns white) {
    long parted = lines.stream().filter(l -> white.chunks(l).size() >= 2).count();
    long across =
        lines.stream()
            .filter(l -> white.chunks(l).stream().anyMatch(WhiteColumns.Chunk::spans))
            .count();
    return parted > 0 && across <= TableThresholds.RuleBounds.ACROSS * lines.size();
  }
}
