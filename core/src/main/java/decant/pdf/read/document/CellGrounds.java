package decant.pdf.read.document;

import decant.model.Box;
import decant.model.look.Colour;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.Detected.DetectedCell;
import decant.pdf.read.page.Painted;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.DoubleSummaryStatistics;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * The grounds of the cells of a table: bars behind rows, and areas behind cells. They go where
 * their cells go, also where a head is repeated; a shape behind the text would stay.
 */
final class CellGrounds {
  private final Detected.Grid table;
  private final boolean rightToLeft;

  /** Where its columns end, from left to right. */
  private final List<Double> edges;

  /** The rows that stand on each page, or partly. */
  private final Map<Integer, List<List<DetectedCell>>> rows = new TreeMap<>();

  CellGrounds(Detected.Grid table) {
    this.table = table;
    this.rightToLeft = table.rightToLeft();
    this.edges = table.edges();
    rows.put(table.page(), new ArrayList<>());
    for (List<DetectedCell> row : table.rows()) {
      row.stream()
          .flatMap(c -> c.lines().stream())
          .mapToInt(TextLine::page)
          .distinct()
          .forEach(p -> rows.computeIfAbsent(p, k -> new ArrayList<>()).add(row));
    }
  }

  /** The pages that the table stands on. */
  Set<Integer> pages() {
    return rows.keySet();
  }

  /** Those on one of its pages. */
  OnPage on(ScannedPage page) {
    return new OnPage(page);
  }

  private double left(int column, DetectedCell c) {
    return edge(rightToLeft ? last() - column - c.columnSpan() : column);
  }

  private double right(int column, DetectedCell c) {
    return edge(rightToLeft ? last() - column : column + c.columnSpan());
  }

  /** A row may be said to have more cells than there are columns. */
  private double edge(int k) {
    return edges.get(Math.clamp(k, 0, last()));
  }

  private int last() {
    return edges.size() - 1;
  }

  /** The grounds of the cells of a table on one page. */
  final class OnPage {
    private final ScannedPage page;
    private final List<List<DetectedCell>> here;
    private final Map<DetectedCell, Painted> grounds = new IdentityHashMap<>();

    private OnPage(ScannedPage page) {
      this.page = page;
      this.here = rows.getOrDefault(page.number(), List.of());
      find();
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
          here.stream()
              .filter(r -> r.stream().allMatch(grounds::containsKey))
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
          || !here.stream().allMatch(this::standsHere)) {
        return;
      }
      List<DoubleSummaryStatistics> baselines =
          here.stream()
              .map(r -> lines(r).mapToDouble(TextLine::baseline).summaryStatistics())
              .toList();
      for (int r = 0; r < here.size(); r++) {
        double before = r == 0 ? Double.NEGATIVE_INFINITY : baselines.get(r - 1).getMax();
        double after =
            r + 1 == here.size() ? Double.POSITIVE_INFINITY : baselines.get(r + 1).getMin();
        row(here.get(r), shapes, before, baselines.get(r), after);
      }
    }

    /** Whether cells are where their columns are, and not in the next column of the page. */
    private boolean standsHere(List<DetectedCell> row) {
      double near = DocumentThresholds.CellGrounds.NEAR;
      int column = 0;
      for (DetectedCell c : row) {
        double left = left(column, c) - near;
        double right = right(column, c) + near;
        boolean inside =
            c.lines().stream()
                .filter(l -> l.page() == page.number())
                .mapToDouble(l -> l.box().x() + l.box().width() / 2)
                .allMatch(x -> x > left && x < right);
        if (!inside) {
          return false;
        }
        column += c.columnSpan();
      }
      return true;
    }

    /**
     * @param before last baseline above the row
     * @param own the baselines of the row
     * @param after first baseline below it
     */
    private void row(
        List<DetectedCell> row,
        List<Painted> shapes,
        double before,
        DoubleSummaryStatistics own,
        double after) {
      double size = lines(row).mapToDouble(TextLine::size).max().orElse(1);
      List<Painted> behind =
          shapes.stream()
              .filter(s ->
                  s.box().y() > before
                      && s.box().y() < own.getMin()
                      && s.box().bottom() > own.getMax()
                      && s.box().bottom() < after - size / 4)
              .toList();
      if (behind.isEmpty()) {
        return;
      }
      int column = 0;
      for (DetectedCell c : row) {
        double middle = (left(column, c) + right(column, c)) / 2;
        for (Painted s : behind) {
          if (s.box().x() < middle && s.box().right() > middle && c.rowSpan() == 1) {
            grounds.put(c, s); // what is painted last is seen
          }
        }
        column += c.columnSpan();
      }
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
      if (page.number() == table.page() || here.isEmpty()) {
        return List.of();
      }
      double first =
          here.stream()
              .flatMap(this::lines)
              .mapToDouble(l -> l.baseline() - l.size())
              .min()
              .orElseThrow();
      return page.shapes().stream()
          .filter(this::mayBeGround)
          .map(Painted::box)
          .filter(b ->
              b.bottom() < first + DocumentThresholds.CellGrounds.NEAR
                  && b.y() > first - DocumentThresholds.CarriedAreas.HEAD)
          .toList();
    }
  }
}
