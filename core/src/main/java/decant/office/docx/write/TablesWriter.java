package decant.office.docx.write;

import decant.model.Cell;
import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.Extent;
import decant.model.look.Insets;
import decant.model.look.Kept;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.Placement;
import decant.model.look.TableTraits;
import decant.model.look.VerticalAlignment;
import decant.office.docx.markup.Borders;
import decant.office.docx.markup.DocxLooks;
import decant.office.docx.markup.Frames;
import decant.office.docx.markup.Out;
import decant.office.emit.CellGrid;

/** Tables (§17.4), their properties in the order of the schema, kept ones among them. */
final class TablesWriter {
  private TablesWriter() {}

  /** Begins a table. */
  static void table(Out o, Table t, CellGrid grid) {
    Look look = t.look();
    o.raw("<w:tbl><w:tblPr>");
    look.get(TableTraits.STYLE)
        .filter(s -> !s.isEmpty())
        .ifPresent(s -> o.empty("w:tblStyle", "w:val", s));
    if (look.value(TableTraits.PLACEMENT) instanceof Placement.Floating f) {
      o.raw(Frames.table(f));
    }
    keptOf(o, look, "tblOverlap");
    if (look.value(TableTraits.RIGHT_TO_LEFT)) {
      o.raw("<w:bidiVisual/>");
    }
    keptOf(o, look, "tblStyleRowBandSize", "tblStyleColBandSize");
    extent(o, "w:tblW", look.value(TableTraits.WIDTH));
    look.get(TableTraits.ALIGNMENT).ifPresent(a -> alignment(o, a));
    keptOf(o, look, "tblCellSpacing");
    look.get(TableTraits.INDENT)
        .ifPresent(i -> o.empty("w:tblInd", "w:w", Out.twips(i), "w:type", "dxa"));
    rules(o, "w:tblBorders", look);
    shading(o, look);
    look.get(TableTraits.FIXED_COLUMNS)
        .ifPresent(f -> o.empty("w:tblLayout", "w:type", f ? "fixed" : "autofit"));
    padding(o, "w:tblCellMar", look);
    keptOf(o, look, "tblLook", "tblCaption", "tblDescription", "tblPrChange");
    o.raw("</w:tblPr><w:tblGrid>");
    for (int c = 0; c < grid.columns(); c++) {
      double w = c < t.columns().size() ? t.columns().get(c) : 60;
      o.empty("w:gridCol", "w:w", Out.twips(w));
    }
    o.raw("</w:tblGrid>");
  }

  private static void extent(Out o, String name, Extent e) {
    switch (e) {
      case Extent.Auto a -> o.empty(name, "w:w", "0", "w:type", "auto");
      case Extent.Points p -> o.empty(name, "w:w", Out.twips(p.points()), "w:type", "dxa");
      case Extent.Share s ->
          o.empty(name, "w:w", Long.toString(Math.round(s.share() * 5000)), "w:type", "pct");
    }
  }

  private static void alignment(Out o, Alignment a) {
    o.empty(
        "w:jc",
        "w:val",
        switch (a) {
          case CENTRE -> "center";
          case END -> "right";
          case START, JUSTIFIED -> "left";
        });
  }

  private static void shading(Out o, Look look) {
    Colour c = look.value(TableTraits.SHADING);
    if (!c.equals(Colour.WHITE)) {
      o.raw(LooksWriter.shading(c));
    }
  }

  private static void rules(Out o, String element, Look look) {
    look.get(TableTraits.RULES)
        .ifPresent(r -> {
          o.raw("<" + element + ">");
          Borders.write(o, r);
          o.raw("</" + element + ">");
        });
  }

  private static void padding(Out o, String name, Look look) {
    if (!look.sets(TableTraits.CELL_PADDING)) {
      return;
    }
    Insets p = look.value(TableTraits.CELL_PADDING);
    o.raw("<" + name + ">");
    o.empty("w:top", "w:w", Out.twips(p.top()), "w:type", "dxa");
    o.empty("w:left", "w:w", Out.twips(p.left()), "w:type", "dxa");
    o.empty("w:bottom", "w:w", Out.twips(p.bottom()), "w:type", "dxa");
    o.empty("w:right", "w:w", Out.twips(p.right()), "w:type", "dxa");
    o.raw("</" + name + ">");
  }

  private static void rowProperties(Out o, Look look) {
    var p = new Out();
    if (!look.value(TableTraits.ROW_SPLITS)) {
      p.raw("<w:cantSplit/>");
    }
    double height = look.value(TableTraits.ROW_HEIGHT);
    if (height > 0) {
      p.empty(
          "w:trHeight",
          "w:val",
          Out.twips(height),
          "w:hRule",
          look.value(TableTraits.ROW_EXACT) ? "exact" : "atLeast");
    }
    if (look.value(TableTraits.HEADER_ROW)) {
      p.raw("<w:tblHeader/>");
    }
    keptOf(p, look, "tblCellSpacing", "jc", "hidden", "ins", "del", "trPrChange");
    if (p.length() > 0) {
      o.raw("<w:trPr>" + p + "</w:trPr>");
    }
  }

  /** Begins a row. */
  static void row(Out o, Table.Row row) {
    o.raw("<w:tr>");
    rowProperties(o, row.look());
  }

  /** Begins a cell, or a lower part of one. */
  static void cell(Out o, CellGrid.Piece piece) {
    Cell c = piece.cell();
    if (piece.below()) {
      o.raw("<w:tc><w:tcPr>");
      if (c.columnSpan() > 1) {
        o.empty("w:gridSpan", "w:val", Integer.toString(c.columnSpan()));
      }
      o.raw("<w:vMerge/></w:tcPr>");
      return;
    }
    Look look = c.look();
    o.raw("<w:tc><w:tcPr>");
    if (look.sets(TableTraits.WIDTH)) {
      extent(o, "w:tcW", look.value(TableTraits.WIDTH));
    }
    if (c.columnSpan() > 1) {
      o.empty("w:gridSpan", "w:val", Integer.toString(c.columnSpan()));
    }
    o.raw(c.rowSpan() > 1 ? "<w:vMerge w:val=\"restart\"/>" : "");
    rules(o, "w:tcBorders", look);
    shading(o, look);
    if (look.value(TableTraits.NO_WRAP)) {
      o.raw("<w:noWrap/>");
    }
    padding(o, "w:tcMar", look);
    keptOf(o, look, "textDirection", "tcFitText");
    look.get(TableTraits.VERTICAL_ALIGNMENT)
        .ifPresent(v ->
            o.empty(
                "w:vAlign",
                "w:val",
                v == VerticalAlignment.TOP
                    ? "top"
                    : v == VerticalAlignment.CENTRE ? "center" : "bottom"));
    keptOf(o, look, "hideMark", "headers", "cellIns", "cellDel", "cellMerge", "tcPrChange");
    o.raw("</w:tcPr>");
  }

  /**
   * Ends a cell.
   *
   * @param open whether no paragraph ended it, as §17.4.66 asks for
   */
  static void cellEnd(Out o, boolean open) {
    o.raw(open ? "<w:p/></w:tc>" : "</w:tc>");
  }

  private static void keptOf(Out o, Look look, String... names) {
    for (String name : names) {
      for (Kept k : look.value(TableTraits.KEPT)) {
        if (k.format().equals(DocxLooks.FORMAT)
            && k.source().matches("(?s)<w:" + name + "[\\s/>].*")) {
          o.raw(k.source());
        }
      }
    }
  }
}
