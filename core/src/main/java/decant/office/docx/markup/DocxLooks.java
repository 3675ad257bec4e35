package decant.office.docx.markup;

import decant.model.look.Colour;
import decant.model.look.Kept;
import decant.model.look.LinePitch;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.TabStop;
import decant.model.look.TextTraits;
import decant.office.xml.Element;
import decant.office.xml.XmlParts;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Run and paragraph properties (§17.3.1, §17.3.2) into looks. */
public final class DocxLooks {
  public static final String FORMAT = "docx";

  /** Properties that say nothing a page shows, or that follow from others. */
  private static final Set<String> PASSED_OVER =
      Set.of("w:bCs", "w:iCs", "w:szCs", "w:noProof", "w:rPr", "w:sectPr");

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

  public DocxLooks(Theme theme) {
    this.theme = theme;
  }

  /** A length in twentieths of a point, as points. */
  public static Optional<Double> twips(Optional<String> s) {
    return number(s).map(v -> v / 20);
  }

  public static Optional<Double> number(Optional<String> s) {
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
  public static boolean on(Element e) {
    String v = e.attribute("w:val").orElse("true");
    return !(v.equals("0") || v.equals("false") || v.equals("off") || v.equals("none"));
  }

  public Look text(Element rPr) {
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
            case "w:u" -> underline(e, look);
            case "w:strike" -> look.with(TextTraits.STRIKE, on(e));
            case "w:dstrike" -> look.with(TextTraits.DOUBLE_STRIKE, on(e));
            case "w:smallCaps" -> look.with(TextTraits.SMALL_CAPS, on(e));
            case "w:spacing" ->
                twips(e.attribute("w:val")).map(with(look, TextTraits.LETTER_SPACING)).orElse(look);
            case "w:position" ->
                number(e.attribute("w:val"))
                    .map(v -> v / 2)
                    .map(with(look, TextTraits.SHIFT))
                    .orElse(look);
            case "w:kern" ->
                number(e.attribute("w:val"))
                    .map(v -> v > 0 ? v / 2 : TextTraits.NEVER_KERNED)
                    .map(with(look, TextTraits.KERNING))
                    .orElse(look);
            case "w14:ligatures" ->
                look.with(
                    TextTraits.LIGATURES,
                    !e.attribute("w14:val").orElse("standard").equals("none"));
            case "w:caps" -> look.with(TextTraits.ALL_CAPS, on(e));
            case "w:vanish" -> look.with(TextTraits.HIDDEN, on(e));
            case "w:color" -> colour(e).map(with(look, TextTraits.COLOUR)).orElse(look);
            case "w:highlight" ->
                look.with(
                    TextTraits.HIGHLIGHT,
                    new Colour(HIGHLIGHTS.getOrDefault(e.attribute("w:val").orElse(""), 0xFFFFFF)));
            case "w:shd" -> fill(e).map(with(look, TextTraits.HIGHLIGHT)).orElse(look);
            case "w:vertAlign" -> look.with(TextTraits.RAISE, raise(e));
            case "w:rtl" -> on(e) ? complex(rPr, look) : look;
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

  /**
   * Text that runs from right to left takes its font and size from properties of its own
   * (§17.3.2.26).
   */
  private Look complex(Element rPr, Look before) {
    Look look = before;
    Optional<String> family =
        rPr.child("w:rFonts")
            .flatMap(
                f -> f.attribute("w:cstheme").flatMap(theme::font).or(() -> f.attribute("w:cs")));
    if (family.isPresent()) {
      look = look.with(TextTraits.FAMILY, family.get());
    }
    Optional<Double> size = number(rPr.val("w:szCs")).filter(v -> v > 0).map(v -> v / 2);
    return size.isPresent() ? look.with(TextTraits.SIZE, size.get()) : look;
  }

  private static Look underline(Element e, Look before) {
    TextTraits.UnderlineKind kind =
        switch (e.attribute("w:val").orElse("single")) {
          case "words" -> TextTraits.UnderlineKind.WORDS;
          case "double" -> TextTraits.UnderlineKind.DOUBLE;
          case "thick" -> TextTraits.UnderlineKind.THICK;
          case "dotted", "dottedHeavy" -> TextTraits.UnderlineKind.DOTTED;
          case "dash",
              "dashedHeavy",
              "dashLong",
              "dashLongHeavy",
              "dotDash",
              "dashDotHeavy",
              "dotDotDash",
              "dashDotDotHeavy" ->
              TextTraits.UnderlineKind.DASHED;
          case "wave", "wavyHeavy", "wavyDouble" -> TextTraits.UnderlineKind.WAVE;
          default -> TextTraits.UnderlineKind.SINGLE;
        };
    Look look = before.with(TextTraits.UNDERLINE, on(e));
    return kind == TextTraits.UnderlineKind.SINGLE
        ? look
        : look.with(TextTraits.UNDERLINE_KIND, kind);
  }

  private static <T> java.util.function.Function<T, Look> with(
      Look look, decant.model.look.Trait<T> trait) {
    return v -> look.with(trait, v);
  }

  private Optional<String> family(Element rFonts) {
    return rFonts
        .attribute("w:asciiTheme")
        .or(() -> rFonts.attribute("w:hAnsiTheme"))
        .flatMap(theme::font)
        .or(() -> rFonts.attribute("w:ascii"))
        .or(() -> rFonts.attribute("w:hAnsi"))
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

  public static Optional<Colour> hex(String v) {
    if (v.equals("auto")) {
      return Optional.of(Colour.BLACK);
    }
    return v.matches("[0-9A-Fa-f]{6}") ? Optional.of(Colour.parse(v)) : Optional.empty();
  }

  /** The colour of a shading (§17.3.5): its fill, mixed with the pattern's colour by its share. */
  public static Optional<Colour> fill(Element shd) {
    Colour back =
        shd.attribute("w:fill")
            .filter(f -> !f.equals("auto"))
            .flatMap(DocxLooks::hex)
            .orElse(Colour.WHITE);
    String pattern = shd.attribute("w:val").orElse("clear");
    double share =
        pattern.equals("solid")
            ? 1
            : pattern.startsWith("pct")
                ? number(Optional.of(pattern.substring(3))).orElse(0.0) / 100
                : 0;
    if (share <= 0) {
      return shd.attribute("w:fill").filter(f -> !f.equals("auto")).flatMap(DocxLooks::hex);
    }
    Colour front = shd.attribute("w:color").flatMap(DocxLooks::hex).orElse(Colour.BLACK);
    return Optional.of(
        new Colour(
            mixed(back.red(), front.red(), share) << 16
                | mixed(back.green(), front.green(), share) << 8
                | mixed(back.blue(), front.blue(), share)));
  }

  private static int mixed(int back, int front, double share) {
    return Math.clamp(Math.round(back + (front - back) * share), 0, 255);
  }

  public Look paragraph(Element pPr) {
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
            case "w:pBdr" -> look.with(ParagraphTraits.RULES, Borders.paragraph(e));
            case "w:suppressAutoHyphens" -> look.with(ParagraphTraits.HYPHENATION, !on(e));
            case "w:snapToGrid" -> look.with(ParagraphTraits.SNAP_TO_GRID, on(e));
            case "w:framePr" -> look.with(ParagraphTraits.FRAME, Frames.read(e));
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
    if (numPr.val("w:numId").isEmpty()) {
      return look; // the style says which list
    }
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

  /** §17.3.1.33. */
  private static Look spacing(Element e, Look before) {
    Look look = before;
    Optional<Boolean> autoAbove = e.attribute("w:beforeAutospacing").map(DocxLooks::isOn);
    Optional<Boolean> autoBelow = e.attribute("w:afterAutospacing").map(DocxLooks::isOn);
    Optional<Double> above =
        autoAbove.orElse(false)
            ? Optional.of(ParagraphTraits.AUTO_SPACE)
            : twips(e.attribute("w:before"));
    Optional<Double> below =
        autoBelow.orElse(false)
            ? Optional.of(ParagraphTraits.AUTO_SPACE)
            : twips(e.attribute("w:after"));
    if (above.isPresent()) {
      look = look.with(ParagraphTraits.SPACE_BEFORE, Math.max(0, above.get()));
    }
    if (below.isPresent()) {
      look = look.with(ParagraphTraits.SPACE_AFTER, Math.max(0, below.get()));
    }
    if (autoAbove.isPresent()) {
      look = look.with(ParagraphTraits.AUTO_BEFORE, autoAbove.get());
    }
    if (autoBelow.isPresent()) {
      look = look.with(ParagraphTraits.AUTO_AFTER, autoBelow.get());
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

  public static boolean isOn(String v) {
    return v.equals("1") || v.equals("true") || v.equals("on");
  }

  private static List<TabStop> tabs(Element e) {
    var out = new ArrayList<TabStop>();
    for (Element t : e.elements()) {
      Optional<Double> at = twips(t.attribute("w:pos"));
      String kind = t.attribute("w:val").orElse("left");
      if (at.isPresent() && !kind.equals("bar")) {
        TabStop.Leader leader =
            switch (t.attribute("w:leader").orElse("none")) {
              case "dot" -> TabStop.Leader.DOT;
              case "hyphen" -> TabStop.Leader.HYPHEN;
              case "underscore", "heavy" -> TabStop.Leader.UNDERSCORE;
              case "middleDot" -> TabStop.Leader.MIDDLE_DOT;
              default -> TabStop.Leader.NONE;
            };
        TabStop.Kind k =
            switch (kind) {
              case "right", "end" -> TabStop.Kind.RIGHT;
              case "center" -> TabStop.Kind.CENTRE;
              case "decimal" -> TabStop.Kind.DECIMAL;
              case "clear" -> TabStop.Kind.CLEAR;
              default -> TabStop.Kind.LEFT;
            };
        out.add(new TabStop(at.get(), k, leader));
      }
    }
    out.sort(java.util.Comparator.comparingDouble(TabStop::at));
    return List.copyOf(out);
  }
}
