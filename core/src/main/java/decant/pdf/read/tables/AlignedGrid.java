package decant.pdf.read.tables;

import decant.model.Box;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.Ruling;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.List;

/** Lines in columns as a table of cells, with the rules that are drawn along them. */
final class AlignedGrid {
  private final ScannedPage page;
  private final List<RowLine> lines;
  private final WhiteColumns white;

  private AlignedGrid(ScannedPage page, List<RowLine> lines, WhiteColumns white) {
    this.page = page;
    this.lines = lines;
    this.white = white;
  }

  static Detected.Grid of(ScannedPage page, AlignedTables.Found table) {
    Detected.Grid grid = new AlignedGrid(page, table.lines(), table.columns()).grid();
    return table.rest() ? grid.asRest() : grid;
  }

  private Detected.Grid grid() {
    List<WhiteColumns.Column> columns = white.columns();
    Box box = lines.getFirst().pieces().getFirst().box();
    for (RowLine r : lines) {
      for (TextLine l : r.pieces()) {
        box = box.union(l.box());
      }
    }
    double left = columns.getFirst().left();
    box = box.union(new Box(left, box.y(), columns.getLast().right() - left, 0));
    double from = box.x();
    double to = box.right();
    var rules = new RulesAlong(page.rules(), from, to);
    List<List<RowLine>> grouped =
        LogicalRows.of(
            lines,
            white,
            k ->
                !rules
                    .between(row(lines.subList(k - 1, k)), row(lines.subList(k, k + 1)))
                    .isEmpty());
    var rows = new ArrayList<List<Detected.DetectedCell>>();
    for (List<RowLine> row : grouped) {
      rows.add(cells(row, white, rows.isEmpty()));
    }
    var widths = new ArrayList<Double>();
    for (int c = 0; c < columns.size(); c++) {
      double next = c + 1 < columns.size() ? columns.get(c + 1).left() : to;
      double at = c == 0 ? from : columns.get(c).left();
      widths.add(Math.max(12, next - at + (c + 1 == columns.size() ? 8 : 0)));
    }
    List<RulesAlong.Row> bands = grouped.stream().map(AlignedGrid::row).toList();
    Ruling ruling = rules.ruling(bands, box, List.of());
    Box whole = rules.withRules(bands, box);
    return new Detected.Grid(page.number(), whole, widths, rows, ruling).inReadingOrder();
  }

  static RulesAlong.Row row(List<RowLine> lines) {
    return new RulesAlong.Row(
        lines.getFirst().baseline(), lines.getLast().baseline(), lines.getFirst().size());
  }

  /** The cells of the lines of one row. */
  static List<Detected.DetectedCell> cells(List<RowLine> lines, WhiteColumns white, boolean first) {
    int n = white.columns().size();
    var texts = new ArrayList<List<TextLine>>();
    int[] span = new int[n];
    for (int c = 0; c < n; c++) {
      texts.add(new ArrayList<>());
      span[c] = 1;
    }
    for (RowLine line : lines) {
      for (WhiteColumns.Chunk k : white.chunks(line)) {
        texts.get(k.first()).add(line.between(k.left(), k.right()));
        span[k.first()] = Math.max(span[k.first()], k.last() - k.first() + 1);
      }
    }
    boolean header =
        first && lines.stream().flatMap(l -> l.pieces().stream()).allMatch(TextLine::bold);
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
