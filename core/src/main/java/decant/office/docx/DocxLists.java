package decant.office.docx;

import decant.model.ListDefinition;
import decant.model.ListDefinition.Level;
import decant.model.ListDefinition.NumberFormat;
import decant.model.Look;
import decant.office.xml.Element;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** The numbering part (§17.9): one list definition for each numbering instance. */
final class DocxLists {
  private DocxLists() {}

  static Map<String, ListDefinition> read(Element part, DocxLooks looks) {
    var abstracts = new HashMap<String, Element>();
    part.elements("w:abstractNum")
        .forEach(a -> a.attribute("w:abstractNumId").ifPresent(id -> abstracts.put(id, a)));
    var out = new LinkedHashMap<String, ListDefinition>();
    for (Element num : part.elements("w:num").toList()) {
      String id = num.attribute("w:numId").orElse("");
      Element definition = abstracts.get(num.val("w:abstractNumId").orElse(""));
      if (id.isEmpty() || definition == null) {
        continue;
      }
      var levels = new ArrayList<Level>();
      for (int k = 0; k < 9; k++) {
        levels.add(level(definition, num, Integer.toString(k), looks));
      }
      out.put(id, new ListDefinition(id, levels));
    }
    return out;
  }

  private static Level level(Element definition, Element num, String depth, DocxLooks looks) {
    Optional<Element> override =
        num.elements("w:lvlOverride")
            .filter(o -> o.attribute("w:ilvl").orElse("").equals(depth))
            .findFirst();
    Optional<Element> lvl =
        override
            .flatMap(o -> o.child("w:lvl"))
            .or(() ->
                definition
                    .elements("w:lvl")
                    .filter(l -> l.attribute("w:ilvl").orElse("").equals(depth))
                    .findFirst());
    int start =
        DocxLooks.number(
                override
                    .flatMap(o -> o.val("w:startOverride"))
                    .or(() -> lvl.flatMap(l -> l.val("w:start"))))
            .map(Double::intValue)
            .orElse(1);
    if (lvl.isEmpty()) {
      return new Level(
          NumberFormat.DECIMAL,
          "%" + (Integer.parseInt(depth) + 1) + ".",
          start,
          Look.PLAIN,
          Look.PLAIN);
    }
    NumberFormat format =
        switch (lvl.get().val("w:numFmt").orElse("decimal")) {
          case "bullet" -> NumberFormat.BULLET;
          case "lowerLetter" -> NumberFormat.LOWER_LETTER;
          case "upperLetter" -> NumberFormat.UPPER_LETTER;
          case "lowerRoman" -> NumberFormat.LOWER_ROMAN;
          case "upperRoman" -> NumberFormat.UPPER_ROMAN;
          case "none" -> NumberFormat.NONE;
          default -> NumberFormat.DECIMAL;
        };
    String pattern = lvl.get().val("w:lvlText").orElse("");
    return new Level(
        format,
        format == NumberFormat.BULLET ? bullet(pattern) : pattern,
        start,
        lvl.get().child("w:pPr").map(looks::paragraph).orElse(Look.PLAIN),
        lvl.get().child("w:rPr").map(looks::text).orElse(Look.PLAIN));
  }

  /**
   * Bullets from symbol fonts stand in the private use area; these are the characters they show.
   */
  private static String bullet(String pattern) {
    if (pattern.isEmpty()) {
      return pattern;
    }
    return switch (pattern.charAt(0)) {
      case '\uF0B7', '\uF06C' -> "\u2022";
      case '\uF0A7', '\uF06E' -> "\u25AA";
      case '\uF0D8' -> "\u27A2";
      case '\uF0FC' -> "\u2713";
      case '\uF02D' -> "\u2013";
      case '\uF0A8' -> "\u25A1";
      case 'o' -> "\u25E6";
      default -> Character.getType(pattern.charAt(0)) == Character.PRIVATE_USE ? "\u2022" : pattern;
    };
  }
}
