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

  /**
   * Lines with more white above and below them than between them.
   *
   * @param whole all of them as one
   * @param parts what stands apart in them from left to right
   */
  private record Block(List<TextLine> lines, RowLine whole, List<RowLine.Span> parts) {
    static Block of(List<TextLine> lines) {
      RowLine whole = RowLine.stacked(RowLine.of(lines));
      double wide = TableThresholds.WhiteColumns.SURELY * whole.size();
      return new Block(lines, whole, whole.parts(wide));
    }

    boolean isRow() {
      return parts.size() >= TableThresholds.Registers.COLUMNS;
    }

    /** Whether nothing stands beside it, as is so of the head of a group. */
    boolean isLone() {
      return parts.size() == 1;
    }

    double left() {
      return lines.stream().mapToDouble(l -> l.box().x()).min().orElseThrow();
    }

    double right() {
      return lines.stream().mapToDouble(l -> l.box().right()).max().orElseThrow();
    }
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
    var run = new ArrayList<Block>();
    var between = new ArrayList<Block>();
    for (List<TextLine> some : blocks()) {
      Block block = Block.of(some);
      boolean goesOn = !run.isEmpty() && follows(run, between, block);
      boolean few =
          between.stream().filter(Block::isLone).count() < TableThresholds.WhiteBands.BETWEEN
              || !block.isLone();
      if (goesOn && !block.isRow() && few) {
        between.add(block); // the head of a group, or a row with less room between its cells
        continue;
      }
      if (goesOn && block.isRow() && areWithin(between, run, block)) {
        run.addAll(between);
      } else {
        take(run, between, out);
      }
      between.clear();
      if (block.isRow()) {
        run.add(block);
      }
    }
    take(run, between, out);
    return out;
  }

  /** Whether lines follow rows as near as another row does, in the same size. */
  private static boolean follows(List<Block> run, List<Block> between, Block block) {
    TextLine above = (between.isEmpty() ? run : between).getLast().lines.getLast();
    TextLine first = block.lines.getFirst();
    double gap = first.baseline() - above.baseline();
    double usual = 0;
    for (int k = 1; k < run.size(); k++) {
      double here =
          run.get(k).lines.getFirst().baseline() - run.get(k - 1).lines.getLast().baseline();
      usual = Math.max(usual, here);
    }
    double most =
        block.isRow() || usual == 0
            ? TableThresholds.AlignedTables.ENDS * above.size()
            : TableThresholds.WhiteBands.PARTED * usual;
    return gap <= most && !RowLine.isOtherSize(first.size(), above.size());
  }

  /** Whether heads of groups reach no further to either side than the rows around them. */
  private static boolean areWithin(List<Block> between, List<Block> run, Block row) {
    double near = TableThresholds.RowBands.NEAR;
    double left = Math.min(left(run), row.left()) - near;
    double right = Math.max(right(run), row.right()) + near;
    return between.stream()
        .filter(Block::isLone)
        .allMatch(b -> b.left() >= left && b.right() <= right);
  }

  private static double left(List<Block> run) {
    return run.stream().mapToDouble(Block::left).min().orElseThrow();
  }

  private static double right(List<Block> run) {
    return run.stream().mapToDouble(Block::right).max().orElseThrow();
  }

  /** Whether all that stands above a line is farther from what is below than lines of a cell. */
  private boolean isParted(int k) {
    double far = TableThresholds.WhiteBands.PARTED * pitch;
    if (lines.get(k).baseline() - lines.get(k - 1).baseline()
        < TableThresholds.LogicalRows.BESIDE * lines.get(k).size()) {
      return false; // beside one another
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

  /**
   * How the cells of a row stand.
   *
   * @param middle whether all stand in the middle of its height
   * @param foot whether all stand at its foot
   * @param off whether some do not begin with the tallest
   */
  private record Standing(boolean middle, boolean foot, boolean off) {}

  private Standing standing(Block block) {
    double top = block.lines.getFirst().baseline();
    double bottom = block.lines.getLast().baseline();
    boolean middle = true;
    boolean foot = true;
    boolean off = false;
    for (RowLine.Span part : block.parts) {
      double[] at =
          block.lines.stream()
              .filter(l -> l.box().x() < part.right() && l.box().right() > part.left())
              .mapToDouble(TextLine::baseline)
              .sorted()
              .toArray();
      if (at.length == 0) {
        continue; // marks that have no width stand nowhere
      }
      double last = at[at.length - 1];
      double near = TableThresholds.WhiteBands.OFF * pitch;
      middle &= Math.abs(at[0] + last - top - bottom) / 2 <= near;
      foot &= bottom - last <= near;
      off |= at[0] - top > pitch / 4;
    }
    return new Standing(middle, foot, off);
  }

  /**
   * Whether the cells of rows stand in the middle, or at the foot, and some below the tallest's
   * head.
   */
  private boolean standAlike(List<Block> rows) {
    // At the edges of a page rows may be cut.
    boolean many = rows.size() >= TableThresholds.AlignedTables.MIN_ROWS + 2;
    List<Block> run = many ? rows.subList(1, rows.size() - 1) : rows;
    List<Standing> all = run.stream().map(this::standing).toList();
    long off = all.stream().filter(Standing::off).count();
    long alike =
        Math.max(
            all.stream().filter(Standing::middle).count(),
            all.stream().filter(Standing::foot).count());
    return alike >= TableThresholds.WhiteBands.ALL * run.size()
        && off >= 2
        && off >= TableThresholds.WhiteBands.MIDDLE * run.size();
  }

  /** Rows below the others that leave columns empty, as those of sums do. */
  private static List<Block> sums(List<Block> run, List<Block> after) {
    WhiteColumns columns = WhiteColumns.ofRows(run.stream().map(Block::whole).toList());
    return after.stream().takeWhile(b -> b.parts.size() > 1 && columns.fits(b.whole)).toList();
  }

  /**
   * @param after what follows the last of them as near as rows do
   */
  private void take(List<Block> run, List<Block> after, List<RowBands.Stack> out) {
    if (run.size() >= TableThresholds.AlignedTables.MIN_ROWS && standAlike(run)) {
      run.addAll(sums(run, after));
      List<Double> tops =
          run.stream()
              .map(r -> r.lines.stream().mapToDouble(l -> l.box().y()).min().orElseThrow())
              .toList();
      double bottom =
          run.getLast().lines.stream().mapToDouble(l -> l.box().bottom()).max().orElseThrow();
      List<List<TextLine>> texts =
          run.stream().map(r -> r.lines.stream().sorted(TextLine.DOWN).toList()).toList();
      out.add(new RowBands.Stack(left(run), right(run), texts, tops, bottom));
    }
    run.clear();
  }
}
