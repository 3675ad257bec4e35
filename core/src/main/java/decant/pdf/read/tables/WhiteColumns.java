package decant.pdf.read.tables;

import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;

/**
 * The columns of lines: what stands between corridors that all lines, or nearly all, leave white. A
 * corridor is wider than the gaps between words, and some lines have text on both sides of it; few
 * may reach across, as merged cells do.
 */
final class WhiteColumns {
  /**
   * A column.
   *
   * @param from middle of the corridor before it
   * @param to middle of the corridor after it
   * @param left edge of its text
   * @param right edge of its text
   */
  record Column(double from, double to, double left, double right) {
    double width() {
      return right - left;
    }

    /** Whether something begins where its text does, or ends there. */
    boolean hasEdge(double from, double until, double near) {
      return Math.abs(from - left) < near || Math.abs(until - right) < near;
    }

    /** Whether something has an edge where its text does, or stands about its middle. */
    boolean standsAs(double from, double until, double near) {
      return hasEdge(from, until, near) || Math.abs(from + until - left - right) / 2 < near;
    }
  }

  /**
   * Words of a line that stand together.
   *
   * @param first column it stands in
   * @param last column it reaches into
   */
  record Chunk(double left, double right, int first, int last) {
    boolean spans() {
      return last > first;
    }
  }

  private final List<Column> columns;
  private final double em;
  private final double wide;
  private final boolean ruled;

  private WhiteColumns(List<Column> columns, double em, double wide, boolean ruled) {
    this.columns = List.copyOf(columns);
    this.em = em;
    this.wide = wide;
    this.ruled = ruled;
  }

  List<Column> columns() {
    return columns;
  }

  /** The same columns further to the right, in points. */
  WhiteColumns shifted(double by) {
    return new WhiteColumns(
        columns.stream()
            .map(c -> new Column(c.from() + by, c.to() + by, c.left() + by, c.right() + by))
            .toList(),
        em,
        wide,
        ruled);
  }

  /** Whether there are as many as a table has. */
  boolean areOfTable() {
    return columns.size() >= 2 && columns.size() <= TableThresholds.AlignedTables.MAX_COLUMNS;
  }

  /** Whether the last of them stand as the first do: of a table that goes on beside itself. */
  boolean repeat() {
    int least = TableThresholds.Registers.COLUMNS;
    int n = columns.size();
    return IntStream.rangeClosed(least, n - least).anyMatch(h -> n - h <= h && repeat(h));
  }

  private boolean repeat(int from) {
    double near = TableThresholds.WhiteColumns.EDGE * em;
    double byLeft = columns.get(from).left() - columns.getFirst().left();
    double byRight = columns.get(from).right() - columns.getFirst().right();
    return DoubleStream.of(byLeft, byRight)
        .anyMatch(by ->
            IntStream.range(0, columns.size() - from)
                .allMatch(c -> {
                  Column a = columns.get(c);
                  Column b = columns.get(c + from);
                  return Math.abs(a.left() + by - b.left()) < near
                      || Math.abs(a.right() + by - b.right()) < near;
                }));
  }

  /** Whether others stand where they do: each at an edge of one, or about its middle. */
  boolean standAs(WhiteColumns others) {
    double near = TableThresholds.WhiteColumns.EDGE * em;
    return columns.size() == others.columns.size()
        && IntStream.range(0, columns.size())
            .allMatch(c -> {
              Column other = others.columns.get(c);
              return columns.get(c).standsAs(other.left(), other.right(), near);
            });
  }

  /** Whether something in a line reaches from one column into another. */
  boolean reachesAcross(RowLine l) {
    return chunks(l).stream().anyMatch(Chunk::spans);
  }

  /** Whether gaps part what stands in a line into columns. */
  boolean part(RowLine l) {
    return chunks(l).size() >= 2;
  }

  /** Whether a line has the parts of a row of these columns: each at an edge of its column. */
  boolean fits(RowLine l) {
    List<Chunk> chunks = chunks(l);
    return chunks.size() >= 2
        && Math.abs(l.size() - em) < TableThresholds.AlignedTables.OTHER_SIZE * em
        && chunks.stream().allMatch(this::isAtEdge);
  }

  /** Whether words stand in one column, at an edge of it or in its middle. */
  boolean isAtEdge(Chunk k) {
    double near = TableThresholds.WhiteColumns.EDGE * em;
    Column c = columns.get(k.first());
    return !k.spans()
        && (c.hasEdge(k.left(), k.right(), near)
            || Math.abs(k.left() + k.right() - c.left() - c.right()) < near);
  }

  /** Whether a line has a part at an edge of each column, however far these parts reach. */
  boolean fitsByParts(RowLine l) {
    List<RowLine.Span> parts = l.parts(wide);
    double near = TableThresholds.WhiteColumns.EDGE * em;
    return parts.size() == columns.size()
        && Math.abs(l.size() - em) < TableThresholds.AlignedTables.OTHER_SIZE * em
        && IntStream.range(0, columns.size())
            .allMatch(c -> columns.get(c).hasEdge(parts.get(c).left(), parts.get(c).right(), near));
  }

  /** Whether lines are rows of these columns, but for those that no gap parts. */
  boolean fit(List<RowLine> lines) {
    return lines.stream().filter(RowLine::parted).allMatch(this::fits);
  }

  /** Those of lines that wide gaps part; lines that none does have no say. */
  static WhiteColumns of(List<RowLine> all) {
    return of(all.stream().filter(RowLine::parted).toList(), em -> wide(all, em));
  }

  /** Those of lines that are known to be of a table, however narrow the gaps in them are. */
  static WhiteColumns ofAll(List<RowLine> all) {
    return of(all, em -> TableThresholds.WhiteColumns.BETWEEN_CELLS * em);
  }

  /**
   * Those of rows that are known, each with all its lines as one: corridors may be as narrow as
   * gaps between words.
   */
  static WhiteColumns ofRows(List<RowLine> rows) {
    return of(rows).tightened(rows);
  }

  /** With corridors that are as narrow as gaps between words, where lines tell of such. */
  WhiteColumns tightened(List<RowLine> rows) {
    List<Double> tight =
        Corridors.tight(rows, em).stream()
            .filter(x -> columns.stream().anyMatch(c -> x > c.left() + em && x < c.right() - 1))
            .toList();
    if (tight.isEmpty() || !areOfTable()) {
      return this;
    }
    List<Double> cuts = new ArrayList<>(columns.stream().skip(1).map(Column::from).toList());
    cuts.addAll(tight);
    cuts.sort(null);
    return between(cuts, rows, em, wide, true);
  }

  /**
   * Those with lines between them: whatever stands on two sides of one is in two columns.
   *
   * @param xs where columns end, outer sides too
   */
  static WhiteColumns ruled(List<RowLine> lines, List<Double> xs) {
    double em = em(lines);
    double wide = TableThresholds.WhiteColumns.ALONE * em;
    return between(xs.subList(1, xs.size() - 1), lines, em, wide, true);
  }

  /**
   * @param widest gap between words that parts nothing, by the size of the text
   */
  private static WhiteColumns of(List<RowLine> lines, DoubleUnaryOperator widest) {
    if (lines.isEmpty()) {
      return new WhiteColumns(List.of(), 1, 1, false);
    }
    double em = em(lines);
    double wide = widest.applyAsDouble(em);
    List<Double> cuts = Corridors.cuts(lines, em, wide);
    WhiteColumns found = between(cuts, lines, em, wide, false);
    // A title that stands to the left over numbers that stand to the right is of their column; and
    // what only one line has, not far from its neighbour, is no column.
    for (int c = 0; c + 1 < found.columns.size(); ) {
      if (found.areTwo(lines, c)) {
        c++;
      } else {
        var fewer = new ArrayList<>(cuts);
        fewer.remove(c);
        cuts = fewer;
        found = between(cuts, lines, em, wide, false);
      }
    }
    return found;
  }

  /** The size that most lines have. */
  private static double em(List<RowLine> lines) {
    return lines.stream().mapToDouble(RowLine::size).sorted().toArray()[lines.size() / 2];
  }

  /** A gap that is wider than those between the words of these lines. */
  private static double wide(List<RowLine> lines, double em) {
    double[] gaps =
        lines.stream()
            .flatMapToDouble(l ->
                IntStream.range(1, l.words().size())
                    .mapToDouble(k -> l.words().get(k).left() - l.words().get(k - 1).right()))
            .filter(g -> g > 0 && g < em)
            .sorted()
            .toArray();
    double usual = gaps.length == 0 ? 0 : gaps[gaps.length / 2];
    return Math.clamp(
        TableThresholds.WhiteColumns.OVER_USUAL * usual,
        TableThresholds.WhiteColumns.GAP * em,
        TableThresholds.WhiteColumns.SURELY * em);
  }

  private static WhiteColumns between(
      List<Double> cuts, List<RowLine> lines, double em, double wide, boolean ruled) {
    int n = cuts.size() + 1;
    var bare = new ArrayList<Column>();
    for (int c = 0; c < n; c++) {
      double from = c == 0 ? Double.NEGATIVE_INFINITY : cuts.get(c - 1);
      double to = c + 1 == n ? Double.POSITIVE_INFINITY : cuts.get(c);
      bare.add(new Column(from, to, from, to));
    }
    var rough = new WhiteColumns(bare, em, wide, ruled);
    double[] left = new double[n];
    double[] right = new double[n];
    java.util.Arrays.fill(left, Double.MAX_VALUE);
    for (RowLine l : lines) {
      for (Chunk k : rough.chunks(l)) {
        if (!k.spans()) {
          left[k.first()] = Math.min(left[k.first()], k.left());
          right[k.first()] = Math.max(right[k.first()], k.right());
        }
      }
    }
    var out = new ArrayList<Column>();
    for (int c = 0; c < n; c++) {
      Column b = bare.get(c);
      out.add(
          right[c] == 0
              ? new Column(b.from(), b.to(), b.from(), b.from())
              : new Column(b.from(), b.to(), left[c], right[c]));
    }
    return new WhiteColumns(out, em, wide, ruled);
  }

  /** Whether a column and the next are two. */
  private boolean areTwo(List<RowLine> lines, int c) {
    int both = 0;
    int left = 0;
    int right = 0;
    double far = 0;
    int lastLeft = 0;
    int lastRight = 0;
    for (int k = 0; k < lines.size(); k++) {
      double end = 0;
      double begin = 0;
      for (Chunk h : chunks(lines.get(k))) {
        if (!h.spans() && h.first() == c) {
          end = h.right();
        } else if (!h.spans() && h.first() == c + 1 && begin == 0) {
          begin = h.left();
        }
      }
      if (end > 0) {
        left++;
        lastLeft = k;
      }
      if (begin > 0) {
        right++;
        lastRight = k;
      }
      if (end > 0 && begin > 0) {
        both++;
        far = Math.max(far, begin - end);
      }
    }
    if (left == 0 || right == 0) {
      return false;
    }
    if (both == 0) {
      return Math.min(lastLeft, lastRight) >= HEAD_LINES;
    }
    boolean seldom = lines.size() > 3 && Math.min(left, right) < 2;
    return !(seldom && far < TableThresholds.WhiteColumns.ALONE * em);
  }

  /** The most lines that the head of a table usually has. */
  private static final int HEAD_LINES = 2;

  /**
   * A line by what stands together in it. What reaches from one column to where the next begins is
   * two, however little room is between them.
   */
  List<Chunk> chunks(RowLine l) {
    var out = new ArrayList<Chunk>();
    List<RowLine.Word> words = l.words();
    double begin = words.getFirst().left();
    double end = words.getFirst().right();
    for (int k = 1; k <= words.size(); k++) {
      if (k == words.size()
          || ruled && at(end) != at(words.get(k).left())
          || words.get(k).isApart(end, wide)
          || meet(begin, end, words, k)) {
        out.addAll(byWords(new Chunk(begin, end, at(begin), at(end)), words));
        if (k < words.size()) {
          begin = words.get(k).left();
          end = words.get(k).right();
        }
      } else {
        end = Math.max(end, words.get(k).right());
      }
    }
    return out;
  }

  /**
   * Titles over narrow columns stand as far apart as the words of spread text: if each has a column
   * for itself, and there is more room between them than within them, they are as many cells.
   */
  private List<Chunk> byWords(Chunk all, List<RowLine.Word> words) {
    List<RowLine.Word> own =
        words.stream().filter(w -> w.left() >= all.left() && w.right() <= all.right()).toList();
    if (!all.spans() || own.size() < 2) {
      return List.of(all);
    }
    List<Chunk> titles = titles(own);
    if (titles.size() == all.last() - all.first() + 1
        && titles.size() >= TableThresholds.Registers.COLUMNS) {
      return titles;
    }
    var out = new ArrayList<Chunk>();
    for (int k = 0; k < own.size(); k++) {
      RowLine.Word w = own.get(k);
      int c = columnOf(w);
      if (c < (k == 0 ? 0 : out.getLast().first() + 1)
          || k > 0 && w.left() - own.get(k - 1).right() < wide) {
        return List.of(all);
      }
      out.add(ofColumn(w, c));
    }
    return out;
  }

  /**
   * Words by the columns that their middles are in; none if a column is left out, or words of one
   * are as far apart as those of two.
   */
  private List<Chunk> titles(List<RowLine.Word> words) {
    var out = new ArrayList<Chunk>();
    double within = 0;
    double between = Double.MAX_VALUE;
    for (int k = 0; k < words.size(); k++) {
      RowLine.Word w = words.get(k);
      int c = at(w.middle());
      double gap = k == 0 ? 0 : w.left() - words.get(k - 1).right();
      if (k > 0 && c == out.getLast().first()) {
        out.add(new Chunk(out.removeLast().left(), w.right(), c, c));
        within = Math.max(within, gap);
      } else if (k == 0 || c == out.getLast().first() + 1) {
        out.add(ofColumn(w, c));
        between = k == 0 ? between : Math.min(between, gap);
      } else {
        return List.of();
      }
    }
    return within == 0 || between > TableThresholds.WhiteColumns.OVER_USUAL * within
        ? out
        : List.of();
  }

  static Chunk ofColumn(RowLine.Word w, int column) {
    return new Chunk(w.left(), w.right(), column, column);
  }

  /** The column that a word stands in, or has an edge of; -1 if it reaches across. */
  private int columnOf(RowLine.Word w) {
    double near = TableThresholds.WhiteColumns.EDGE * em;
    int at = at(w.right());
    if (at == at(w.left())) {
      return at;
    }
    Column c = columns.get(at);
    return Math.abs(w.right() - c.right()) < near ? at : -1;
  }

  /** Whether a cell ends before a word and another begins with it, though there is little room. */
  private boolean meet(double begin, double end, List<RowLine.Word> words, int k) {
    double next = words.get(k).left();
    int c = at(end);
    if (c < 0 || at(next) != c + 1 || at(begin) != c) {
      return false;
    }
    Column after = columns.get(c + 1);
    if (after.left() == after.from()) {
      return false; // where its text begins is not known yet
    }
    double near = TableThresholds.WhiteColumns.EDGE * em;
    int last = k;
    while (last + 1 < words.size() && words.get(last + 1).left() - words.get(last).right() < wide) {
      last++;
    }
    return Math.abs(next - after.left()) < near
        || Math.abs(words.get(last).right() - after.right()) < near;
  }

  private int at(double x) {
    for (int c = 0; c < columns.size(); c++) {
      if (x < columns.get(c).to()) {
        return c;
      }
    }
    return columns.size() - 1;
  }
}
