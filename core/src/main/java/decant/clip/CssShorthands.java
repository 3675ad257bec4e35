package decant.clip;

import decant.model.look.Colour;
import decant.model.look.Rule;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Properties that say several things at once, parted into those that say one (CSS 2.2). */
final class CssShorthands {
  private static final List<String> SIDES = List.of("top", "right", "bottom", "left");

  private static final String SPACE = "\\s+(?![^(]*\\))"; // not within rgb(1, 2, 3)

  /** §15.8: the style, weight and size, the height of lines, and the fonts. */
  private static final Pattern FONT =
      Pattern.compile("(.*?)([\\d.]+(?:pt|px|em|rem|%|cm|mm|in))(?:/(\\S+))?\\s+(.+)");

  private static final Pattern WIDTH = Pattern.compile("([\\d.]+)(pt|px|mm|cm|in|em)?");

  static final double USUAL_SIZE = 12; // points
  private static final double THIN = 0.75;
  private static final double MEDIUM = 2.25;
  private static final double THICK = 3.75;

  private CssShorthands() {}

  /** Puts a property among those said before it. */
  static void put(String property, String value, Map<String, String> said) {
    switch (property) {
      case "margin" -> sides(value, said);
      case "border" -> SIDES.forEach(side -> said.put("border-" + side, value));
      case "border-style" -> {
        if (value.matches("(?i)none|hidden")) {
          SIDES.forEach(side -> said.put("border-" + side, value));
        }
      }
      case "list-style" -> {
        for (String word : value.split("\\s+")) {
          if (!word.matches("(?i)inside|outside|url.*")) {
            said.put("list-style-type", word);
          }
        }
      }
      case "font" -> {
        Matcher m = FONT.matcher(value);
        if (m.matches()) {
          String before = m.group(1).toLowerCase(Locale.ROOT);
          said.put("font-weight", before.matches(".*(bold|[6-9]00).*") ? "bold" : "normal");
          said.put("font-style", before.matches(".*(italic|oblique).*") ? "italic" : "normal");
          said.put("font-size", m.group(2));
          said.put("line-height", m.group(3) == null ? "normal" : m.group(3));
          said.put("font-family", m.group(4));
        }
      }
      default -> said.put(property, value);
    }
  }

  /** §8.3: one value for all sides, or those of top, right, bottom and left. */
  private static void sides(String value, Map<String, String> said) {
    String[] of = value.split(SPACE);
    int n = of.length;
    said.put("margin-top", of[0]);
    said.put("margin-right", of[n > 1 ? 1 : 0]);
    said.put("margin-bottom", of[n > 2 ? 2 : 0]);
    said.put("margin-left", of[n > 3 ? 3 : n > 1 ? 1 : 0]);
  }

  /** A line at a side: how wide, of what kind and in which colour; empty if none is drawn. */
  static Optional<Rule> rule(String said, Function<String, Optional<Colour>> colours) {
    if (said.isBlank() || said.matches(".*\\b(none|hidden)\\b.*")) {
      return Optional.empty();
    }
    Rule.Kind kind = null;
    double width = MEDIUM; // §8.5.1, where it is not said
    for (String word : said.split(SPACE)) {
      Matcher m = WIDTH.matcher(word);
      if (m.matches()) {
        width = points(m);
      }
      switch (word) {
        case "thin" -> width = THIN;
        case "thick" -> width = THICK;
        case "solid", "inset", "outset", "groove", "ridge" -> kind = Rule.Kind.SINGLE;
        case "double" -> kind = Rule.Kind.DOUBLE;
        case "dotted" -> kind = Rule.Kind.DOTTED;
        case "dashed" -> kind = Rule.Kind.DASHED;
        default -> {}
      }
    }
    Colour colour = colours.apply(said).orElse(Colour.BLACK);
    return kind == null || width <= 0
        ? Optional.empty()
        : Optional.of(new Rule(kind, kind == Rule.Kind.DOUBLE ? width / 3 : width, colour, 0));
  }

  private static double points(Matcher m) {
    String unit = m.group(2) == null ? "px" : m.group(2);
    return Css.points(Double.parseDouble(m.group(1)), unit, USUAL_SIZE).orElse(0.0);
  }

  /**
   * A size of letters by a word (CSS Fonts 4, §2.5).
   *
   * @param parent the size around it, in points
   * @param usual the size of text that says nothing
   */
  static Optional<Double> size(String word, double parent, double usual) {
    double step = 1.2; // common practice between one size and the next
    return switch (word) {
      case "xx-small" -> Optional.of(usual * 3 / 5);
      case "x-small" -> Optional.of(usual * 3 / 4);
      case "small" -> Optional.of(usual * 8 / 9);
      case "medium" -> Optional.of(usual);
      case "large" -> Optional.of(usual * 6 / 5);
      case "x-large" -> Optional.of(usual * 3 / 2);
      case "xx-large" -> Optional.of(usual * 2);
      case "xxx-large" -> Optional.of(usual * 3);
      case "smaller" -> Optional.of(parent / step);
      case "larger" -> Optional.of(parent * step);
      default -> Optional.empty();
    };
  }
}
