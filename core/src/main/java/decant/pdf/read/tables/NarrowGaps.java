package decant.pdf.read.tables;

import java.util.ArrayList;
import java.util.List;

/**
 * Gaps that are no wider than those between words, where lines above and below have wide ones: they
 * part cells if what stands after them is in line with what stands after the wide ones.
 */
final class NarrowGaps {
  private final List<RowLine> lines;
  private final double near;
  private final double wide;

  NarrowGaps(List<RowLine> lines, double em, double wide) {
    this.lines = lines;
    this.near = TableThresholds.WhiteColumns.EDGE * em;
    this.wide = wide;
  }

  /** What stands after a gap, up to the next wide one. */
  private record After(double left, double right) {
    boolean inLine(After o, double near) {
      return Math.abs(left - o.left) < near || Math.abs(right - o.right) < near;
    }
  }

  /** Whether the gaps at a place, which no word reaches into, are those between two columns. */
  boolean partColumns(double x) {
    var after = new ArrayList<After>();
    var afterWide = new ArrayList<After>();
    for (RowLine l : lines) {
      List<RowLine.Word> words = l.words();
      for (int k = 1; k < words.size(); k++) {
        double end = words.get(k - 1).right();
        if (end <= x && words.get(k).left() >= x) {
          (words.get(k).isApart(end, wide) ? afterWide : after).add(after(words, k));
          break;
        }
      }
    }
    long inLine =
        afterWide.stream().filter(w -> after.stream().anyMatch(a -> a.inLine(w, near))).count();
    return inLine >= Math.max(TableThresholds.NarrowGaps.IN_LINE, 2L * after.size());
  }

  private After after(List<RowLine.Word> words, int from) {
    double right = words.get(from).right();
    for (int k = from + 1; k < words.size(); k++) {
      if (words.get(k).isApart(right, wide)) {
        break;
      }
      right = Math.max(right, words.get(k).right());
    }
    return new After(words.get(from).left(), right);
  }
}
