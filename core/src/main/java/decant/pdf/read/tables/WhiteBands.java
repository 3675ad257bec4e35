package decant.pdf.read.tables;

import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Rows whose cells stand in the middle or at the foot of their height, without lines or bars
 * between them: a cell of one line then stands beside the last lines of a taller one, or between
 * two, and baselines tell nothing. What tells the rows is the white between them from side to side,
 * which is more than between the lines of a cell.
 */
final class WhiteBands {
  /** Lines of a page that are looked at; pages of tables have fewer. */
  private static final int MOST = 3_000;

  private final List<TextLine> lines;
  private final double pitch;

  private WhiteBands(List<TextLine> lines, double pitch) {
    this.lines = lines;
    this.pitch = pitch;
  }

  /** Rows of a page one below the other, as those between painted edges. */
  static List<RowBands.Stack> of(List<TextLine> pieces) {
    return in(pieces).map(WhiteBands::stacks).orElse(List.of());
  }

  /** What more white parts from side to side than there is between lines, down the page. */
  static List<List<TextLine>> parted(List<TextLine> pieces) {
    return in(pieces).map(WhiteBands::blocks).orElse(List.of());
  }

  private static Optional<WhiteBands> in(List<TextLine> pieces) {
    if (pieces.size() > MOST) {
      return Optional.empty();
    }
    List<TextLine> lines =
        pieces.stream().sorted(Comparator.comparingDouble(TextLine::baseline)).toList();
    double[] near = distances(lines);
    return near.length < TableThresholds.AlignedTables.MIN_ROWS
        ? Optional.empty()
        : Optional.of(new WhiteBands(lines, pitch(near)));
  }

  /** The least distance that several lines have: that of a text, where some runs on below. */
  private static double pitch(double[] near) {
    int several = Math.max(3, near.length / TableThresholds.WhiteBands.SEVERAL);
    for (int k = 0; k + several <= near.length; k++) {
      if (near[k + several - 1] <= near[k] * TableThresholds.AlignedTables.SAME_PITCH) {
        return near[k];
      }
    }
    return near[near.length / 4];
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

  private List<List<TextLine>> blocks() {
    var out = new ArrayList<List<TextLine>>();
    int from = 0;
    for (int k = 1; k <= lines.size(); k++) {
      if (k == lines.size() || isParted(k)) {
        out.add(lines.subList(from, k));
        from = k;
      }
    }
    return out;
  }

  private List<RowBands.Stack> stacks() {
    var out = new ArrayList<RowBands.Stack>();
    var run = new ArrayList<List<TextLine>>();
    var between = new ArrayList<List<TextLine>>();
    for (List<TextLine> block : blocks()) {
      boolean row = isRow(block);
      boolean goesOn = !run.isEmpty() && follows(run, between, block, row);
      boolean few = lone(between) < TableThresholds.WhiteBands.BETWEEN || parts(block) > 1;
      if (goesOn && !row && few) {
        between.add(block); // the head of a group, or a row with less room between its cells
        continue;
      }
      if (goesOn && row && areWithin(between, run, block)) {
        run.addAll(between);
      } else {
        take(run, out);
      }
      between.clear();
      if (row) {
        run.add(block);
      }
    }
    take(run, out);
    return out;
  }

  /** Whether lines follow rows as near as another row does, in the same size. */
  private static boolean follows(
      List<List<TextLine>> run, List<List<TextLine>> between, List<TextLine> block, boolean row) {
    TextLine above = (between.isEmpty() ? run : between).getLast().getLast();
    TextLine first = block.getFirst();
    double gap = first.baseline() - above.baseline();
    double usual = 0;
    for (int k = 1; k < run.size(); k++) {
      usual =
          Math.max(usual, run.get(k).getFirst().baseline() - run.get(k - 1).getLast().baseline());
    }
    double most =
        row || usual == 0
            ? TableThresholds.AlignedTables.ENDS * above.size()
            : TableThresholds.WhiteBands.PARTED * usual;
    return gap <= most
        && Math.abs(first.size() - above.size())
            <= TableThresholds.AlignedTables.OTHER_SIZE * above.size();
  }

  /** Whether heads of groups reach no further to either side than the rows around them. */
  private static boolean areWithin(
      List<List<TextLine>> among, List<List<TextLine>> run, List<TextLine> row) {
    var rows = new ArrayList<>(run);
    rows.add(row);
    List<List<TextLine>> between = among.stream().filter(b -> parts(b) == 1).toList();
    double near = TableThresholds.RowBands.NEAR;
    return left(between) >= left(rows) - near && right(between) <= right(rows) + near
        || between.isEmpty();
  }

  private static double left(List<List<TextLine>> run) {
    return run.stream().flatMap(List::stream).mapToDouble(l -> l.box().x()).min().orElse(0);
  }

  private static double right(List<List<TextLine>> run) {
    return run.stream().flatMap(List::stream).mapToDouble(l -> l.box().right()).max().orElse(0);
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

  private static long lone(List<List<TextLine>> blocks) {
    return blocks.stream().filter(b -> parts(b) == 1).count();
  }

  private static int parts(List<TextLine> block) {
    RowLine row = RowLine.stacked(RowLine.of(block));
    return row.parts(wide(row)).size();
  }

  private static boolean isRow(List<TextLine> block) {
    return parts(block) >= TableThresholds.Registers.COLUMNS;
  }

  /**
   * How the cells of a row stand.
   *
   * @param middle whether all stand in the middle of its height
   * @param foot whether all stand at its foot
   * @param off whether some do not begin with the tallest
   */
  private record Standing(boolean middle, boolean foot, boolean off) {}

  private Standing standing(List<TextLine> block) {
    RowLine whole = RowLine.stacked(RowLine.of(block));
    double top = block.stream().mapToDouble(TextLine::baseline).min().orElseThrow();
    double bottom = block.stream().mapToDouble(TextLine::baseline).max().orElseThrow();
    boolean middle = true;
    boolean foot = true;
    boolean off = false;
    for (RowLine.Span part : whole.parts(wide(whole))) {
      double[] at =
          block.stream()
              .filter(l -> l.box().x() < part.right() && l.box().right() > part.left())
              .mapToDouble(TextLine::baseline)
              .sorted()
              .toArray();
      double last = at[at.length - 1];
      double near = TableThresholds.WhiteBands.OFF * pitch;
      middle &= Math.abs(at[0] + last - top - bottom) / 2 <= near;
      foot &= bottom - last <= near;
      off |= at[0] - top > pitch / 4;
    }
    return new Standing(middle, foot, off);
  }

  private static double wide(RowLine row) {
    return TableThresholds.WhiteColumns.SURELY * row.size();
  }

  private void take(List<List<TextLine>> run, List<RowBands.Stack> out) {
    List<Standing> all = run.stream().map(this::standing).toList();
    long off = all.stream().filter(Standing::off).count();
    long alike =
        Math.max(
            all.stream().filter(Standing::middle).count(),
            all.stream().filter(Standing::foot).count());
    boolean rows =
        run.size() >= TableThresholds.AlignedTables.MIN_ROWS
            && alike >= TableThresholds.WhiteBands.ALL * run.size()
            && off >= 2
            && off >= TableThresholds.WhiteBands.MIDDLE * run.size();
    if (rows) {
      List<Double> tops =
          run.stream()
              .map(r -> r.stream().mapToDouble(l -> l.box().y()).min().orElseThrow())
              .toList();
      double bottom = run.getLast().stream().mapToDouble(l -> l.box().bottom()).max().orElseThrow();
      List<List<TextLine>> texts =
          run.stream().map(r -> r.stream().sorted(TextLine.DOWN).toList()).toList();
      out.add(new RowBands.Stack(left(run), right(run), texts, tops, bottom));
    }
    run.clear();
  }
}
