package decant.clip;

import decant.model.look.Colour;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.Rules;
import decant.model.look.TextTraits;
import decant.picture.PictureSize;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jsoup.nodes.Element;

/** What a style attribute says of text and paragraphs (CSS 2.2); what is not understood is left. */
final class Css {
  private static final Pattern LENGTH =
      Pattern.compile("(-?[\\d.]+)\\s*(pt|px|em|rem|cm|mm|in|%)?");
  private static final Pattern RGB =
      Pattern.compile(
          "rgba?\\(\\s*(\\d+)[,\\s]+(\\d+)[,\\s]+(\\d+)(?:\\s*[,/]\\s*([\\d.]+))?\\s*\\)");

  private static final Pattern HEX = Pattern.compile("#([0-9a-f]{6}|[0-9a-f]{3})\\b");

  private static final double LARGEST = 400;

  private final Map<String, String> said = new LinkedHashMap<>();

  private Css(String style) {
    for (String one : style.split(";")) {
      int colon = one.indexOf(':');
      if (colon > 0) {
        String value = one.substring(colon + 1).replace("!important", "").strip();
        CssShorthands.put(one.substring(0, colon).strip().toLowerCase(Locale.ROOT), value, said);
      }
    }
  }

  /** What an element says of its look: by attributes, and by its style, which counts more. */
  static Css of(Element e) {
    return new Css(HtmlHints.of(e) + e.attr("style"));
  }

  /** The same without the room around it, which a page has at the edges of its paper. */
  Css withoutMargins() {
    said.keySet().removeIf(p -> p.startsWith("margin") || p.startsWith("border"));
    return this;
  }

  boolean says(String property) {
    return said.containsKey(property);
  }

  String value(String property) {
    return said.getOrDefault(property, "").toLowerCase(Locale.ROOT);
  }

  boolean hides() {
    return value("display").equals("none") || value("visibility").equals("hidden");
  }

  boolean breaksBefore() {
    return (value("page-break-before") + value("break-before")).matches("always|page|left|right");
  }

  boolean breaksAfter() {
    return (value("page-break-after") + value("break-after")).matches("always|page|left|right");
  }

  /** Whether a line is drawn at any of its sides. */
  boolean isBordered() {
    return rules().isDrawn();
  }

  /** The lines at its sides. */
  private Rules rules() {
    return new Rules(
        CssShorthands.rule(value("border-top"), this::colourOf),
        CssShorthands.rule(value("border-right"), this::colourOf),
        CssShorthands.rule(value("border-bottom"), this::colourOf),
        CssShorthands.rule(value("border-left"), this::colourOf),
        Optional.empty(),
        Optional.empty());
  }

  /** The ground of a block is not that of its letters. */
  Look withoutGround(Look text) {
    return background().isPresent() ? text.without(TextTraits.HIGHLIGHT) : text;
  }

  /** Whether letters are said to be bold, or not to be; empty where nothing is said. */
  Optional<Boolean> bold() {
    String weight = value("font-weight");
    return weight.isEmpty()
        ? Optional.empty()
        : Optional.of(
            weight.startsWith("bold")
                || weight.matches("\\d+")
                    && Integer.parseInt(weight.substring(0, Math.min(4, weight.length()))) >= 600);
  }

  /** The look of text in it, over that of the text around it. */
  Look text(Look around, double size) {
    Look look = around;
    String family =
        said.getOrDefault("font-family", "").split(",")[0].replaceAll("[\"']", "").strip();
    if (!family.isEmpty() && !isGeneric(family)) {
      look = look.with(TextTraits.FAMILY, family);
    }
    double parent = around.get(TextTraits.SIZE).orElse(size);
    Optional<Double> own =
        length("font-size", parent)
            .or(() -> CssShorthands.size(value("font-size"), parent, size))
            .filter(s -> s > 0 && s < LARGEST);
    if (own.isPresent()) {
      look = look.with(TextTraits.SIZE, Math.round(own.get() * 4) / 4.0);
    }
    Optional<Boolean> bold = bold();
    if (bold.isPresent() && (bold.get() || look.sets(TextTraits.BOLD))) {
      look = look.with(TextTraits.BOLD, bold.get());
    }
    String slant = value("font-style");
    if (!slant.isEmpty()) {
      boolean italic = slant.equals("italic") || slant.startsWith("oblique");
      look = italic || look.sets(TextTraits.ITALIC) ? look.with(TextTraits.ITALIC, italic) : look;
    }
    String line = value("text-decoration") + value("text-decoration-line");
    look = line.contains("underline") ? look.with(TextTraits.UNDERLINE, true) : look;
    look = line.contains("line-through") ? look.with(TextTraits.STRIKE, true) : look;
    look =
        value("font-variant").contains("small-caps")
            ? look.with(TextTraits.SMALL_CAPS, true)
            : look;
    look =
        value("text-transform").equals("uppercase") ? look.with(TextTraits.ALL_CAPS, true) : look;
    Optional<Double> apart =
        value("letter-spacing").equals("normal")
            ? Optional.of(0.0)
            : length("letter-spacing", look.get(TextTraits.SIZE).orElse(size))
                .filter(a -> Math.abs(a) < LARGEST);
    if (apart.isPresent() && (look.sets(TextTraits.LETTER_SPACING) || apart.get() != 0)) {
      look = look.with(TextTraits.LETTER_SPACING, apart.get());
    }
    String raise = value("vertical-align");
    look = raise.equals("super") ? look.with(TextTraits.RAISE, TextTraits.Raise.SUPERSCRIPT) : look;
    look = raise.equals("sub") ? look.with(TextTraits.RAISE, TextTraits.Raise.SUBSCRIPT) : look;
    Optional<Colour> ink = colour("color");
    if (ink.isPresent() && (look.sets(TextTraits.COLOUR) || !ink.get().equals(Colour.BLACK))) {
      look = look.with(TextTraits.COLOUR, ink.get());
    }
    Optional<Colour> behind = background();
    return behind.isPresent() && !behind.get().equals(Colour.WHITE)
        ? look.with(TextTraits.HIGHLIGHT, behind.get())
        : look;
  }

  private static boolean isGeneric(String family) {
    return family.matches(
        "(?i)serif|sans-serif|monospace|cursive|fantasy|system-ui|inherit|initial|-.*|ui-.*|var\\(.*");
  }

  /** The look of a paragraph, over that of what it stands in. */
  Look paragraph(Look around, double size) {
    Look look = around;
    Optional<Alignment> alignment =
        switch (value("text-align")) {
          case "center", "-webkit-center" -> Optional.of(Alignment.CENTRE);
          case "right", "end" -> Optional.of(Alignment.END);
          case "justify" -> Optional.of(Alignment.JUSTIFIED);
          case "left", "start" -> Optional.of(Alignment.START);
          default -> Optional.empty();
        };
    if (alignment.isPresent()) {
      look =
          alignment.get() == Alignment.START
              ? look.without(ParagraphTraits.ALIGNMENT)
              : look.with(ParagraphTraits.ALIGNMENT, alignment.get());
    }
    Optional<Double> indent =
        length("margin-inline-start", size).or(() -> length("margin-left", size));
    double outer = look.value(ParagraphTraits.INDENT_START);
    look =
        indent.filter(i -> i > 0 && outer + i < LARGEST).isPresent()
            ? look.with(ParagraphTraits.INDENT_START, outer + indent.get())
            : look;
    Optional<Colour> ground = background();
    if (ground.isPresent()
        && (look.sets(ParagraphTraits.SHADING) || !ground.get().equals(Colour.WHITE))) {
      look = look.with(ParagraphTraits.SHADING, ground.get());
    }
    Rules rules = rules();
    look = rules.isDrawn() ? look.with(ParagraphTraits.RULES, rules) : look;
    Optional<Double> first =
        length("text-indent", size).filter(i -> i != 0 && Math.abs(i) < LARGEST);
    return first.isPresent() ? look.with(ParagraphTraits.FIRST_LINE, first.get()) : look;
  }

  Optional<Colour> background() {
    return colour("background-color").or(() -> colour("background"));
  }

  Optional<Colour> colour(String property) {
    return colourOf(value(property));
  }

  private Optional<Colour> colourOf(String v) {
    Matcher m = RGB.matcher(v);
    if (m.find()) {
      boolean clear = m.group(4) != null && number(m.group(4)).orElse(1.0) == 0;
      int rgb = channel(m.group(1)) << 16 | channel(m.group(2)) << 8 | channel(m.group(3));
      return clear ? Optional.empty() : Optional.of(new Colour(rgb));
    }
    Matcher hex = HEX.matcher(v);
    if (hex.find()) {
      String h = hex.group(1);
      return Optional.of(Colour.parse(h.length() == 6 ? h : h.replaceAll("(.)", "$1$1")));
    }
    return Arrays.stream(v.split("\\s+")).flatMap(w -> ColourNames.of(w).stream()).findFirst();
  }

  private static int channel(String digits) {
    return Math.min(255, digits.length() > 3 ? 255 : Integer.parseInt(digits));
  }

  private static Optional<Double> number(String s) {
    try {
      return Optional.of(Double.parseDouble(s));
    } catch (NumberFormatException e) {
      return Optional.empty();
    }
  }

  /** A length in points. */
  Optional<Double> length(String property, double em) {
    Matcher m = LENGTH.matcher(value(property));
    if (!m.matches()) {
      return Optional.empty();
    }
    String unit = m.group(2) == null ? "" : m.group(2);
    boolean share = unit.equals("%") && property.equals("font-size");
    return number(m.group(1)).flatMap(n -> share ? Optional.of(n * em / 100) : points(n, unit, em));
  }

  /**
   * A measure in points; empty for one of no unit but none, or one that is a share of something.
   */
  static Optional<Double> points(double n, String unit, double em) {
    return switch (unit) {
      case "" -> n == 0 ? Optional.of(0.0) : Optional.empty();
      case "pt" -> Optional.of(n);
      case "px" -> Optional.of(n * PictureSize.PIXEL);
      case "em", "rem" -> Optional.of(n * em);
      case "cm" -> Optional.of(n * 72 / 2.54);
      case "mm" -> Optional.of(n * 72 / 25.4);
      case "in" -> Optional.of(n * 72);
      default -> Optional.empty();
    };
  }
}
