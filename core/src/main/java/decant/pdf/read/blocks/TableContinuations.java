package decant.pdf.read.blocks;

import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.Detected.DetectedCell;
import decant.pdf.read.lines.Flow;
import decant.pdf.read.page.Sizes;
import decant.pdf.read.page.TextLine;
import decant.pdf.read.tables.GoingOn;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * Joins tables that go on on the next page or in the next column: their heads, where these are
 * repeated, the line at the foot of a page that heads the rows above which the page ended, and the
 * row that began on one page and ends on the next.
 */
final class TableContinuations {
  private static final Pattern NUMBER = Pattern.compile("[^\\p{L}]*\\d[^\\p{L}]*");

  private TableContinuations() {}

  static List<Detected> join(List<Detected> found) {
    var out = new ArrayList<Detected>();
    Optional<Detected.Grid> last = Optional.empty(); // as it was found
    int end = 0; // the page on which the table before ends
    for (Detected f : found) {
      if (!(f instanceof Detected.Grid alone)) {
        out.add(f);
        continue;
      }
      boolean next = alone.page() == end + 1;
      Detected.Grid b = last.filter(p -> next).flatMap(p -> asPartOf(p, alone)).orElse(alone);
      boolean same = alone.page() == end;
      Optional<Detected.Grid> part =
          last.filter(p -> (next || b.rest() || same && isBeside(p, b)) && goesOn(p, b));
      Optional<Detected.Grid> whole = part.flatMap(p -> withBetween(out, p, b));
      if (whole.isPresent()) {
        while (!(out.getLast() instanceof Detected.Grid)) {
          out.removeLast();
        }
        out.set(out.size() - 1, joined(whole.get(), b, TextExtents.of(part.orElseThrow())));
      } else {
        out.add(b);
      }
      // What little the end of a page cuts off does not tell where columns are.
      if (!b.rest() || whole.isEmpty()) {
        last = Optional.of(b);
      }
      end = lastPage(b);
    }
    return out;
  }

  /**
   * The table that goes on in the next one, with the line that stands between both, if there is
   * one; empty if that is none of its lines.
   *
   * @param part the part of it that was found last
   */
  private static Optional<Detected.Grid> withBetween(
      List<Detected> before, Detected.Grid part, Detected.Grid next) {
    int n = before.size();
    if (before.getLast() instanceof Detected.Grid a) {
      return Optional.of(a);
    }
    if (n < 2
        || !(before.get(n - 1) instanceof Detected.Text t)
        || !(before.get(n - 2) instanceof Detected.Grid a)) {
      return Optional.empty();
    }
    if (isRowBelow(part, t)) {
      return Optional.of(with(a, headOf(a, t), t));
    }
    List<TextExtents> columns = TextExtents.as(part, next);
    List<DetectedCell> begun = inColumn(t, columns);
    if (isNearBelow(part, t)
        && begun.getFirst().lines().isEmpty()
        && isRestOf(begun, next.rows().getFirst(), columns)) {
      return Optional.of(with(a, begun, t));
    }
    boolean above = t.page() == next.page() && t.box().bottom() < next.box().y() + t.size();
    if (!above) {
      return Optional.empty();
    }
    return isGroupHead(a, t, columns.getFirst().left())
        ? Optional.of(with(a, headOf(a, t), t))
        : withRest(a, t, columns);
  }

  /**
   * Whether a table stands in the next column. Grids beside each other, each with its lines, are as
   * often tables of their own.
   */
  private static boolean isBeside(Detected.Grid a, Detected.Grid b) {
    return b.box().x() > a.box().right() && b.ruling().down().isEmpty();
  }

  /** Whether a table on the next page or in the next column has the columns of the one before. */
  private static boolean goesOn(Detected.Grid a, Detected.Grid b) {
    if (b.rest() || a.columns().size() != b.columns().size()) {
      return a.columns().size() == b.columns().size();
    }
    boolean ruled = !a.ruling().down().isEmpty() && !b.ruling().down().isEmpty();
    return standAlike(a, b, lastPage(a) == b.page())
        || !ruled && TextExtents.alike(TextExtents.of(a), TextExtents.of(b));
  }

  private static boolean standAlike(Detected.Grid a, Detected.Grid b, boolean beside) {
    double x = a.box().x();
    double y = beside ? x : b.box().x();
    for (int c = 0; c < a.columns().size(); c++) {
      if (Math.abs(x - y) > BlockThresholds.Continuations.COLUMN * b.box().width()) {
        return false;
      }
      x += a.columns().get(c);
      y += b.columns().get(c);
    }
    return true;
  }

  /** A table on the next page with all columns of the one before it, if it has fewer by itself. */
  private static Optional<Detected.Grid> asPartOf(Detected.Grid a, Detected.Grid b) {
    return GoingOn.cutAs(a, b).or(() -> withColumnsOf(a, b));
  }

  /** A part of a table that leaves columns empty, with all columns of the part before it. */
  private static Optional<Detected.Grid> withColumnsOf(Detected.Grid a, Detected.Grid b) {
    int n = a.columns().size();
    if (b.columns().size() < 2
        || b.columns().size() >= n
        || n - b.columns().size() > BlockThresholds.Continuations.EMPTY * n
        || !b.ruling().down().isEmpty()
        || b.rows().stream().anyMatch(r -> r.size() != b.columns().size())) {
      return Optional.empty();
    }
    return TextExtents.places(TextExtents.of(b), TextExtents.of(a))
        .map(at -> {
          List<List<DetectedCell>> rows = b.rows().stream().map(r -> spread(r, at, n)).toList();
          return new Detected.Grid(b.page(), b.box(), a.columns(), rows, b.ruling());
        });
  }

  private static List<DetectedCell> spread(List<DetectedCell> row, int[] at, int columns) {
    var out = new ArrayList<DetectedCell>();
    int next = 0;
    for (int c = 0; c < columns; c++) {
      boolean here = next < at.length && at[next] == c;
      out.add(here ? row.get(next++) : new DetectedCell(1, 1, List.of(), false));
    }
    return out;
  }

  private static int lastPage(Detected.Grid g) {
    return g.rows().reversed().stream()
        .flatMap(List::stream)
        .flatMap(c -> c.lines().stream())
        .mapToInt(TextLine::page)
        .findFirst()
        .orElse(g.page());
  }

  /** Whether a line of text below a table is a row of it, as heads of groups are. */
  private static boolean isRowBelow(Detected.Grid a, Detected.Text t) {
    return isNearBelow(a, t) && isGroupHead(a, t, TextExtents.of(a).getFirst().left());
  }

  /**
   * Whether a text looks as the heads of groups of a table do.
   *
   * @param left where its first column begins
   */
  private static boolean isGroupHead(Detected.Grid a, Detected.Text t, double left) {
    TextLine line = t.lines().getFirst();
    return t.lines().size() == 1
        && Math.abs(left - line.box().x()) <= line.size() / 2
        && a.rows().stream().anyMatch(r -> headsGroup(r, line));
  }

  private static boolean isNearBelow(Detected.Grid a, Detected.Text t) {
    TextLine line = t.lines().getFirst();
    return lastLine(a)
        .filter(above ->
            above.page() == line.page()
                && line.baseline() > above.baseline()
                && line.baseline() - above.baseline()
                    <= BlockThresholds.Continuations.ROW * line.size()
                && Sizes.near(above.size(), line.size()))
        .isPresent();
  }

  /** Whether a row is the head of a group that looks as a line does. */
  private static boolean headsGroup(List<DetectedCell> row, TextLine line) {
    List<DetectedCell> filled = row.stream().filter(c -> !c.lines().isEmpty()).toList();
    return filled.size() == 1
        && filled.getFirst() == row.getFirst()
        && filled.getFirst().lines().getFirst().bold() == line.bold()
        && filled.getFirst().lines().getFirst().italic() == line.italic();
  }

  private static Optional<TextLine> lastLine(Detected.Grid g) {
    return g.rows().stream()
        .flatMap(List::stream)
        .flatMap(c -> c.lines().stream())
        .max(Comparator.comparingInt(TextLine::page).thenComparingDouble(TextLine::baseline));
  }

  /** A row that is a text over all columns. */
  private static List<DetectedCell> headOf(Detected.Grid a, Detected.Text t) {
    return List.of(new DetectedCell(a.columns().size(), 1, t.lines(), false));
  }

  private static Detected.Grid with(Detected.Grid a, List<DetectedCell> row, Detected.Text t) {
    var rows = new ArrayList<>(a.rows());
    rows.add(row);
    return new Detected.Grid(a.page(), a.box().union(t.box()), a.columns(), rows, a.ruling());
  }

  /**
   * Both parts as one table; header rows that are repeated stand in it once.
   *
   * @param columns of the first part where it ends
   */
  private static Detected.Grid joined(Detected.Grid a, Detected.Grid b, List<TextExtents> columns) {
    int repeated = 0;
    while (repeated < b.rows().size() - 1
        && repeated < a.rows().size()
        && !text(b.rows().get(repeated)).isBlank()
        && text(a.rows().get(repeated)).equals(text(b.rows().get(repeated)))) {
      repeated++;
    }
    var rows = new ArrayList<List<DetectedCell>>();
    for (int r = 0; r < a.rows().size(); r++) {
      rows.add(r < repeated ? asHeader(a.rows().get(r)) : a.rows().get(r));
    }
    while (!rows.isEmpty() && text(rows.getLast()).isBlank()) {
      rows.removeLast(); // room left at the foot of the page
    }
    List<List<DetectedCell>> more =
        b.rows().stream().skip(repeated).dropWhile(r -> text(r).isBlank()).toList();
    int from = 0;
    boolean newPage = !b.rest() || b.page() > lastPage(a);
    if (newPage
        && !rows.isEmpty()
        && !more.isEmpty()
        && (isOtherCells(rows, more)
            || (b.rest()
                ? isKnownRestOf(rows.getLast(), more.getFirst(), columns)
                : isRestOf(rows.getLast(), more.getFirst(), columns)))) {
      rows.set(rows.size() - 1, asOne(rows.getLast(), more.getFirst()));
      from = 1;
    }
    rows.addAll(more.subList(from, more.size()));
    return new Detected.Grid(a.page(), a.box(), a.columns(), rows, a.ruling());
  }

  /**
   * Whether a row is what was left of the last row of the page before: all its text goes on below
   * text of that, and something in it begins as the middle of a sentence does.
   */
  private static boolean isRestOf(
      List<DetectedCell> last, List<DetectedCell> rest, List<TextExtents> columns) {
    return goesOnBelow(last, rest, columns)
        && rest.stream()
            .filter(c -> !c.lines().isEmpty())
            .anyMatch(c -> Character.isLowerCase(first(c.lines().getFirst())));
  }

  /**
   * The same of what is known to be in the columns of the table: what begins further in is of no
   * text beside it, whatever letter it begins with.
   */
  private static boolean isKnownRestOf(
      List<DetectedCell> last, List<DetectedCell> rest, List<TextExtents> columns) {
    return rest.getFirst().lines().isEmpty()
        ? goesOnBelow(last, rest, columns)
        : isRestOf(last, rest, columns);
  }

  /**
   * Whether the last row of a page and the first of the next are the cells of one: where one has
   * text the other has none, and each leaves a column empty that no other row does, or the next all
   * of these.
   */
  private static boolean isOtherCells(
      List<List<DetectedCell>> rows, List<List<DetectedCell>> more) {
    List<DetectedCell> last = rows.getLast();
    List<DetectedCell> rest = more.getFirst();
    List<List<DetectedCell>> others =
        Stream.concat(rows.subList(0, rows.size() - 1).stream(), more.stream().skip(1)).toList();
    int n = last.size();
    if (rest.size() != n
        || others.size() < BlockThresholds.Continuations.OTHERS
        || others.stream().anyMatch(r -> r.size() != n)
        || IntStream.range(0, n)
            .anyMatch(c -> !last.get(c).lines().isEmpty() && !rest.get(c).lines().isEmpty())) {
      return false;
    }
    List<Integer> filled =
        IntStream.range(0, n)
            .filter(c -> others.stream().noneMatch(r -> r.get(c).lines().isEmpty()))
            .boxed()
            .toList();
    long lacking = filled.stream().filter(c -> rest.get(c).lines().isEmpty()).count();
    return lacking > 0
        && (lacking == filled.size()
            || filled.stream().anyMatch(c -> last.get(c).lines().isEmpty()));
  }

  /** Whether a row has nothing but where another has something. */
  private static boolean isWithin(List<DetectedCell> row, List<DetectedCell> other) {
    return IntStream.range(0, row.size())
        .allMatch(c -> row.get(c).lines().isEmpty() || !other.get(c).lines().isEmpty());
  }

  private static int first(TextLine l) {
    return l.text().strip().codePointAt(0);
  }

  private static boolean goesOnBelow(
      List<DetectedCell> last, List<DetectedCell> rest, List<TextExtents> columns) {
    if (last.size() != columns.size() || rest.size() != last.size()) {
      return false; // merged cells: where they end is not told by one row
    }
    // Where cells stand in the middle of their row, the low ones are all on the next page.
    boolean more = isWithin(last, rest);
    if (more && isWithin(rest, last)) {
      return false; // as full as a row is
    }
    for (int c = 0; c < rest.size(); c++) {
      if (rest.get(c).lines().isEmpty() || more && last.get(c).lines().isEmpty()) {
        continue;
      }
      if (last.get(c).lines().isEmpty() || last.get(c).header() || rest.get(c).header()) {
        return false;
      }
      TextLine above = last.get(c).lines().getLast();
      TextLine below = rest.get(c).lines().getFirst();
      if (Character.isUpperCase(first(below)) && above.text().strip().matches(".*[.!?]")
          || !Sizes.near(above.size(), below.size())
          || above.bold() != below.bold()
          || isNumber(below) && isNumber(above)
          || !goesOn(above, below, columns.get(c).width())) {
        return false;
      }
    }
    return true;
  }

  /** Whether a text goes on in a line: by how it fills the line above, or as a sentence does. */
  private static boolean goesOn(TextLine above, TextLine below, double width) {
    return Flow.goesOn(above, below, width)
        || Character.isLowerCase(first(below)) && !above.text().strip().matches(".*[.!?:;]");
  }

  private static boolean isNumber(TextLine l) {
    return NUMBER.matcher(l.text().strip()).matches();
  }

  /**
   * A table with what stands in one of its columns at the top of the next page, if it goes on so.
   */
  private static Optional<Detected.Grid> withRest(
      Detected.Grid a, Detected.Text t, List<TextExtents> columns) {
    List<DetectedCell> rest = inColumn(t, columns);
    if (rest.stream().filter(c -> !c.lines().isEmpty()).count() != 1
        || !isKnownRestOf(a.rows().getLast(), rest, columns)) {
      return Optional.empty();
    }
    var rows = new ArrayList<>(a.rows());
    rows.set(rows.size() - 1, asOne(rows.getLast(), rest));
    return Optional.of(new Detected.Grid(a.page(), a.box(), a.columns(), rows, a.ruling()));
  }

  /** A row with a text in the column that it begins at the edge of. */
  private static List<DetectedCell> inColumn(Detected.Text t, List<TextExtents> columns) {
    return columns.stream()
        .map(c -> {
          boolean here = !c.empty() && Math.abs(c.left() - t.box().x()) <= t.size() / 2;
          return new DetectedCell(1, 1, here ? t.lines() : List.of(), false);
        })
        .toList();
  }

  private static List<DetectedCell> asOne(List<DetectedCell> last, List<DetectedCell> rest) {
    var out = new ArrayList<DetectedCell>();
    for (int c = 0; c < last.size(); c++) {
      DetectedCell cell = last.get(c);
      var lines = new ArrayList<>(cell.lines());
      lines.addAll(rest.get(c).lines());
      out.add(
          new DetectedCell(cell.columnSpan(), cell.rowSpan(), lines, cell.header(), cell.begins()));
    }
    return out;
  }

  private static List<DetectedCell> asHeader(List<DetectedCell> row) {
    return row.stream().map(DetectedCell::asHeader).toList();
  }

  private static String text(List<DetectedCell> row) {
    var b = new StringBuilder();
    row.forEach(c -> c.lines().forEach(l -> b.append(l.text()).append(' ')));
    return b.toString();
  }
}
