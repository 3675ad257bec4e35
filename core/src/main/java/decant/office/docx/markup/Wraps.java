package decant.office.docx.markup;

import decant.model.look.Contour;
import decant.model.look.Placement.Side;
import decant.model.look.Placement.Wrap;
import decant.office.xml.Element;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** How text flows around drawings (§20.4.2.15 to §20.4.2.20), and what they look like for it. */
public final class Wraps {
  /** The extent of a drawing in the units of its contour. */
  private static final double UNITS = 21_600;

  /** A contour of more corners says nothing that its box does not. */
  private static final int MAX_CORNERS = 2000;

  private Wraps() {}

  /** How text flows around an anchored drawing. */
  public static Wrap of(Element anchor) {
    for (Element e : anchor.elements()) {
      switch (e.name()) {
        case "wp:wrapNone" -> {
          return Wrap.THROUGH;
        }
        case "wp:wrapTopAndBottom" -> {
          return Wrap.ABOVE_AND_BELOW;
        }
        case "wp:wrapSquare" -> {
          return new Wrap.Around(side(e.attribute("wrapText")), Contour.BOX);
        }
        case "wp:wrapTight", "wp:wrapThrough" -> {
          return new Wrap.Around(
              side(e.attribute("wrapText")),
              e.child("wp:wrapPolygon").map(Wraps::polygon).orElse(Contour.BOX));
        }
        default -> {}
      }
    }
    return Wrap.AROUND;
  }

  /** §20.4.3.7, and the same words of VML. */
  public static Side side(Optional<String> wrapText) {
    return switch (wrapText.orElse("")) {
      case "left" -> Side.LEFT;
      case "right" -> Side.RIGHT;
      case "largest" -> Side.WIDER;
      default -> Side.BOTH;
    };
  }

  private static Contour polygon(Element wrapPolygon) {
    var points = new ArrayList<Contour.Point>();
    for (Element e : wrapPolygon.elements()) {
      if (e.name().equals("wp:start") || e.name().equals("wp:lineTo")) {
        point(e.attribute("x"), e.attribute("y")).ifPresent(points::add);
      }
    }
    return contour(points);
  }

  /** A contour as pairs of numbers: "0 0 0 21600 21600 21600". */
  public static Contour contour(Optional<String> wrapcoords) {
    var points = new ArrayList<Contour.Point>();
    String[] numbers = wrapcoords.orElse("").strip().split("[\\s,]+");
    for (int k = 0; k + 1 < numbers.length; k += 2) {
      point(Optional.of(numbers[k]), Optional.of(numbers[k + 1])).ifPresent(points::add);
    }
    return contour(points);
  }

  private static Contour contour(List<Contour.Point> points) {
    return points.size() < 3 || points.size() > MAX_CORNERS ? Contour.BOX : new Contour(points);
  }

  private static Optional<Contour.Point> point(Optional<String> x, Optional<String> y) {
    Optional<Double> across = DocxLooks.number(x);
    Optional<Double> down = DocxLooks.number(y);
    return across.isEmpty() || down.isEmpty()
        ? Optional.empty()
        : Optional.of(new Contour.Point(share(across.get()), share(down.get())));
  }

  /** A contour may reach over its drawing, but not by more than its own extent. */
  private static double share(double units) {
    return Math.clamp(units / UNITS, -1, 2);
  }

  /** The element that says it of an anchored drawing. */
  public static String write(Wrap wrap) {
    return switch (wrap) {
      case Wrap.Through t -> "<wp:wrapNone/>";
      case Wrap.AboveAndBelow a -> "<wp:wrapTopAndBottom/>";
      case Wrap.Around a when a.contour().isBox() ->
          "<wp:wrapSquare wrapText=\"" + name(a.side()) + "\"/>";
      case Wrap.Around a -> {
        var s = new StringBuilder("<wp:wrapTight wrapText=\"" + name(a.side()) + "\">");
        s.append("<wp:wrapPolygon edited=\"0\">");
        List<Contour.Point> points = a.contour().points();
        for (int k = 0; k < points.size(); k++) {
          s.append(k == 0 ? "<wp:start" : "<wp:lineTo")
              .append(
                  String.format(
                      Locale.ROOT,
                      " x=\"%d\" y=\"%d\"/>",
                      Math.round(points.get(k).x() * UNITS),
                      Math.round(points.get(k).y() * UNITS)));
        }
        yield s.append("</wp:wrapPolygon></wp:wrapTight>").toString();
      }
    };
  }

  /** The word for a side, here and in VML. */
  static String name(Side side) {
    return switch (side) {
      case BOTH -> "bothSides";
      case LEFT -> "left";
      case RIGHT -> "right";
      case WIDER -> "largest";
    };
  }
}
