package decant.pdf.read.tables;

import decant.model.Box;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.Ruling;
import decant.pdf.read.lines.Leaders;
import decant.pdf.read.lines.Regions;
import decant.pdf.read.page.RuledLine;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;

/**
 * Finds tables without a grid of ruled lines: rows whose pieces stand in columns, one below the
 * other. Prose in columns, lists and contents pages are told apart from them.
 */
public final class AlignedTables {
  /** A column from its left to its right edge. */
  private record Column(double left, double right) {
    boolean overlaps(Box b) {
      return b.x() < right && b.right() > left;
    }
  }

  private AlignedTables() {}

  public static RuledTables.Result of(ScannedPage page, List<TextLine> pieces) {
    List<List<TextLine>> rows = rows(pieces);
    OptionalDouble contentsEdge = contentsEdge(rows);
    var tables = new ArrayList<Detected.Grid>();
    List<TextLine> rest = new ArrayList<>(pieces);
    int k = 0;
    while (k < rows.size()) {
      if (rows.get(k).size() < 2) {
        k++;
        continue;
      }
      int end = runEnd(rows, k);
      Optional<Detected.Grid> table = table(page, rows.subList(k, end), contentsEdge);
      if (table.isPresent()) {
        tables.add(table.get());
        rows.subList(k, end).forEach(rest::removeAll);
        k = end;
      } else {
        k++;
      }
    }
    return new RuledTables.Result(tables, rest);
  }

  private static List<List<TextLine>> rows(List<TextLine> pieces) {
    List<TextLine> sorted = new ArrayList<>(pieces);
    sorted.sort(Comparator.comparingDouble(TextLine::baseline));
    var rows = new ArrayList<List<TextLine>>();
    for (TextLine l : sorted) {
      boolean same =
          !rows.isEmpty()
              && l.baseline() - rows.getLast().getFirst().baseline()
                  < TableThresholds.AlignedTables.SAME_ROW * l.size();
      if (!same) {
        rows.add(new ArrayList<>());
      }
      rows.getLast().add(l);
    }
    rows.forEach(r -> r.sort(Comparator.comparingDouble(l -> l.box().x())));
    return rows;
  }

  /**
   * Where a run of rows ends that may be a table: rows of several pieces, and lines that go on in a
   * cell.
   */
  private static int runEnd(List<List<TextLine>> rows, int from) {
    int lastWhole = from;
    double size = rows.get(from).getFirst().size();
    for (int k = from + 1; k < rows.size(); k++) {
      TextLine first = rows.get(k).getFirst();
      double gap = first.baseline() - rows.get(k - 1).getFirst().baseline();
      if (gap > TableThresholds.AlignedTables.ENDS * size
          || Math.abs(first.size() - size) > TableThresholds.AlignedTables.OTHER_SIZE * size) {
        break;
      }
      if (rows.get(k).size() >= 2) {
        lastWhole = k;
      } else if (gap > TableThresholds.AlignedTables.LONE * size || k - lastWhole > 6) {
        break;
      }
    }
    return lastWhole + 1;
  }

  /**
   * Where the numbers of a contents page end, if some lines lead to them by dots: other entries may
   * have none.
   */
  private static OptionalDouble contentsEdge(List<List<TextLine>> rows) {
    double[] edges =
        rows.stream()
            .map(Regions::whole)
            .filter(l -> Leaders.entry(l.glyphs()).filter(Leaders.Entry::dotted).isPresent())
            .mapToDouble(l -> l.box().right())
            .toArray();
    return edges.length >= TableThresholds.AlignedTables.MIN_ROWS
        ? Arrays.stream(edges).max()
        : OptionalDouble.empty();
  }

  private static boolean isContents(List<List<TextLine>> rows, OptionalDouble edge) {
    return edge.isPresent()
        && rows.stream()
            .filter(r -> r.size() >= 2)
            .allMatch(r ->
                Math.abs(r.getLast().box().right() - edge.getAsDouble())
                        < TableThresholds.AlignedTables.FLUSH * r.getLast().size()
                    && Leaders.entry(Regions.whole(r).glyphs()).isPresent());
  }

  private static Optional<Detected.Grid> table(
      ScannedPage page, List<List<TextLine>> rows, OptionalDouble contentsEdge) {
    long whole = rows.stream().filter(r -> r.size() >= 2).count();
    if (whole < TableThresholds.AlignedTables.MIN_ROWS) {
      return Optional.empty();
    }
    List<Column> columns = columns(rows);
    if (columns.size() < 2
        || columns.size() > TableThresholds.AlignedTables.MAX_COLUMNS
        || !standApart(rows, columns)) {
      return Optional.empty();
    }
    if (isProse(rows, columns)
        || isListOrContents(rows, columns)
        || isContents(rows, contentsEdge)) {
      return Optional.empty();
    }
    List<List<List<TextLine>>> grouped = grouped(page, rows, columns);
    var out = new ArrayList<List<Detected.DetectedCell>>();
    for (List<List<TextLine>> row : grouped) {
      out.add(cells(row, columns, out.isEmpty()));
    }
    Box box = rows.getFirst().getFirst().box();
    for (List<TextLine> r : rows) {
      for (TextLine l : r) {
        box = box.union(l.box());
      }
    }
    var widths = new ArrayList<Double>();
    for (int c = 0; c < columns.size(); c++) {
      double next = c + 1 < columns.size() ? columns.get(c + 1).left() : box.right();
      double left = c == 0 ? box.x() : columns.get(c).left();
      widths.add(Math.max(12, next - left + (c + 1 == columns.size() ? 8 : 0)));
    }
    return Optional.of(
        new Detected.Grid(page.number(), box, widths, out, ruling(page, grouped, box))
            .inReadingOrder());
  }

  /** The columns that the rows with the usual number of pieces agree on. */
  private static List<Column> columns(List<List<TextLine>> rows) {
    Map<Integer, Integer> counts = new TreeMap<>();
    rows.stream().filter(r -> r.size() >= 2).forEach(r -> counts.merge(r.size(), 1, Integer::sum));
    int usual = 2;
    int best = 0;
    for (Map.Entry<Integer, Integer> e : counts.entrySet()) {
      // More columns count for more: rows with an empty cell have fewer pieces.
      int weight = e.getValue() * e.getKey();
      if (weight >= best) {
        best = weight;
        usual = e.getKey();
      }
    }
    int min = usual;
    var columns = new ArrayList<Column>();
    for (List<TextLine> row : rows) {
      if (row.size() != min) {
        continue;
      }
      for (TextLine l : row) {
        merge(columns, new Column(l.box().x(), l.box().right()));
      }
    }
    columns.sort(Comparator.comparingDouble(Column::left));
    return columns.size() == min ? columns : List.of();
  }

  private static void merge(List<Column> columns, Column added) {
    Column now = added;
    for (int k = columns.size() - 1; k >= 0; k--) {
      Column c = columns.get(k);
      if (c.left() < now.right() && c.right() > now.left()) {
        now = new Column(Math.min(c.left(), now.left()), Math.max(c.right(), now.right()));
        columns.remove(k);
      }
    }
    columns.add(now);
  }

  /** Whether nearly every piece lies in one column, or spans whole ones. */
  private static boolean standApart(List<List<TextLine>> rows, List<Column> columns) {
    int astray = 0;
    int all = 0;
    for (List<TextLine> row : rows) {
      var taken = new boolean[columns.size()];
      for (TextLine l : row) {
        all++;
        boolean any = false;
        for (int c = 0; c < columns.size(); c++) {
          if (columns.get(c).overlaps(l.box())) {
            astray += taken[c] ? 1 : 0;
            taken[c] = true;
            any = true;
          }
        }
        astray += any ? 0 : 1;
      }
    }
    return astray <= TableThresholds.AlignedTables.ASTRAY * all;
  }

  /** Two columns or more whose lines mostly fill them are prose in columns. */
  private static boolean isProse(List<List<TextLine>> rows, List<Column> columns) {
    int prose = 0;
    for (Column c : columns) {
      List<TextLine> lines =
          rows.stream().flatMap(List::stream).filter(l -> c.overlaps(l.box())).toList();
      double width = Regions.measure(lines);
      long full =
          lines.stream()
              .filter(l -> l.box().width() > TableThresholds.AlignedTables.FULL * width)
              .count();
      double size = rows.getFirst().getFirst().size();
      if (lines.size() >= 3
          && full > TableThresholds.AlignedTables.PROSE * lines.size()
          && width > TableThresholds.AlignedTables.PROSE_WIDTH * size) {
        prose++;
      }
    }
    return prose >= 2;
  }

  private static boolean isListOrContents(List<List<TextLine>> rows, List<Column> columns) {
    List<TextLine> first = rows.stream().map(List::getFirst).toList();
    long marked =
        first.stream()
            .filter(l -> l.text().strip().matches("[•◦▪–\\-*·]|\\(?(\\d{1,3}|[a-zA-Z]|[ivx]+)[.)]"))
            .count();
    if (columns.size() == 2
        && marked
            > TableThresholds.AlignedTables.MARKED
                * rows.stream().filter(r -> r.size() >= 2).count()) {
      return true;
    }
    long leaders =
        rows.stream()
            .flatMap(List::stream)
            .filter(l -> l.text().matches("(?s).*(\\. ?){5,}.*"))
            .count();
    long numbers =
        rows.stream()
            .filter(r -> r.size() >= 2 && r.getLast().text().strip().matches("\\d{1,4}|[ivxlc]+"))
            .count();
    return leaders >= 2
        || columns.size() == 2
            && numbers > TableThresholds.AlignedTables.NUMBERS * rows.size()
            && rows.size() > 8
            && isWide(columns.getFirst(), rows.getFirst().getFirst().size());
  }

  private static boolean isWide(Column c, double size) {
    return c.right() - c.left() > TableThresholds.AlignedTables.WIDE * size;
  }

  /**
   * Physical lines into rows of the table: by ruled lines between them, else by wider gaps, else
   * line by line.
   */
  private static List<List<List<TextLine>>> grouped(
      ScannedPage page, List<List<TextLine>> rows, List<Column> columns) {
    double left = columns.getFirst().left();
    double right = columns.getLast().right();
    double min = Double.MAX_VALUE;
    double max = 0;
    for (int k = 1; k < rows.size(); k++) {
      double gap = rows.get(k).getFirst().baseline() - rows.get(k - 1).getFirst().baseline();
      min = Math.min(min, gap);
      max = Math.max(max, gap);
    }
    double size = rows.getFirst().getFirst().size();
    boolean tight =
        min < TableThresholds.AlignedTables.TIGHT * size
            && max > TableThresholds.AlignedTables.TWO_PITCHES * min;
    int ruled = 0;
    for (int k = 1; k < rows.size(); k++) {
      ruled += ruledBetween(page, rows.get(k - 1), rows.get(k), left, right) ? 1 : 0;
    }
    boolean byRules = ruled >= 3;
    double limit = (min + max) / 2;
    var out = new ArrayList<List<List<TextLine>>>();
    for (int k = 0; k < rows.size(); k++) {
      boolean begins = k == 0;
      if (!begins) {
        double gap = rows.get(k).getFirst().baseline() - rows.get(k - 1).getFirst().baseline();
        boolean firstColumn = columns.getFirst().overlaps(rows.get(k).getFirst().box());
        begins =
            byRules
                ? ruledBetween(page, rows.get(k - 1), rows.get(k), left, right)
                : tight
                    ? gap > limit
                    : firstColumn && rows.get(k).size() >= 2
                        || gap > TableThresholds.AlignedTables.ROW * size;
      }
      if (begins) {
        out.add(new ArrayList<>());
      }
      out.getLast().add(rows.get(k));
    }
    return out;
  }

  private static Ruling ruling(ScannedPage page, List<List<List<TextLine>>> rows, Box box) {
    int between = 0;
    boolean header = false;
    for (int k = 1; k < rows.size(); k++) {
      List<TextLine> above = rows.get(k - 1).getLast();
      boolean ruled = ruledBetween(page, above, rows.get(k).getFirst(), box.x(), box.right());
      between += ruled ? 1 : 0;
      header |= ruled && k == 1;
    }
    double pitch = 2 * rows.getFirst().getFirst().getFirst().size();
    return new Ruling(
        ruled(page, box.y() - pitch, box.y() + 1, box.x(), box.right()),
        header,
        between == rows.size() - 1,
        ruled(page, box.bottom() - 1, box.bottom() + pitch, box.x(), box.right()),
        false);
  }

  private static boolean ruledBetween(
      ScannedPage page, List<TextLine> above, List<TextLine> below, double left, double right) {
    double y1 = above.getFirst().baseline();
    double y2 =
        below.getFirst().baseline()
            - below.getFirst().size() * TableThresholds.AlignedTables.RULE_ABOVE;
    return ruled(page, y1, y2, left, right);
  }

  /** Whether lines lie over most of a stretch, between two heights. */
  private static boolean ruled(ScannedPage page, double y1, double y2, double left, double right) {
    double covered = 0;
    for (RuledLine r : page.rules()) {
      if (r.lying() && r.middle() > y1 && r.middle() < y2) {
        covered += Math.max(0, Math.min(r.x2(), right) - Math.max(r.x1(), left));
      }
    }
    return covered > TableThresholds.AlignedTables.COVERED * (right - left);
  }

  private static List<Detected.DetectedCell> cells(
      List<List<TextLine>> lines, List<Column> columns, boolean first) {
    int n = columns.size();
    var texts = new ArrayList<List<TextLine>>();
    int[] span = new int[n];
    for (int c = 0; c < n; c++) {
      texts.add(new ArrayList<>());
      span[c] = 1;
    }
    for (List<TextLine> line : lines) {
      for (TextLine l : line) {
        int at = -1;
        int last = -1;
        for (int c = 0; c < n; c++) {
          if (columns.get(c).overlaps(l.box())) {
            at = at < 0 ? c : at;
            last = c;
          }
        }
        if (at >= 0) {
          texts.get(at).add(l);
          span[at] = Math.max(span[at], last - at + 1);
        }
      }
    }
    boolean header = first && lines.stream().flatMap(List::stream).allMatch(TextLine::bold);
    var out = new ArrayList<Detected.DetectedCell>();
    int c = 0;
    while (c < n) {
      int wanted = span[c];
      // A cell does not reach over one that has text of its own.
      int s = 1;
      while (s < wanted && texts.get(c + s).isEmpty()) {
        s++;
      }
      out.add(new Detected.DetectedCell(s, 1, texts.get(c), header));
      c += s;
    }
    return out;
  }
}
