package decant.office.docx.markup;

import decant.model.look.Colour;
import decant.office.xml.Element;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/** The fonts and colours of a theme part (§14.2.7). */
public record Theme(Optional<String> major, Optional<String> minor, Map<String, Colour> colours) {
  public static final Theme NONE = new Theme(Optional.empty(), Optional.empty(), Map.of());

  public static Theme of(Element part) {
    var colours = new HashMap<String, Colour>();
    part.descendant("a:clrScheme")
        .ifPresent(s -> {
          for (Element e : s.elements()) {
            Optional<String> hex =
                e.child("a:srgbClr")
                    .flatMap(c -> c.attribute("val"))
                    .or(() -> e.child("a:sysClr").flatMap(c -> c.attribute("lastClr")));
            hex.flatMap(DocxLooks::hex)
                .ifPresent(c -> colours.put(e.name().substring(e.name().indexOf(':') + 1), c));
          }
        });
    return new Theme(latin(part, "a:majorFont"), latin(part, "a:minorFont"), colours);
  }

  private static Optional<String> latin(Element part, String which) {
    return part.descendant(which)
        .flatMap(f -> f.child("a:latin"))
        .flatMap(l -> l.attribute("typeface"))
        .filter(t -> !t.isBlank());
  }

  /** The font that a theme reference such as {@code minorHAnsi} stands for (§17.18.96). */
  Optional<String> font(String reference) {
    return reference.startsWith("major")
        ? major
        : reference.startsWith("minor") ? minor : Optional.empty();
  }

  /** A colour of DrawingML (§20.1.2.3), as far as it is one of the usual kinds. */
  public Optional<Colour> colour(Element parent) {
    Optional<Element> rgb = parent.child("a:srgbClr");
    if (rgb.isPresent()) {
      return rgb.get().attribute("val").flatMap(DocxLooks::hex).map(c -> changed(c, rgb.get()));
    }
    Optional<Element> scheme = parent.child("a:schemeClr");
    if (scheme.isPresent()) {
      String name =
          switch (scheme.get().attribute("val").orElse("")) {
            case "tx1" -> "dk1";
            case "tx2" -> "dk2";
            case "bg1" -> "lt1";
            case "bg2" -> "lt2";
            default -> scheme.get().attribute("val").orElse("");
          };
      Colour known = colours.get(name);
      return known == null ? Optional.empty() : Optional.of(changed(known, scheme.get()));
    }
    return parent
        .child("a:sysClr")
        .flatMap(c -> c.attribute("lastClr"))
        .flatMap(DocxLooks::hex)
        .or(() ->
            parent
                .child("a:prstClr")
                .flatMap(c -> c.attribute("val"))
                .map(v -> v.equals("white") ? Colour.WHITE : Colour.BLACK));
  }

  /** The changes of lightness that a colour may carry; approximately, channel by channel. */
  private static Colour changed(Colour c, Element e) {
    double times = share(e, "a:lumMod").orElse(1.0) * share(e, "a:shade").orElse(1.0);
    double plus = share(e, "a:lumOff").orElse(0.0);
    double tint = share(e, "a:tint").orElse(1.0);
    return new Colour(
        channel(c.red(), times, plus, tint) << 16
            | channel(c.green(), times, plus, tint) << 8
            | channel(c.blue(), times, plus, tint));
  }

  private static int channel(int v, double times, double plus, double tint) {
    double x = v * times + 255 * plus;
    x = 255 - (255 - x) * tint;
    return Math.clamp(Math.round(x), 0, 255);
  }

  private static Optional<Double> share(Element e, String name) {
    return e.child(name).flatMap(c -> DocxLooks.number(c.attribute("val"))).map(v -> v / 100_000);
  }
}
