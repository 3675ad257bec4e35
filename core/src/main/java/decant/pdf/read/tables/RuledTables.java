package decant.pdf.read.tables;

import decant.model.Box;
import decant.model.look.Rule;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.Ruling;
import decant.pdf.read.lines.Regions;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.Painted;
import decant.pdf.read.page.RuledLine;
import decant.pdf.read.page.RuledLines;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Finds tables in ruled lines that cross, and takes the text inside them out of the page's lines.
 */
public final class RuledTables {
  private static final int MAX_RULES = 6_000;

  /** Sides of rows, at most, where the text may tell more of them: head, rows, and a foot. */
  private static final int MOST_OPEN = 4;

  /** The tables of a page, and the lines that stand outside them. */
  public record Result(List<Detected.Grid> tables, List<TextLine> rest) {}

  private RuledTables() {}

  public static Result of(ScannedPage page, List<TextLine> lines) {
    List<RuledLine> rules =
        page.rules().stream()
            .filter(r -> Math.max(r.x2() - r.x1(), r.y2() - r.y1()) > 5)
            .distinct()
            .toList();
    if (rules.size() < 4 || rules.size() > MAX_RULES) {
      return new Result(List.of(), lines);
    }
    List<Painted> grounds = ShadedRows.grounds(page);
    var tables = new ArrayList<Detected.Grid>();
    List<TextLine> rest = new ArrayList<>(lines);
    for (List<RuledLine> group : RuledLines.touching(rules, TableThresholds.RuledTables.NEAR)) {
      Sides across = sides(group, false, TableThresholds.RuledTables.OPEN_COLUMN);
      Sides down = sides(group, true, TableThresholds.RuledTables.OPEN_ROW);
      List<Double> xs = across.at();
      List<Double> ys = down.at();
      // One row alone, as a table may have on its last page, is one by its cells.
      boolean row = ys.size() == 2 && xs.size() > 3;
      if (xs.size() < 3 || ys.size() < 3 && !row || xs.size() > 60 || ys.size() > 400) {
        continue;
      }
      List<Double> ruled = ys;
      var edges = new ArrayList<>(group);
      ys = withShaded(grounds, rest, xs, ys, edges);
      Box box = box(xs, ys);
      List<TextLine> inside = rest.stream().filter(l -> isInside(l, box)).toList();
      if (inside.isEmpty()) {
        continue;
      }
      Optional<Detected.Grid> open = openRows(page.number(), xs, ys, edges, inside, group);
      if (open.isPresent()) {
        tables.add(open.get());
        rest.removeAll(inside);
        continue;
      }
      if ((across.open() || down.open())
          && tallest(ruled) > TableThresholds.RuledTables.TALLEST * page.height()) {
        continue; // lines between columns of prose, and above and below them
      }
      Detected.Grid table =
          grid(page.number(), xs, ys, edges, inside, ruling(group, xs, ys)).inReadingOrder();
      if (row && ys.size() == 2 && !isFull(table, xs.size() - 1)) {
        continue;
      }
      tables.add(table);
      rest.removeAll(inside);
    }
    for (List<RuledLine> fence : Fences.of(rules)) {
      List<Double> own = RuledLines.places(fence, false, TableThresholds.RuledTables.NEAR);
      List<Double> wider = Fences.withOuter(fence, own, rest);
      Optional<Detected.Grid> table = Optional.empty();
      if (!wider.equals(own)) {
        table = fenced(page, fence, wider, rest).filter(t -> Fences.areFilled(t.rows()));
      }
      table
          .or(() -> fenced(page, fence, own, rest))
          .ifPresent(t -> {
            tables.add(t.inReadingOrder());
            rest.removeIf(l -> isInside(l, t.box()));
          });
    }
    return new Result(tables, rest);
  }

  /**
   * The table between lines that stand side by side.
   *
   * @param xs where its columns end
   */
  private static Optional<Detected.Grid> fenced(
      ScannedPage page, List<RuledLine> fence, List<Double> xs, List<TextLine> lines) {
    Box box = box(xs, List.of(fence.getFirst().y1(), fence.getFirst().y2()));
    List<List<Detected.DetectedCell>> rows =
        OpenRows.of(lines.stream().filter(l -> isInside(l, box)).toList(), xs);
    Ruling ruling = ruling(fence, xs, List.of(box.y(), box.bottom()));
    return rows.isEmpty()
        ? Optional.empty()
        : Optional.of(new Detected.Grid(page.number(), box, widths(xs), rows, ruling));
  }

  /**
   * Where rows end, with those that have a ground next to the lines.
   *
   * @param edges of cells; those of the shaded ones come to them
   */
  private static List<Double> withShaded(
      List<Painted> grounds,
      List<TextLine> lines,
      List<Double> xs,
      List<Double> ys,
      List<RuledLine> edges) {
    var out = new ArrayList<>(ys);
    for (boolean above : new boolean[] {true, false}) {
      double at = above ? ys.getFirst() : ys.getLast();
      for (ShadedRows.Row r : ShadedRows.beside(grounds, lines, xs, at, above)) {
        double top = Math.min(at, r.outer());
        double bottom = Math.max(at, r.outer());
        Rule look = edges.getFirst().look();
        r.parted().forEach(x -> edges.add(new RuledLine(x, top, x, bottom, look)));
        for (double y : new double[] {top, bottom}) {
          edges.add(new RuledLine(xs.getFirst(), y, xs.getLast(), y, look));
        }
        out.add(above ? 0 : out.size(), r.outer());
        at = r.outer();
      }
    }
    return out;
  }

  /** The table with the rows that its text makes, where lines stand between columns alone. */
  private static Optional<Detected.Grid> openRows(
      int page,
      List<Double> xs,
      List<Double> ys,
      List<RuledLine> edges,
      List<TextLine> inside,
      List<RuledLine> rules) {
    if (ys.size() > MOST_OPEN) {
      return Optional.empty();
    }
    var parted = new ArrayList<List<List<Detected.DetectedCell>>>();
    for (int k = 1; k < ys.size(); k++) {
      double top = ys.get(k - 1);
      double bottom = ys.get(k);
      parted.add(
          OpenRows.of(
              inside.stream().filter(l -> l.middle() >= top && l.middle() < bottom).toList(), xs));
    }
    if (parted.stream().allMatch(List::isEmpty)) {
      return Optional.empty();
    }
    Detected.Grid whole = grid(page, xs, ys, edges, inside, ruling(rules, xs, ys));
    if (whole.rows().size() != parted.size()) {
      return Optional.empty(); // a double rule
    }
    var rows = new ArrayList<List<Detected.DetectedCell>>();
    for (int k = 0; k < parted.size(); k++) {
      rows.addAll(parted.get(k).isEmpty() ? whole.rows().subList(k, k + 1) : parted.get(k));
    }
    return Optional.of(
        new Detected.Grid(
                page,
                whole.box(),
                whole.columns(),
                rows,
                parted.getFirst().isEmpty()
                    ? whole.ruling().withoutAcross()
                    : whole.ruling().withoutAcross().withoutHeader())
            .inReadingOrder());
  }

  /** Whether a row has as many cells as there are columns, and text in each. */
  private static boolean isFull(Detected.Grid row, int columns) {
    return row.rows().size() == 1
        && row.rows().getFirst().size() == columns
        && row.rows().getFirst().stream().noneMatch(c -> c.lines().isEmpty());
  }

  private static boolean isInside(TextLine l, Box box) {
    double middle = l.middle();
    return middle > box.y()
        && middle < box.bottom()
        && l.box().x() > box.x() - TableThresholds.RuledTables.NEAR
        && l.box().right() < box.right() + TableThresholds.RuledTables.NEAR;
  }

  private static Box box(List<Double> xs, List<Double> ys) {
    double x = xs.getFirst();
    double y = ys.getFirst();
    return new Box(x, y, xs.getLast() - x, ys.getLast() - y);
  }

  private static double tallest(List<Double> ys) {
    double most = 0;
    for (int k = 1; k < ys.size(); k++) {
      most = Math.max(most, ys.get(k) - ys.get(k - 1));
    }
    return most;
  }

  /**
   * Where columns or rows end.
   *
   * @param open whether some side has no line
   */
  private record Sides(List<Double> at, boolean open) {}

  /**
   * Where columns or rows end, with the sides that no line stands at: in many tables the lines
   * between rows reach beyond those between columns, or these beyond those.
   *
   * @param least how wide what has no line at its side is at least
   */
  private static Sides sides(List<RuledLine> rules, boolean lying, double least) {
    List<Double> lines = RuledLines.places(rules, lying, TableThresholds.RuledTables.NEAR);
    if (lines.isEmpty()) {
      return new Sides(lines, false);
    }
    double first = edge(rules, lines.getFirst(), lying, -1);
    double last = edge(rules, lines.getLast(), lying, 1);
    var at = new ArrayList<Double>();
    if (lines.getFirst() - first > least) {
      at.add(first);
    }
    at.addAll(lines);
    if (last - lines.getLast() > least) {
      at.add(last);
    }
    return new Sides(at, at.size() > lines.size());
  }

  /** How far most of the lines the other way reach to one side that reach beyond a place. */
  private static double edge(List<RuledLine> rules, double from, boolean lying, int side) {
    double near = TableThresholds.RuledTables.NEAR;
    // Lines may be drawn in pieces, cell by cell: of each, what reaches furthest counts.
    Map<Long, Double> furthest = new HashMap<>();
    for (RuledLine r : rules) {
      if (r.lying() != lying) {
        double end = end(r, lying, side);
        furthest.merge(
            Math.round(r.middle()), end, (a, b) -> side < 0 ? Math.min(a, b) : Math.max(a, b));
      }
    }
    double[] ends =
        furthest.values().stream()
            .mapToDouble(Double::doubleValue)
            .filter(x -> side * (x - from) > near)
            .sorted()
            .toArray();
    return ends.length == 0 || ends.length * 2 < furthest.size() ? from : ends[ends.length / 2];
  }

  private static double end(RuledLine r, boolean lying, int side) {
    return lying ? side < 0 ? r.y1() : r.y2() : side < 0 ? r.x1() : r.x2();
  }

  private static Detected.Grid grid(
      int page,
      List<Double> xs,
      List<Double> ys,
      List<RuledLine> rules,
      List<TextLine> inside,
      Ruling ruling) {
    int columns = xs.size() - 1;
    int rows = ys.size() - 1;
    int[][] owner = new int[rows][columns];
    for (int[] r : owner) {
      java.util.Arrays.fill(r, -1);
    }
    var out = new ArrayList<List<Detected.DetectedCell>>();
    for (int r = 0; r < rows; r++) {
      var cells = new ArrayList<Detected.DetectedCell>();
      for (int c = 0; c < columns; c++) {
        if (owner[r][c] >= 0) {
          continue;
        }
        int columnSpan = 1;
        while (c + columnSpan < columns
            && owner[r][c + columnSpan] < 0
            && !separated(rules, xs.get(c + columnSpan), ys.get(r), ys.get(r + 1), false)) {
          columnSpan++;
        }
        int rowSpan = 1;
        while (r + rowSpan < rows
            && !separated(rules, ys.get(r + rowSpan), xs.get(c), xs.get(c + columnSpan), true)) {
          rowSpan++;
        }
        for (int i = 0; i < rowSpan; i++) {
          for (int j = 0; j < columnSpan; j++) {
            owner[r + i][c + j] = r * columns + c;
          }
        }
        var area =
            new Box(
                xs.get(c),
                ys.get(r),
                xs.get(c + columnSpan) - xs.get(c),
                ys.get(r + rowSpan) - ys.get(r));
        cells.add(new Detected.DetectedCell(columnSpan, rowSpan, linesIn(inside, area), false));
      }
      boolean line = cells.stream().allMatch(c -> c.lines().isEmpty() && c.rowSpan() == 1);
      // What is thinner than a line of text and empty is a double rule, not a row.
      if (!line || ys.get(r + 1) - ys.get(r) > 7) {
        out.add(cells);
      }
    }
    return new Detected.Grid(page, box(xs, ys), widths(xs), out, ruling);
  }

  private static List<Double> widths(List<Double> xs) {
    var out = new ArrayList<Double>();
    for (int c = 0; c + 1 < xs.size(); c++) {
      out.add(xs.get(c + 1) - xs.get(c));
    }
    return out;
  }

  private static Ruling ruling(List<RuledLine> rules, List<Double> xs, List<Double> ys) {
    return new Ruling(
        at(rules, true, ys.subList(0, 1)),
        ys.size() > 2 ? at(rules, true, ys.subList(1, 2)) : Optional.empty(),
        at(rules, true, ys.size() > 3 ? ys.subList(2, ys.size() - 1) : inner(ys)),
        at(rules, true, ys.subList(ys.size() - 1, ys.size())),
        at(rules, false, List.of(xs.getFirst(), xs.getLast())),
        at(rules, false, inner(xs)));
  }

  private static List<Double> inner(List<Double> of) {
    return of.subList(1, of.size() - 1);
  }

  /** How most of the lines at some places are drawn. */
  private static Optional<Rule> at(List<RuledLine> rules, boolean lying, List<Double> places) {
    return Ruling.mostOf(
        rules.stream()
            .filter(r ->
                r.lying() == lying
                    && places.stream()
                        .anyMatch(
                            p -> Math.abs(r.middle() - p) <= TableThresholds.RuledTables.NEAR))
            .toList());
  }

  private static boolean separated(
      List<RuledLine> rules, double at, double from, double to, boolean lying) {
    double middle = (from + to) / 2;
    return rules.stream()
        .anyMatch(r ->
            r.lying() == lying
                && Math.abs(r.middle() - at) <= TableThresholds.RuledTables.NEAR
                && (lying ? r.x1() : r.y1()) <= middle
                && (lying ? r.x2() : r.y2()) >= middle);
  }

  /** The glyphs that stand in a cell, as lines. */
  private static List<TextLine> linesIn(List<TextLine> lines, Box area) {
    var out = new ArrayList<TextLine>();
    for (TextLine l : lines) {
      double middle = l.middle();
      if (middle < area.y() || middle >= area.bottom()) {
        continue;
      }
      List<Glyph> in =
          l.glyphs().stream()
              .filter(
                  g -> g.x() + g.width() / 2 >= area.x() && g.x() + g.width() / 2 < area.right())
              .toList();
      if (!in.stream().allMatch(Glyph::isSpace)) {
        out.add(l.part(in));
      }
    }
    out.sort(TextLine.DOWN);
    var rows = new ArrayList<TextLine>();
    for (TextLine l : out) {
      if (!rows.isEmpty() && Math.abs(rows.getLast().baseline() - l.baseline()) < 1) {
        rows.add(Regions.whole(List.of(rows.removeLast(), l)));
      } else {
        rows.add(l);
      }
    }
    return rows;
  }
}
