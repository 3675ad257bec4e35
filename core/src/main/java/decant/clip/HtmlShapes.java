package decant.clip;

import static decant.clip.HtmlWriter.points;

import decant.model.Inline;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.Rule;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jsoup.nodes.Element;

/** Shapes: those without text as drawings in the line (SVG 1.1, §9), those with it as boxes. */
final class HtmlShapes {
  private static final double LEAST = 1; // points: what is lower or narrower is not shown

  private HtmlShapes() {}

  /** Draws a shape, unless it has text, or stands behind the text of the page. */
  static void draw(Inline.Shape s, Element into) {
    if (s.content().story().isPresent() || s.isBackdrop()) {
      return;
    }
    double width = Math.max(LEAST, s.width());
    double height = Math.max(LEAST, s.height());
    Element svg =
        into.appendElement("svg")
            .attr("width", points(width) + "pt")
            .attr("height", points(height) + "pt")
            .attr("viewBox", "0 0 " + points(width) + " " + points(height))
            .attr("style", "overflow:visible")
            .attr("role", "img");
    if (!s.alt().isEmpty()) {
      svg.attr("aria-label", s.alt());
    }
    Element e = outline(s, svg, width, height);
    e.attr("fill", s.drawing().fill().map(HtmlShapes::hash).orElse("none"));
    line(s)
        .ifPresent(r -> {
          e.attr("stroke", hash(r.colour())).attr("stroke-width", points(r.width()));
          String dashes =
              r.dashes().stream().map(w -> points(w * r.width())).collect(Collectors.joining(" "));
          if (!dashes.isEmpty()) {
            e.attr("stroke-dasharray", dashes);
          }
        });
    if (s.rotation() != 0) {
      e.attr(
          "transform",
          "rotate(%s %s %s)"
              .formatted(points(s.rotation()), points(width / 2), points(height / 2)));
    }
  }

  private static Element outline(Inline.Shape s, Element svg, double width, double height) {
    return switch (s.drawing().geometry()) {
      case RECTANGLE -> box(svg.appendElement("rect"), width, height);
      case ROUNDED ->
          box(svg.appendElement("rect"), width, height)
              .attr("rx", points(Inline.Geometry.CORNER * Math.min(width, height)));
      case ELLIPSE ->
          svg.appendElement("ellipse")
              .attr("cx", points(width / 2))
              .attr("cy", points(height / 2))
              .attr("rx", points(width / 2))
              .attr("ry", points(height / 2));
      case LINE_DOWN -> line(svg, 0, s.width(), s.height());
      case LINE_UP -> line(svg, s.height(), s.width(), 0);
    };
  }

  private static Element box(Element rect, double width, double height) {
    return rect.attr("width", points(width)).attr("height", points(height));
  }

  private static Element line(Element svg, double from, double across, double to) {
    return svg.appendElement("line")
        .attr("x1", "0")
        .attr("y1", points(from))
        .attr("x2", points(across))
        .attr("y2", points(to));
  }

  /** The box that the text of a shape stands in, as properties that end with semicolons. */
  static String css(Inline.Shape s) {
    Insets in = s.content().padding();
    var css = new StringBuilder();
    css.append(
        "box-sizing:border-box;width:%spt;max-width:100%%;padding:%spt %spt %spt %spt;"
            .formatted(
                points(s.width()),
                points(in.top()),
                points(in.right()),
                points(in.bottom()),
                points(in.left())));
    s.drawing().fill().ifPresent(c -> css.append("background-color:%s;".formatted(hash(c))));
    line(s).ifPresent(r -> css.append("border:").append(HtmlBlocks.border(r)).append(';'));
    return css.toString();
  }

  private static Optional<Rule> line(Inline.Shape s) {
    return s.drawing().outline().filter(Rule::isDrawn);
  }

  private static String hash(Colour c) {
    return "#" + c.hex();
  }
}
