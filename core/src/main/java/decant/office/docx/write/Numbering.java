package decant.office.docx.write;

import decant.model.look.ListDefinition;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.office.docx.markup.Out;
import java.util.LinkedHashMap;
import java.util.Map;

/** The numbering part (§17.9): a definition for each series of lists, an instance for each list. */
final class Numbering {
  /** So many levels every list has (§17.9.1). */
  private static final int LEVELS = 9;

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

  static String part(Map<String, ListDefinition> lists, Map<String, NamedStyle> styles) {
    var o =
        new Out()
            .raw(Out.HEAD)
            .raw("<w:numbering xmlns:w=\"" + decant.office.xml.Namespaces.W + "\">");
    Map<String, Integer> numbers = new LinkedHashMap<>();
    Map<String, ListDefinition> first = new LinkedHashMap<>();
    Map<String, String> linked = linked(styles, lists);
    for (ListDefinition l : lists.values()) {
      if (first.putIfAbsent(l.series(), l) == null) {
        numbers.put(l.series(), numbers.size());
      }
    }
    first.forEach((series, l) -> {
      o.raw(
          "<w:abstractNum w:abstractNumId=\""
              + numbers.get(series)
              + "\"><w:multiLevelType w:val=\"multilevel\"/>");
      // Deeper than its levels a list goes on as the last of them; the format knows no such rule.
      for (int k = 0; k < Math.max(LEVELS, l.levels().size()); k++) {
        level(o, l.level(k), k, linked.getOrDefault(series + "/" + k, ""));
      }
      o.raw("</w:abstractNum>");
    });
    for (ListDefinition l : lists.values()) {
      o.raw(
          "<w:num w:numId=\""
              + id(l.id())
              + "\"><w:abstractNumId w:val=\""
              + numbers.get(l.series())
              + "\"/>");
      ListDefinition shared = first.getOrDefault(l.series(), l);
      for (int k = 0; k < l.levels().size(); k++) {
        override(o, l, shared, k, linked.getOrDefault(l.series() + "/" + k, ""));
      }
      o.raw("</w:num>");
    }
    return o.raw("</w:numbering>").toString();
  }

  private static void override(
      Out o, ListDefinition l, ListDefinition shared, int k, String style) {
    boolean restarts = l.restarts().contains(k);
    boolean same = l == shared || k < shared.levels().size() && l.level(k).equals(shared.level(k));
    if (!restarts && same) {
      return;
    }
    o.raw("<w:lvlOverride w:ilvl=\"" + k + "\">");
    if (restarts) {
      o.empty("w:startOverride", "w:val", Integer.toString(l.level(k).start()));
    }
    if (!same) {
      level(o, l.level(k), k, style);
    }
    o.raw("</w:lvlOverride>");
  }

  static String format(NumberFormat f) {
    return switch (f) {
      case BULLET -> "bullet";
      case DECIMAL -> "decimal";
      case LOWER_LETTER -> "lowerLetter";
      case UPPER_LETTER -> "upperLetter";
      case LOWER_ROMAN -> "lowerRoman";
      case UPPER_ROMAN -> "upperRoman";
      case TWO_DIGITS -> "decimalZero";
      case ORDINAL -> "ordinal";
      case NONE -> "none";
    };
  }

  /**
   * The paragraph style that each level is linked to, by series and depth (§17.9.23): readers find
   * the level of a style that names a list by it.
   */
  private static Map<String, String> linked(
      Map<String, NamedStyle> styles, Map<String, ListDefinition> lists) {
    var out = new LinkedHashMap<String, String>();
    for (NamedStyle s : styles.values()) {
      ListDefinition list =
          s.kind() == NamedStyle.Kind.PARAGRAPH && s.paragraph().sets(ParagraphTraits.LIST)
              ? lists.get(s.paragraph().value(ParagraphTraits.LIST).list())
              : null;
      if (list != null) {
        int depth = s.paragraph().value(ParagraphTraits.LIST).depth();
        out.putIfAbsent(list.series() + "/" + depth, s.id());
      }
    }
    return out;
  }

  private static void level(Out o, ListDefinition.Level l, int depth, String style) {
    o.raw("<w:lvl w:ilvl=\"" + depth + "\">")
        .empty("w:start", "w:val", Integer.toString(l.start()))
        .empty("w:numFmt", "w:val", format(l.format()));
    if (l.restartAfter() != ListDefinition.USUAL_RESTART) {
      o.empty("w:lvlRestart", "w:val", Integer.toString(l.restartAfter()));
    }
    if (!style.isEmpty()) {
      o.empty("w:pStyle", "w:val", style);
    }
    if (l.legal()) {
      o.raw("<w:isLgl/>");
    }
    switch (l.follow()) {
      case TAB -> {}
      case SPACE -> o.empty("w:suff", "w:val", "space");
      case NOTHING -> o.empty("w:suff", "w:val", "nothing");
    }
    o.empty("w:lvlText", "w:val", l.pattern())
        .empty(
            "w:lvlJc",
            "w:val",
            l.alignment() == Alignment.END
                ? "right"
                : l.alignment() == Alignment.CENTRE ? "center" : "left");
    String p = LooksWriter.paragraph(l.paragraph(), "", "");
    if (!p.isEmpty()) {
      o.raw("<w:pPr>" + p + "</w:pPr>");
    }
    String r = LooksWriter.text(l.label());
    if (!r.isEmpty()) {
      o.raw("<w:rPr>" + r + "</w:rPr>");
    }
    o.raw("</w:lvl>");
  }
}
