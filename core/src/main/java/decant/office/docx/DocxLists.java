package decant.office.docx;

import decant.model.look.ListDefinition;
import decant.model.look.ListDefinition.Follow;
import decant.model.look.ListDefinition.Level;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits.Alignment;
import decant.office.docx.markup.DocxLooks;
import decant.office.symbol.Symbols;
import decant.office.xml.Element;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The numbering part (§17.9): one list definition for each numbering instance. */
final class DocxLists {
  private final Map<String, Element> abstracts = new HashMap<>();
  private final Map<String, Element> instances = new LinkedHashMap<>();
  private final DocxLooks looks;

  private DocxLists(Element part, DocxLooks looks) {
    this.looks = looks;
    part.elements("w:abstractNum")
        .forEach(a -> a.attribute("w:abstractNumId").ifPresent(id -> abstracts.put(id, a)));
    part.elements("w:num")
        .forEach(n -> n.attribute("w:numId").ifPresent(id -> instances.put(id, n)));
  }

  /** The lists by the number of their instance. */
  static Map<String, ListDefinition> read(Element part, DocxLooks looks) {
    var lists = new DocxLists(part, looks);
    var out = new LinkedHashMap<String, ListDefinition>();
    lists.instances.forEach(
        (id, num) -> lists.definition(num).ifPresent(a -> out.put(id, lists.list(id, num, a))));
    return out;
  }

  /** Which list and level each paragraph style is linked to (§17.9.23), by instance. */
  static Map<String, Map<String, ListMembership>> styleLevels(Element part, DocxLooks looks) {
    var lists = new DocxLists(part, looks);
    var out = new HashMap<String, Map<String, ListMembership>>();
    lists.instances.forEach((id, num) -> {
      var levels = new HashMap<String, ListMembership>();
      lists
          .definition(num)
          .ifPresent(a ->
              a.elements("w:lvl")
                  .forEach(l ->
                      l.val("w:pStyle")
                          .ifPresent(s -> levels.put(s, new ListMembership(id, depth(l))))));
      out.put(id, levels);
    });
    return out;
  }

  private static int depth(Element lvl) {
    return Math.clamp(
        DocxLooks.number(lvl.attribute("w:ilvl")).map(Double::intValue).orElse(0), 0, 8);
  }

  /**
   * The definition of an instance, by way of a numbering style where it refers to one (§17.9.21).
   */
  private Optional<Element> definition(Element num) {
    Element a = abstracts.get(num.val("w:abstractNumId").orElse(""));
    if (a == null) {
      return Optional.empty();
    }
    Optional<String> style = a.val("w:numStyleLink");
    if (style.isEmpty()) {
      return Optional.of(a);
    }
    return abstracts.values().stream()
        .filter(x -> x.val("w:styleLink").equals(style))
        .findFirst()
        .or(() -> Optional.of(a));
  }

  private ListDefinition list(String id, Element num, Element definition) {
    var levels = new ArrayList<Level>();
    Set<Integer> restarts = new HashSet<>();
    for (int k = 0; k < 9; k++) {
      String depth = Integer.toString(k);
      Optional<Element> override =
          num.elements("w:lvlOverride")
              .filter(o -> o.attribute("w:ilvl").orElse("").equals(depth))
              .findFirst();
      if (override.flatMap(o -> o.child("w:startOverride")).isPresent()) {
        restarts.add(k);
      }
      levels.add(level(definition, override, depth));
    }
    String series = definition.attribute("w:abstractNumId").orElse(id);
    return new ListDefinition(id, "a" + series, restarts, levels);
  }

  private Level level(Element definition, Optional<Element> override, String depth) {
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
            .orElse(lvl.isPresent() ? 0 : 1);
    if (lvl.isEmpty()) {
      return new Level(
          NumberFormat.DECIMAL,
          "%" + (Integer.parseInt(depth) + 1) + ".",
          start,
          Look.PLAIN,
          Look.PLAIN);
    }
    Element l = lvl.get();
    NumberFormat format = format(l.val("w:numFmt").orElse("decimal"));
    String pattern = l.val("w:lvlText").orElse("");
    Look label = l.child("w:rPr").map(looks::text).orElse(Look.PLAIN);
    if (format == NumberFormat.BULLET) {
      String family = label.value(decant.model.look.TextTraits.FAMILY);
      pattern = pattern.isEmpty() ? pattern : Symbols.bullet(pattern.charAt(0), family);
      label =
          Symbols.isSymbolFont(family) ? label.without(decant.model.look.TextTraits.FAMILY) : label;
    }
    return new Level(
        format,
        pattern,
        start,
        l.child("w:pPr").map(looks::paragraph).orElse(Look.PLAIN),
        label,
        switch (l.val("w:suff").orElse("tab")) {
          case "space" -> Follow.SPACE;
          case "nothing" -> Follow.NOTHING;
          default -> Follow.TAB;
        },
        switch (l.val("w:lvlJc").orElse("left")) {
          case "center" -> Alignment.CENTRE;
          case "right", "end" -> Alignment.END;
          default -> Alignment.START;
        },
        DocxLooks.number(l.val("w:lvlRestart"))
            .map(Double::intValue)
            .orElse(ListDefinition.USUAL_RESTART),
        l.child("w:isLgl").filter(DocxLooks::on).isPresent());
  }

  static NumberFormat format(String name) {
    return switch (name) {
      case "bullet" -> NumberFormat.BULLET;
      case "lowerLetter" -> NumberFormat.LOWER_LETTER;
      case "upperLetter" -> NumberFormat.UPPER_LETTER;
      case "lowerRoman" -> NumberFormat.LOWER_ROMAN;
      case "upperRoman" -> NumberFormat.UPPER_ROMAN;
      case "decimalZero" -> NumberFormat.TWO_DIGITS;
      case "ordinal" -> NumberFormat.ORDINAL;
      case "none" -> NumberFormat.NONE;
      default -> NumberFormat.DECIMAL;
    };
  }
}
