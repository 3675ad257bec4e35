package decant.office.docx;

import decant.model.ListDefinition;
import java.util.Map;

/** The numbering part (§17.9). */
final class Numbering {
  private Numbering() {}

  /** A number for a list's id; ids that came from a file are numbers already. */
  static String id(String list) {
    if (list.isEmpty()) {
      return "0";
    }
    return list.matches("\\d{1,8}")
        ? list
        : Integer.toString(100_000 + Math.floorMod(list.hashCode(), 1_000_000));
  }

  static String part(Map<String, ListDefinition> lists) {
    var o =
        new Out()
            .raw(DocxWriter.HEAD)
            .raw("<w:numbering xmlns:w=\"" + decant.office.xml.Namespaces.W + "\">");
    int n = 0;
    for (ListDefinition l : lists.values()) {
      o.raw(
          "<w:abstractNum w:abstractNumId=\""
              + n++
              + "\"><w:multiLevelType w:val=\"multilevel\"/>");
      for (int k = 0; k < l.levels().size(); k++) {
        level(o, l.levels().get(k), k);
      }
      o.raw("</w:abstractNum>");
    }
    n = 0;
    for (ListDefinition l : lists.values()) {
      o.raw(
          "<w:num w:numId=\"" + id(l.id()) + "\"><w:abstractNumId w:val=\"" + n++ + "\"/></w:num>");
    }
    return o.raw("</w:numbering>").toString();
  }

  private static void level(Out o, ListDefinition.Level l, int depth) {
    String format =
        switch (l.format()) {
          case BULLET -> "bullet";
          case DECIMAL -> "decimal";
          case LOWER_LETTER -> "lowerLetter";
          case UPPER_LETTER -> "upperLetter";
          case LOWER_ROMAN -> "lowerRoman";
          case UPPER_ROMAN -> "upperRoman";
          case NONE -> "none";
        };
    o.raw("<w:lvl w:ilvl=\"" + depth + "\">")
        .empty("w:start", "w:val", Integer.toString(l.start()))
        .empty("w:numFmt", "w:val", format)
        .empty("w:lvlText", "w:val", l.pattern())
        .empty("w:lvlJc", "w:val", "left");
    String p = LooksOut.paragraph(l.paragraph(), "", "");
    if (!p.isEmpty()) {
      o.raw("<w:pPr>" + p + "</w:pPr>");
    }
    String r = LooksOut.text(l.label());
    if (!r.isEmpty()) {
      o.raw("<w:rPr>" + r + "</w:rPr>");
    }
    o.raw("</w:lvl>");
  }
}
