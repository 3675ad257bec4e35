package decant.office.odf.write;

import static decant.office.odf.markup.Measures.percent;
import static decant.office.odf.markup.Measures.points;

import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.Extent;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.TableTraits;
import decant.model.look.VerticalAlignment;
import decant.office.emit.CellGrid;
import java.util.Optional;

/** Tables (ODF 1.3 part 3, §9), with every cell's lines and shades said at the cell. */
final class OdfTablesWriter {
  private final AutomaticStyles styles;
  private final double room;
  private final boolean textAtEdge;
  private int count;

  /**
   * @param room the width that tables stand in, in points
   * @param textAtEdge whether tables reach into the margin, so that their text stands at it
   */
  OdfTablesWriter(AutomaticStyles styles, double room, boolean textAtEdge) {
    this.styles = styles;
    this.room = room;
    this.textAtEdge = textAtEdge;
  }

  /**
   * A table that is being written.
   *
   * @param header whether its rows up to now are repeated on each page
   */
  static final class Open {
    final Table table;
    final CellGrid grid;
    boolean header;
    int column;

    Open(Table table, CellGrid grid) {
      this.table = table;
      this.grid = grid;
    }
  }

  /**
   * Begins a table.
   *
   * @param master the page that it begins on, if it begins a section
   * @param number of that page
   */
  Open begin(Xml x, Table t, CellGrid grid, Optional<String> master, Optional<Integer> number) {
    Look look = t.look();
    Insets padding = t.padding();
    double over = textAtEdge ? padding.left() + padding.right() : 0;
    double[] edges = grid.edges(t, room + over);
    double all = edges[grid.columns()];
    Extent width = look.value(TableTraits.WIDTH);
    boolean whole = over == 0 && width instanceof Extent.Share s && Math.abs(s.share() - 1) < 0.001;
    Alignment a = look.value(TableTraits.ALIGNMENT);
    var p = new Xml().raw("<style:table-properties");
    p.attribute("style:width", points(all));
    if (over == 0 && width instanceof Extent.Share s && !whole) {
      p.attribute("style:rel-width", percent(s.share()));
    }
    p.attribute(
        "table:align",
        whole && a == Alignment.START
            ? "margins"
            : a == Alignment.CENTRE ? "center" : a == Alignment.END ? "right" : "left");
    double indent = look.value(TableTraits.INDENT) - (textAtEdge ? padding.left() : 0);
    if (!whole && a == Alignment.START && indent != 0) {
      p.attribute("fo:margin-left", points(indent));
    }
    number.ifPresent(n -> p.attribute("style:page-number", Integer.toString(n)));
    if (look.value(TableTraits.RIGHT_TO_LEFT)) {
      p.attribute("style:writing-mode", "rl-tb");
    }
    p.attribute("table:border-model", "separating").raw("/>");
    String attributes =
        new Xml()
            .attribute("style:family", "table")
            .raw(
                master
                    .map(m -> new Xml().attribute("style:master-page-name", m).toString())
                    .orElse(""))
            .toString();
    x.open(
        "table:table",
        "table:name",
        "Table" + ++count,
        "table:style-name",
        styles.name("Table", attributes, p.toString()));
    for (int c = 0; c < grid.columns(); c++) {
      String style =
          styles.name(
              "Column",
              " style:family=\"table-column\"",
              "<style:table-column-properties style:column-width=\""
                  + points(edges[c + 1] - edges[c])
                  + "\"/>");
      x.empty("table:table-column", "table:style-name", style);
    }
    return new Open(t, grid);
  }

  void end(Xml x, Open t) {
    if (t.header) {
      x.close("table:table-header-rows");
    }
    x.close("table:table");
  }

  void beginRow(Xml x, Open t, int number) {
    Look look = t.table.rows().get(number).look();
    boolean header = look.value(TableTraits.HEADER_ROW);
    if (header && number == 0) {
      x.open("table:table-header-rows");
      t.header = true;
    } else if (!header && t.header) {
      x.close("table:table-header-rows");
      t.header = false;
    }
    double height = look.value(TableTraits.ROW_HEIGHT);
    var p = new Xml();
    if (height > 0) {
      p.attribute(
          look.value(TableTraits.ROW_EXACT) ? "style:row-height" : "style:min-row-height",
          points(height));
    }
    if (!look.value(TableTraits.ROW_SPLITS)) {
      p.attribute("fo:keep-together", "always");
    }
    String style =
        p.isEmpty()
            ? ""
            : styles.name(
                "Row", " style:family=\"table-row\"", "<style:table-row-properties" + p + "/>");
    x.open("table:table-row", "table:style-name", style);
    t.column = 0;
  }

  void endRow(Xml x, Open t) {
    missing(x, t, t.grid.columns());
    x.close("table:table-row");
  }

  /** Places that no cell stands in. */
  private static void missing(Xml x, Open t, int before) {
    for (; t.column < before; t.column++) {
      x.raw("<table:table-cell><text:p/></table:table-cell>");
    }
  }

  /** Begins what stands in a row; a part of a cell from further up is covered. */
  void beginCell(Xml x, Open t, CellGrid.Piece piece) {
    missing(x, t, piece.column());
    int wide = Math.min(piece.cell().columnSpan(), t.grid.columns() - piece.column());
    t.column = piece.column() + wide;
    if (piece.below()) {
      x.raw("<table:covered-table-cell/>".repeat(wide));
      return;
    }
    int high = Math.min(piece.cell().rowSpan(), t.table.rows().size() - piece.row());
    x.open(
        "table:table-cell",
        "table:style-name",
        styles.name("Cell", " style:family=\"table-cell\"", properties(t, piece)),
        "table:number-columns-spanned",
        wide > 1 ? Integer.toString(wide) : "",
        "table:number-rows-spanned",
        high > 1 ? Integer.toString(high) : "",
        "office:value-type",
        "string");
  }

  /**
   * Ends it.
   *
   * @param open whether no paragraph stands at its end
   */
  void endCell(Xml x, Open t, CellGrid.Piece piece, boolean open) {
    if (piece.below()) {
      return;
    }
    x.raw(open ? "<text:p/>" : "").close("table:table-cell");
    int wide = Math.min(piece.cell().columnSpan(), t.grid.columns() - piece.column());
    x.raw("<table:covered-table-cell/>".repeat(wide - 1));
  }

  private static String properties(Open open, CellGrid.Piece p) {
    Table t = open.table;
    Look look = p.cell().look();
    Look inForce = look.over(look.value(TableTraits.FROM_STYLE));
    Insets padding = inForce.get(TableTraits.CELL_PADDING).orElseGet(t::padding);
    var x = new Xml().raw("<style:table-cell-properties");
    x.attribute("fo:padding-top", points(padding.top()));
    x.attribute("fo:padding-right", points(padding.right()));
    x.attribute("fo:padding-bottom", points(padding.bottom()));
    x.attribute("fo:padding-left", points(padding.left()));
    Rules own =
        look.value(TableTraits.RULES)
            .over(look.value(TableTraits.FROM_STYLE).value(TableTraits.RULES));
    Rules around =
        t.look()
            .value(TableTraits.RULES)
            .over(t.look().value(TableTraits.FROM_STYLE).value(TableTraits.RULES));
    int last = p.column() + p.cell().columnSpan();
    boolean rtl = t.look().value(TableTraits.RIGHT_TO_LEFT);
    boolean bottom = p.row() + p.cell().rowSpan() >= t.rows().size();
    var rules =
        new Rules(
            side(own.top(), p.row() == 0 ? around.top() : around.insideAcross()),
            side(own.end(), last >= open.grid.columns() ? around.end() : around.insideDown()),
            side(own.bottom(), bottom ? around.bottom() : around.insideAcross()),
            side(own.start(), p.column() == 0 ? around.start() : around.insideDown()),
            Optional.empty(),
            Optional.empty());
    border(x, "top", rules.top());
    border(x, "right", rtl ? rules.start() : rules.end());
    border(x, "bottom", rules.bottom());
    border(x, "left", rtl ? rules.end() : rules.start());
    Colour shade = inForce.value(TableTraits.SHADING);
    if (!shade.equals(Colour.WHITE)) {
      x.attribute("fo:background-color", OdfLooksWriter.fill(shade));
    }
    VerticalAlignment v = inForce.value(TableTraits.VERTICAL_ALIGNMENT);
    if (v != VerticalAlignment.TOP) {
      x.attribute("style:vertical-align", v == VerticalAlignment.CENTRE ? "middle" : "bottom");
    }
    if (look.value(TableTraits.NO_WRAP)) {
      x.attribute("fo:wrap-option", "no-wrap");
    }
    return x.raw("/>").toString();
  }

  private static Optional<Rule> side(Optional<Rule> own, Optional<Rule> table) {
    return own.isPresent() ? own : table;
  }

  private static void border(Xml x, String side, Optional<Rule> rule) {
    rule.ifPresent(r -> {
      x.attribute("fo:border-" + side, OdfLooksWriter.border(r));
      if (r.isDrawn() && r.kind() == Rule.Kind.DOUBLE) {
        String each = points(r.width());
        x.attribute("style:border-line-width-" + side, each + " " + each + " " + each);
      }
    });
  }
}
