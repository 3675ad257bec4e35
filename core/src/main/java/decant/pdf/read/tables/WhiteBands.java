package decant.pdf.read.tables;

import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Rows whose cells stand in the middle of their height, without lines or bars between them: a cell
 * of one line then stands beside or between the lines of a taller one, and baselines tell nothing.
 * What tells the rows is the white between them from side to side, which is more than between the
 * lines of a cell.
 */
final class WhiteBands {
  private final List<TextLine> lines;
  private final double pitch;

  private WhiteBands(List<TextLine> lines, double pitch) {
    this.lines = lines;
    this.pitch = pitch;
  }

  /** Rows of a page one below the other, as those between painted edges. */
  static List<RowBands.Stack> of(List<TextLine> pieces) {
    List<TextLine> lines =
        pieces.stream().sorted(Comparator.comparingDouble(TextLine::baseline)).toList();
    double[] near = distances(lines);
    if (near.length < TableThresholds.AlignedTables.MIN_ROWS) {
      return List.of();
    }
    return new WhiteBands(lines, near[near.length / 4]).stacks();
  }

  /** From lines to the next below them, the smallest first. */
  private static double[] distances(List<TextLine> lines) {
    double[] out = new double[lines.size()];
    int n = 0;
    for (int k = 0; k < lines.size(); k++) {
      TextLine a = lines.get(k);
      double most = TableThresholds.WhiteBands.LINES * a.size();
      for (int j = k + 1; j < lines.size() && lines.get(j).baseline() - a.baseline() < most; j++) {
        double d = lines.get(j).baseline() - a.baseline();
        if (d > a.size() / 2 && overlap(a, lines.get(j))) {
          out[n++] = d;
          break;
        }
      }
    }
    return Arrays.stream(Arrays.copyOf(out, n)).sorted().toArray();
  }

  private static boolean overlap(TextLine a, TextLine b) {
    return a.box().x() < b.box().right() && b.box().x() < a.box().right();
  }

  private List<RowBands.Stack> stacks() {
    var out = new ArrayList<RowBands.Stack>();
    var run = new ArrayList<List<TextLine>>();
    int from = 0;
    for (int k = 1; k <= lines.size(); k++) {
      if (k < lines.size() && !isParted(k)) {
        continue;
      }
      List<TextLine> block = lines.subList(from, k);
      if (isRow(block)) {
        run.add(block);
      } else {
        take(run, out);
      }
      from = k;
    }
    take(run, out);
    return out;
  }

  /** Whether all that stands above a line is farther from what is below than lines of a cell. */
  private boolean isParted(int k) {
    double far = TableThresholds.WhiteBands.PARTED * pitch;
    if (lines.get(k).baseline() - lines.get(k - 1).baseline() < pitch / 4) {
      return false;
    }
    for (int j = k;
        j < lines.size() && lines.get(j).baseline() < lines.get(k - 1).baseline() + far;
        j++) {
      for (int i = k - 1; i >= 0 && lines.get(i).baseline() > lines.get(j).baseline() - far; i--) {
        if (overlap(lines.get(i), lines.get(j))) {
          return false;
        }
      }
    }
    return true;
  }

  private static boolean isRow(List<TextLine> block) {
    RowLine row = RowLine.stacked(RowLine.of(block));
    return row.parts(wide(row)).size() >= TableThresholds.Registers.COLUMNS;
  }

  /**
   * Whether all cells stand in the middle of a row, and some on no line of the tallest.
   *
   * @return empty where cells stand otherwise
   */
  private Optional<Boolean> middle(List<TextLine> block) {
    RowLine whole = RowLine.stacked(RowLine.of(block));
    double top = block.stream().mapToDouble(TextLine::baseline).min().orElseThrow();
    double bottom = block.stream().mapToDouble(TextLine::baseline).max().orElseThrow();
    boolean off = false;
    for (RowLine.Span part : whole.parts(wide(whole))) {
      double[] at =
          block.stream()
              .filter(l -> l.box().x() < part.right() && l.box().right() > part.left())
              .mapToDouble(TextLine::baseline)
              .sorted()
              .toArray();
      double middle = (at[0] + at[at.length - 1]) / 2;
      if (Math.abs(middle - (top + bottom) / 2) > TableThresholds.WhiteBands.OFF * pitch) {
        return Optional.empty();
      }
      off |= at[0] - top > pitch / 4;
    }
    return Optional.of(off);
  }

  private static double wide(RowLine row) {
    return TableThresholds.WhiteColumns.SURELY * row.size();
  }

  private void take(List<List<TextLine>> run, List<RowBands.Stack> out) {
    List<Boolean> middle = run.stream().map(this::middle).flatMap(Optional::stream).toList();
    long off = middle.stream().filter(m -> m).count();
    boolean rows =
        run.size() >= TableThresholds.AlignedTables.MIN_ROWS
            && middle.size() >= TableThresholds.WhiteBands.ALL * run.size()
            && off >= 2
            && off >= TableThresholds.WhiteBands.MIDDLE * run.size();
    if (rows) {
      double left =
          run.stream().flatMap(List::stream).mapToDouble(l -> l.box().x()).min().orElse(0);
      double right =
          run.stream().flatMap(List::stream).mapToDouble(l -> l.box().right()).max().orElse(0);
      List<Double> tops =
          run.stream()
              .map(r -> r.stream().mapToDouble(l -> l.box().y()).min().orElseThrow())
              .toList();
      double bottom = run.getLast().stream().mapToDouble(l -> l.box().bottom()).max().orElseThrow();
      List<List<TextLine>> texts =
          run.stream().map(r -> r.stream().sorted(TextLine.DOWN).toList()).toList();
      out.add(new RowBands.Stack(left, right, texts, tops, bottom));
    }
    run.clear();
  }
}
