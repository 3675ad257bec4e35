package decant.office.docx;

import decant.model.Block;
import decant.model.Cell;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.look.Look;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.TableStyle;
import decant.model.look.TableTraits;
import decant.office.docx.markup.DocxLooks;
import decant.office.xml.Element;
import decant.reading.ReadProblem;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Tables (§17.4). */
final class DocxTables {
  /** More columns than this no table of an honest file has. */
  private static final int MAX_COLUMNS = 200;

  /** Something that gives the blocks of a cell. */
  interface CellContent {
    List<Block> of(Element cell) throws ReadProblem;
  }

  private final TableStyles styles;

  DocxTables(TableStyles styles) {
    this.styles = styles;
  }

  Table read(Element tbl, CellContent content) throws ReadProblem {
    Optional<Element> tblPr = tbl.child("w:tblPr");
    Look direct = tblPr.map(TableLooks::table).orElse(Look.PLAIN);
    String style = direct.value(TableTraits.STYLE);
    Look given = styles.table(style);
    TableStyle cells = styles.cells(style, tblPr.flatMap(p -> p.child("w:tblLook")));
    Look look = given.isPlain() ? direct : direct.with(TableTraits.FROM_STYLE, given);
    look = cells.isPlain() ? look : look.with(TableTraits.BY_PLACE, cells);
    var columns = new ArrayList<Double>();
    tbl.child("w:tblGrid")
        .ifPresent(g ->
            g.elements("w:gridCol")
                .limit(MAX_COLUMNS)
                .forEach(c -> columns.add(DocxLooks.twips(c.attribute("w:w")).orElse(0.0))));
    List<Table.Row> rows = rows(tbl, content);
    return new Table(NodeId.fresh(), look, columns, rows).styled();
  }

  private static List<Table.Row> rows(Element tbl, CellContent content) throws ReadProblem {
    var rows = new ArrayList<Table.Row>();
    Map<Integer, int[]> open =
        new HashMap<>(); // grid column → row and cell number of the cell that reaches down
    for (Element tr : inner(tbl, "w:tr")) {
      var cells = new ArrayList<Cell>();
      Optional<Element> trPr = tr.child("w:trPr");
      int column = skipped(trPr, "w:gridBefore");
      if (column > 0) {
        cells.add(emptyCell(column));
      }
      for (Element tc : inner(tr, "w:tc")) {
        Optional<Element> tcPr = tc.child("w:tcPr");
        int span =
            Math.clamp(
                DocxLooks.number(tcPr.flatMap(p -> p.val("w:gridSpan")))
                    .map(Double::intValue)
                    .orElse(1),
                1,
                MAX_COLUMNS);
        if (continues(tcPr, "w:hMerge") && !cells.isEmpty()) {
          Cell before = cells.removeLast();
          cells.add(spanning(before, before.columnSpan() + span, before.rowSpan()));
          column += span;
          continue;
        }
        Optional<Element> merge = tcPr.flatMap(p -> p.child("w:vMerge"));
        int[] origin = open.get(column);
        if (continues(tcPr, "w:vMerge") && origin != null) {
          grow(rows, origin);
        } else {
          cells.add(
              new Cell(
                  NodeId.fresh(),
                  span,
                  1,
                  tcPr.map(TableLooks::cell).orElse(Look.PLAIN),
                  content.of(tc)));
          if (merge.isPresent()) {
            open.put(column, new int[] {rows.size(), cells.size() - 1});
          } else {
            open.remove(column);
          }
        }
        column += span;
      }
      int after = skipped(trPr, "w:gridAfter");
      if (after > 0) {
        cells.add(emptyCell(after));
      }
      rows.add(new Table.Row(trPr.map(TableLooks::row).orElse(Look.PLAIN), cells));
    }
    return rows;
  }

  /** Whether a cell is a further part of a merged one (§17.4.22, §17.4.84). */
  private static boolean continues(Optional<Element> tcPr, String merge) {
    Optional<Element> e = tcPr.flatMap(p -> p.child(merge));
    return e.isPresent() && !e.get().attribute("w:val").orElse("").equals("restart");
  }

  private static int skipped(Optional<Element> trPr, String name) {
    return Math.clamp(
        DocxLooks.number(trPr.flatMap(p -> p.val(name))).map(Double::intValue).orElse(0), 0, 63);
  }

  private static Cell emptyCell(int span) {
    return new Cell(
        NodeId.fresh(),
        span,
        1,
        Look.of(TableTraits.RULES, Rules.around(Rule.NONE)),
        List.of(Paragraph.of(Look.PLAIN, "")));
  }

  /** The children of a name, those in structured document tags and tracked insertions too. */
  private static List<Element> inner(Element parent, String name) {
    var out = new ArrayList<Element>();
    for (Element e : parent.elements()) {
      switch (e.name()) {
        case "w:sdt" -> e.child("w:sdtContent").ifPresent(c -> out.addAll(inner(c, name)));
        case "w:ins", "w:customXml", "w:sdtContent" -> out.addAll(inner(e, name));
        default -> {
          if (e.name().equals(name)) {
            out.add(e);
          }
        }
      }
    }
    return out;
  }

  private static void grow(List<Table.Row> rows, int[] origin) {
    Table.Row row = rows.get(origin[0]);
    var cells = new ArrayList<>(row.cells());
    Cell c = cells.get(origin[1]);
    cells.set(origin[1], spanning(c, c.columnSpan(), rows.size() - origin[0] + 1));
    rows.set(origin[0], new Table.Row(row.look(), cells));
  }

  private static Cell spanning(Cell c, int columns, int rows) {
    return new Cell(c.id(), columns, rows, c.look(), c.blocks());
  }
}
