package decant.pdf.read.tables;

import decant.pdf.read.lines.Typewriter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;

/** Where all lines of a table, or nearly all, are white from top to bottom. */
final class Corridors {
  private static final double BIN = 0.5;

  /** Points; the largest sheet of ISO 32000-1 Annex C is 14,400 wide. */
  private static final double WIDEST = 100_000;

  private Corridors() {}

  /** The middles of the corridors, from left to right. */
  static List<Double> cuts(List<RowLine> lines, double em, double wide) {
    double left = lines.stream().mapToDouble(RowLine::left).min().orElseThrow();
    double right = lines.stream().mapToDouble(RowLine::right).max().orElseThrow();
    if (right - left > WIDEST) {
      return new ArrayList<>();
    }
    int n = (int) Math.ceil((right - left) / BIN) + 1;
    int[] inked = new int[n + 1];
    int[] parted = new int[n + 1];
    int[] words = new int[n + 1];
    for (RowLine l : lines) {
      l.words().forEach(w -> add(words, w.left() - left, w.right() - left));
      addParts(l.words(), left, wide, inked, parted);
    }
    for (int x = 1; x <= n; x++) {
      inked[x] += inked[x - 1];
      parted[x] += parted[x - 1];
      words[x] += words[x - 1];
    }
    var narrow = new NarrowGaps(lines, em, wide);
    whiten(inked, parted, words, x -> narrow.partColumns(left + x * BIN));
    var cuts = new ArrayList<Double>();
    int least = (int) Math.ceil(TableThresholds.WhiteColumns.LEAST * em / BIN);
    int x = 0;
    while (x < n) {
      int end = x;
      while (end < n && isCorridor(inked[end], parted[end])) {
        end++;
      }
      if (end - x >= least) {
        addCuts(cuts, inked, x, end, least, left);
      }
      x = Math.max(x + 1, end);
    }
    return cuts;
  }

  /**
   * The middles of corridors that no word of any row reaches into, however narrow, if what stands
   * beside them is in line in many rows: of rows with all their lines, that is no chance.
   */
  static List<Double> tight(List<RowLine> rows, double em) {
    double left = rows.stream().mapToDouble(RowLine::left).min().orElseThrow();
    double right = rows.stream().mapToDouble(RowLine::right).max().orElseThrow();
    // Where all letters are as wide, words stand in line by chance.
    if (right - left > WIDEST
        || Typewriter.is(rows.stream().flatMap(r -> r.pieces().stream()).toList())) {
      return List.of();
    }
    int[] words = new int[(int) Math.ceil((right - left) / BIN) + 2];
    for (RowLine r : rows) {
      r.words().forEach(w -> add(words, w.left() - left, w.right() - left));
    }
    var out = new ArrayList<Double>();
    int least = (int) Math.ceil(TableThresholds.NarrowGaps.OF_ROWS * em / BIN);
    int from = 0;
    for (int x = 1; x < words.length; x++) {
      words[x] += words[x - 1];
      if (words[x] > 0) {
        double begin = left + from * BIN;
        double end = left + x * BIN;
        if (x - from >= least && from > 0 && areInLine(rows, begin, end, em)) {
          out.add((begin + end) / 2);
        }
        from = x + 1;
      }
    }
    return out;
  }

  /** Whether in many rows words end at a corridor, or begin at it, with others beyond it. */
  private static boolean areInLine(List<RowLine> rows, double from, double to, double em) {
    int both = 0;
    int beside = 0;
    int spaces = 0;
    double space = spaceOf(rows, from, to, em);
    for (RowLine r : rows) {
      double end = Double.NEGATIVE_INFINITY;
      double begin = Double.POSITIVE_INFINITY;
      for (RowLine.Word w : r.words()) {
        end = w.right() <= from + BIN ? Math.max(end, w.right()) : end;
        begin = w.left() >= to - BIN ? Math.min(begin, w.left()) : begin;
      }
      boolean near = from - end < em && begin - to < em;
      both += near ? 1 : 0;
      // The same word before another in each row, as "the" is, leaves one and the same space.
      spaces += near && Math.abs(begin - end - space) < BIN / 2 ? 1 : 0;
      beside += near && (from - end < BIN * 2 || begin - to < BIN * 2) ? 1 : 0;
    }
    return both >= TableThresholds.NarrowGaps.IN_LINE
        && spaces < TableThresholds.AlignedTables.NUMBERS * both
        && beside >= TableThresholds.AlignedTables.NUMBERS * both;
  }

  /** The usual space between the words of rows, but for those at a corridor; 0 if there is none. */
  private static double spaceOf(List<RowLine> rows, double from, double to, double em) {
    double[] all =
        rows.stream()
            .flatMapToDouble(r ->
                IntStream.range(1, r.words().size())
                    .filter(
                        k -> r.words().get(k).left() <= from || r.words().get(k - 1).right() >= to)
                    .mapToDouble(k -> r.words().get(k).left() - r.words().get(k - 1).right()))
            .filter(gap -> gap > 0 && gap < TableThresholds.NarrowGaps.SPACE * em)
            .sorted()
            .toArray();
    return all.length == 0 ? 0 : all[all.length / 2];
  }

  /** What most lines leave wide and no word reaches into is white, however narrow it is in some. */
  private static void whiten(int[] inked, int[] parted, int[] words, IntPredicate partsColumns) {
    int x = 0;
    while (x < inked.length) {
      int from = x;
      int ink = inked[x];
      // As long as as many lines have ink and gaps, these are the same gaps.
      while (x < inked.length
          && words[x] == 0
          && inked[x] == ink
          && parted[x] == parted[from]
          && parted[x] >= 2 * ink) {
        x++;
      }
      if (x == from) {
        x++;
      } else if (ink > 0 && partsColumns.test((from + x - 1) / 2)) {
        Arrays.fill(inked, from, x, 0);
      }
    }
  }

  /** Where a line has ink and where it is parted, as steps. */
  private static void addParts(
      List<RowLine.Word> words, double left, double wide, int[] inked, int[] parted) {
    double end = words.getFirst().right();
    double begin = words.getFirst().left();
    for (int k = 1; k <= words.size(); k++) {
      boolean gap = k == words.size() || words.get(k).isApart(end, wide);
      if (gap) {
        add(inked, begin - left, end - left);
        if (k < words.size()) {
          add(parted, end - left, words.get(k).left() - left);
          begin = words.get(k).left();
          end = words.get(k).right();
        }
      } else {
        end = Math.max(end, words.get(k).right());
      }
    }
  }

  private static boolean isCorridor(int inked, int parted) {
    if (parted < 2) {
      return false;
    }
    int all = inked + parted;
    return inked == 0
        || inked <= Math.max(all >= 4 ? 1 : 0, TableThresholds.WhiteColumns.ACROSS * all);
  }

  /** Those of a stretch: where nothing reaches across if there is such, else where least does. */
  private static void addCuts(
      List<Double> cuts, int[] inked, int from, int to, int least, double left) {
    int fewest = IntStream.range(from, to).map(k -> inked[k]).min().orElseThrow();
    int before = cuts.size();
    int begin = from;
    int widest = from;
    int widestEnd = from;
    for (int k = from; k <= to; k++) {
      if (k == to || inked[k] > fewest) {
        if (k - begin >= least && fewest == 0) {
          cuts.add(left + (begin + k) / 2.0 * BIN);
        }
        if (k - begin > widestEnd - widest) {
          widest = begin;
          widestEnd = k;
        }
        begin = k + 1;
      }
    }
    if (cuts.size() == before) {
      cuts.add(left + (widest + widestEnd) / 2.0 * BIN);
    }
  }

  private static void add(int[] counts, double from, double to) {
    int a = (int) Math.ceil(from / BIN);
    int b = (int) Math.floor(to / BIN);
    if (b > a && a >= 0) {
      counts[a]++;
      counts[Math.min(b, counts.length - 1)]--;
    }
  }
}
