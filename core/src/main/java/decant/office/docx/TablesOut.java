package decant.office.docx;

import decant.model.Block;
import decant.model.Cell;
import decant.model.Colour;
import decant.model.Kept;
import decant.model.Look;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.TableTraits;
import java.util.List;

/** Tables (§17.4), with what was kept of them in the order of the schema. */
final class TablesOut {
  /** Writes the blocks of a cell. */
  @FunctionalInterface
  interface Content {
    void write(Out o, List<Block> blocks, Relationships rels);
  }

  private final Content content;

  TablesOut(Content content) {
    this.content = content;
  }

  void table(Out o, Table t, Relationships rels) {
    o.raw("<w:tbl><w:tblPr>");
    keptOf(
        o,
        t.look(),
        "tblStyle",
        "tblpPr",
        "tblOverlap",
        "bidiVisual",
        "tblStyleRowBandSize",
        "tblStyleColBandSize");
    o.empty("w:tblW", "w:w", "0", "w:type", "auto");
    keptOf(o, t.look(), "jc", "tblCellSpacing");
    double indent = t.look().value(TableTraits.INDENT);
    if (indent != 0) {
      o.empty("w:tblInd", "w:w", Out.twips(indent), "w:type", "dxa");
    }
    t.look()
        .get(TableTraits.RULE_WIDTH)
        .ifPresent(w -> borders(o, w, t.look().value(TableTraits.RULE_COLOUR)));
    keptOf(o, t.look(), "shd", "tblLayout");
    keptOf(o, t.look(), "tblCellMar", "tblLook");
    o.raw("</w:tblPr><w:tblGrid>");
    int[][] at = t.cellColumns();
    int columns = t.columnCount(at);
    for (int c = 0; c < columns; c++) {
      double w = c < t.columns().size() ? t.columns().get(c) : 60;
      o.empty("w:gridCol", "w:w", Out.twips(w));
    }
    o.raw("</w:tblGrid>");
    int[] openRows = new int[columns + 1];
    int[] openSpan = new int[columns + 1];
    for (int r = 0; r < at.length; r++) {
      row(o, t, r, at[r], columns, openRows, openSpan, rels);
    }
    o.raw("</w:tbl>");
  }

  private void row(
      Out o,
      Table t,
      int r,
      int[] at,
      int columns,
      int[] openRows,
      int[] openSpan,
      Relationships rels) {
    Table.Row row = t.rows().get(r);
    o.raw("<w:tr>");
    double height = row.look().value(TableTraits.ROW_HEIGHT);
    boolean header = row.look().value(TableTraits.HEADER_ROW);
    if (height > 0 || header) {
      o.raw("<w:trPr>");
      if (height > 0) {
        o.empty("w:trHeight", "w:val", Out.twips(height));
      }
      o.raw((header ? "<w:tblHeader/>" : "") + "</w:trPr>");
    }
    int column = 0;
    int k = 0;
    while (column < columns && (k < at.length || anyOpen(openRows, column))) {
      if (k < at.length && at[k] == column) {
        Cell c = row.cells().get(k);
        cell(o, c, c.rowSpan() > 1 ? "<w:vMerge w:val=\"restart\"/>" : "", rels);
        openRows[column] = c.rowSpan() - 1;
        openSpan[column] = c.columnSpan();
        column += c.columnSpan();
        k++;
      } else if (openRows[column] > 0) {
        o.raw("<w:tc><w:tcPr>");
        if (openSpan[column] > 1) {
          o.empty("w:gridSpan", "w:val", Integer.toString(openSpan[column]));
        }
        o.raw("<w:vMerge/></w:tcPr><w:p/></w:tc>");
        openRows[column]--;
        column += Math.max(1, openSpan[column]);
      } else {
        column++;
      }
    }
    o.raw("</w:tr>");
  }

  private static boolean anyOpen(int[] openRows, int from) {
    for (int c = from; c < openRows.length; c++) {
      if (openRows[c] > 0) {
        return true;
      }
    }
    return false;
  }

  private void cell(Out o, Cell c, String merge, Relationships rels) {
    o.raw("<w:tc><w:tcPr>");
    keptOf(o, c.look(), "cnfStyle");
    if (c.columnSpan() > 1) {
      o.empty("w:gridSpan", "w:val", Integer.toString(c.columnSpan()));
    }
    o.raw(merge);
    keptOf(o, c.look(), "tcBorders");
    Colour shading = c.look().value(TableTraits.SHADING);
    if (!shading.equals(Colour.WHITE)) {
      o.raw(LooksOut.shading(shading));
    }
    keptOf(o, c.look(), "noWrap", "tcMar", "textDirection", "tcFitText", "vAlign", "hideMark");
    o.raw("</w:tcPr>");
    content.write(o, c.blocks(), rels);
    if (c.blocks().isEmpty() || !(c.blocks().getLast() instanceof Paragraph)) {
      o.raw("<w:p/>"); // §17.4.66: a cell ends with a paragraph
    }
    o.raw("</w:tc>");
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

  private static void borders(Out o, double width, Colour colour) {
    o.raw("<w:tblBorders>");
    for (String edge : List.of("top", "left", "bottom", "right", "insideH", "insideV")) {
      if (width <= 0) {
        o.empty("w:" + edge, "w:val", "none", "w:sz", "0", "w:space", "0", "w:color", "auto");
      } else {
        o.empty(
            "w:" + edge,
            "w:val",
            "single",
            "w:sz",
            Long.toString(Math.max(2, Math.round(width * 8))),
            "w:space",
            "0",
            "w:color",
            colour.hex());
      }
    }
    o.raw("</w:tblBorders>");
  }
}
