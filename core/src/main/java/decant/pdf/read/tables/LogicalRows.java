package decant.pdf.read.tables;

import decant.pdf.read.lines.Flow;
import decant.pdf.read.page.TextLine;
import decant.pdf.read.tables.WhiteColumns.Chunk;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * The lines of a table by its rows. A line goes on in a row where all that stands in it is the rest
 * of a cell; where that cannot be told from its text, the distance to the line above tells it, if
 * rows have another than the lines of a cell.
 */
final class LogicalRows {
  private static final Pattern NUMBER =
      Pattern.compile("[-−–—+(]?[\\p{Sc}\\s]*\\d[\\d.,'’:/\\s]*[%)\\p{Sc}]?[*†‡§]?|[-−–—]");

  private enum Kind {
    BEGINS,
    /** Where the distance does not say otherwise. */
    SEEMS_TO_BEGIN,
    GOES_ON,
    OPEN
  }

  private record Cell(Chunk chunk, TextLine text) {}

  private final List<RowLine> lines;
  private final List<List<Cell>> cells;
  private final double[] measures;

  private LogicalRows(List<RowLine> lines, WhiteColumns columns) {
    this.lines = lines;
    this.cells =
        lines.stream()
            .map(l ->
                columns.chunks(l).stream()
                    .map(c -> new Cell(c, l.between(c.left(), c.right())))
                    .toList())
            .toList();
    this.measures = new double[columns.columns().size()];
    cells.stream()
        .flatMap(List::stream)
        .filter(c -> !c.chunk().spans())
        .forEach(c ->
            measures[c.chunk().first()] =
                Math.max(measures[c.chunk().first()], c.text().box().width()));
  }

  /**
   * The lines of each row.
   *
   * @param ruled whether a rule is drawn above a line
   */
  static List<List<RowLine>> of(List<RowLine> lines, WhiteColumns columns, IntPredicate ruled) {
    return new LogicalRows(lines, columns).rows(ruled);
  }

  /** What is decided of the rows tells more of what stands in which, so it is asked twice. */
  private List<List<RowLine>> rows(IntPredicate ruled) {
    BitSet begins = begins(ruled, begins(ruled, null));
    var out = new ArrayList<List<RowLine>>();
    for (int k = 0; k < lines.size(); ) {
      int next = begins.nextSetBit(k + 1);
      int end = next < 0 ? lines.size() : next;
      out.add(lines.subList(k, end));
      k = end;
    }
    return out;
  }

  /**
   * @param known where rows begin as far as is known; null if nothing is
   */
  private BitSet begins(IntPredicate ruled, @Nullable BitSet known) {
    int n = lines.size();
    var kinds = new Kind[n];
    kinds[0] = Kind.BEGINS;
    int row = 0;
    int rules = 0;
    int begin = 1;
    for (int k = 1; k < n; k++) {
      boolean rule = ruled.test(k);
      kinds[k] = rule ? Kind.BEGINS : kind(row, k);
      rules += rule ? 1 : 0;
      boolean begins = kinds[k] == Kind.BEGINS || kinds[k] == Kind.SEEMS_TO_BEGIN;
      begin += begins ? 1 : 0;
      row = (known == null ? begins : known.get(k)) ? k : row;
    }
    boolean byRules = rules >= 3 && rules >= TableThresholds.LogicalRows.RULED * (begin - 1);
    double clear = clear(kinds);
    double limit = clear > 0 ? clear : limit(kinds);
    var out = new BitSet();
    row = 0;
    for (int k = 0; k < n; k++) {
      boolean begins =
          switch (kinds[k]) {
            case BEGINS -> true;
            case SEEMS_TO_BEGIN -> limit > 0 ? gap(k) > limit : !isRest(row, k);
            case GOES_ON -> clear > 0 && gap(k) > clear;
            case OPEN -> !byRules && (limit > 0 ? gap(k) > limit : !readsOn(k) && !isWithin(k));
          };
      if (begins) {
        row = k;
        out.set(k);
      }
    }
    return out;
  }

  /** Whether a line has no number where its row has some, little text, and begins in lower case. */
  private boolean isRest(int row, int k) {
    List<Cell> here = cells.get(k);
    return here.stream().noneMatch(c -> isNumber(c.text()))
        && cells.get(row).stream().anyMatch(c -> isNumber(c.text()))
        && here.size() * 2 <= cells.get(row).size()
        && here.stream().allMatch(c -> above(row, k, c.chunk()) != null)
        && readsOn(k);
  }

  private double gap(int k) {
    return lines.get(k).baseline() - lines.get(k - 1).baseline();
  }

  private Kind kind(int row, int k) {
    double em = lines.get(k).size();
    if (gap(k) < TableThresholds.LogicalRows.BESIDE * em) {
      return Kind.GOES_ON;
    }
    List<Cell> here = cells.get(k);
    boolean lone = here.size() == 1;
    boolean runs = true;
    for (Cell c : here) {
      Cell above = above(row, k, c.chunk());
      if (above == null && isMiddle(row, k)) {
        return Kind.OPEN;
      }
      if (above == null || above.chunk().spans() != c.chunk().spans()) {
        return Kind.SEEMS_TO_BEGIN;
      }
      if (above.text().bold() != c.text().bold()) {
        return Kind.BEGINS;
      }
      if (above.text().box().x() - c.text().box().x() > TableThresholds.LogicalRows.OUTDENT * em
          && above.text().box().right() - c.text().box().right()
              > TableThresholds.LogicalRows.OUTDENT * em) {
        return Kind.SEEMS_TO_BEGIN;
      }
      boolean on = c.chunk().spans() || goesOn(above, c);
      if (isNumber(c.text()) && isNumber(above.text())) {
        return Kind.BEGINS;
      }
      if (isNumber(c.text()) && !on) {
        return Kind.SEEMS_TO_BEGIN;
      }
      runs &= on;
    }
    boolean first = here.getFirst().chunk().first() <= cells.get(row).getFirst().chunk().first();
    if (runs && !first) {
      return Kind.GOES_ON;
    }
    return runs || lone ? Kind.OPEN : Kind.SEEMS_TO_BEGIN;
  }

  /** Whether a part of a cell may be the rest of the one above it in the same column. */
  private boolean goesOn(Cell above, Cell below) {
    return Flow.goesOn(above.text(), below.text(), measures[below.chunk().first()]);
  }

  /** Whether of a row there is but one cell so far. */
  private boolean isAlone(int row, int k) {
    int column = cells.get(row).getFirst().chunk().first();
    return cells.subList(row, k).stream()
        .allMatch(l -> l.size() == 1 && l.getFirst().chunk().first() == column);
  }

  /**
   * Whether a line may have cells of one line beside the second, or the last, of a taller one:
   * where cells stand in the middle or at the foot of their row, it begins with the tallest alone.
   */
  private boolean isMiddle(int row, int k) {
    List<Cell> here = cells.get(k);
    boolean before = here.getFirst().chunk().first() < cells.get(row).getFirst().chunk().first();
    return (before || isAlone(row, k) && here.size() > 1)
        && here.stream()
            .anyMatch(c -> {
              Cell above = above(row, k, c.chunk());
              return above != null && !c.chunk().spans() && goesOn(above, c);
            });
  }

  /** The part of a cell that stands above a part of a line, in the same row; null if none does. */
  private @Nullable Cell above(int row, int k, Chunk c) {
    for (int j = k - 1; j >= row; j--) {
      for (Cell a : cells.get(j)) {
        if (a.chunk().first() == c.first() && a.chunk().last() >= c.last()) {
          return a;
        }
      }
    }
    return null;
  }

  /** Whether nothing but a number stands in it. */
  static boolean isNumber(TextLine l) {
    return NUMBER.matcher(l.text().strip()).matches();
  }

  /** Whether what stands in a line begins as the rest of a sentence does. */
  private boolean readsOn(int k) {
    List<Integer> begins =
        cells.get(k).stream().map(c -> c.text().text().strip().codePointAt(0)).toList();
    return begins.stream().anyMatch(Character::isLowerCase)
        && begins.stream().noneMatch(Character::isUpperCase);
  }

  /**
   * Whether a line on its own stands within a sentence, whatever letter it begins with: the one
   * above it ends none, and it ends one itself or is followed by its rest.
   */
  private boolean isWithin(int k) {
    Cell last = cells.get(k - 1).getFirst();
    Cell first = cells.get(k).getFirst();
    String above = last.text().text().strip();
    String here = first.text().text().strip();
    boolean followed = k + 1 < lines.size() && cells.get(k + 1).size() == 1 && readsOn(k + 1);
    return cells.get(k).size() == 1
        && last.chunk().first() == first.chunk().first()
        && goesOn(last, first)
        && !above.matches(".*[.!?:;]")
        && (here.endsWith(".") || followed);
  }

  /**
   * The distance that rows have and lines within a cell do not; 0 if it does not tell them apart.
   */
  private double limit(Kind[] kinds) {
    double[] within = gaps(kinds, EnumSet.of(Kind.GOES_ON));
    double[] between = gaps(kinds, EnumSet.of(Kind.BEGINS, Kind.SEEMS_TO_BEGIN));
    double em = lines.getFirst().size();
    if (between.length == 0) {
      return 0;
    }
    if (within.length == 0) {
      if (between.length < 2) {
        return 0; // the room below a head tells nothing of the rows
      }
      within =
          Arrays.stream(gaps(kinds, EnumSet.of(Kind.OPEN)))
              .filter(g -> g < between[0] - TableThresholds.LogicalRows.TELLS * em)
              .toArray();
      return within.length == 0 ? 0 : (within[within.length - 1] + between[0]) / 2;
    }
    double best = 0;
    int fewest = Integer.MAX_VALUE;
    for (double g : within) {
      double at = g + TableThresholds.LogicalRows.TELLS * em / 2;
      int odd =
          (int) Arrays.stream(within).filter(x -> x > at).count()
              + (int) Arrays.stream(between).filter(x -> x <= at).count();
      if (odd < fewest) {
        fewest = odd;
        best = at;
      }
    }
    return fewest <= TableThresholds.LogicalRows.ODD * (within.length + between.length) ? best : 0;
  }

  /**
   * A distance between two kinds of distances that nothing lies between: the lesser is that of
   * lines of a text, and no line with it stands below one of another row for certain; 0 if there
   * are no two such kinds.
   */
  private double clear(Kind[] kinds) {
    double em = lines.getFirst().size();
    double[] all = gaps(kinds, EnumSet.allOf(Kind.class));
    int at = -1;
    for (int k = 1; k < all.length; k++) {
      at = at < 0 || all[k] - all[k - 1] > all[at] - all[at - 1] ? k : at;
    }
    if (at < 0
        || all[at] - all[at - 1] < TableThresholds.LogicalRows.CLEAR * em
        || all[at - 1] > TableThresholds.LogicalRows.TEXT_OF_CELLS * em
        || all[at - 1] - all[0] > TableThresholds.LogicalRows.TELLS * em) {
      return 0;
    }
    double limit = (all[at] + all[at - 1]) / 2;
    // The room below a head tells nothing of the rows.
    if (IntStream.range(2, kinds.length).filter(k -> gap(k) > limit).count() < 2) {
      return 0;
    }
    boolean wide = all[at - 1] > TableThresholds.LogicalRows.TEXT * em;
    int near = 0;
    int running = 0;
    for (int k = 1; k < kinds.length; k++) {
      if (gap(k) < limit && gap(k) >= TableThresholds.LogicalRows.BESIDE * em) {
        boolean full =
            cells.get(k).size() == measures.length && cells.get(k - 1).size() == measures.length;
        if (kinds[k] == Kind.BEGINS || full || wide && areAlike(k - 1, k)) {
          return 0;
        }
        near++;
        running += runsOn(k) ? 1 : 0;
      }
    }
    return running >= TableThresholds.LogicalRows.RULED * near ? limit : 0;
  }

  /** Whether two lines stand in the same columns, as two rows do. */
  private boolean areAlike(int a, int b) {
    return cells.get(a).size() > 1
        && cells.get(a).size() == cells.get(b).size()
        && IntStream.range(0, cells.get(a).size())
            .allMatch(
                c -> cells.get(a).get(c).chunk().first() == cells.get(b).get(c).chunk().first());
  }

  /** Whether something in a line is the rest of what stands above it. */
  private boolean runsOn(int k) {
    return cells.get(k).stream()
        .filter(c -> !c.chunk().spans())
        .anyMatch(c -> {
          Cell above = above(Math.max(0, k - 2), k, c.chunk());
          return above != null && goesOn(above, c);
        });
  }

  private double[] gaps(Kind[] kinds, Set<Kind> wanted) {
    double[] out = new double[kinds.length];
    int n = 0;
    for (int k = 1; k < kinds.length; k++) {
      double g = gap(k);
      if (wanted.contains(kinds[k])
          && g >= TableThresholds.LogicalRows.BESIDE * lines.get(k).size()) {
        out[n++] = g;
      }
    }
    return Arrays.stream(Arrays.copyOf(out, n)).sorted().toArray();
  }
}
