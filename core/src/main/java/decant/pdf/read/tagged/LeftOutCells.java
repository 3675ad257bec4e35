package decant.pdf.read.tagged;

import decant.model.Box;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * Puts cells back that the tags of a table leave out because nothing is in them: what stands in its
 * row goes where it stands on the page. Rows that have all cells tell where the columns are, from
 * the left of the part of the table that they are in: it may go on in another column or on another
 * page.
 */
final class LeftOutCells {
  private static final Detected.DetectedCell EMPTY =
      new Detected.DetectedCell(1, 1, List.of(), false);

  private final double[] lefts;
  private final double[] rights;

  private LeftOutCells(int columns) {
    lefts = new double[columns];
    rights = new double[columns];
  }

  /** Rows with as many cells as there are columns, where it is known which are missing. */
  static List<List<Detected.DetectedCell>> in(List<List<Detected.DetectedCell>> rows, int columns) {
    boolean plain =
        rows.stream().flatMap(List::stream).allMatch(c -> c.rowSpan() == 1)
            && rows.stream().anyMatch(r -> width(r) < columns);
    if (!plain) {
      return rows; // cells that reach down fill what looks left out
    }
    var known = new LeftOutCells(columns);
    double[] from = origins(rows, columns);
    known.learn(rows, from);
    return known.meet()
        ? rows
        : IntStream.range(0, rows.size())
            .mapToObj(r ->
                width(rows.get(r)) < columns ? known.filled(rows.get(r), from[r]) : rows.get(r))
            .toList();
  }

  /** The left edge of the part that each row is in: that of a row with all cells, if it has any. */
  private static double[] origins(List<List<Detected.DetectedCell>> rows, int columns) {
    double[] out = new double[rows.size()];
    int begin = 0;
    for (int r = 1; r <= rows.size(); r++) {
      if (r == rows.size() || begins(rows.get(r - 1), rows.get(r))) {
        List<List<Detected.DetectedCell>> part = rows.subList(begin, r);
        double left =
            left(part.stream().filter(x -> x.size() == columns))
                .orElse(left(part.stream()).orElse(0));
        Arrays.fill(out, begin, r, left);
        begin = r;
      }
    }
    return out;
  }

  private static OptionalDouble left(Stream<List<Detected.DetectedCell>> rows) {
    return rows.flatMap(r -> r.stream().flatMap(c -> here(c, r).stream()))
        .mapToDouble(l -> l.box().x())
        .min();
  }

  /** Whether a row stands on another page than the one before, or above it. */
  private static boolean begins(
      List<Detected.DetectedCell> before, List<Detected.DetectedCell> row) {
    Optional<TextLine> a = first(before);
    Optional<TextLine> b = first(row);
    return a.isPresent()
        && b.isPresent()
        && (a.get().page() != b.get().page() || b.get().baseline() < a.get().baseline() - 1);
  }

  /** The first line of a row; empty if nothing is in it. */
  private static Optional<TextLine> first(List<Detected.DetectedCell> row) {
    return row.stream().flatMap(c -> c.lines().stream()).findFirst();
  }

  private static int width(List<Detected.DetectedCell> row) {
    return row.stream().mapToInt(Detected.DetectedCell::columnSpan).sum();
  }

  /** Takes what most rows say: a cell that a break cuts may count as two. */
  private void learn(List<List<Detected.DetectedCell>> rows, double[] from) {
    for (int c = 0; c < lefts.length; c++) {
      var left = new ArrayList<Double>();
      var right = new ArrayList<Double>();
      for (int r = 0; r < rows.size(); r++) {
        List<Detected.DetectedCell> row = rows.get(r);
        if (row.size() == lefts.length && !row.get(c).lines().isEmpty()) {
          List<TextLine> here = here(row.get(c), row);
          double origin = from[r];
          here.stream().mapToDouble(l -> l.box().x() - origin).min().ifPresent(left::add);
          here.stream().mapToDouble(l -> l.box().right() - origin).max().ifPresent(right::add);
        }
      }
      lefts[c] = middle(left);
      rights[c] = middle(right);
    }
  }

  private static double middle(List<Double> of) {
    return of.isEmpty() ? Double.NaN : of.stream().sorted().toList().get(of.size() / 2);
  }

  /** The lines of a cell but for those that a break carries elsewhere. */
  private static List<TextLine> here(Detected.DetectedCell cell, List<Detected.DetectedCell> row) {
    Optional<TextLine> begin = first(row);
    return begin.isEmpty()
        ? List.of()
        : cell.lines().stream()
            .filter(l ->
                l.page() == begin.get().page()
                    && l.baseline() >= begin.get().baseline() - begin.get().size())
            .toList();
  }

  /** Whether columns overlap, or one is not known: then they tell nothing. */
  private boolean meet() {
    for (int a = 0; a < lefts.length; a++) {
      for (int b = a + 1; b < lefts.length; b++) {
        if (lefts[a] < rights[b] && lefts[b] < rights[a]) {
          return true;
        }
      }
    }
    return Arrays.stream(lefts).anyMatch(Double::isNaN);
  }

  /** A row with empty cells where it has none; as it is if its cells do not go by the columns. */
  private List<Detected.DetectedCell> filled(List<Detected.DetectedCell> row, double from) {
    var out = new ArrayList<Detected.DetectedCell>();
    for (Detected.DetectedCell cell : row) {
      int at = column(here(cell, row), from).orElse(out.size());
      if (at < out.size() || cell.columnSpan() > 1) {
        return row;
      }
      while (out.size() < at) {
        out.add(EMPTY);
      }
      out.add(cell);
    }
    while (out.size() < lefts.length) {
      out.add(EMPTY);
    }
    return out.size() == lefts.length ? out : row;
  }

  /** The column that a cell's text stands in most; empty if it has none. */
  private Optional<Integer> column(List<TextLine> lines, double from) {
    if (lines.isEmpty()) {
      return Optional.empty();
    }
    Box on = lines.stream().map(TextLine::box).reduce(Box::union).orElseThrow();
    var b = new Box(on.x() - from, on.y(), on.width(), on.height());
    double middle = b.x() + b.width() / 2;
    int best = 0;
    for (int c = 1; c < lefts.length; c++) {
      best = far(c, b, middle) < far(best, b, middle) ? c : best;
    }
    return Optional.of(best);
  }

  /** How far a box is off a column; less than nothing where both share some width. */
  private double far(int c, Box b, double middle) {
    double shared = Math.min(b.right(), rights[c]) - Math.max(b.x(), lefts[c]);
    return shared > 0
        ? -shared
        : Math.min(Math.abs(middle - lefts[c]), Math.abs(middle - rights[c]));
  }
}
