package decant.office.docx.markup;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/** What a shape's {@code style} says, as CSS (ISO/IEC 29500-4 §19.1.2.19). */
public final class VmlStyle {
  private final Map<String, String> all;

  private VmlStyle(Map<String, String> all) {
    this.all = all;
  }

  /** That of an attribute; what is no property is passed over. */
  public static VmlStyle of(String css) {
    var out = new LinkedHashMap<String, String>();
    for (String part : css.split(";")) {
      int colon = part.indexOf(':');
      if (colon > 0) {
        out.put(
            part.substring(0, colon).strip().toLowerCase(Locale.ROOT),
            part.substring(colon + 1).strip());
      }
    }
    return new VmlStyle(out);
  }

  /** What it says of a property. */
  public Optional<String> get(String property) {
    return Optional.ofNullable(all.get(property));
  }

  /** What it says of a property, or what holds if it says nothing. */
  public String get(String property, String otherwise) {
    return all.getOrDefault(property, otherwise);
  }

  /** With another size, in points. */
  public VmlStyle sized(double width, double height) {
    return with(Map.of("width", length(width), "height", length(height)));
  }

  /** With other values of some properties. */
  VmlStyle with(Map<String, String> others) {
    var out = new LinkedHashMap<>(all);
    out.putAll(others);
    return new VmlStyle(out);
  }

  /** Without some properties. */
  VmlStyle without(Predicate<String> some) {
    var out = new LinkedHashMap<>(all);
    out.keySet().removeIf(some);
    return new VmlStyle(out);
  }

  /** How far it turns a shape, clockwise, in degrees; in 65,536ths of them where it says so. */
  public double rotation() {
    String r = get("rotation", "0");
    return r.endsWith("fd") ? number(r.replace("fd", "")) / 65_536 : number(r) % 360;
  }

  /** Turned to so many degrees. */
  public VmlStyle turned(double degrees) {
    return with(Map.of("rotation", String.format(Locale.ROOT, "%.2f", degrees)));
  }

  /** A number; 0 for what is none. */
  public static double number(String v) {
    return DocxLooks.number(Optional.of(v.strip())).orElse(0.0);
  }

  /** A length in points, as styles have it. */
  static String length(double points) {
    return String.format(Locale.ROOT, "%.2fpt", points);
  }

  /** As it stands in a file. */
  public String css() {
    return all.entrySet().stream()
        .map(e -> e.getKey() + ":" + e.getValue())
        .collect(Collectors.joining(";"));
  }

  /** Two lengths, in points where they have units, else as they are. */
  public static double[] point(String v) {
    String[] parts = v.split(",", -1);
    boolean units = v.matches(".*[a-z].*");
    double[] out = new double[2];
    for (int k = 0; k < 2 && k < parts.length; k++) {
      out[k] = parts[k].isBlank() ? 0 : units ? points(parts[k]) : number(parts[k]);
    }
    return out;
  }

  /** A length in points; without a unit it is in pixels, of which 96 make an inch. */
  public static double points(String length) {
    String s = length.strip().toLowerCase(Locale.ROOT);
    double n = number(s.replaceAll("[a-z%]+$", ""));
    double by =
        s.endsWith("pt")
            ? 1
            : s.endsWith("in")
                ? 72
                : s.endsWith("cm")
                    ? 72 / 2.54
                    : s.endsWith("mm") ? 72 / 25.4 : s.endsWith("pc") ? 12 : 0.75;
    return Math.clamp(n * by, -Anchors.LARGEST, Anchors.LARGEST);
  }
}
