package decant.office.odf;

import static decant.office.odf.markup.Measures.hash;

import decant.model.look.Colour;
import decant.model.look.Rule;
import decant.office.xml.Element;
import decant.office.xml.XmlParts;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Optional;

/** Paths and polygons (ODF 1.3 part 3, §10.3.5 to §10.3.7), which speak SVG already. */
final class OutlineDrawing {
  private OutlineDrawing() {}

  /** An SVG drawing of one. */
  static byte[] svg(
      Element e, double width, double height, Optional<Colour> fill, Optional<Rule> line) {
    String[] view = e.attribute("svg:viewBox").orElse("0 0 1 1").strip().split("[\\s,]+");
    double across = number(view, 2);
    double down = number(view, 3);
    boolean open = e.name().equals("draw:polyline");
    String outline =
        e.name().equals("draw:path")
            ? "<path d=\"" + XmlParts.escape(e.attribute("svg:d").orElse("")) + "\""
            : "<"
                + (open ? "polyline" : "polygon")
                + " points=\""
                + XmlParts.escape(e.attribute("draw:points").orElse(""))
                + "\"";
    // The line is as wide as it says on the page, whatever the drawing's own measure.
    double scale = Math.max(across, down) / Math.max(1, Math.max(width, height));
    String s =
        String.format(
            Locale.ROOT,
            "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"%.2fpt\" height=\"%.2fpt\""
                + " viewBox=\"%s\" preserveAspectRatio=\"none\">%s fill=\"%s\" stroke=\"%s\""
                + " stroke-width=\"%.3f\"/></svg>",
            width,
            height,
            XmlParts.escape(String.join(" ", view)),
            outline,
            open ? "none" : fill.map(c -> hash(c)).orElse("none"),
            line.map(r -> hash(r.colour())).orElse("none"),
            line.map(Rule::width).orElse(0.0) * scale);
    return s.getBytes(StandardCharsets.UTF_8);
  }

  private static double number(String[] parts, int k) {
    try {
      return k < parts.length ? Double.parseDouble(parts[k]) : 1;
    } catch (NumberFormatException e) {
      return 1;
    }
  }
}
