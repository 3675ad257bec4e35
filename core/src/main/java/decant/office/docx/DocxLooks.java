package decant.office.docx;

import decant.model.Colour;
import decant.model.Kept;
import decant.model.LinePitch;
import decant.model.ListMembership;
import decant.model.Look;
import decant.model.ParagraphTraits;
import decant.model.ParagraphTraits.TabStop;
import decant.model.TextTraits;
import decant.office.xml.Element;
import decant.office.xml.XmlParts;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Run and paragraph properties (§17.3.1, §17.3.2) into looks. */
final class DocxLooks {
  static final String FORMAT = "docx";

  /** Properties that say nothing a page shows, or that follow from others. */
  private static final Set<String> PASSED_OVER =
      Set.of(
          "w:bCs",
          "w:iCs",
          "w:szCs",
          "w:noProof",
          "w:rPr",
          "w:sectPr",
          "w:pPrChange",
          "w:rPrChange",
          "w:ins",
          "w:del");

  /** The sixteen highlight colours of §17.18.40. */
  private static final Map<String, Integer> HIGHLIGHTS =
      Map.ofEntries(
          Map.entry("black", 0x000000),
          Map.entry("blue", 0x0000FF),
          Map.entry("cyan", 0x00FFFF),
          Map.entry("darkBlue", 0x00008B),
          Map.entry("darkCyan", 0x008B8B),
          Map.entry("darkGray", 0xA9A9A9),
          Map.entry("darkGreen", 0x006400),
          Map.entry("darkMagenta", 0x800080),
          Map.entry("darkRed", 0x8B0000),
          Map.entry("darkYellow", 0x808000),
          Map.entry("green", 0x00FF00),
          Map.entry("lightGray", 0xD3D3D3),
          Map.entry("magenta", 0xFF00FF),
          Map.entry("red", 0xFF0000),
          Map.entry("yellow", 0xFFFF00));

  private final Theme theme;

  DocxLooks(Theme theme) {
    this.theme = theme;
  }

  /** A length in twentieths of a point, as points. */
  static Optional<Double> twips(Optional<String> s) {
    return number(s).map(v -> v / 20);
  }

  static Optional<Double> number(Optional<String> s) {
    if (s.isEmpty()) {
      return Optional.empty();
    }
    String v = s.get().strip();
    try {
      // Strict files give units (§22.9.2.14).
      if (v.endsWith("pt")) {
        return Optional.of(Double.parseDouble(v.substring(0, v.length() - 2)) * 20);
      }
      if (v.endsWith("%")) {
        return Optional.empty();
      }
      double d = Double.parseDouble(v);
      return Double.isFinite(d) && Math.abs(d) < 1e9 ? Optional.of(d) : Optional.empty();
    } catch (NumberFormatException e) {
      return Optional.empty();
    }
  }

  /** An on-off property (§17.17.4): there and not switched off. */
  static boolean on(Element e) {
    String v = e.attribute("w:val").orElse("true");
    return !(v.equals("0") || v.equals("false") || v.equals("off") || v.equals("none"));
  }

  Look text(Element rPr) {
    Look look = Look.PLAIN;
    var kept = new ArrayList<Kept>();
    for (Element e : rPr.elements()) {
      look =
          switch (e.name()) {
            case "w:rStyle" ->
                e.attribute("w:val").map(with(look, TextTraits.CHARACTER_STYLE)).orElse(look);
            case "w:rFonts" -> family(e).map(with(look, TextTraits.FAMILY)).orElse(look);
            case "w:sz" ->
                number(e.attribute("w:val"))
                    .filter(v -> v > 0)
                    .map(v -> v / 2)
                    .map(with(look, TextTraits.SIZE))
                    .orElse(look);
            case "w:b" -> look.with(TextTraits.BOLD, on(e));
            case "w:i" -> look.with(TextTraits.ITALIC, on(e));
            case "w:u" -> look.with(TextTraits.UNDERLINE, on(e));
            case "w:strike", "w:dstrike" -> look.with(TextTraits.STRIKE, on(e));
            case "w:caps" -> look.with(TextTraits.ALL_CAPS, on(e));
            case "w:vanish" -> look.with(TextTraits.HIDDEN, on(e));
            case "w:color" -> colour(e).map(with(look, TextTraits.COLOUR)).orElse(look);
            case "w:highlight" ->
                look.with(
                    TextTraits.HIGHLIGHT,
                    new Colour(HIGHLIGHTS.getOrDefault(e.attribute("w:val").orElse(""), 0xFFFFFF)));
            case "w:shd" -> fill(e).map(with(look, TextTraits.HIGHLIGHT)).orElse(look);
            case "w:vertAlign" -> look.with(TextTraits.RAISE, raise(e));
            case "w:lang" -> e.attribute("w:val").map(with(look, TextTraits.LANGUAGE)).orElse(look);
            default -> {
              if (!PASSED_OVER.contains(e.name())) {
                kept.add(new Kept(FORMAT, XmlParts.write(e)));
              }
              yield look;
            }
          };
    }
    return kept.isEmpty() ? look : look.with(TextTraits.KEPT, List.copyOf(kept));
  }

  private static <T> java.util.function.Function<T, Look> with(
      Look look, decant.model.Trait<T> trait) {
    return v -> look.with(trait, v);
  }

  private Optional<String> family(Element rFonts) {
    return rFonts
        .attribute("w:asciiTheme")
        .or(() -> rFonts.attribute("w:hAnsiTheme"))
        .flatMap(theme::font)
        .or(() -> rFonts.attribute("w:ascii"))
        .or(() -> rFonts.attribute("w:hAnsi"))
        .or(() -> rFonts.attribute("w:cs"))
        .filter(f -> !f.isBlank());
  }

  private static TextTraits.Raise raise(Element e) {
    return switch (e.attribute("w:val").orElse("")) {
      case "superscript" -> TextTraits.Raise.SUPERSCRIPT;
      case "subscript" -> TextTraits.Raise.SUBSCRIPT;
      default -> TextTraits.Raise.NONE;
    };
  }

  private Optional<Colour> colour(Element e) {
    return e.attribute("w:val").flatMap(DocxLooks::hex);
  }

  static Optional<Colour> hex(String v) {
    if (v.equals("auto")) {
      return Optional.of(Colour.BLACK);
    }
    return v.matches("[0-9A-Fa-f]{6}") ? Optional.of(Colour.parse(v)) : Optional.empty();
  }

  static Optional<Colour> fill(Element shd) {
    return shd.attribute("w:fill").filter(f -> !f.equals("auto")).flatMap(DocxLooks::hex);
  }

  Look paragraph(Element pPr) {
    Look look = Look.PLAIN;
    var kept = new ArrayList<Kept>();
    for (Element e : pPr.elements()) {
      look =
          switch (e.name()) {
            case "w:pStyle" ->
                e.attribute("w:val").map(with(look, ParagraphTraits.STYLE)).orElse(look);
            case "w:outlineLvl" ->
                number(e.attribute("w:val"))
                    .map(v -> v >= 0 && v < 9 ? (int) (v + 1) : 0)
                    .map(with(look, ParagraphTraits.HEADING_LEVEL))
                    .orElse(look);
            case "w:numPr" -> list(e, look);
            case "w:jc" -> look.with(ParagraphTraits.ALIGNMENT, alignment(e));
            case "w:bidi" ->
                look.with(
                    ParagraphTraits.DIRECTION,
                    on(e)
                        ? ParagraphTraits.Direction.RIGHT_TO_LEFT
                        : ParagraphTraits.Direction.LEFT_TO_RIGHT);
            case "w:ind" -> indents(e, look);
            case "w:spacing" -> spacing(e, look);
            case "w:contextualSpacing" -> look.with(ParagraphTraits.CONTEXTUAL_SPACING, on(e));
            case "w:keepNext" -> look.with(ParagraphTraits.KEEP_WITH_NEXT, on(e));
            case "w:keepLines" -> look.with(ParagraphTraits.KEEP_TOGETHER, on(e));
            case "w:pageBreakBefore" -> look.with(ParagraphTraits.PAGE_BREAK_BEFORE, on(e));
            case "w:widowControl" -> look.with(ParagraphTraits.WIDOW_CONTROL, on(e));
            case "w:tabs" -> look.with(ParagraphTraits.TABS, tabs(e));
            case "w:shd" -> fill(e).map(with(look, ParagraphTraits.SHADING)).orElse(look);
            default -> {
              if (!PASSED_OVER.contains(e.name())) {
                kept.add(new Kept(FORMAT, XmlParts.write(e)));
              }
              yield look;
            }
          };
    }
    return kept.isEmpty() ? look : look.with(ParagraphTraits.KEPT, List.copyOf(kept));
  }

  private static Look list(Element numPr, Look look) {
    String id = numPr.val("w:numId").orElse("");
    int depth = number(numPr.val("w:ilvl")).map(Double::intValue).orElse(0);
    return look.with(
        ParagraphTraits.LIST,
        new ListMembership(id.equals("0") ? "" : id, Math.clamp(depth, 0, 8)));
  }

  private static ParagraphTraits.Alignment alignment(Element e) {
    return switch (e.attribute("w:val").orElse("")) {
      case "center" -> ParagraphTraits.Alignment.CENTRE;
      case "right", "end" -> ParagraphTraits.Alignment.END;
      case "both", "distribute" -> ParagraphTraits.Alignment.JUSTIFIED;
      default -> ParagraphTraits.Alignment.START;
    };
  }

  private static Look indents(Element e, Look before) {
    Look look = before;
    Optional<Double> start = twips(e.attribute("w:start").or(() -> e.attribute("w:left")));
    Optional<Double> end = twips(e.attribute("w:end").or(() -> e.attribute("w:right")));
    Optional<Double> hanging = twips(e.attribute("w:hanging"));
    Optional<Double> first = twips(e.attribute("w:firstLine"));
    if (start.isPresent()) {
      look = look.with(ParagraphTraits.INDENT_START, start.get());
    }
    if (end.isPresent()) {
      look = look.with(ParagraphTraits.INDENT_END, end.get());
    }
    if (hanging.isPresent()) {
      look = look.with(ParagraphTraits.FIRST_LINE, -hanging.get());
    } else if (first.isPresent()) {
      look = look.with(ParagraphTraits.FIRST_LINE, first.get());
    }
    return look;
  }

  /** §17.3.1.33; automatic spacing is 14 points, as HTML paragraphs have in common practice. */
  private static Look spacing(Element e, Look before) {
    Look look = before;
    Optional<Double> above =
        e.attribute("w:beforeAutospacing").filter(v -> v.equals("1")).isPresent()
            ? Optional.of(14.0)
            : twips(e.attribute("w:before"));
    Optional<Double> below =
        e.attribute("w:afterAutospacing").filter(v -> v.equals("1")).isPresent()
            ? Optional.of(14.0)
            : twips(e.attribute("w:after"));
    if (above.isPresent()) {
      look = look.with(ParagraphTraits.SPACE_BEFORE, Math.max(0, above.get()));
    }
    if (below.isPresent()) {
      look = look.with(ParagraphTraits.SPACE_AFTER, Math.max(0, below.get()));
    }
    Optional<Double> line = number(e.attribute("w:line"));
    if (line.isPresent() && line.get() > 0) {
      LinePitch pitch =
          switch (e.attribute("w:lineRule").orElse("auto")) {
            case "exact" -> new LinePitch.Exactly(line.get() / 20);
            case "atLeast" -> new LinePitch.AtLeast(line.get() / 20);
            default -> new LinePitch.Multiple(line.get() / 240);
          };
      look = look.with(ParagraphTraits.LINE_PITCH, pitch);
    }
    return look;
  }

  private static List<TabStop> tabs(Element e) {
    var out = new ArrayList<TabStop>();
    for (Element t : e.elements()) {
      Optional<Double> at = twips(t.attribute("w:pos"));
      String kind = t.attribute("w:val").orElse("left");
      if (at.isPresent() && !kind.equals("clear") && !kind.equals("bar")) {
        boolean leader = t.attribute("w:leader").filter(l -> !l.equals("none")).isPresent();
        TabStop.Kind k =
            switch (kind) {
              case "right", "end", "decimal" -> TabStop.Kind.RIGHT;
              case "center" -> TabStop.Kind.CENTRE;
              default -> TabStop.Kind.LEFT;
            };
        out.add(new TabStop(at.get(), k, leader));
      }
    }
    out.sort(java.util.Comparator.comparingDouble(TabStop::at));
    return List.copyOf(out);
  }
}
