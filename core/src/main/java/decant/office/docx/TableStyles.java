package decant.office.docx;

import decant.model.look.Look;
import decant.model.look.TableTraits;
import decant.office.docx.markup.DocxLooks;
import decant.office.xml.Element;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What the styles of tables give to their parts (§17.7.6): the whole table, then bands, first and
 * last columns and rows, then corners, each over those before (§17.7.6.5).
 */
final class TableStyles {
  /** The looks of a part of a table: those of its cells, their paragraphs and their text. */
  record Part(Look table, Look cell, Look paragraph, Look text) {
    static final Part NONE = new Part(Look.PLAIN, Look.PLAIN, Look.PLAIN, Look.PLAIN);

    Part over(Part base) {
      return new Part(
          table.over(base.table),
          cell.over(base.cell),
          paragraph.over(base.paragraph),
          text.over(base.text));
    }
  }

  /** Which parts of the style a table asks for (§17.4.55). */
  record Asked(
      boolean firstRow,
      boolean lastRow,
      boolean firstColumn,
      boolean lastColumn,
      boolean rowBands,
      boolean columnBands) {
    static Asked of(Optional<Element> tblLook) {
      if (tblLook.isEmpty()) {
        return new Asked(false, false, false, false, true, true);
      }
      Element e = tblLook.get();
      int bits = 0;
      try {
        bits = Integer.parseInt(e.attribute("w:val").orElse("0"), 16);
      } catch (NumberFormatException x) {
        bits = 0;
      }
      return new Asked(
          is(e, "w:firstRow", bits, 0x0020),
          is(e, "w:lastRow", bits, 0x0040),
          is(e, "w:firstColumn", bits, 0x0080),
          is(e, "w:lastColumn", bits, 0x0100),
          !is(e, "w:noHBand", bits, 0x0200),
          !is(e, "w:noVBand", bits, 0x0400));
    }

    private static boolean is(Element e, String name, int bits, int bit) {
      return e.attribute(name).map(DocxLooks::isOn).orElse((bits & bit) != 0);
    }
  }

  private final Map<String, Element> styles = new HashMap<>();
  private final Map<String, Map<String, Part>> known = new HashMap<>();
  private final DocxLooks looks;
  private String standard = "";

  TableStyles(Optional<Element> part, DocxLooks looks) {
    this.looks = looks;
    part.ifPresent(p ->
        p.elements("w:style")
            .filter(s -> s.attribute("w:type").orElse("").equals("table"))
            .forEach(this::add));
  }

  private void add(Element style) {
    String id = style.attribute("w:styleId").orElse("");
    styles.put(id, style);
    if (style.attribute("w:default").filter(DocxLooks::isOn).isPresent()) {
      standard = id;
    }
  }

  /** The parts of a style by name, those of the styles it is based on below them. */
  private Map<String, Part> parts(String id) {
    Map<String, Part> done = known.get(id);
    if (done != null) {
      return done;
    }
    known.put(id, Map.of()); // a style based on itself ends here
    Element style = styles.get(id);
    var out = new HashMap<String, Part>();
    if (style != null) {
      style.val("w:basedOn").ifPresent(b -> out.putAll(parts(b)));
      merge(out, "wholeTable", part(style));
      style
          .elements("w:tblStylePr")
          .forEach(p -> merge(out, p.attribute("w:type").orElse(""), part(p)));
    }
    known.put(id, out);
    return out;
  }

  private static void merge(Map<String, Part> out, String name, Part part) {
    out.merge(name, part, (base, own) -> own.over(base));
  }

  private Part part(Element e) {
    Look table = e.child("w:tblPr").map(TableLooks::table).orElse(Look.PLAIN);
    Look cell = e.child("w:tcPr").map(TableLooks::cell).orElse(Look.PLAIN);
    Look row = e.child("w:trPr").map(TableLooks::row).orElse(Look.PLAIN);
    return new Part(
        table.without(TableTraits.KEPT),
        cell.over(row).without(TableTraits.KEPT),
        e.child("w:pPr").map(looks::paragraph).orElse(Look.PLAIN),
        e.child("w:rPr").map(looks::text).orElse(Look.PLAIN));
  }

  /** What a style gives to the whole of a table; the default style where it names none. */
  Part whole(String id) {
    return parts(idOf(id)).getOrDefault("wholeTable", Part.NONE);
  }

  private String idOf(String id) {
    return id.isEmpty() || !styles.containsKey(id) ? standard : id;
  }

  /** Whether a style has looks for parts of tables. */
  boolean hasParts(String id) {
    return parts(idOf(id)).size() > 1;
  }

  /**
   * What a style gives to one cell.
   *
   * @param right the grid column after the cell
   */
  Part cell(String id, Asked asked, int row, int rows, int left, int right, int columns) {
    Map<String, Part> parts = parts(idOf(id));
    boolean firstRow = asked.firstRow() && row == 0;
    boolean lastRow = asked.lastRow() && row == rows - 1 && rows > 1;
    boolean firstColumn = asked.firstColumn() && left == 0;
    boolean lastColumn = asked.lastColumn() && right >= columns && columns > 1;
    List<String> names = new ArrayList<>();
    if (asked.columnBands() && !firstColumn && !lastColumn) {
      int k = left - (asked.firstColumn() ? 1 : 0);
      names.add(k % 2 == 0 ? "band1Vert" : "band2Vert");
    }
    if (asked.rowBands() && !firstRow && !lastRow) {
      int k = row - (asked.firstRow() ? 1 : 0);
      int size = bandSize(id);
      names.add(k / size % 2 == 0 ? "band1Horz" : "band2Horz");
    }
    add(names, firstColumn, "firstCol");
    add(names, lastColumn, "lastCol");
    add(names, firstRow, "firstRow");
    add(names, lastRow, "lastRow");
    add(names, firstRow && firstColumn, "nwCell");
    add(names, firstRow && lastColumn, "neCell");
    add(names, lastRow && firstColumn, "swCell");
    add(names, lastRow && lastColumn, "seCell");
    Part out = parts.getOrDefault("wholeTable", Part.NONE);
    for (String n : names) {
      Part p = parts.get(n);
      if (p != null) {
        out = within(p, n, row, rows, left, right, columns, asked).over(out);
      }
    }
    return out;
  }

  private static void add(List<String> names, boolean asked, String name) {
    if (asked) {
      names.add(name);
    }
  }

  private int bandSize(String id) {
    Element style = styles.get(idOf(id));
    return style == null
        ? 1
        : Math.max(
            1,
            DocxLooks.number(style.child("w:tblPr").flatMap(p -> p.val("w:tblStyleRowBandSize")))
                .map(Double::intValue)
                .orElse(1));
  }

  /**
   * The borders of a part stand around the part as a whole: on a cell within it, the lines between
   * its cells take the place of the outer ones.
   */
  private static Part within(
      Part p, String name, int row, int rows, int left, int right, int columns, Asked asked) {
    if (!p.cell().sets(TableTraits.RULES)) {
      return p;
    }
    var r = p.cell().value(TableTraits.RULES);
    boolean rowPart = name.endsWith("Row") || name.endsWith("Horz");
    boolean columnPart = name.endsWith("Col") || name.endsWith("Vert");
    var start =
        rowPart && left > (asked.firstColumn() && name.endsWith("Horz") ? 1 : 0)
            ? r.insideDown()
            : r.start();
    var end = rowPart && right < columns ? r.insideDown() : r.end();
    var top = columnPart && row > 0 ? r.insideAcross() : r.top();
    var bottom = columnPart && row < rows - 1 ? r.insideAcross() : r.bottom();
    var own =
        new decant.model.look.Rules(top, end, bottom, start, Optional.empty(), Optional.empty());
    return new Part(p.table(), p.cell().with(TableTraits.RULES, own), p.paragraph(), p.text());
  }
}
