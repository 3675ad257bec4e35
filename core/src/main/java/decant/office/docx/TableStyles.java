package decant.office.docx;

import decant.model.look.Look;
import decant.model.look.TableStyle;
import decant.model.look.TableStyle.Asked;
import decant.model.look.TableStyle.CellLooks;
import decant.model.look.TableStyle.Part;
import decant.model.look.TableTraits;
import decant.office.docx.markup.DocxLooks;
import decant.office.xml.Element;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/** The named styles of tables (§17.7.6). */
final class TableStyles {
  /** What a style says of one part of tables: of the table, and of its cells. */
  private record Said(Look table, CellLooks cells) {
    static final Said NOTHING = new Said(Look.PLAIN, CellLooks.NONE);

    Said over(Said base) {
      return new Said(table.over(base.table), cells.over(base.cells));
    }
  }

  /** The parts of tables by what files call them (§17.18.89). */
  private static final Map<String, Part> PARTS =
      Map.ofEntries(
          Map.entry("wholeTable", Part.WHOLE),
          Map.entry("band1Vert", Part.ODD_COLUMNS),
          Map.entry("band2Vert", Part.EVEN_COLUMNS),
          Map.entry("band1Horz", Part.ODD_ROWS),
          Map.entry("band2Horz", Part.EVEN_ROWS),
          Map.entry("firstCol", Part.FIRST_COLUMN),
          Map.entry("lastCol", Part.LAST_COLUMN),
          Map.entry("firstRow", Part.FIRST_ROW),
          Map.entry("lastRow", Part.LAST_ROW),
          Map.entry("nwCell", Part.FIRST_OF_FIRST_ROW),
          Map.entry("neCell", Part.LAST_OF_FIRST_ROW),
          Map.entry("swCell", Part.FIRST_OF_LAST_ROW),
          Map.entry("seCell", Part.LAST_OF_LAST_ROW));

  private final Map<String, Element> styles = new HashMap<>();
  private final Map<String, Map<Part, Said>> known = new HashMap<>();
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

  /** What a style says of each part, with what the styles it is based on say below it. */
  private Map<Part, Said> parts(String id) {
    Map<Part, Said> done = known.get(id);
    if (done != null) {
      return done;
    }
    known.put(id, Map.of()); // a style based on itself ends here
    Element style = styles.get(id);
    var out = new EnumMap<Part, Said>(Part.class);
    if (style != null) {
      style.val("w:basedOn").ifPresent(b -> out.putAll(parts(b)));
      merge(out, Part.WHOLE, said(style));
      style
          .elements("w:tblStylePr")
          .forEach(p ->
              Optional.ofNullable(PARTS.get(p.attribute("w:type").orElse("")))
                  .ifPresent(part -> merge(out, part, said(p))));
    }
    known.put(id, out);
    return out;
  }

  private static void merge(Map<Part, Said> out, Part part, Said own) {
    out.merge(part, own, (base, over) -> over.over(base));
  }

  private Said said(Element e) {
    Look table = e.child("w:tblPr").map(TableLooks::table).orElse(Look.PLAIN);
    Look cell = e.child("w:tcPr").map(TableLooks::cell).orElse(Look.PLAIN);
    Look row = e.child("w:trPr").map(TableLooks::row).orElse(Look.PLAIN);
    return new Said(
        table.without(TableTraits.KEPT),
        new CellLooks(
            cell.over(row).without(TableTraits.KEPT),
            e.child("w:pPr").map(looks::paragraph).orElse(Look.PLAIN),
            e.child("w:rPr").map(looks::text).orElse(Look.PLAIN)));
  }

  /** What a style gives to a table itself; the default style where it names none. */
  Look table(String id) {
    return parts(idOf(id)).getOrDefault(Part.WHOLE, Said.NOTHING).table();
  }

  private String idOf(String id) {
    return id.isEmpty() || !styles.containsKey(id) ? standard : id;
  }

  /**
   * What a style gives to the cells of a table.
   *
   * @param tblLook which parts of it the table asks for
   */
  TableStyle cells(String id, Optional<Element> tblLook) {
    var cells = new EnumMap<Part, CellLooks>(Part.class);
    parts(idOf(id)).forEach((part, said) -> cells.put(part, said.cells()));
    return new TableStyle(cells, bandRows(id), asked(tblLook));
  }

  private int bandRows(String id) {
    Element style = styles.get(idOf(id));
    return style == null
        ? 1
        : Math.max(
            1,
            DocxLooks.number(style.child("w:tblPr").flatMap(p -> p.val("w:tblStyleRowBandSize")))
                .map(Double::intValue)
                .orElse(1));
  }

  /** Which parts a table asks for (§17.4.55). */
  private static Asked asked(Optional<Element> tblLook) {
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
