package decant.pdf.read.document;

import decant.model.look.VerticalAlignment;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Where the cells of a table stand in rows that are taller: at the head of the tallest cell of
 * their row, beside its middle, or at its foot. A few cells alone tell nothing.
 */
final class CellStanding {
  private CellStanding() {}

  static VerticalAlignment of(Detected.Grid g) {
    int top = 0;
    int middle = 0;
    int foot = 0;
    int all = 0;
    for (List<Detected.DetectedCell> row : g.rows()) {
      List<Extent> cells = extents(row);
      if (cells.size() < 2) {
        continue;
      }
      Extent tall = cells.stream().max(Comparator.comparingDouble(Extent::height)).orElseThrow();
      double near = DocumentThresholds.CellStanding.NEAR * tall.size;
      for (Extent c : cells) {
        if (tall.height() - c.height() > tall.size / 2) {
          all++;
          boolean atTop = Math.abs(c.first - tall.first) < near;
          boolean beside = Math.abs(c.first + c.last - tall.first - tall.last) / 2 < near;
          top += atTop ? 1 : 0;
          middle += !atTop && beside ? 1 : 0;
          foot += !atTop && !beside && Math.abs(c.last - tall.last) < near ? 1 : 0;
        }
      }
    }
    double most = DocumentThresholds.CellStanding.MOST * all;
    if (all < DocumentThresholds.CellStanding.FEWEST || top >= most) {
      return VerticalAlignment.TOP;
    }
    return middle >= most
        ? VerticalAlignment.CENTRE
        : foot >= most ? VerticalAlignment.BOTTOM : VerticalAlignment.TOP;
  }

  /** From the first baseline of a cell to its last. */
  private record Extent(double first, double last, double size) {
    double height() {
      return last - first;
    }
  }

  /** Those of cells that stand on one page with the others of their row. */
  private static List<Extent> extents(List<Detected.DetectedCell> row) {
    var out = new ArrayList<Extent>();
    int page = -1;
    for (Detected.DetectedCell c : row) {
      if (c.lines().isEmpty() || c.rowSpan() > 1) {
        continue;
      }
      TextLine first = c.lines().getFirst();
      TextLine last = c.lines().getLast();
      page = page < 0 ? first.page() : page;
      if (first.page() != page || last.page() != page) {
        return List.of();
      }
      out.add(new Extent(first.baseline(), last.baseline(), first.size()));
    }
    return out;
  }
}
