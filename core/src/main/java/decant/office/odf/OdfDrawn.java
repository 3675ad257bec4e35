package decant.office.odf;

import static decant.office.odf.markup.Measures.colour;
import static decant.office.odf.markup.Measures.length;

import decant.model.Inline.Geometry;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.Rule;
import decant.model.look.VerticalAlignment;
import decant.office.xml.Element;
import java.util.Optional;

/** What frames and shapes look like (ODF 1.3 part 3, §16.27 and §20.110 to §20.175). */
final class OdfDrawn {
  private OdfDrawn() {}

  static Insets padding(Element p, Optional<Double> all) {
    return new Insets(
        side(p, "top", all), side(p, "right", all), side(p, "bottom", all), side(p, "left", all));
  }

  private static double side(Element p, String side, Optional<Double> all) {
    return length(p.attribute("fo:padding-" + side)).or(() -> all).orElse(0.0);
  }

  static VerticalAlignment vertical(Element p) {
    return switch (p.attribute("draw:textarea-vertical-align").orElse("top")) {
      case "middle" -> VerticalAlignment.CENTRE;
      case "bottom" -> VerticalAlignment.BOTTOM;
      default -> VerticalAlignment.TOP;
    };
  }

  static Optional<Colour> frameFill(Element p) {
    return drawFill(p, "none")
        .or(() -> colour(p.attribute("fo:background-color")).filter(c -> !c.equals(Colour.WHITE)));
  }

  static Optional<Colour> drawFill(Element p, String unsaid) {
    return switch (p.attribute("draw:fill").orElse(unsaid)) {
      case "solid" ->
          colour(p.attribute("draw:fill-color")).or(() -> Optional.of(new Colour(0xCFE7F5)));
      case "gradient", "hatch", "bitmap" -> colour(p.attribute("draw:fill-color"));
      default -> Optional.empty();
    };
  }

  static Optional<Rule> frameLine(Element p) {
    Optional<String> said = p.attribute("fo:border").or(() -> p.attribute("fo:border-top"));
    return said.map(s -> OdfLooks.rule(s, 0)).filter(Rule::isDrawn).or(() -> drawLine(p, "none"));
  }

  static Optional<Rule> drawLine(Element p, String unsaid) {
    String stroke = p.attribute("draw:stroke").orElse(unsaid);
    if (stroke.equals("none")) {
      return Optional.empty();
    }
    double width = length(p.attribute("svg:stroke-width")).orElse(0.0);
    return Optional.of(
        new Rule(
            stroke.equals("dash") ? Rule.Kind.DASHED : Rule.Kind.SINGLE,
            Math.clamp(width, 0.25, 40),
            colour(p.attribute("svg:stroke-color")).orElse(Colour.BLACK),
            0));
  }

  static Geometry geometry(Element e) {
    String type =
        e.child("draw:enhanced-geometry").flatMap(g -> g.attribute("draw:type")).orElse("");
    boolean round =
        e.attribute("draw:corner-radius")
            .flatMap(r -> length(Optional.of(r)))
            .filter(r -> r > 0)
            .isPresent();
    return switch (e.name()) {
      case "draw:ellipse", "draw:circle" -> Geometry.ELLIPSE;
      case "draw:custom-shape" ->
          switch (type) {
            case "ellipse", "circle", "ooxml-ellipse", "flowchart-connector" -> Geometry.ELLIPSE;
            case "round-rectangle", "ooxml-roundRect", "flowchart-alternate-process" ->
                Geometry.ROUNDED;
            default -> Geometry.RECTANGLE;
          };
      default -> round ? Geometry.ROUNDED : Geometry.RECTANGLE;
    };
  }
}
