package decant.office.docx.markup;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** What a shape's {@code style} says, as CSS (ISO/IEC 29500-4 §19.1.2.19). */
public final class VmlStyle {
  /** No length is beyond this many points. */
  public static final double LARGEST = 4000;

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
    var out = new LinkedHashMap<>(all);
    out.put("width", of(width));
    out.put("height", of(height));
    return new VmlStyle(out);
  }

  private static String of(double points) {
    return String.format(Locale.ROOT, "%.2fpt", points);
  }

  /** As it stands in a file. */
  public String css() {
    return all.entrySet().stream()
        .map(e -> e.getKey() + ":" + e.getValue())
        .collect(Collectors.joining(";"));
  }

  /** A length in points; without a unit it is in pixels, of which 96 make an inch. */
  public static double points(String length) {
    String s = length.strip().toLowerCase(Locale.ROOT);
    double n = DocxLooks.number(Optional.of(s.replaceAll("[a-z%]+$", "").strip())).orElse(0.0);
    double by =
        s.endsWith("pt")
            ? 1
            : s.endsWith("in")
                ? 72
                : s.endsWith("cm")
                    ? 72 / 2.54
                    : s.endsWith("mm") ? 72 / 25.4 : s.endsWith("pc") ? 12 : 0.75;
    return Math.clamp(n * by, -LARGEST, LARGEST);
  }
}
