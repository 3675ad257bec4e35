package decant.office.docx.markup;

import decant.model.look.Contour;
import decant.model.look.Insets;
import decant.model.look.Placement;
import decant.model.look.Placement.Axis;
import decant.model.look.Placement.Origin;
import decant.model.look.Placement.Wrap;
import decant.office.xml.Element;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/** Where shapes of VML stand: on the line, or beside it (ISO/IEC 29500-4 §19.1.2.19, §19.3.2.8). */
public final class VmlPlace {
  private static final String WRAP = "w10:wrap";
  private static final String USUAL_ASIDE = "9pt";

  private VmlPlace() {}

  /** The place of a shape. */
  public static Placement of(Element shape, VmlStyle style) {
    if (!style.get("position", "").equals("absolute")) {
      return Placement.INLINE;
    }
    Optional<Element> w10 = shape.child(WRAP);
    Wrap wrap =
        switch (w10.flatMap(x -> x.attribute("type")).orElse("none")) {
          case "square" -> new Wrap.Around(Wraps.side(w10.get().attribute("side")), Contour.BOX);
          case "tight", "through" ->
              new Wrap.Around(
                  Wraps.side(w10.get().attribute("side")),
                  Wraps.contour(shape.attribute("wrapcoords")));
          case "topAndBottom" -> Wrap.ABOVE_AND_BELOW;
          default -> Wrap.THROUGH;
        };
    Origin across =
        switch (style.get(
            "mso-position-horizontal-relative",
            w10.flatMap(x -> x.attribute("anchorx")).orElse("text"))) {
          case "page", "left-margin-area", "right-margin-area" -> Origin.PAGE;
          case "margin" -> Origin.MARGIN;
          default -> Origin.COLUMN;
        };
    Origin down =
        switch (style.get(
            "mso-position-vertical-relative",
            w10.flatMap(x -> x.attribute("anchory")).orElse("text"))) {
          case "page", "top-margin-area", "bottom-margin-area" -> Origin.PAGE;
          case "margin" -> Origin.MARGIN;
          case "line" -> Origin.LINE;
          default -> Origin.PARAGRAPH;
        };
    var place =
        new Placement.Floating(
            axis(across, style.get("mso-position-horizontal", ""), style, "left"),
            axis(down, style.get("mso-position-vertical", ""), style, "top"),
            wrap,
            new Insets(
                VmlStyle.points(style.get("mso-wrap-distance-top", "0")),
                VmlStyle.points(style.get("mso-wrap-distance-right", USUAL_ASIDE)),
                VmlStyle.points(style.get("mso-wrap-distance-bottom", "0")),
                VmlStyle.points(style.get("mso-wrap-distance-left", USUAL_ASIDE))),
            style.get("z-index", "0").startsWith("-"));
    return shifted(shape, place);
  }

  /** The place of a line, whose ends say how far it stands from where its shape does. */
  public static Placement shifted(Element shape, Placement place) {
    return place instanceof Placement.Floating f ? shifted(shape, f, 1) : place;
  }

  /**
   * @param way 1 from where the shape of a line stands to where the line does, -1 back again
   */
  private static Placement.Floating shifted(Element shape, Placement.Floating f, int way) {
    double[] by = ends(shape);
    return by[0] == 0 && by[1] == 0 ? f : f.shifted(way * by[0], way * by[1]);
  }

  private static double[] ends(Element shape) {
    if (!shape.name().equals("v:line")) {
      return new double[2];
    }
    double[] from = VmlStyle.point(shape.attribute("from").orElse("0,0"));
    double[] to = VmlStyle.point(shape.attribute("to").orElse("0,0"));
    return new double[] {Math.min(from[0], to[0]), Math.min(from[1], to[1])};
  }

  private static Axis axis(Origin origin, String align, VmlStyle style, String side) {
    return Anchors.axis(
        origin,
        align,
        VmlStyle.points(style.get("margin-" + side, "0")) + VmlStyle.points(style.get(side, "0")));
  }

  /** Puts a shape in another place. */
  public static void move(Element shape, VmlStyle style, Placement to) {
    Predicate<String> ofPlace =
        p ->
            p.equals("position")
                || p.equals("left")
                || p.equals("top")
                || p.equals("z-index")
                || p.startsWith("margin-")
                || p.startsWith("mso-position-")
                || p.startsWith("mso-wrap-");
    Map<String, String> now = new LinkedHashMap<>();
    Optional<Element> wrap = Optional.empty();
    if (to instanceof Placement.Floating f) {
      Placement.Floating own = shifted(shape, f, -1);
      now.put("position", "absolute");
      along(now, own.across(), true);
      along(now, own.down(), false);
      now.put("mso-wrap-distance-top", VmlStyle.length(f.distance().top()));
      now.put("mso-wrap-distance-right", VmlStyle.length(f.distance().right()));
      now.put("mso-wrap-distance-bottom", VmlStyle.length(f.distance().bottom()));
      now.put("mso-wrap-distance-left", VmlStyle.length(f.distance().left()));
      now.put("z-index", f.behind() ? "-1" : "1");
      wrap = wrap(shape, style, f.wrap());
    }
    shape.children().removeIf(c -> c instanceof Element e && e.name().equals(WRAP));
    wrap.ifPresent(shape.children()::add);
    shape.attributes().put("style", style.without(ofPlace).with(now).css());
  }

  private static void along(Map<String, String> style, Axis axis, boolean across) {
    String name = across ? "mso-position-horizontal" : "mso-position-vertical";
    Anchors.edge(axis, across)
        .ifPresentOrElse(
            word -> style.put(name, word),
            () -> style.put(across ? "margin-left" : "margin-top", VmlStyle.length(axis.offset())));
    style.put(
        name + "-relative",
        switch (axis.origin()) {
          case PAGE -> "page";
          case MARGIN -> "margin";
          case COLUMN, PARAGRAPH -> "text";
          case LINE -> across ? "char" : "line";
        });
  }

  /** The one that is there, with the outline of its shape, where text flows as it did. */
  private static Optional<Element> wrap(Element shape, VmlStyle style, Wrap to) {
    if (of(shape, style) instanceof Placement.Floating was && was.wrap().equals(to)) {
      return shape.child(WRAP);
    }
    return switch (to) {
      case Wrap.Through t -> Optional.empty();
      case Wrap.AboveAndBelow a -> Optional.of(wrap(Map.of("type", "topAndBottom")));
      case Wrap.Around a ->
          Optional.of(
              wrap(
                  a.side() == Placement.Side.BOTH
                      ? Map.of("type", "square")
                      : Map.of("type", "square", "side", Wraps.name(a.side()))));
    };
  }

  private static Element wrap(Map<String, String> attributes) {
    return new Element(WRAP, attributes, List.of());
  }
}
