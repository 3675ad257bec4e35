package decant.clip;

import decant.model.look.Colour;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.TextTraits;
import decant.picture.PictureSize;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What a style attribute says of text and paragraphs (CSS 2.2); what is not understood is left. */
final class Css {
  private static final Pattern LENGTH =
      Pattern.compile("(-?[\\d.]+)\\s*(pt|px|em|rem|cm|mm|in|%)?");
  private static final Pattern RGB =
      Pattern.compile(
          "rgba?\\(\\s*(\\d+)[,\\s]+(\\d+)[,\\s]+(\\d+)(?:\\s*[,/]\\s*([\\d.]+))?\\s*\\)");

  private static final Pattern HEX = Pattern.compile("#([0-9a-f]{6}|[0-9a-f]{3})\\b");

  /** Of CSS Color 3's basic names, those that documents use. */
  private static final Map<String, String> NAMES =
      Map.ofEntries(
          Map.entry("black", "000000"),
          Map.entry("silver", "C0C0C0"),
          Map.entry("gray", "808080"),
          Map.entry("grey", "808080"),
          Map.entry("white", "FFFFFF"),
          Map.entry("maroon", "800000"),
          Map.entry("red", "FF0000"),
          Map.entry("purple", "800080"),
          Map.entry("fuchsia", "FF00FF"),
          Map.entry("green", "008000"),
          Map.entry("lime", "00FF00"),
          Map.entry("olive", "808000"),
          Map.entry("yellow", "FFFF00"),
          Map.entry("navy", "000080"),
          Map.entry("blue", "0000FF"),
          Map.entry("teal", "008080"),
          Map.entry("aqua", "00FFFF"),
          Map.entry("orange", "FFA500"));

  private static final double LARGEST = 400;

  private final Map<String, String> said = new LinkedHashMap<>();

  private Css(String style) {
    for (String one : style.split(";")) {
      int colon = one.indexOf(':');
      if (colon > 0) {
        String value = one.substring(colon + 1).replace("!important", "").strip();
        said.put(one.substring(0, colon).strip().toLowerCase(Locale.ROOT), value);
      }
    }
  }

  static Css of(String style) {
    return new Css(style);
  }

  String value(String property) {
    return said.getOrDefault(property, "").toLowerCase(Locale.ROOT);
  }

  boolean hides() {
    return value("display").equals("none") || value("visibility").equals("hidden");
  }

  /** The look of text in it, over that of the text around it. */
  Look text(Look around, double size) {
    Look look = around;
    String family =
        said.getOrDefault("font-family", "").split(",")[0].replaceAll("[\"']", "").strip();
    if (!family.isEmpty() && !isGeneric(family)) {
      look = look.with(TextTraits.FAMILY, family);
    }
    Optional<Double> own = length("font-size", size).filter(s -> s > 0 && s < LARGEST);
    if (own.isPresent()) {
      look = look.with(TextTraits.SIZE, Math.round(own.get() * 4) / 4.0);
    }
    String weight = value("font-weight");
    if (!weight.isEmpty()) {
      boolean bold =
          weight.startsWith("bold")
              || weight.matches("\\d+")
                  && Integer.parseInt(weight.substring(0, Math.min(4, weight.length()))) >= 600;
      look = bold || look.sets(TextTraits.BOLD) ? look.with(TextTraits.BOLD, bold) : look;
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
    look =
        indent.filter(i -> i > 0 && i < LARGEST).isPresent()
            ? look.with(ParagraphTraits.INDENT_START, indent.get())
            : look;
    Optional<Double> first =
        length("text-indent", size).filter(i -> i != 0 && Math.abs(i) < LARGEST);
    return first.isPresent() ? look.with(ParagraphTraits.FIRST_LINE, first.get()) : look;
  }

  Optional<Colour> background() {
    return colour("background-color").or(() -> colour("background"));
  }

  private Optional<Colour> colour(String property) {
    String v = value(property);
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
    return Optional.ofNullable(NAMES.get(v.split("\\s+")[0])).map(Colour::parse);
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
    return number(m.group(1))
        .flatMap(n ->
            switch (unit) {
              case "pt" -> Optional.of(n);
              case "px" -> Optional.of(n * PictureSize.PIXEL);
              case "em", "rem" -> Optional.of(n * em);
              case "%" ->
                  property.equals("font-size") ? Optional.of(n * em / 100) : Optional.empty();
              case "cm" -> Optional.of(n * 72 / 2.54);
              case "mm" -> Optional.of(n * 72 / 25.4);
              case "in" -> Optional.of(n * 72);
              default -> Optional.empty();
            });
  }
}
