package decant.office.odf.markup;

import decant.model.look.Colour;
import java.util.Locale;
import java.util.Optional;

/** Lengths, shares and colours as ODF writes them (ODF 1.3 part 3, §18.3). */
public final class Measures {
  /** No honest length is longer: 200 inches, in points. */
  private static final double LONGEST = 14_400;

  private Measures() {}

  /** A length in points; empty for a share, or for what is no length. */
  public static Optional<Double> length(Optional<String> value) {
    return value.flatMap(Measures::length);
  }

  private static Optional<Double> length(String value) {
    String v = value.strip().toLowerCase(Locale.ROOT);
    int unit = v.length();
    while (unit > 0 && Character.isLetter(v.charAt(unit - 1))) {
      unit--;
    }
    double points =
        switch (v.substring(unit)) {
          case "pt" -> 1;
          case "in", "inch" -> 72;
          case "cm" -> 72 / 2.54;
          case "mm" -> 72 / 25.4;
          case "pc" -> 12;
          case "px" -> 0.75;
          default -> 0;
        };
    return points == 0
        ? Optional.empty()
        : number(v.substring(0, unit)).map(n -> Math.clamp(n * points, -LONGEST, LONGEST));
  }

  /** A share, 1 for 100 %. */
  public static Optional<Double> share(Optional<String> value) {
    return value
        .map(String::strip)
        .filter(v -> v.endsWith("%"))
        .flatMap(v -> number(v.substring(0, v.length() - 1)))
        .map(n -> n / 100);
  }

  private static Optional<Double> number(String v) {
    try {
      double d = Double.parseDouble(v.strip());
      return Double.isFinite(d) ? Optional.of(d) : Optional.empty();
    } catch (NumberFormatException e) {
      return Optional.empty();
    }
  }

  /** A whole number; empty if it is none. */
  public static Optional<Integer> whole(Optional<String> value) {
    return value.flatMap(Measures::number).map(Double::intValue);
  }

  /** A colour; white for none at all. Empty if it is no colour. */
  public static Optional<Colour> colour(Optional<String> value) {
    if (value.filter(v -> v.strip().equals("transparent")).isPresent()) {
      return Optional.of(Colour.WHITE);
    }
    return value
        .map(String::strip)
        .filter(v -> v.matches("#[0-9a-fA-F]{6}"))
        .map(v -> Colour.parse(v.substring(1)));
  }

  /** A length as it is written. */
  public static String points(double length) {
    double d = Math.rint(length * 1000) / 1000;
    String s = d == Math.rint(d) ? Long.toString((long) d) : Double.toString(d);
    return s + "pt";
  }

  /** A share as it is written. */
  public static String percent(double share) {
    double d = Math.rint(share * 10_000) / 100;
    String s = d == Math.rint(d) ? Long.toString((long) d) : Double.toString(d);
    return s + "%";
  }

  /** A colour as it is written. */
  public static String hash(Colour c) {
    return "#" + c.hex().toLowerCase(Locale.ROOT);
  }

  /** Whether a switch is on. */
  public static boolean isTrue(Optional<String> value) {
    return value.filter(v -> v.strip().equals("true")).isPresent();
  }
}
