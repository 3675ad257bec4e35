package decant.clip;

import decant.model.look.LinePitch;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** How far lines stand apart (CSS 2.2, §10.8.1). */
final class CssLines {
  /**
   * The height of a line that says nothing, in sizes of its font. §10.8.1 recommends 1.0 to 1.2;
   * this is what the most common fonts have.
   */
  private static final double NORMAL = 1.15;

  private static final double LARGEST = 10; // sizes
  private static final Pattern SIZES = Pattern.compile("(\\d+(?:\\.\\d+)?|\\.\\d+)(em|%)?");

  private CssLines() {}

  /** A property with its semicolon; nothing for lines that stand as they do by themselves. */
  static String css(LinePitch pitch, double size) {
    return switch (pitch) {
      case LinePitch.Multiple m when m.factor() == 1 -> "";
      case LinePitch.Multiple m ->
          String.format(Locale.ROOT, "line-height:%.4f;", m.factor() * NORMAL);
      case LinePitch.Exactly e -> points(e.points());
      case LinePitch.AtLeast a -> a.points() > size * NORMAL ? points(a.points()) : "";
    };
  }

  private static String points(double points) {
    return "line-height:%spt;".formatted(HtmlWriter.points(points));
  }

  /**
   * What a value says. Lines whose height is a length grow by what is larger on them, unless they
   * are lower than their letters.
   */
  static Optional<LinePitch> read(Css css, double size) {
    String value = css.value("line-height");
    if (value.equals("normal")) {
      return Optional.of(LinePitch.SINGLE);
    }
    Matcher sizes = SIZES.matcher(value);
    if (sizes.matches()) {
      double of = Double.parseDouble(sizes.group(1)) / ("%".equals(sizes.group(2)) ? 100 : 1);
      return Optional.of(of)
          .filter(s -> s > 0 && s < LARGEST)
          .map(s -> new LinePitch.Multiple(s / NORMAL));
    }
    return css.length("line-height", size)
        .filter(p -> p > 0 && p < size * LARGEST)
        .map(p -> p < size * NORMAL ? new LinePitch.Exactly(p) : new LinePitch.AtLeast(p));
  }
}
