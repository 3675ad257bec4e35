package decant.pdf.read.document;

import decant.model.Box;
import decant.model.look.Colour;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.Detected.DetectedCell;
import decant.pdf.read.page.Painted;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * The grounds of the cells of a table on one page: bars behind rows, and areas behind cells. They
 * go where their cells go, also where a head is repeated; a shape behind the text would stay.
 */
final class CellGrounds {
  private final Detected.Grid table;
  private final ScannedPage page;

  /** Those of the table that stand on the page. */
  private final List<List<DetectedCell>> rows;

  private final Map<DetectedCell, Painted> grounds = new IdentityHashMap<>();

  private CellGrounds(Detected.Grid table, ScannedPage page) {
    this.table = table;
    this.page = page;
    this.rows =
        table.rows().stream()
            .filter(r -> r.stream().anyMatch(c -> standsOn(c, page.number())))
            .toList();
  }

  private static boolean standsOn(DetectedCell c, int page) {
    return !c.lines().isEmpty()
        && c.lines().getFirst().page() <= page
        && c.lines().getLast().page() >= page;
  }

  /** The pages that a table stands on. */
  static Set<Integer> pages(Detected.Grid table) {
    var out = new TreeSet<>(Set.of(table.page()));
    table.rows().stream()
        .flatMap(List::stream)
        .flatMap(c -> c.lines().stream())
        .forEach(l -> out.add(l.page()));
    return out;
  }

  static CellGrounds of(Detected.Grid table, ScannedPage page) {
    var out = new CellGrounds(table, page);
    out.find();
    return out;
  }

  /** The colours that cells stand on, by identity; none for those on paper. */
  Map<DetectedCell, Colour> colours() {
    var out = new IdentityHashMap<DetectedCell, Colour>();
    grounds.forEach((c, s) -> s.fill().ifPresent(colour -> out.put(c, colour)));
    return out;
  }

  /** The shapes that are grounds of cells, and those of a head that stands again on the page. */
  List<Box> boxes() {
    var out = new ArrayList<>(grounds.values().stream().map(Painted::box).distinct().toList());
    out.addAll(ofRepeatedHead());
    return out;
  }

  /** How far below the upper edges of their grounds rows usually have their first lines. */
  OptionalDouble usualDepth() {
    double[] all =
        rows.stream()
            .filter(r -> !r.isEmpty() && r.stream().allMatch(grounds::containsKey))
            .flatMapToDouble(r -> {
              OptionalDouble baseline = lines(r).mapToDouble(TextLine::baseline).min();
              return Stream.ofNullable(grounds.get(r.getFirst()))
                  .flatMapToDouble(g -> baseline.stream().map(b -> b - g.box().y()));
            })
            .sorted()
            .toArray();
    return all.length == 0 ? OptionalDouble.empty() : OptionalDouble.of(all[all.length / 2]);
  }

  private Stream<TextLine> lines(List<DetectedCell> row) {
    return row.stream().flatMap(c -> c.lines().stream()).filter(l -> l.page() == page.number());
  }

  private void find() {
    List<Painted> shapes = page.shapes().stream().filter(this::mayBeGround).toList();
    // A table that goes on in the next column has its grounds in two places.
    if (shapes.isEmpty()
        || shapes.size() > DocumentThresholds.CellGrounds.MOST
        || !rows.stream().allMatch(this::standsHere)) {
      return;
    }
    List<double[]> spans = new ArrayList<>(); // first and last baseline of each row
    for (List<DetectedCell> row : rows) {
      double[] at = lines(row).mapToDouble(TextLine::baseline).sorted().toArray();
      spans.add(at.length == 0 ? new double[0] : new double[] {at[0], at[at.length - 1]});
    }
    double before = Double.NEGATIVE_INFINITY;
    for (int r = 0; r < spans.size(); r++) {
      double[] here = spans.get(r);
      if (here.length == 0) {
        continue;
      }
      double after =
          IntStream.range(r + 1, spans.size())
              .filter(k -> spans.get(k).length > 0)
              .mapToDouble(k -> spans.get(k)[0])
              .findFirst()
              .orElse(Double.POSITIVE_INFINITY);
      row(rows.get(r), shapes, before, here, after);
      before = here[1];
    }
  }

  /** Whether cells are where their columns are, and not in the next column of the page. */
  private boolean standsHere(List<DetectedCell> row) {
    double near = DocumentThresholds.CellGrounds.NEAR;
    int column = 0;
    for (DetectedCell c : row) {
      double left = left(column, c.columnSpan()) - near;
      double right = left + width(column, c.columnSpan()) + 2 * near;
      boolean here =
          c.lines().stream()
              .filter(l -> l.page() == page.number())
              .mapToDouble(l -> l.box().x() + l.box().width() / 2)
              .allMatch(x -> x > left && x < right);
      if (!here) {
        return false;
      }
      column += c.columnSpan();
    }
    return true;
  }

  /**
   * @param before last baseline above the row
   * @param here its own, the first and the last
   * @param after first baseline below it
   */
  private void row(
      List<DetectedCell> row, List<Painted> shapes, double before, double[] here, double after) {
    double size = lines(row).mapToDouble(TextLine::size).max().orElse(1);
    List<Painted> behind =
        shapes.stream()
            .filter(s ->
                s.box().y() > before
                    && s.box().y() < here[0]
                    && s.box().bottom() > here[1]
                    && s.box().bottom() < after - size / 4)
            .toList();
    if (behind.isEmpty()) {
      return;
    }
    int column = 0;
    for (DetectedCell c : row) {
      double middle = left(column, c.columnSpan()) + width(column, c.columnSpan()) / 2;
      for (Painted s : behind) {
        if (s.box().x() < middle && s.box().right() > middle && c.rowSpan() == 1) {
          grounds.put(c, s); // what is painted last is seen
        }
      }
      column += c.columnSpan();
    }
  }

  private double left(int column, int span) {
    List<Double> widths = widths();
    int from = table.rightToLeft() ? widths.size() - column - span : column;
    return table.box().x()
        + widths.stream().limit(Math.max(0, from)).mapToDouble(Double::doubleValue).sum();
  }

  private double width(int column, int span) {
    List<Double> widths = widths();
    int from = table.rightToLeft() ? widths.size() - column - span : column;
    return widths.stream()
        .skip(Math.max(0, from))
        .limit(span)
        .mapToDouble(Double::doubleValue)
        .sum();
  }

  /** From left to right. */
  private List<Double> widths() {
    return table.rightToLeft() ? table.columns().reversed() : table.columns();
  }

  /** Whether a shape is an area in one colour that reaches no further than the table. */
  private boolean mayBeGround(Painted s) {
    double near = DocumentThresholds.CellGrounds.NEAR;
    return s.solid()
        && s.shows()
        && !s.free()
        && !s.patterned()
        && s.stroke().isEmpty()
        && s.box().x() >= table.box().x() - near
        && s.box().right() <= table.box().right() + near;
  }

  private List<Box> ofRepeatedHead() {
    OptionalDouble first =
        page.number() == table.page()
            ? OptionalDouble.empty()
            : rows.stream().flatMap(this::lines).mapToDouble(l -> l.baseline() - l.size()).min();
    return first.isEmpty()
        ? List.of()
        : page.shapes().stream()
            .filter(this::mayBeGround)
            .map(Painted::box)
            .filter(b ->
                b.bottom() < first.getAsDouble() + DocumentThresholds.CellGrounds.NEAR
                    && b.y() > first.getAsDouble() - DocumentThresholds.CarriedAreas.HEAD)
            .toList();
  }
}
