package decant.office.odf;

import static decant.office.odf.markup.Measures.colour;
import static decant.office.odf.markup.Measures.length;
import static decant.office.odf.markup.Measures.share;
import static decant.office.odf.markup.Measures.whole;

import decant.model.Block;
import decant.model.Cell;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.Extent;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.TableTraits;
import decant.model.look.VerticalAlignment;
import decant.office.xml.Element;
import decant.reading.ReadProblem;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Tables of text documents (ODF 1.3 part 3, §9). */
final class OdfTables {
  /** More columns, or more rows made of others, than these no honest file has. */
  private static final int MAX_COLUMNS = 200;

  private static final int MAX_REPEATED = 1000;

  /** Something that gives the blocks of a cell. */
  interface CellContent {
    List<Block> of(Element cell) throws ReadProblem;
  }

  private final OdfStyles styles;
  private final OdfStyles.Scope scope;
  private final CellContent content;

  /**
   * How many rows were made of others, in all tables of a text: a few words could make millions.
   */
  private int repeated;

  OdfTables(OdfStyles styles, OdfStyles.Scope scope, CellContent content) {
    this.styles = styles;
    this.scope = scope;
    this.content = content;
  }

  Table read(Element table) throws ReadProblem {
    Element p =
        styles.properties(
            "table", table.attribute("table:style-name"), scope, "style:table-properties");
    var columns = new ArrayList<Double>();
    columns(table, columns);
    Colour behind = colour(p.attribute("fo:background-color")).orElse(Colour.WHITE);
    var rows = new ArrayList<Table.Row>();
    rows(table, false, behind, rows);
    return new Table(NodeId.fresh(), look(p), columns, rows);
  }

  private static Look look(Element p) {
    Look look = Look.of(TableTraits.FIXED_COLUMNS, true);
    String align = p.attribute("table:align").orElse("margins");
    Optional<Double> width = length(p.attribute("style:width"));
    Optional<Double> part = share(p.attribute("style:rel-width"));
    if (align.equals("margins")) {
      look = look.with(TableTraits.WIDTH, new Extent.Share(1));
    } else if (part.isPresent()) {
      look = look.with(TableTraits.WIDTH, new Extent.Share(Math.clamp(part.get(), 0.01, 2)));
    } else if (width.isPresent()) {
      look = look.with(TableTraits.WIDTH, new Extent.Points(Math.max(1, width.get())));
    }
    if (align.equals("center")) {
      look = look.with(TableTraits.ALIGNMENT, Alignment.CENTRE);
    } else if (align.equals("right")) {
      look = look.with(TableTraits.ALIGNMENT, Alignment.END);
    } else if (align.equals("left")) {
      look =
          OdfLooks.set(
              look, TableTraits.INDENT, length(p.attribute("fo:margin-left")).filter(i -> i != 0));
    }
    if (p.attribute("style:writing-mode").filter(m -> m.startsWith("rl")).isPresent()) {
      look = look.with(TableTraits.RIGHT_TO_LEFT, true);
    }
    return look;
  }

  private void columns(Element parent, List<Double> out) {
    for (Element e : parent.elements()) {
      switch (e.name()) {
        case "table:table-columns", "table:table-header-columns", "table:table-column-group" ->
            columns(e, out);
        case "table:table-column" -> {
          Element p =
              styles.properties(
                  "table-column",
                  e.attribute("table:style-name"),
                  scope,
                  "style:table-column-properties");
          double width =
              length(p.attribute("style:column-width"))
                  .or(() ->
                      p.attribute("style:rel-column-width")
                          .flatMap(w -> whole(Optional.of(w.replace("*", ""))))
                          .map(w -> w / 20.0))
                  .orElse(0.0);
          int times = whole(e.attribute("table:number-columns-repeated")).orElse(1);
          for (int k = 0; k < times && out.size() < MAX_COLUMNS; k++) {
            out.add(width);
          }
        }
        default -> {}
      }
    }
  }

  private void rows(Element parent, boolean header, Colour behind, List<Table.Row> out)
      throws ReadProblem {
    for (Element e : parent.elements()) {
      switch (e.name()) {
        case "table:table-header-rows" -> rows(e, true, behind, out);
        case "table:table-rows", "table:table-row-group" -> rows(e, header, behind, out);
        case "table:table-row" -> {
          int times = whole(e.attribute("table:number-rows-repeated")).orElse(1);
          for (int k = 0; k < times && (k == 0 || repeated < MAX_REPEATED); k++) {
            repeated += k == 0 ? 0 : 1;
            out.add(row(e, header, behind));
          }
        }
        default -> {}
      }
    }
  }

  private Table.Row row(Element row, boolean header, Colour table) throws ReadProblem {
    Element p =
        styles.properties(
            "table-row", row.attribute("table:style-name"), scope, "style:table-row-properties");
    Look look = header ? Look.of(TableTraits.HEADER_ROW, true) : Look.PLAIN;
    Optional<Double> exact = length(p.attribute("style:row-height")).filter(h -> h > 0);
    Optional<Double> least = length(p.attribute("style:min-row-height")).filter(h -> h > 0);
    if (exact.isPresent()) {
      look = look.with(TableTraits.ROW_HEIGHT, exact.get()).with(TableTraits.ROW_EXACT, true);
    } else if (least.isPresent()) {
      look = look.with(TableTraits.ROW_HEIGHT, least.get());
    }
    if (p.attribute("fo:keep-together").filter(k -> k.equals("always")).isPresent()) {
      look = look.with(TableTraits.ROW_SPLITS, false);
    }
    Colour behind =
        colour(p.attribute("fo:background-color"))
            .filter(c -> !c.equals(Colour.WHITE))
            .orElse(table);
    Optional<String> usual = row.attribute("table:default-cell-style-name");
    var cells = new ArrayList<Cell>();
    for (Element c : row.elements("table:table-cell").toList()) {
      int times = whole(c.attribute("table:number-columns-repeated")).orElse(1);
      for (int k = 0; k < times && cells.size() < MAX_COLUMNS; k++) {
        cells.add(cell(c, usual, behind));
      }
    }
    return new Table.Row(look, cells);
  }

  private Cell cell(Element c, Optional<String> usual, Colour behind) throws ReadProblem {
    Element p =
        styles.properties(
            "table-cell",
            c.attribute("table:style-name").or(() -> usual),
            scope,
            "style:table-cell-properties");
    Optional<Double> all = length(p.attribute("fo:padding"));
    Look look =
        Look.of(
            TableTraits.CELL_PADDING,
            new Insets(
                padding(p, "top", all),
                padding(p, "right", all),
                padding(p, "bottom", all),
                padding(p, "left", all)));
    look = OdfLooks.set(look, TableTraits.RULES, OdfLooks.rules(p, false));
    Colour own = colour(p.attribute("fo:background-color")).orElse(Colour.WHITE);
    Colour shade = own.equals(Colour.WHITE) ? behind : own;
    look = shade.equals(Colour.WHITE) ? look : look.with(TableTraits.SHADING, shade);
    look =
        OdfLooks.set(
            look,
            TableTraits.VERTICAL_ALIGNMENT,
            p.attribute("style:vertical-align").flatMap(OdfTables::vertical));
    if (p.attribute("fo:wrap-option").filter(w -> w.equals("no-wrap")).isPresent()) {
      look = look.with(TableTraits.NO_WRAP, true);
    }
    List<Block> blocks = content.of(c);
    return new Cell(
        NodeId.fresh(),
        Math.clamp(whole(c.attribute("table:number-columns-spanned")).orElse(1), 1, MAX_COLUMNS),
        Math.clamp(whole(c.attribute("table:number-rows-spanned")).orElse(1), 1, 10_000),
        look,
        blocks.isEmpty() ? List.of(Paragraph.of(Look.PLAIN, "")) : blocks);
  }

  private static double padding(Element p, String side, Optional<Double> all) {
    return length(p.attribute("fo:padding-" + side)).or(() -> all).orElse(0.0);
  }

  private static Optional<VerticalAlignment> vertical(String word) {
    return switch (word) {
      case "top" -> Optional.of(VerticalAlignment.TOP);
      case "middle" -> Optional.of(VerticalAlignment.CENTRE);
      case "bottom" -> Optional.of(VerticalAlignment.BOTTOM);
      default -> Optional.empty();
    };
  }
}
