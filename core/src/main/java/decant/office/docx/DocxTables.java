package decant.office.docx;

import decant.model.Cell;
import decant.model.Colour;
import decant.model.Kept;
import decant.model.Look;
import decant.model.NodeId;
import decant.model.StyleSheet;
import decant.model.Table;
import decant.model.TableTraits;
import decant.office.xml.Element;
import decant.office.xml.XmlParts;
import decant.reading.ReadProblem;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Tables (§17.4). */
final class DocxTables {
  private static final List<String> EDGES =
      List.of("w:insideH", "w:top", "w:bottom", "w:insideV", "w:left", "w:start");

  private final StyleSheet styles;

  DocxTables(StyleSheet styles) {
    this.styles = styles;
  }

  Table read(Element tbl, DocxBody.CellContent content) throws ReadProblem {
    Optional<Element> tblPr = tbl.child("w:tblPr");
    Look look = tblPr.map(this::tableLook).orElse(Look.PLAIN);
    var columns = new ArrayList<Double>();
    tbl.child("w:tblGrid")
        .ifPresent(g ->
            g.elements("w:gridCol")
                .forEach(c -> columns.add(DocxLooks.twips(c.attribute("w:w")).orElse(0.0))));
    var rows = new ArrayList<Table.Row>();
    Map<Integer, int[]> open =
        new HashMap<>(); // grid column → row and cell number of the cell that reaches down
    for (Element tr : rowElements(tbl)) {
      var cells = new ArrayList<Cell>();
      int column =
          DocxLooks.number(tr.child("w:trPr").flatMap(p -> p.val("w:gridBefore")))
              .map(Double::intValue)
              .orElse(0);
      if (column > 0 && column < 64) {
        cells.add(emptyCell(column));
      }
      for (Element tc : cellElements(tr)) {
        Optional<Element> tcPr = tc.child("w:tcPr");
        int span =
            Math.clamp(
                DocxLooks.number(tcPr.flatMap(p -> p.val("w:gridSpan")))
                    .map(Double::intValue)
                    .orElse(1),
                1,
                200);
        Optional<Element> merge = tcPr.flatMap(p -> p.child("w:vMerge"));
        boolean continued =
            merge.isPresent() && !merge.get().attribute("w:val").orElse("").equals("restart");
        int[] origin = open.get(column);
        if (continued && origin != null) {
          grow(rows, origin);
        } else {
          cells.add(
              new Cell(
                  NodeId.fresh(),
                  span,
                  1,
                  tcPr.map(this::cellLook).orElse(Look.PLAIN),
                  content.of(tc)));
          if (merge.isPresent()) {
            open.put(column, new int[] {rows.size(), cells.size() - 1});
          } else {
            open.remove(column);
          }
        }
        column += span;
      }
      rows.add(
          new Table.Row(tr.child("w:trPr").map(DocxTables::rowLook).orElse(Look.PLAIN), cells));
    }
    return new Table(NodeId.fresh(), look, columns, rows);
  }

  private static Cell emptyCell(int span) {
    return new Cell(
        NodeId.fresh(),
        span,
        1,
        Look.of(TableTraits.RULE_WIDTH, 0.0),
        List.of(decant.model.Paragraph.of(Look.PLAIN, "")));
  }

  private static List<Element> rowElements(Element parent) {
    return inner(parent, "w:tr");
  }

  private static List<Element> cellElements(Element parent) {
    return inner(parent, "w:tc");
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
    cells.set(origin[1], DocxBody.cellWithRowSpan(c, rows.size() - origin[0] + 1));
    rows.set(origin[0], new Table.Row(row.look(), cells));
  }

  private Look tableLook(Element tblPr) {
    Look look = Look.PLAIN;
    Optional<Element> borders = tblPr.child("w:tblBorders");
    if (borders.isEmpty()) {
      borders = tblPr.val("w:tblStyle").flatMap(this::styleBorders);
    }
    if (borders.isPresent()) {
      look = rules(borders.get(), look);
    }
    Optional<Double> indent =
        DocxLooks.twips(tblPr.child("w:tblInd").flatMap(i -> i.attribute("w:w")));
    if (indent.isPresent()) {
      look = look.with(TableTraits.INDENT, Math.clamp(indent.get(), -72, 400));
    }
    Optional<Double> padding =
        DocxLooks.twips(
            tblPr
                .child("w:tblCellMar")
                .flatMap(m -> m.child("w:left").or(() -> m.child("w:start")))
                .flatMap(l -> l.attribute("w:w")));
    if (padding.isPresent()) {
      look = look.with(TableTraits.CELL_PADDING, Math.max(0, padding.get()));
    }
    var kept = new ArrayList<Kept>();
    for (Element e : tblPr.elements()) {
      switch (e.name()) {
        case "w:tblBorders", "w:tblInd", "w:tblW" -> {}
        default -> kept.add(new Kept(DocxLooks.FORMAT, XmlParts.write(e)));
      }
    }
    return kept.isEmpty() ? look : look.with(TableTraits.KEPT, List.copyOf(kept));
  }

  private static Look rules(Element borders, Look before) {
    for (String edge : EDGES) {
      Optional<Element> e = borders.child(edge);
      String kind = e.flatMap(x -> x.attribute("w:val")).orElse("none");
      if (e.isPresent() && !kind.equals("none") && !kind.equals("nil")) {
        double width = DocxLooks.number(e.get().attribute("w:sz")).map(v -> v / 8).orElse(0.5);
        Look look = before.with(TableTraits.RULE_WIDTH, Math.clamp(width, 0.25, 6));
        Optional<Colour> colour = e.get().attribute("w:color").flatMap(DocxLooks::hex);
        return colour.isPresent() ? look.with(TableTraits.RULE_COLOUR, colour.get()) : look;
      }
    }
    return before.with(TableTraits.RULE_WIDTH, 0.0);
  }

  private Optional<Element> styleBorders(String styleId) {
    String next = styleId;
    for (int depth = 0; depth < 12; depth++) {
      var style = styles.style(next);
      if (style.isEmpty()) {
        return Optional.empty();
      }
      for (Kept k : style.get().kept()) {
        if (k.source().startsWith("<w:tblPr")) {
          Optional<Element> borders = parse(k).child("w:tblBorders");
          if (borders.isPresent()) {
            return borders;
          }
        }
      }
      if (style.get().basedOn().isEmpty()) {
        return Optional.empty();
      }
      next = style.get().basedOn().get();
    }
    return Optional.empty();
  }

  private static Element parse(Kept k) {
    try {
      return XmlParts.parse(
          k.source().getBytes(java.nio.charset.StandardCharsets.UTF_8), "styles", 100);
    } catch (ReadProblem e) {
      throw new IllegalStateException("what was kept was written by ourselves", e);
    }
  }

  private static Look rowLook(Element trPr) {
    Look look = Look.PLAIN;
    if (trPr.child("w:tblHeader").filter(DocxLooks::on).isPresent()) {
      look = look.with(TableTraits.HEADER_ROW, true);
    }
    Optional<Double> height =
        DocxLooks.twips(trPr.child("w:trHeight").flatMap(h -> h.attribute("w:val")));
    if (height.isPresent()) {
      look = look.with(TableTraits.ROW_HEIGHT, Math.clamp(height.get(), 0, 700));
    }
    return look;
  }

  private Look cellLook(Element tcPr) {
    Look look = Look.PLAIN;
    Optional<Colour> shading = tcPr.child("w:shd").flatMap(DocxLooks::fill);
    if (shading.isPresent()) {
      look = look.with(TableTraits.SHADING, shading.get());
    }
    var kept = new ArrayList<Kept>();
    for (Element e : tcPr.elements()) {
      switch (e.name()) {
        case "w:shd", "w:gridSpan", "w:vMerge", "w:tcW" -> {}
        default -> kept.add(new Kept(DocxLooks.FORMAT, XmlParts.write(e)));
      }
    }
    return kept.isEmpty() ? look : look.with(TableTraits.KEPT, List.copyOf(kept));
  }
}
