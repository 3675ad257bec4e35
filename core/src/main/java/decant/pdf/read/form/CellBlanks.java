package decant.pdf.read.form;

import decant.model.Box;
import decant.pdf.read.page.RuledLine;
import decant.pdf.read.page.RuledLines;
import decant.pdf.read.page.ScannedPage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Empty cells of a grid that is a form: each follows a cell that says what belongs in it, or stands
 * in a row with nothing but a number below heads. A register with gaps is none.
 */
final class CellBlanks {
  private CellBlanks() {}

  /** A cell between lines; what it says is empty for one to fill in. */
  private record Cell(Box box, String says) {
    private boolean isEmpty() {
      return says.isEmpty();
    }
  }

  static List<FlatBlank> of(ScannedPage page, PageWordsAround words) {
    List<RuledLine> rules =
        page.rules().stream()
            .filter(r -> Math.max(r.x2() - r.x1(), r.y2() - r.y1()) > FormMeasures.HIGH)
            .toList();
    var out = new ArrayList<FlatBlank>();
    for (List<RuledLine> grid : RuledLines.touching(rules, FormMeasures.EDGE)) {
      List<List<Cell>> rows = rows(grid, words);
      List<FlatBlank> beside = beside(rows, words);
      out.addAll(beside.isEmpty() ? below(rows, words) : beside);
    }
    return out;
  }

  /** The rows of a grid, each with its cells from left to right. */
  private static List<List<Cell>> rows(List<RuledLine> grid, PageWordsAround words) {
    List<Double> ys = RuledLines.places(grid, true, FormMeasures.EDGE);
    var rows = new ArrayList<List<Cell>>();
    for (int k = 0; k + 1 < ys.size(); k++) {
      double top = ys.get(k);
      double bottom = ys.get(k + 1);
      double middle = (top + bottom) / 2;
      List<Double> xs =
          RuledLines.places(
              grid.stream().filter(r -> !r.lying() && r.y1() < middle && r.y2() > middle).toList(),
              false,
              FormMeasures.EDGE);
      var row = new ArrayList<Cell>();
      for (int c = 0; c + 1 < xs.size(); c++) {
        var box = new Box(xs.get(c), top, xs.get(c + 1) - xs.get(c), bottom - top);
        if (lies(grid, box, top) && lies(grid, box, bottom)) {
          row.add(new Cell(box, words.in(box)));
        }
      }
      if (!row.isEmpty()) {
        rows.add(row);
      }
    }
    return rows;
  }

  /** Whether a line lies along an edge of a cell. */
  private static boolean lies(List<RuledLine> grid, Box cell, double y) {
    double middle = cell.x() + cell.width() / 2;
    return grid.stream()
        .anyMatch(r ->
            r.lying()
                && Math.abs(r.middle() - y) <= FormMeasures.EDGE
                && r.x1() < middle
                && r.x2() > middle);
  }

  /** Each row in turn says something and leaves room for it, as most do. */
  private static List<FlatBlank> beside(List<List<Cell>> rows, PageWordsAround words) {
    var out = new ArrayList<FlatBlank>();
    int fitting = 0;
    int all = 0;
    for (List<Cell> row : rows) {
      if (row.size() < 2) {
        continue; // a head over all of the grid
      }
      all++;
      boolean turns = row.size() % 2 == 0;
      for (int c = 0; turns && c < row.size(); c++) {
        turns = c % 2 == 0 ? isLabel(row.get(c)) : row.get(c).isEmpty();
      }
      if (turns) {
        fitting++;
        for (int c = 1; c < row.size(); c += 2) {
          blank(row.get(c), row.get(c - 1).says(), words).ifPresent(out::add);
        }
      }
    }
    return fitting >= FormMeasures.ROWS && fitting >= FormMeasures.MOST_ROWS * all
        ? out
        : List.of();
  }

  private static boolean isLabel(Cell c) {
    return Label.says(c.says()) && c.says().length() <= FormMeasures.PROSE;
  }

  /** Rows to fill in below a row of heads. */
  private static List<FlatBlank> below(List<List<Cell>> rows, PageWordsAround words) {
    for (int h = 0; h < rows.size(); h++) {
      List<Cell> heads = rows.get(h);
      boolean all = heads.size() > 1 && heads.stream().allMatch(CellBlanks::isLabel);
      List<List<Cell>> rest = rows.subList(h + 1, rows.size());
      boolean bare =
          rest.size() >= FormMeasures.ROWS
              && rest.stream().allMatch(r -> r.size() == heads.size() && isBare(r));
      if (all && bare) {
        var out = new ArrayList<FlatBlank>();
        for (int r = 0; r < rest.size(); r++) {
          for (int c = 0; c < heads.size(); c++) {
            Cell cell = rest.get(r).get(c);
            if (cell.isEmpty()) {
              Cell first = rest.get(r).getFirst();
              String row = first.isEmpty() ? String.valueOf(r + 1) : first.says();
              blank(cell, heads.get(c).says() + " " + row, words).ifPresent(out::add);
            }
          }
        }
        return out;
      }
    }
    return List.of();
  }

  /** Whether a row has nothing but what counts it, or names it, at its beginning. */
  private static boolean isBare(List<Cell> row) {
    return row.subList(1, row.size()).stream().allMatch(Cell::isEmpty);
  }

  private static Optional<FlatBlank> blank(Cell c, String label, PageWordsAround words) {
    Box b = c.box();
    if (b.width() < FormMeasures.WIDE / 2 || b.height() < FormMeasures.HIGH) {
      return Optional.empty();
    }
    double size = words.size(b.bottom());
    var inner = new Box(b.x() + 1, b.y() + 1, b.width() - 2, b.height() - 2);
    return Optional.of(new FlatBlank(inner, BoxBlanks.kind(b, size), Label.of(label), size));
  }
}
