package decant.pdf.read.document;

import decant.model.Block;
import decant.model.Cell;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.LinePitch;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.Rules;
import decant.model.look.TableTraits;
import decant.model.look.VerticalAlignment;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.lines.Dehyphenator;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.LookMaker;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** Tables that were found, with widths, paddings and rules. */
final class TableMaker {
  private final StyleMaker styles;
  private final Dehyphenator joiner;
  private final NoteMaker notes;
  private final List<ScannedPage> pages;

  TableMaker(List<ScannedPage> pages, StyleMaker styles, Dehyphenator joiner, NoteMaker notes) {
    this.pages = pages;
    this.notes = notes;
    this.styles = styles;
    this.joiner = joiner;
  }

  Table table(Detected.Grid g, PageSetup setup) {
    double room = setup.columns().width(0, setup.textWidth());
    // Less than nothing where it hangs out of its column.
    double hanging = g.box().x() - SettingMaker.columnLeft(g.box().x(), setup);
    var rows = new ArrayList<Table.Row>();
    var alignments = new CellAlignments(g, cellColumns(g));
    VerticalAlignment standing = CellStanding.of(g);
    var ofTable = new CellGrounds(g);
    List<CellGrounds.OnPage> grounds =
        ofTable.pages().stream().map(p -> ofTable.on(pages.get(p))).toList();
    var colours = new IdentityHashMap<Detected.DetectedCell, Colour>();
    grounds.forEach(p -> colours.putAll(p.colours()));
    for (List<Detected.DetectedCell> r : g.rows()) {
      Rules own = rows.isEmpty() ? g.ruling().ofHeader() : Rules.UNSAID;
      Look ruled = own.equals(Rules.UNSAID) ? Look.PLAIN : Look.of(TableTraits.RULES, own);
      Look look =
          standing == VerticalAlignment.TOP
              ? ruled
              : ruled.with(TableTraits.VERTICAL_ALIGNMENT, standing);
      var cells = new ArrayList<Cell>();
      boolean header = !r.isEmpty() && r.stream().allMatch(Detected.DetectedCell::header);
      for (Detected.DetectedCell c : r) {
        cells.add(
            new Cell(
                NodeId.fresh(),
                c.columnSpan(),
                c.rowSpan(),
                Optional.ofNullable(colours.get(c))
                    .map(ground -> look.with(TableTraits.SHADING, ground))
                    .orElse(look),
                cellBlocks(c, alignments.of(c))));
      }
      rows.add(new Table.Row(header ? Look.of(TableTraits.HEADER_ROW, true) : Look.PLAIN, cells));
    }
    Rules rules = g.ruling().ofTable();
    Look whole = rules.equals(Rules.UNSAID) ? Look.PLAIN : Look.of(TableTraits.RULES, rules);
    if (hanging < 0 && hanging > -DocumentThresholds.TableMaker.HANGING && !g.rightToLeft()) {
      whole = whole.with(TableTraits.INDENT, LookMaker.halves(hanging));
    }
    return new Table(
        NodeId.fresh(),
        whole
            .with(TableTraits.CELL_PADDING, padding(g, grounds))
            .with(TableTraits.FIXED_COLUMNS, true)
            .with(TableTraits.RIGHT_TO_LEFT, g.rightToLeft()),
        columns(g, room - 2 * Math.min(0, hanging)),
        rows);
  }

  /** Which column each cell of each row begins in. */
  private static int[][] cellColumns(Detected.Grid g) {
    List<Table.Row> bare =
        g.rows().stream()
            .map(r ->
                new Table.Row(
                    Look.PLAIN,
                    r.stream()
                        .map(c ->
                            new Cell(
                                NodeId.fresh(), c.columnSpan(), c.rowSpan(), Look.PLAIN, List.of()))
                        .toList()))
            .toList();
    return new Table(NodeId.fresh(), Look.PLAIN, g.columns(), bare).cellColumns();
  }

  /**
   * The widths of a table's columns, with room for their longest lines: where no lines stand they
   * are found as wide as their letters, and the font that serves may be wider.
   */
  private static List<Double> columns(Detected.Grid g, double room) {
    if (g.ruling().down().isPresent()) {
      return g.columns(); // they are as wide as their lines show
    }
    double[] needed = new double[g.columns().size()];
    for (List<Detected.DetectedCell> row : g.rows()) {
      boolean whole =
          row.size() == needed.length && row.stream().allMatch(c -> c.columnSpan() == 1);
      for (int k = 0; whole && k < needed.length; k++) {
        for (TextLine l : row.get(k).lines()) {
          needed[k] =
              Math.max(
                  needed[k],
                  l.box().width() * DocumentThresholds.TableMaker.WIDER
                      + 2 * DocumentThresholds.TableMaker.CELL_PADDING);
        }
      }
    }
    var out = new ArrayList<Double>();
    double found = 0;
    double sum = 0;
    for (int k = 0; k < needed.length; k++) {
      out.add(Math.max(g.columns().get(k), needed[k]));
      found += g.columns().get(k);
      sum += out.getLast();
    }
    return sum > Math.max(room, found) ? g.columns() : out;
  }

  /** The space in cells: as much above and below their lines as the rows usually stand apart. */
  private Insets padding(Detected.Grid g, List<CellGrounds.OnPage> grounds) {
    var apart = new ArrayList<Double>();
    for (int k = 0; k + 1 < g.rows().size(); k++) {
      OptionalDouble here = firstBaseline(g.rows().get(k), g.page());
      OptionalDouble next = firstBaseline(g.rows().get(k + 1), g.page());
      double text = 0;
      for (Detected.DetectedCell c : g.rows().get(k)) {
        if (!c.lines().isEmpty() && c.rowSpan() == 1) {
          double size = c.lines().getFirst().size();
          double pitch = styles.naturalPitch(size);
          text = Math.max(text, c.lines().size() * pitch);
        }
      }
      if (here.isPresent() && next.isPresent() && text > 0) {
        apart.add(next.getAsDouble() - here.getAsDouble() - text);
      }
    }
    apart.sort(null);
    double usual = apart.isEmpty() ? 0 : apart.get(apart.size() / 2);
    double each =
        LookMaker.halves(Math.clamp(usual / 2, 0, DocumentThresholds.TableMaker.MAX_CELL_PADDING));
    // Where the ground of a row begins tells how far below it the text does.
    double top =
        grounds.stream().flatMapToDouble(c -> c.usualDepth().stream()).findFirst().stream()
            .map(depth ->
                LookMaker.halves(Math.clamp(depth - styles.ascent(size(g)), 0, 2 * each + 4)))
            .findFirst()
            .orElse(each);
    return new Insets(
        top,
        DocumentThresholds.TableMaker.CELL_PADDING,
        each,
        DocumentThresholds.TableMaker.CELL_PADDING);
  }

  /** The size of its first letters. */
  private static double size(Detected.Grid g) {
    return g.rows().stream()
        .flatMap(List::stream)
        .flatMap(c -> c.lines().stream())
        .mapToDouble(TextLine::size)
        .findFirst()
        .orElse(0);
  }

  /** Where the first lines of a row stand, if they stand on a page. */
  private static OptionalDouble firstBaseline(List<Detected.DetectedCell> row, int page) {
    return row.stream()
        .filter(c -> !c.lines().isEmpty() && c.lines().getFirst().page() == page)
        .mapToDouble(c -> c.lines().getFirst().baseline())
        .min();
  }

  private List<Block> cellBlocks(Detected.DetectedCell c, Alignment alignment) {
    if (c.lines().isEmpty()) {
      return List.of(Paragraph.of(Look.PLAIN, ""));
    }
    Look look = Look.of(ParagraphTraits.LINE_PITCH, LinePitch.SINGLE);
    if (alignment != Alignment.START) {
      look = look.with(ParagraphTraits.ALIGNMENT, alignment);
    }
    double size = c.lines().getFirst().size();
    var out = new ArrayList<Block>();
    for (List<TextLine> lines : c.paragraphs()) {
      List<Glyph> glyphs = joiner.join(lines);
      List<Inline> inlines = LookMaker.inlines(glyphs, styles.bodyText(), size);
      out.add(new Paragraph(NodeId.fresh(), look, Look.PLAIN, notes.marked(inlines, lines)));
    }
    return out;
  }
}
