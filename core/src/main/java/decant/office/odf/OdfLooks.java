package decant.office.odf;

import static decant.office.odf.markup.Measures.colour;
import static decant.office.odf.markup.Measures.isTrue;
import static decant.office.odf.markup.Measures.length;
import static decant.office.odf.markup.Measures.share;
import static decant.office.odf.markup.Measures.whole;

import decant.model.look.Colour;
import decant.model.look.LinePitch;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.ParagraphTraits.Direction;
import decant.model.look.ParagraphTraits.TabStop;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.TextTraits;
import decant.office.xml.Element;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Properties of text and paragraphs (ODF 1.3 part 3, §16.29.29, §16.29.10 and §20) as looks. */
final class OdfLooks {
  private static final double WITH_SPACE = 0.01; // a line of no width is none

  /** The families of the fonts that are declared, by the name that styles give them. */
  private final Map<String, String> fonts;

  OdfLooks(Map<String, String> fonts) {
    this.fonts = fonts;
  }

  /**
   * @param properties {@code style:text-properties}
   * @param sizeBelow what a size in percent is a share of, in points
   */
  Look text(Element properties, double sizeBelow) {
    Look look = Look.PLAIN;
    Element p = properties;
    Optional<String> family =
        p.attribute("style:font-name")
            .map(n -> fonts.getOrDefault(n, n))
            .or(() -> p.attribute("fo:font-family").map(OdfLooks::unquoted));
    look = set(look, TextTraits.FAMILY, family.filter(f -> !f.isBlank()));
    look =
        set(
            look,
            TextTraits.SIZE,
            length(p.attribute("fo:font-size"))
                .or(() -> share(p.attribute("fo:font-size")).map(s -> s * sizeBelow))
                .filter(s -> s >= 1 && s <= 1638));
    look = set(look, TextTraits.BOLD, p.attribute("fo:font-weight").map(OdfLooks::isBold));
    look =
        set(
            look,
            TextTraits.ITALIC,
            p.attribute("fo:font-style").map(v -> v.equals("italic") || v.equals("oblique")));
    look = underline(p, look);
    Optional<String> struck = p.attribute("style:text-line-through-style");
    boolean twice =
        p.attribute("style:text-line-through-type").filter(v -> v.equals("double")).isPresent();
    look = set(look, TextTraits.STRIKE, struck.map(v -> !v.equals("none") && !twice));
    look = set(look, TextTraits.DOUBLE_STRIKE, struck.map(v -> !v.equals("none") && twice));
    look = set(look, TextTraits.ALL_CAPS, isSaid(p, "fo:text-transform", "uppercase"));
    look = set(look, TextTraits.SMALL_CAPS, isSaid(p, "fo:font-variant", "small-caps"));
    look =
        set(
            look,
            TextTraits.LETTER_SPACING,
            p.attribute("fo:letter-spacing").filter(v -> v.equals("normal")).isPresent()
                ? Optional.of(0.0)
                : length(p.attribute("fo:letter-spacing")));
    look =
        set(
            look,
            TextTraits.KERNING,
            p.attribute("style:letter-kerning")
                .map(v -> v.equals("true") ? 0.0 : TextTraits.NEVER_KERNED));
    look = position(p, look, sizeBelow);
    look = set(look, TextTraits.HIDDEN, isSaid(p, "text:display", "none"));
    boolean window = isTrue(p.attribute("style:use-window-font-color"));
    look =
        set(
            look,
            TextTraits.COLOUR,
            window ? Optional.of(Colour.BLACK) : colour(p.attribute("fo:color")));
    look = set(look, TextTraits.HIGHLIGHT, colour(p.attribute("fo:background-color")));
    return set(look, TextTraits.LANGUAGE, language(p));
  }

  /** A family in a list of families, without its quotes. */
  static String unquoted(String families) {
    String first = families.split(",")[0].strip();
    return first.replaceAll("^['\"]|['\"]$", "").strip();
  }

  private static boolean isBold(String weight) {
    return weight.equals("bold") || weight.matches("[6-9]00");
  }

  private static Look underline(Element p, Look look) {
    Optional<String> style = p.attribute("style:text-underline-style");
    if (style.isEmpty()) {
      return look;
    }
    boolean drawn = !style.get().equals("none");
    Look out = look.with(TextTraits.UNDERLINE, drawn);
    if (!drawn) {
      return out;
    }
    boolean words =
        p.attribute("style:text-underline-mode")
            .filter(v -> v.equals("skip-white-space"))
            .isPresent();
    boolean twice =
        p.attribute("style:text-underline-type").filter(v -> v.equals("double")).isPresent();
    boolean thick =
        p.attribute("style:text-underline-width")
            .filter(v -> v.equals("bold") || v.equals("thick"))
            .isPresent();
    TextTraits.UnderlineKind kind =
        words
            ? TextTraits.UnderlineKind.WORDS
            : twice
                ? TextTraits.UnderlineKind.DOUBLE
                : switch (style.get()) {
                  case "dotted" -> TextTraits.UnderlineKind.DOTTED;
                  case "dash", "long-dash", "dot-dash", "dot-dot-dash" ->
                      TextTraits.UnderlineKind.DASHED;
                  case "wave" -> TextTraits.UnderlineKind.WAVE;
                  default ->
                      thick ? TextTraits.UnderlineKind.THICK : TextTraits.UnderlineKind.SINGLE;
                };
    return out.with(TextTraits.UNDERLINE_KIND, kind);
  }

  /** §20.395: how far it is raised, as a share or a word, and the share of the size it keeps. */
  private static Look position(Element p, Look look, double sizeBelow) {
    Optional<String> said = p.attribute("style:text-position");
    if (said.isEmpty()) {
      return look;
    }
    String[] parts = said.get().strip().split("\\s+");
    double size = parts.length > 1 ? share(Optional.of(parts[1])).orElse(1.0) : 0.58;
    double by =
        switch (parts[0]) {
          case "super" -> 0.33;
          case "sub" -> -0.33;
          default -> share(Optional.of(parts[0])).orElse(0.0);
        };
    if (by == 0) {
      return look.with(TextTraits.RAISE, TextTraits.Raise.NONE);
    }
    if (size > 0.95) {
      double own = look.get(TextTraits.SIZE).orElse(sizeBelow);
      return look.with(TextTraits.SHIFT, by * own);
    }
    return look.with(
        TextTraits.RAISE, by > 0 ? TextTraits.Raise.SUPERSCRIPT : TextTraits.Raise.SUBSCRIPT);
  }

  private static Optional<String> language(Element p) {
    return p.attribute("fo:language")
        .filter(l -> !l.isBlank() && !l.equals("none") && !l.equals("zxx"))
        .map(l ->
            l
                + p.attribute("fo:script").filter(s -> !s.isBlank()).map(s -> "-" + s).orElse("")
                + p.attribute("fo:country")
                    .filter(c -> !c.isBlank() && !c.equals("none"))
                    .map(c -> "-" + c)
                    .orElse(""));
  }

  /**
   * What holds of a paragraph where it says nothing itself.
   *
   * @param indent how far it stands in, in points, from which tab stops count
   * @param rightToLeft which of its sides is where it begins
   */
  record Below(double indent, boolean rightToLeft) {
    static final Below NOTHING = new Below(0, false);

    /** With what a look says over it. */
    Below with(Look own) {
      return new Below(
          own.get(ParagraphTraits.INDENT_START).orElse(indent),
          own.get(ParagraphTraits.DIRECTION)
              .map(d -> d == Direction.RIGHT_TO_LEFT)
              .orElse(rightToLeft));
    }
  }

  /**
   * @param properties {@code style:paragraph-properties}
   */
  Look paragraph(Element properties, Below below) {
    Element p = properties;
    Look look = Look.PLAIN;
    Optional<Direction> direction =
        p.attribute("style:writing-mode")
            .filter(m -> m.matches("(rl|lr)(-tb)?"))
            .map(m -> m.startsWith("rl") ? Direction.RIGHT_TO_LEFT : Direction.LEFT_TO_RIGHT);
    boolean rtl = direction.map(d -> d == Direction.RIGHT_TO_LEFT).orElse(below.rightToLeft());
    look = set(look, ParagraphTraits.DIRECTION, direction);
    look = set(look, ParagraphTraits.ALIGNMENT, alignment(p, rtl));
    Optional<Double> all = length(p.attribute("fo:margin"));
    Optional<Double> left = length(p.attribute("fo:margin-left")).or(() -> all);
    Optional<Double> right = length(p.attribute("fo:margin-right")).or(() -> all);
    look = set(look, ParagraphTraits.INDENT_START, rtl ? right : left);
    look = set(look, ParagraphTraits.INDENT_END, rtl ? left : right);
    look =
        set(look, ParagraphTraits.SPACE_BEFORE, length(p.attribute("fo:margin-top")).or(() -> all));
    look =
        set(
            look,
            ParagraphTraits.SPACE_AFTER,
            length(p.attribute("fo:margin-bottom")).or(() -> all));
    look = set(look, ParagraphTraits.FIRST_LINE, length(p.attribute("fo:text-indent")));
    look =
        set(
            look,
            ParagraphTraits.CONTEXTUAL_SPACING,
            isSaid(p, "style:contextual-spacing", "true"));
    look = set(look, ParagraphTraits.LINE_PITCH, pitch(p));
    look = set(look, ParagraphTraits.KEEP_WITH_NEXT, isSaid(p, "fo:keep-with-next", "always"));
    look = set(look, ParagraphTraits.KEEP_TOGETHER, isSaid(p, "fo:keep-together", "always"));
    look = set(look, ParagraphTraits.PAGE_BREAK_BEFORE, isSaid(p, "fo:break-before", "page"));
    Optional<Integer> widows =
        whole(p.attribute("fo:widows")).or(() -> whole(p.attribute("fo:orphans")));
    look = set(look, ParagraphTraits.WIDOW_CONTROL, widows.map(n -> n >= 2));
    look = set(look, ParagraphTraits.SHADING, colour(p.attribute("fo:background-color")));
    look = set(look, ParagraphTraits.RULES, rules(p, rtl));
    look = set(look, ParagraphTraits.SNAP_TO_GRID, isSaid(p, "style:snap-to-layout-grid", "true"));
    Optional<Element> stops = p.child("style:tab-stops");
    if (stops.isPresent()) {
      double from = look.get(ParagraphTraits.INDENT_START).orElse(below.indent());
      look = look.with(ParagraphTraits.TABS, tabs(stops.get(), from));
    }
    return look;
  }

  private static Optional<Alignment> alignment(Element p, boolean rtl) {
    return p.attribute("fo:text-align")
        .map(a ->
            switch (a) {
              case "center" -> Alignment.CENTRE;
              case "end" -> Alignment.END;
              case "right" -> rtl ? Alignment.START : Alignment.END;
              case "left" -> rtl ? Alignment.END : Alignment.START;
              case "justify" -> Alignment.JUSTIFIED;
              default -> Alignment.START;
            });
  }

  private static Optional<LinePitch> pitch(Element p) {
    Optional<String> height = p.attribute("fo:line-height");
    Optional<Double> exact = length(height).filter(h -> h > 0);
    if (exact.isPresent()) {
      return exact.map(LinePitch.Exactly::new);
    }
    Optional<Double> factor = share(height).filter(h -> h > 0.05);
    if (factor.isPresent()) {
      return factor.map(LinePitch.Multiple::new);
    }
    Optional<Double> least = length(p.attribute("style:line-height-at-least")).filter(h -> h > 0);
    if (least.isPresent()) {
      return least.map(LinePitch.AtLeast::new);
    }
    return height.filter(h -> h.equals("normal")).map(h -> LinePitch.SINGLE);
  }

  private static List<TabStop> tabs(Element stops, double from) {
    var out = new ArrayList<TabStop>();
    for (Element s : stops.elements("style:tab-stop").limit(100).toList()) {
      Optional<Double> at = length(s.attribute("style:position"));
      if (at.isEmpty()) {
        continue;
      }
      TabStop.Kind kind =
          switch (s.attribute("style:type").orElse("left")) {
            case "center" -> TabStop.Kind.CENTRE;
            case "right" -> TabStop.Kind.RIGHT;
            case "char" -> TabStop.Kind.DECIMAL;
            default -> TabStop.Kind.LEFT;
          };
      String style = s.attribute("style:leader-style").orElse("none");
      TabStop.Leader leader =
          switch (s.attribute("style:leader-text").orElse(style.equals("none") ? "" : ".")) {
            case "." -> style.equals("solid") ? TabStop.Leader.UNDERSCORE : TabStop.Leader.DOT;
            case "-" -> TabStop.Leader.HYPHEN;
            case "_" -> TabStop.Leader.UNDERSCORE;
            case "\u00B7" -> TabStop.Leader.MIDDLE_DOT;
            default -> TabStop.Leader.NONE;
          };
      out.add(new TabStop(at.get() + from, kind, leader));
    }
    return List.copyOf(out);
  }

  /** The lines around a paragraph, a cell or a page, with the space between them and the text. */
  static Optional<Rules> rules(Element p, boolean rtl) {
    Optional<Rule> left = rule(p, "left");
    Optional<Rule> right = rule(p, "right");
    Optional<Rule> top = rule(p, "top");
    Optional<Rule> bottom = rule(p, "bottom");
    if (left.isEmpty() && right.isEmpty() && top.isEmpty() && bottom.isEmpty()) {
      return Optional.empty();
    }
    return Optional.of(
        new Rules(
            top,
            rtl ? left : right,
            bottom,
            rtl ? right : left,
            Optional.empty(),
            Optional.empty()));
  }

  private static Optional<Rule> rule(Element p, String side) {
    Optional<String> said = p.attribute("fo:border-" + side).or(() -> p.attribute("fo:border"));
    if (said.isEmpty()) {
      return Optional.empty();
    }
    double space =
        length(p.attribute("fo:padding-" + side).or(() -> p.attribute("fo:padding"))).orElse(0.0);
    return Optional.of(rule(said.get(), space));
  }

  /** A line as a width, a kind and a colour in any order (§20.183). */
  static Rule rule(String said, double space) {
    double width = 0.75;
    Colour colour = Colour.BLACK;
    Rule.Kind kind = Rule.Kind.SINGLE;
    for (String part : said.strip().split("\\s+")) {
      Optional<Double> length = length(Optional.of(part));
      if (length.isPresent()) {
        width = length.get();
      } else if (part.startsWith("#")) {
        colour = colour(Optional.of(part)).orElse(colour);
      } else {
        switch (part) {
          case "none", "hidden" -> {
            return Rule.NONE;
          }
          case "double", "double-thin" -> kind = Rule.Kind.DOUBLE;
          case "dotted" -> kind = Rule.Kind.DOTTED;
          case "dashed", "dash-dot", "dash-dot-dot" -> kind = Rule.Kind.DASHED;
          case "thin" -> width = 0.5;
          case "medium" -> width = 1.5;
          case "thick" -> width = 2.5;
          default -> {}
        }
      }
    }
    if (width < WITH_SPACE) {
      return Rule.NONE;
    }
    // The width of a double line is that of the whole; ours is that of one of its three parts.
    return new Rule(kind, kind == Rule.Kind.DOUBLE ? width / 3 : width, colour, space);
  }

  /** Whether an attribute says that word; empty if it is not there. */
  private static Optional<Boolean> isSaid(Element p, String attribute, String word) {
    return p.attribute(attribute).map(v -> v.equals(word));
  }

  static <T> Look set(Look look, decant.model.look.Trait<T> trait, Optional<T> value) {
    return value.isPresent() ? look.with(trait, value.get()) : look;
  }
}
