package decant.pdf.read.document;

import decant.model.look.ParagraphTraits.Alignment;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

/**
 * How the texts of cells stand in their columns: at the right where most end at one place and begin
 * at several, as amounts do, in the middle where their middles are one. One text alone tells
 * nothing.
 */
final class CellAlignments {
  private final Map<Detected.DetectedCell, Alignment> found = new IdentityHashMap<>();

  /**
   * @param at which column each cell of each row begins in
   */
  CellAlignments(Detected.Grid g, int[][] at) {
    if (g.rightToLeft()) {
      return; // its texts begin at the right
    }
    Map<Integer, List<Detected.DetectedCell>> columns = new java.util.TreeMap<>();
    for (int r = 0; r < g.rows().size(); r++) {
      List<Detected.DetectedCell> row = g.rows().get(r);
      for (int k = 0; k < row.size(); k++) {
        Detected.DetectedCell c = row.get(k);
        if (c.columnSpan() == 1
            && !c.lines().isEmpty()
            && c.lines().getFirst().page() == g.page()) {
          columns.computeIfAbsent(at[r][k], x -> new ArrayList<>()).add(c);
        }
      }
    }
    columns.forEach((k, cells) -> column(cells, edges(g, k)));
  }

  Alignment of(Detected.DetectedCell c) {
    return found.getOrDefault(c, Alignment.START);
  }

  /** Where a column begins and ends, if lines show it. */
  private static Optional<double[]> edges(Detected.Grid g, int column) {
    if (g.ruling().down().isEmpty() || column >= g.columns().size()) {
      return Optional.empty();
    }
    double from = g.box().x();
    for (int k = 0; k < column; k++) {
      from += g.columns().get(k);
    }
    return Optional.of(new double[] {from, from + g.columns().get(column)});
  }

  private void column(List<Detected.DetectedCell> cells, Optional<double[]> edges) {
    double size = cells.getFirst().lines().getFirst().size();
    double same = DocumentThresholds.CellAlignments.SAME * size;
    List<Detected.DetectedCell> body = cells.stream().filter(c -> !c.header()).toList();
    if (body.size() < DocumentThresholds.CellAlignments.FEWEST) {
      return;
    }
    boolean left = isCommon(body, CellAlignments::left, same);
    boolean right = isCommon(body, CellAlignments::right, same);
    boolean middle = isCommon(body, CellAlignments::middle, same);
    if (left && right && edges.isPresent()) {
      // All are as wide: where they stand in the column tells.
      double before = usual(body, CellAlignments::left, same) - edges.get()[0];
      double after = edges.get()[1] - usual(body, CellAlignments::right, same);
      left = before < size || before <= after - size;
      right = !left && after < before - size;
    }
    if (left) {
      return;
    }
    if (right) {
      put(cells, CellAlignments::right, same, Alignment.END);
    } else if (middle) {
      put(cells, CellAlignments::middle, same, Alignment.CENTRE);
    }
  }

  private void put(
      List<Detected.DetectedCell> cells,
      ToDoubleFunction<Detected.DetectedCell> edge,
      double same,
      Alignment a) {
    double usual = usual(cells.stream().filter(c -> !c.header()).toList(), edge, same);
    for (Detected.DetectedCell c : cells) {
      if (Math.abs(edge.applyAsDouble(c) - usual) <= same) {
        found.put(c, a);
      }
    }
  }

  /** Whether most cells have an edge at one place. */
  private static boolean isCommon(
      List<Detected.DetectedCell> cells,
      ToDoubleFunction<Detected.DetectedCell> edge,
      double same) {
    double usual = usual(cells, edge, same);
    long at = cells.stream().filter(c -> Math.abs(edge.applyAsDouble(c) - usual) <= same).count();
    return at > DocumentThresholds.CellAlignments.MOST * cells.size();
  }

  /** The place that has most edges near it. */
  private static double usual(
      List<Detected.DetectedCell> cells,
      ToDoubleFunction<Detected.DetectedCell> edge,
      double same) {
    double[] all = cells.stream().mapToDouble(edge).sorted().toArray();
    double best = 0;
    int most = 0;
    for (int from = 0, to = 0; from < all.length; from++) {
      while (to < all.length && all[to] - all[from] <= 2 * same) {
        to++;
      }
      if (to - from > most) {
        most = to - from;
        best = (all[from] + all[to - 1]) / 2;
      }
    }
    return best;
  }

  private static double left(Detected.DetectedCell c) {
    return c.lines().stream().mapToDouble(l -> l.box().x()).min().orElse(0);
  }

  private static double right(Detected.DetectedCell c) {
    return c.lines().stream().mapToDouble(l -> l.box().right()).max().orElse(0);
  }

  private static double middle(Detected.DetectedCell c) {
    // Of the line that is widest: in a cell of several lines each stands in the middle.
    TextLine widest =
        c.lines().stream()
            .max(java.util.Comparator.comparingDouble(l -> l.box().width()))
            .orElseThrow();
    return widest.box().x() + widest.box().width() / 2;
  }
}
