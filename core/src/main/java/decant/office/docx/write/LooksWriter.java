package decant.office.docx.write;

import decant.model.look.Colour;
import decant.model.look.Kept;
import decant.model.look.LinePitch;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.TabStop;
import decant.model.look.Rules;
import decant.model.look.TextTraits;
import decant.office.docx.markup.Borders;
import decant.office.docx.markup.DocxLooks;
import decant.office.docx.markup.Frames;
import decant.office.docx.markup.Out;
import decant.office.pending.Pending;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Looks into run and paragraph properties. Their children stand in the order of the schema (§A.1,
 * CT_RPr and CT_PPr), kept ones among them.
 */
final class LooksWriter {
  private static final List<String> RUN_ORDER =
      List.of(
          "ins",
          "del",
          "moveFrom",
          "moveTo",
          "rStyle",
          "rFonts",
          "b",
          "bCs",
          "i",
          "iCs",
          "caps",
          "smallCaps",
          "strike",
          "dstrike",
          "outline",
          "shadow",
          "emboss",
          "imprint",
          "noProof",
          "snapToGrid",
          "vanish",
          "webHidden",
          "color",
          "spacing",
          "w",
          "kern",
          "position",
          "sz",
          "szCs",
          "highlight",
          "u",
          "effect",
          "bdr",
          "shd",
          "fitText",
          "vertAlign",
          "rtl",
          "cs",
          "em",
          "lang",
          "eastAsianLayout",
          "specVanish",
          "oMath",
          "rPrChange");
  private static final List<String> PARAGRAPH_ORDER =
      List.of(
          "pStyle",
          "keepNext",
          "keepLines",
          "pageBreakBefore",
          "framePr",
          "widowControl",
          "numPr",
          "suppressLineNumbers",
          "pBdr",
          "shd",
          "tabs",
          "suppressAutoHyphens",
          "kinsoku",
          "wordWrap",
          "overflowPunct",
          "topLinePunct",
          "autoSpaceDE",
          "autoSpaceDN",
          "bidi",
          "adjustRightInd",
          "snapToGrid",
          "spacing",
          "ind",
          "contextualSpacing",
          "mirrorIndents",
          "suppressOverlap",
          "jc",
          "textDirection",
          "textAlignment",
          "textboxTightWrap",
          "outlineLvl",
          "divId",
          "cnfStyle",
          "rPr",
          "sectPr",
          "pPrChange");

  /** The highlights that the format names; other backgrounds are shading. */
  private static final Map<Integer, String> HIGHLIGHTS =
      Map.of(
          0xFFFF00, "yellow", 0x00FF00, "green", 0x00FFFF, "cyan", 0xFF00FF, "magenta", 0xFF0000,
          "red");

  private record Property(String name, String xml) {}

  private LooksWriter() {}

  /** The children of {@code w:rPr}; empty if the look sets nothing. */
  static String text(Look look) {
    return text(look, false);
  }

  /**
   * @param rightToLeft whether what is written in it runs so (§17.3.2.30)
   */
  static String text(Look look, boolean rightToLeft) {
    var out = new ArrayList<Property>();
    if (rightToLeft) {
      out.add(new Property("rtl", "<w:rtl/>"));
    }
    look.get(TextTraits.CHARACTER_STYLE)
        .filter(s -> !s.isEmpty())
        .ifPresent(s -> add(out, "rStyle", s));
    look.get(TextTraits.FAMILY)
        .ifPresent(f ->
            out.add(
                new Property(
                    "rFonts",
                    new Out()
                        .empty("w:rFonts", "w:ascii", f, "w:hAnsi", f, "w:cs", f)
                        .toString())));
    toggle(out, look.get(TextTraits.BOLD), "b", "bCs");
    toggle(out, look.get(TextTraits.ITALIC), "i", "iCs");
    toggle(out, look.get(TextTraits.ALL_CAPS), "caps");
    toggle(out, look.get(TextTraits.SMALL_CAPS), "smallCaps");
    toggle(out, look.get(TextTraits.STRIKE), "strike");
    toggle(out, look.get(TextTraits.DOUBLE_STRIKE), "dstrike");
    look.get(TextTraits.LETTER_SPACING).ifPresent(v -> add(out, "spacing", Out.twips(v)));
    look.get(TextTraits.KERNING)
        .ifPresent(v ->
            add(
                out,
                "kern",
                v >= TextTraits.NEVER_KERNED
                    ? "0"
                    : Long.toString(Math.max(1, Math.round(v * 2)))));
    look.get(TextTraits.SHIFT)
        .ifPresent(v -> add(out, "position", Long.toString(Math.round(v * 2))));
    toggle(out, look.get(TextTraits.HIDDEN), "vanish");
    look.get(TextTraits.COLOUR).ifPresent(c -> add(out, "color", c.hex()));
    look.get(TextTraits.SIZE)
        .ifPresent(s -> {
          add(out, "sz", Long.toString(Math.round(s * 2)));
          add(out, "szCs", Long.toString(Math.round(s * 2)));
        });
    look.get(TextTraits.UNDERLINE)
        .ifPresent(u ->
            add(
                out,
                "u",
                !u
                    ? "none"
                    : switch (look.value(TextTraits.UNDERLINE_KIND)) {
                      case SINGLE -> "single";
                      case DOUBLE -> "double";
                      case THICK -> "thick";
                      case DOTTED -> "dotted";
                      case DASHED -> "dash";
                      case WAVE -> "wave";
                      case WORDS -> "words";
                    }));
    look.get(TextTraits.HIGHLIGHT)
        .filter(c -> !c.equals(Colour.WHITE))
        .ifPresent(c -> {
          String name = HIGHLIGHTS.get(c.rgb());
          if (name != null) {
            add(out, "highlight", name);
          } else {
            out.add(new Property("shd", shading(c)));
          }
        });
    look.get(TextTraits.RAISE)
        .ifPresent(r ->
            add(
                out,
                "vertAlign",
                switch (r) {
                  case NONE -> "baseline";
                  case SUPERSCRIPT -> "superscript";
                  case SUBSCRIPT -> "subscript";
                }));
    look.get(TextTraits.LANGUAGE).filter(l -> !l.isEmpty()).ifPresent(l -> add(out, "lang", l));
    kept(out, look.value(TextTraits.KEPT));
    return ordered(out, RUN_ORDER);
  }

  static String shading(Colour c) {
    return new Out()
        .empty("w:shd", "w:val", "clear", "w:color", "auto", "w:fill", c.hex())
        .toString();
  }

  /**
   * The children of {@code w:pPr} but the run properties and the section; empty if the look sets
   * nothing.
   */
  static String paragraph(Look look, String runProperties, String sectionProperties) {
    var out = new ArrayList<Property>();
    look.get(ParagraphTraits.STYLE).filter(s -> !s.isEmpty()).ifPresent(s -> add(out, "pStyle", s));
    toggle(out, look.get(ParagraphTraits.KEEP_WITH_NEXT), "keepNext");
    toggle(out, look.get(ParagraphTraits.KEEP_TOGETHER), "keepLines");
    toggle(out, look.get(ParagraphTraits.PAGE_BREAK_BEFORE), "pageBreakBefore");
    toggle(out, look.get(ParagraphTraits.WIDOW_CONTROL), "widowControl");
    look.get(ParagraphTraits.LIST).ifPresent(m -> out.add(new Property("numPr", numbering(m))));
    look.get(ParagraphTraits.FRAME)
        .map(Frames::frame)
        .filter(f -> !f.isEmpty())
        .ifPresent(f -> out.add(new Property("framePr", f)));
    look.get(ParagraphTraits.RULES).ifPresent(b -> out.add(new Property("pBdr", borders(b))));
    look.get(ParagraphTraits.HYPHENATION)
        .ifPresent(h -> toggle(out, Optional.of(!h), "suppressAutoHyphens"));
    toggle(out, look.get(ParagraphTraits.SNAP_TO_GRID), "snapToGrid");
    look.get(ParagraphTraits.SHADING)
        .filter(c -> !c.equals(Colour.WHITE))
        .ifPresent(c -> out.add(new Property("shd", shading(c))));
    look.get(ParagraphTraits.TABS)
        .filter(t -> !t.isEmpty())
        .ifPresent(t -> out.add(new Property("tabs", tabs(t))));
    look.get(ParagraphTraits.DIRECTION)
        .ifPresent(
            d -> toggle(out, Optional.of(d == ParagraphTraits.Direction.RIGHT_TO_LEFT), "bidi"));
    spacing(look).ifPresent(s -> out.add(new Property("spacing", s)));
    indents(look).ifPresent(s -> out.add(new Property("ind", s)));
    toggle(out, look.get(ParagraphTraits.CONTEXTUAL_SPACING), "contextualSpacing");
    look.get(ParagraphTraits.ALIGNMENT)
        .ifPresent(a ->
            add(
                out,
                "jc",
                switch (a) {
                  case START -> "left"; // with w:bidi, left means the start (§17.18.44)
                  case CENTRE -> "center";
                  case END -> "right";
                  case JUSTIFIED -> "both";
                }));
    look.get(ParagraphTraits.HEADING_LEVEL)
        .ifPresent(l -> add(out, "outlineLvl", Integer.toString(l == 0 ? 9 : l - 1)));
    kept(out, look.value(ParagraphTraits.KEPT));
    if (!runProperties.isEmpty()) {
      out.add(new Property("rPr", "<w:rPr>" + runProperties + "</w:rPr>"));
    }
    if (!sectionProperties.isEmpty()) {
      out.add(new Property("sectPr", sectionProperties));
    }
    return ordered(out, PARAGRAPH_ORDER);
  }

  private static String numbering(ListMembership m) {
    return "<w:numPr><w:ilvl w:val=\""
        + m.depth()
        + "\"/><w:numId w:val=\""
        + Numbering.id(m.list())
        + "\"/></w:numPr>";
  }

  private static String tabs(List<TabStop> tabs) {
    var o = new Out().raw("<w:tabs>");
    for (TabStop t : tabs) {
      String kind =
          switch (t.kind()) {
            case LEFT -> "left";
            case CENTRE -> "center";
            case RIGHT -> "right";
            case DECIMAL -> "decimal";
            case CLEAR -> "clear";
          };
      String leader =
          switch (t.leader()) {
            case NONE -> "none";
            case DOT -> "dot";
            case HYPHEN -> "hyphen";
            case UNDERSCORE -> "underscore";
            case MIDDLE_DOT -> "middleDot";
          };
      o.empty("w:tab", "w:val", kind, "w:leader", leader, "w:pos", Out.twips(t.at()));
    }
    return o.raw("</w:tabs>").toString();
  }

  private static String borders(Rules r) {
    var o = new Out().raw("<w:pBdr>");
    Borders.write(o, "w:top", r.top());
    Borders.write(o, "w:left", r.start());
    Borders.write(o, "w:bottom", r.bottom());
    Borders.write(o, "w:right", r.end());
    Borders.write(o, "w:between", r.insideAcross());
    return o.raw("</w:pBdr>").toString();
  }

  private static Optional<String> spacing(Look look) {
    var attributes = new ArrayList<String>();
    look.get(ParagraphTraits.AUTO_BEFORE)
        .ifPresent(v -> attributes.addAll(List.of("w:beforeAutospacing", v ? "1" : "0")));
    look.get(ParagraphTraits.AUTO_AFTER)
        .ifPresent(v -> attributes.addAll(List.of("w:afterAutospacing", v ? "1" : "0")));
    look.get(ParagraphTraits.SPACE_BEFORE)
        .ifPresent(v -> attributes.addAll(List.of("w:before", Out.twips(v))));
    look.get(ParagraphTraits.SPACE_AFTER)
        .ifPresent(v -> attributes.addAll(List.of("w:after", Out.twips(v))));
    look.get(ParagraphTraits.LINE_PITCH)
        .ifPresent(p -> {
          switch (p) {
            case LinePitch.Multiple m ->
                attributes.addAll(
                    List.of(
                        "w:line",
                        Long.toString(Math.round(m.factor() * 240)),
                        "w:lineRule",
                        "auto"));
            case LinePitch.AtLeast a ->
                attributes.addAll(
                    List.of("w:line", Out.twips(a.points()), "w:lineRule", "atLeast"));
            case LinePitch.Exactly e ->
                attributes.addAll(List.of("w:line", Out.twips(e.points()), "w:lineRule", "exact"));
          }
        });
    return attributes.isEmpty()
        ? Optional.empty()
        : Optional.of(new Out().empty("w:spacing", attributes.toArray(String[]::new)).toString());
  }

  private static Optional<String> indents(Look look) {
    var attributes = new ArrayList<String>();
    look.get(ParagraphTraits.INDENT_START)
        .ifPresent(v -> attributes.addAll(List.of("w:left", Out.twips(v))));
    look.get(ParagraphTraits.INDENT_END)
        .ifPresent(v -> attributes.addAll(List.of("w:right", Out.twips(v))));
    look.get(ParagraphTraits.FIRST_LINE)
        .ifPresent(v ->
            attributes.addAll(
                List.of(v < 0 ? "w:hanging" : "w:firstLine", Out.twips(Math.abs(v)))));
    return attributes.isEmpty()
        ? Optional.empty()
        : Optional.of(new Out().empty("w:ind", attributes.toArray(String[]::new)).toString());
  }

  private static void add(List<Property> out, String name, String value) {
    out.add(new Property(name, new Out().empty("w:" + name, "w:val", value).toString()));
  }

  private static void toggle(List<Property> out, Optional<Boolean> on, String... names) {
    if (on.isPresent()) {
      for (String name : names) {
        out.add(
            new Property(name, on.get() ? "<w:" + name + "/>" : "<w:" + name + " w:val=\"0\"/>"));
      }
    }
  }

  private static void kept(List<Property> out, List<Kept> kept) {
    for (Kept k : kept) {
      if (k.format().equals(DocxLooks.FORMAT) && k.source().startsWith("<w:")) {
        String name = k.source().substring(3).split("[\\s/>]", 2)[0];
        out.add(new Property(name, k.source()));
      } else if (Pending.isPutIn(k)) {
        Changes.element(k).ifPresent(e -> out.add(new Property("ins", e)));
      }
    }
  }

  private static String ordered(List<Property> properties, List<String> order) {
    List<Property> sorted = new ArrayList<>(properties);
    sorted.removeIf(p -> !order.contains(p.name()));
    sorted.sort(Comparator.comparingInt(p -> order.indexOf(p.name())));
    var b = new StringBuilder();
    String last = "";
    for (Property p : sorted) {
      if (!p.name().equals(last)) {
        b.append(p.xml());
      }
      last = p.name();
    }
    return b.toString();
  }
}
