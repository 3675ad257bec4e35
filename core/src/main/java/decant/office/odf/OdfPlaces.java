package decant.office.odf;

import static decant.office.odf.markup.Measures.length;

import decant.model.Inline;
import decant.model.look.Contour;
import decant.model.look.Insets;
import decant.model.look.Placement;
import decant.model.look.Placement.Align;
import decant.model.look.Placement.Axis;
import decant.model.look.Placement.Origin;
import decant.model.look.Placement.Side;
import decant.model.look.Placement.Wrap;
import decant.office.xml.Element;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Where frames and shapes stand (ODF 1.3 part 3, §20.304 to §20.395), alone and in groups. */
final class OdfPlaces {
  private static final Pattern TURN = Pattern.compile("rotate\\s*\\(\\s*([-\\d.eE]+)\\s*\\)");
  private static final Pattern MOVE =
      Pattern.compile("translate\\s*\\(\\s*([-\\d.]+[a-z]+)[\\s,]*([-\\d.]+[a-z]+)?\\s*\\)");

  private OdfPlaces() {}

  /**
   * Where a thing stands.
   *
   * @param rotation clockwise around its middle, in degrees
   */
  record Place(Placement placement, double rotation) {
    Place from(double left, double top) {
      return left == 0 && top == 0 || !(placement instanceof Placement.Floating f)
          ? this
          : new Place(
              new Placement.Floating(
                  new Axis(f.across().origin(), f.across().align(), f.across().offset() - left),
                  new Axis(f.down().origin(), f.down().align(), f.down().offset() - top),
                  f.wrap(),
                  f.distance(),
                  f.behind()),
              rotation);
    }
  }

  static boolean isOnLine(Element e) {
    return e.attribute("text:anchor-type").filter(a -> a.equals("as-char")).isPresent();
  }

  static Place place(Element e, Element p, double width, double height) {
    double x = length(e.attribute("svg:x")).orElse(0.0);
    double y = length(e.attribute("svg:y")).orElse(0.0);
    double turned = 0;
    Optional<String> transform = e.attribute("draw:transform");
    if (transform.isPresent()) {
      Matcher turn = TURN.matcher(transform.get());
      double angle = turn.find() ? angle(turn.group(1)) : 0;
      Matcher move = MOVE.matcher(transform.get());
      if (move.find()) {
        x = length(Optional.of(move.group(1))).orElse(0.0);
        y = length(Optional.ofNullable(move.group(2))).orElse(0.0);
      }
      // Turned anticlockwise around its corner, then moved: our turns are around the middle.
      double w = width / 2;
      double h = height / 2;
      x += w * Math.cos(angle) + h * Math.sin(angle) - w;
      y += -w * Math.sin(angle) + h * Math.cos(angle) - h;
      turned = (-Math.toDegrees(angle) % 360 + 360) % 360;
    }
    Placement at = isOnLine(e) ? Placement.INLINE : placed(e, p, x, y);
    return new Place(at, turned);
  }

  private static double angle(String radians) {
    try {
      return Double.parseDouble(radians);
    } catch (NumberFormatException e) {
      return 0;
    }
  }

  static Placement placed(Element e, Element p, double x, double y) {
    String anchor = e.attribute("text:anchor-type").orElse("paragraph");
    if (anchor.equals("as-char")) {
      return Placement.INLINE;
    }
    boolean page = anchor.equals("page");
    Origin across =
        switch (p.attribute("style:horizontal-rel").orElse(page ? "page" : "paragraph")) {
          case "page", "page-start-margin", "page-end-margin" -> Origin.PAGE;
          case "page-content" -> Origin.MARGIN;
          default -> page ? Origin.PAGE : Origin.COLUMN;
        };
    Origin down =
        switch (p.attribute("style:vertical-rel").orElse(page ? "page" : "paragraph")) {
          case "page" -> Origin.PAGE;
          case "page-content" -> Origin.MARGIN;
          case "line", "char", "baseline", "text" -> Origin.LINE;
          default -> page ? Origin.PAGE : Origin.PARAGRAPH;
        };
    Axis h =
        switch (p.attribute("style:horizontal-pos").orElse("from-left")) {
          case "left", "inside" -> new Axis(across, Align.START, 0);
          case "center" -> new Axis(across, Align.CENTRE, 0);
          case "right", "outside" -> new Axis(across, Align.END, 0);
          default -> new Axis(across, Align.OFFSET, x);
        };
    Axis v =
        switch (p.attribute("style:vertical-pos").orElse("from-top")) {
          case "top" -> new Axis(down, Align.START, 0);
          case "middle" -> new Axis(down, Align.CENTRE, 0);
          case "bottom" -> new Axis(down, Align.END, 0);
          default -> new Axis(down, Align.OFFSET, y);
        };
    // Where nothing is said (ODF 1.3 names no default for style:wrap), text is not hidden below
    // frames; what is only drawn may lie on it.
    String usual = e.name().equals("draw:frame") ? "parallel" : "run-through";
    Wrap wrap =
        switch (p.attribute("style:wrap").orElse(usual)) {
          case "none" -> Wrap.ABOVE_AND_BELOW;
          case "left" -> new Wrap.Around(Side.LEFT, Contour.BOX);
          case "right" -> new Wrap.Around(Side.RIGHT, Contour.BOX);
          case "biggest" -> new Wrap.Around(Side.WIDER, Contour.BOX);
          case "parallel", "dynamic" -> Wrap.AROUND;
          default -> Wrap.THROUGH;
        };
    boolean behind =
        wrap.equals(Wrap.THROUGH)
            && p.attribute("style:run-through").filter(r -> r.equals("background")).isPresent();
    Optional<Double> all = length(p.attribute("fo:margin"));
    return new Placement.Floating(
        h,
        v,
        wrap,
        new Insets(
            length(p.attribute("fo:margin-top")).or(() -> all).orElse(0.0),
            length(p.attribute("fo:margin-right")).or(() -> all).orElse(0.0),
            length(p.attribute("fo:margin-bottom")).or(() -> all).orElse(0.0),
            length(p.attribute("fo:margin-left")).or(() -> all).orElse(0.0)),
        behind);
  }

  /** A member stands within its group, by distances from its corner. */
  static Inline member(Inline i) {
    return i.placed(inGroup(i.placement()));
  }

  private static Placement inGroup(Placement p) {
    double x = p instanceof Placement.Floating f ? f.across().offset() : 0;
    double y = p instanceof Placement.Floating f ? f.down().offset() : 0;
    return new Placement.Floating(
        new Axis(Origin.COLUMN, Align.OFFSET, x),
        new Axis(Origin.PARAGRAPH, Align.OFFSET, y),
        Wrap.THROUGH,
        Insets.NONE,
        false);
  }

  static Inline moved(Inline i, double left, double top) {
    return i.placement() instanceof Placement.Floating f ? i.placed(f.shifted(-left, -top)) : i;
  }
}
