package decant.clip;

import decant.model.Block;
import decant.model.Cell;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.LinePitch;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.model.look.VerticalAlignment;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;

/** Tables (§4.9 of the living standard). */
final class HtmlTable {
  private static final int MOST_COLUMNS = 200;

  private final HtmlPage page;
  private final HtmlAround in;

  private HtmlTable(HtmlPage page, HtmlAround in) {
    this.page = page;
    this.in = in;
  }

  /** Reads a table, and puts what it is called before or after it. */
  static void put(Element e, HtmlAround in, HtmlPage page, HtmlFlow into) {
    var reader = new HtmlTable(page, in);
    into.end(in.paragraph());
    List<Element> titles =
        e.children().stream().filter(c -> c.normalName().equals("caption")).toList();
    titles.stream().filter(c -> !isBelow(c)).forEach(c -> into.node(c, in));
    List<Table.Row> rows = reader.rows(e);
    if (!rows.isEmpty()) {
      // Sheets say in styles of their own, which do not come along, where lines are.
      Look look = !page.whole || isRuled(e) ? TableTraits.RULED : Look.PLAIN;
      into.put(new Table(NodeId.fresh(), look, List.of(), rows));
    }
    into.end(in.paragraph());
    titles.stream().filter(HtmlTable::isBelow).forEach(c -> into.node(c, in));
    // What stands between rows and cells, where nothing may.
    reader.stray(e, into);
  }

  private static boolean isBelow(Element caption) {
    return Css.of(caption).value("caption-side").equals("bottom")
        || caption.attr("align").equalsIgnoreCase("bottom");
  }

  /** Whether lines are drawn around cells, as attributes or styles say. */
  private static boolean isRuled(Element table) {
    String border = table.attr("border").strip();
    if (table.hasAttr("border") && !border.equals("0")
        || table.hasAttr("rules") && !table.attr("rules").equals("none")) {
      return true;
    }
    return Css.of(table).isBordered()
        || ownRows(table).stream()
            .anyMatch(tr ->
                Css.of(tr).isBordered()
                    || tr.children().stream().anyMatch(c -> isCell(c) && Css.of(c).isBordered()));
  }

  /** The rows of a table itself, and not of those within it. */
  private static List<Element> ownRows(Element table) {
    var out = new ArrayList<Element>();
    for (Element c : table.children()) {
      switch (c.normalName()) {
        case "tr" -> out.add(c);
        case "thead", "tbody", "tfoot" ->
            c.children().stream().filter(r -> r.normalName().equals("tr")).forEach(out::add);
        default -> {}
      }
    }
    return out;
  }

  /** Rows in the order in which they show: heads first, feet last. */
  private List<Table.Row> rows(Element table) {
    var heads = new ArrayList<Table.Row>();
    var body = new ArrayList<Table.Row>();
    var feet = new ArrayList<Table.Row>();
    for (Element tr : ownRows(table)) {
      if (isHidden(tr)) {
        continue;
      }
      Element group = tr.parent();
      String of = group == null ? "" : group.normalName();
      boolean first = heads.isEmpty() && body.isEmpty();
      List<Table.Row> to =
          switch (of) {
            case "thead" -> heads;
            case "tfoot" -> feet;
            default -> body;
          };
      row(tr, of.equals("thead"), first).ifPresent(to::add);
    }
    heads.addAll(body);
    heads.addAll(feet);
    return heads;
  }

  private static boolean isHidden(Element tr) {
    return Css.of(tr).hides() || tr.parent() instanceof Element group && Css.of(group).hides();
  }

  private Optional<Table.Row> row(Element tr, boolean head, boolean first) {
    var cells = new ArrayList<Cell>();
    boolean heads = true;
    for (Element td : tr.children()) {
      boolean th = td.normalName().equals("th");
      if (!isCell(td) || Css.of(td).hides() || cells.size() >= MOST_COLUMNS) {
        continue;
      }
      heads &= th;
      cells.add(cell(td, Css.of(tr)));
    }
    if (cells.isEmpty()) {
      return Optional.empty();
    }
    boolean isHead = head || heads && first;
    Look look = isHead ? Look.of(TableTraits.HEADER_ROW, true) : Look.PLAIN;
    return Optional.of(new Table.Row(look, cells));
  }

  private static boolean isCell(Element e) {
    return e.normalName().equals("td") || e.normalName().equals("th");
  }

  private Cell cell(Element td, Css row) {
    Css css = Css.of(td);
    boolean head = td.normalName().equals("th");
    Look around = row.text(in.text(), page.size).without(TextTraits.HIGHLIGHT);
    around = head ? around.with(TextTraits.BOLD, true) : around;
    Look text = css.withoutGround(css.text(around, page.size));
    Look given =
        in.paragraph()
            .get(ParagraphTraits.DIRECTION)
            .map(d -> Look.of(ParagraphTraits.DIRECTION, d))
            .orElse(Look.PLAIN);
    Optional<LinePitch> pitch = in.paragraph().get(ParagraphTraits.LINE_PITCH);
    given = pitch.isPresent() ? given.with(ParagraphTraits.LINE_PITCH, pitch.get()) : given;
    given = head ? given.with(ParagraphTraits.ALIGNMENT, Alignment.CENTRE) : given;
    Look paragraph =
        page.paragraph(css, page.paragraph(row, given))
            .without(ParagraphTraits.INDENT_START)
            .without(ParagraphTraits.SHADING)
            .without(ParagraphTraits.RULES);
    var inner = new HtmlFlow(page);
    inner.end(paragraph);
    inner.children(td, in.with(text, paragraph));
    List<Block> content = inner.done();
    if (content.isEmpty() || !(content.getLast() instanceof Paragraph)) {
      content.add(new Paragraph(NodeId.fresh(), paragraph, Look.PLAIN, List.of()));
    }
    Look look =
        css.background()
            .or(row::background)
            .or(() -> in.paragraph().get(ParagraphTraits.SHADING))
            .filter(c -> !c.equals(Colour.WHITE))
            .map(c -> Look.of(TableTraits.SHADING, c))
            .orElse(Look.PLAIN);
    look =
        switch (css.value("vertical-align")) {
          case "middle" -> look.with(TableTraits.VERTICAL_ALIGNMENT, VerticalAlignment.CENTRE);
          case "bottom" -> look.with(TableTraits.VERTICAL_ALIGNMENT, VerticalAlignment.BOTTOM);
          default -> look;
        };
    return new Cell(NodeId.fresh(), span(td, "colspan"), span(td, "rowspan"), look, content);
  }

  private void stray(Element part, HtmlFlow into) {
    for (Node n : part.childNodes()) {
      if (!(n instanceof Element x)) {
        into.node(n, in);
      } else if (x.normalName().matches("thead|tbody|tfoot|tr")) {
        stray(x, into);
      } else if (!isCell(x) && !x.normalName().matches("caption|col|colgroup")) {
        into.node(x, in);
      }
    }
    into.end(in.paragraph());
  }

  private static int span(Element td, String name) {
    String v = td.attr(name);
    return v.matches("\\d{1,3}") ? Math.clamp(Integer.parseInt(v), 1, MOST_COLUMNS) : 1;
  }
}
