package decant.office.odf;

import static decant.office.odf.markup.Measures.colour;
import static decant.office.odf.markup.Measures.length;
import static decant.office.odf.markup.Measures.share;

import decant.model.Block;
import decant.model.Inline;
import decant.model.Inline.Geometry;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.finding.Finding;
import decant.model.look.Colour;
import decant.model.look.Contour;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.Placement;
import decant.model.look.Placement.Align;
import decant.model.look.Placement.Axis;
import decant.model.look.Placement.Origin;
import decant.model.look.Placement.Side;
import decant.model.look.Placement.Wrap;
import decant.model.look.Rule;
import decant.model.look.VerticalAlignment;
import decant.office.odf.markup.PictureScale;
import decant.office.xml.Element;
import decant.picture.PictureTypes;
import decant.picture.PixelPicture;
import decant.picture.VectorPicture;
import decant.reading.ReadProblem;
import decant.words.Words;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Frames and shapes (ODF 1.3 part 3, §10.3 and §10.4). */
final class OdfFrames {
  private static final Words WORDS = Words.of(OdfFrames.class);
  private static final double USUAL_WIDTH = 72;
  private static final int DEEPEST_GROUP = 20;
  private static final Pattern TURN = Pattern.compile("rotate\\s*\\(\\s*([-\\d.eE]+)\\s*\\)");
  private static final Pattern MOVE =
      Pattern.compile("translate\\s*\\(\\s*([-\\d.]+[a-z]+)[\\s,]*([-\\d.]+[a-z]+)?\\s*\\)");

  /** Something that gives the blocks of a text in a shape. */
  interface BoxContent {
    List<Block> of(Element box) throws ReadProblem;
  }

  private final OdfShared shared;
  private final OdfStyles.Scope scope;
  private final BoxContent content;

  OdfFrames(OdfShared shared, OdfStyles.Scope scope, BoxContent content) {
    this.shared = shared;
    this.scope = scope;
    this.content = content;
  }

  /** Whether an element is drawn. */
  static boolean isDrawn(Element e) {
    return e.name().startsWith("draw:") && !e.name().equals("draw:a") || e.name().equals("draw:a");
  }

  /** What a drawn thing is shown as; empty for nothing at all. */
  Optional<Inline> read(Element e, Look look, NodeId at) throws ReadProblem {
    return read(e, look, at, 0);
  }

  private Optional<Inline> read(Element e, Look look, NodeId at, int depth) throws ReadProblem {
    return switch (e.name()) {
      case "draw:a" -> {
        for (Element c : e.elements()) {
          Optional<Inline> one = read(c, look, at, depth);
          if (one.isPresent()) {
            yield one;
          }
        }
        yield Optional.empty();
      }
      case "draw:frame" -> frame(e, look, at);
      case "draw:rect", "draw:ellipse", "draw:circle", "draw:custom-shape", "draw:caption" ->
          Optional.of(shape(e, look, geometry(e), 0, 0));
      case "draw:line", "draw:connector" -> Optional.of(line(e, look, 0, 0));
      case "draw:path", "draw:polygon", "draw:polyline" -> Optional.of(outline(e, look, 0, 0));
      case "draw:g" -> Optional.of(group(e, look, at, depth));
      case "draw:control" -> {
        shared.find(
            Finding.Kind.FORM,
            Finding.Severity.LOSS,
            WORDS.say("odf-frames.a-field-of-a-form"),
            at);
        yield Optional.empty();
      }
      default -> Optional.empty();
    };
  }

  private Element properties(Element e) {
    return shared.styles.properties(
        "graphic", e.attribute("draw:style-name"), scope, "style:graphic-properties");
  }

  /** What it is called by those who do not see it. */
  private static String alt(Element e) {
    return e.child("svg:desc")
        .or(() -> e.child("svg:title"))
        .map(Element::text)
        .map(String::strip)
        .orElse("");
  }

  private Optional<Inline> frame(Element e, Look look, NodeId at) throws ReadProblem {
    Element p = properties(e);
    double width = width(e);
    Optional<Element> box = e.child("draw:text-box");
    double height =
        length(e.attribute("svg:height"))
            .or(() -> box.flatMap(b -> length(b.attribute("fo:min-height"))))
            .orElse(0.0);
    Place place = place(e, p, width, height);
    if (box.isPresent()) {
      boolean grows =
          length(e.attribute("svg:height")).isEmpty()
              || box.get().attribute("fo:min-height").isPresent();
      Story story = story(box.get());
      Optional<Double> all = length(p.attribute("fo:padding"));
      return Optional.of(
          new Inline.Shape(
              new Inline.Drawing(Geometry.RECTANGLE, frameFill(p), frameLine(p)),
              width,
              height,
              new Inline.BoxText(Optional.of(story.id()), grows, padding(p, all), vertical(p)),
              alt(e),
              place.placement(),
              place.rotation(),
              Optional.empty(),
              look));
    }
    for (Element c : e.elements()) {
      boolean object = c.name().equals("draw:object") || c.name().equals("draw:object-ole");
      if (object) {
        shared.objectAt(c, at);
      }
      if (c.name().equals("draw:image")) {
        Optional<Media> m = media(c);
        if (m.isPresent()) {
          return Optional.of(picture(e, p, m.get(), width, height, place, look, at));
        }
      }
    }
    shared.find(
        Finding.Kind.PICTURE_MISSING,
        Finding.Severity.LOSS,
        WORDS.say("odf-frames.a-picture-is-not-in"),
        at);
    return Optional.of(blank(width, height, alt(e), place.placement(), look));
  }

  private static Inline blank(double width, double height, String alt, Placement at, Look look) {
    return new Inline.Shape(
        new Inline.Drawing(
            Geometry.RECTANGLE,
            Optional.empty(),
            Optional.of(Rule.single(0.5, new Colour(0xB8B0A4)))),
        width,
        Math.max(1, height),
        new Inline.BoxText(Optional.empty(), false, Insets.NONE, VerticalAlignment.TOP),
        alt,
        at,
        0,
        Optional.empty(),
        look);
  }

  private Inline picture(
      Element e,
      Element p,
      Media m,
      double width,
      double height,
      Place place,
      Look look,
      NodeId at) {
    boolean drawn = PictureTypes.isDrawn(m.type());
    boolean whole =
        !drawn
            || (VectorPicture.isVector(m.type())
                ? VectorPicture.of(m).isPresent()
                : PixelPicture.size(m.bytes()).isPresent());
    if (!drawn || !whole) {
      shared.find(
          Finding.Kind.PICTURE_MISSING,
          Finding.Severity.LOSS,
          drawn
              ? WORDS.say("odf-frames.a-picture-is-damaged")
              : WORDS.say("odf-frames.a-picture-of-a-kind", m.type()),
          at);
    }
    shared.media.put(m.id(), m);
    return new Inline.Picture(
        m.id(),
        width,
        Math.max(1, height),
        alt(e),
        place.placement(),
        crop(p, m),
        place.rotation(),
        Optional.empty(),
        look);
  }

  /** §20.180: cut off at each edge, by lengths of the picture in its own size. */
  private static Insets crop(Element p, Media m) {
    Optional<String> clip = p.attribute("fo:clip").filter(c -> c.startsWith("rect("));
    Optional<java.awt.Dimension> size = PixelPicture.size(m.bytes());
    if (clip.isEmpty() || size.isEmpty()) {
      return Insets.NONE;
    }
    String[] sides = clip.get().substring(5).replace(")", "").strip().split("[\\s,]+");
    if (sides.length != 4) {
      return Insets.NONE;
    }
    double w = PictureScale.points(m, size.get().width);
    double h = PictureScale.points(m, size.get().height);
    var crop =
        new Insets(
            length(Optional.of(sides[0])).orElse(0.0) / h,
            length(Optional.of(sides[1])).orElse(0.0) / w,
            length(Optional.of(sides[2])).orElse(0.0) / h,
            length(Optional.of(sides[3])).orElse(0.0) / w);
    boolean some = crop.top() + crop.bottom() < 0.98 && crop.left() + crop.right() < 0.98;
    return some ? crop : Insets.NONE;
  }

  private double width(Element e) {
    return length(e.attribute("svg:width"))
        .or(() -> share(e.attribute("style:rel-width")).map(s -> s * (shared.textWidth)))
        .or(() -> e.child("draw:text-box").flatMap(b -> length(b.attribute("fo:min-width"))))
        .filter(w -> w > 0)
        .orElse(USUAL_WIDTH);
  }

  /** The bytes of a picture, in the package or in the markup itself. */
  private Optional<Media> media(Element image) throws ReadProblem {
    Optional<Element> inside = image.child("office:binary-data");
    Optional<byte[]> bytes;
    String declared =
        image.attribute("draw:mime-type").or(() -> image.attribute("loext:mime-type")).orElse("");
    if (inside.isPresent()) {
      try {
        bytes = Optional.of(Base64.getMimeDecoder().decode(inside.get().text()));
      } catch (IllegalArgumentException x) {
        bytes = Optional.empty();
      }
    } else {
      bytes = shared.part(image.attribute("xlink:href").orElse(""));
    }
    return bytes.filter(b -> b.length > 0).map(b -> Media.of(PictureTypes.type(b, declared), b));
  }

  private Story story(Element box) throws ReadProblem {
    var story = new Story(NodeId.fresh(), Story.Kind.BOX, content.of(box));
    shared.stories.put(story.id(), story);
    return story;
  }

  private static Insets padding(Element p, Optional<Double> all) {
    return new Insets(
        side(p, "top", all), side(p, "right", all), side(p, "bottom", all), side(p, "left", all));
  }

  private static double side(Element p, String side, Optional<Double> all) {
    return length(p.attribute("fo:padding-" + side)).or(() -> all).orElse(0.0);
  }

  private static VerticalAlignment vertical(Element p) {
    return switch (p.attribute("draw:textarea-vertical-align").orElse("top")) {
      case "middle" -> VerticalAlignment.CENTRE;
      case "bottom" -> VerticalAlignment.BOTTOM;
      default -> VerticalAlignment.TOP;
    };
  }

  private static Optional<Colour> frameFill(Element p) {
    return drawFill(p, "none")
        .or(() -> colour(p.attribute("fo:background-color")).filter(c -> !c.equals(Colour.WHITE)));
  }

  private static Optional<Colour> drawFill(Element p, String unsaid) {
    return switch (p.attribute("draw:fill").orElse(unsaid)) {
      case "solid" ->
          colour(p.attribute("draw:fill-color")).or(() -> Optional.of(new Colour(0xCFE7F5)));
      case "gradient", "hatch", "bitmap" -> colour(p.attribute("draw:fill-color"));
      default -> Optional.empty();
    };
  }

  private static Optional<Rule> frameLine(Element p) {
    Optional<String> said = p.attribute("fo:border").or(() -> p.attribute("fo:border-top"));
    return said.map(s -> OdfLooks.rule(s, 0)).filter(Rule::isDrawn).or(() -> drawLine(p, "none"));
  }

  private static Optional<Rule> drawLine(Element p, String unsaid) {
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

  private static Geometry geometry(Element e) {
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

  private Inline shape(Element e, Look look, Geometry geometry, double left, double top)
      throws ReadProblem {
    Element p = properties(e);
    double width = width(e);
    double height = length(e.attribute("svg:height")).orElse(USUAL_WIDTH / 2);
    Place place = place(e, p, width, height).from(left, top);
    boolean says =
        e.elements().stream()
            .anyMatch(c ->
                c.name().startsWith("text:") && !c.text().isBlank()
                    || c.descendant("draw:frame").isPresent());
    Optional<NodeId> story = says ? Optional.of(story(e).id()) : Optional.empty();
    Optional<Double> all = length(p.attribute("fo:padding"));
    boolean grows =
        p.attribute("draw:auto-grow-height").filter(v -> v.equals("true")).isPresent()
            && story.isPresent();
    return new Inline.Shape(
        new Inline.Drawing(geometry, drawFill(p, "solid"), drawLine(p, "solid")),
        width,
        height,
        new Inline.BoxText(
            story,
            grows,
            padding(p, all),
            p.attribute("draw:textarea-vertical-align").isPresent()
                ? vertical(p)
                : e.name().equals("draw:custom-shape")
                    ? VerticalAlignment.CENTRE
                    : VerticalAlignment.TOP),
        alt(e),
        place.placement(),
        place.rotation(),
        Optional.empty(),
        look);
  }

  private Inline line(Element e, Look look, double left, double top) {
    Element p = properties(e);
    double x1 = length(e.attribute("svg:x1")).orElse(0.0);
    double y1 = length(e.attribute("svg:y1")).orElse(0.0);
    double x2 = length(e.attribute("svg:x2")).orElse(0.0);
    double y2 = length(e.attribute("svg:y2")).orElse(0.0);
    boolean up = (x2 - x1) * (y2 - y1) < 0;
    double width = Math.abs(x2 - x1);
    double height = Math.abs(y2 - y1);
    Placement placement = placed(e, p, Math.min(x1, x2) - left, Math.min(y1, y2) - top);
    return new Inline.Shape(
        new Inline.Drawing(
            up ? Geometry.LINE_UP : Geometry.LINE_DOWN, Optional.empty(), drawLine(p, "solid")),
        width,
        height,
        new Inline.BoxText(Optional.empty(), false, Insets.NONE, VerticalAlignment.TOP),
        alt(e),
        placement,
        0,
        Optional.empty(),
        look);
  }

  /** A path or polygon becomes a drawing of its own. */
  private Inline outline(Element e, Look look, double left, double top) {
    Element p = properties(e);
    double width = width(e);
    double height = Math.max(0.5, length(e.attribute("svg:height")).orElse(0.5));
    Place place = place(e, p, width, height).from(left, top);
    Media m =
        Media.of(
            "image/svg+xml",
            OutlineDrawing.svg(e, width, height, drawFill(p, "solid"), drawLine(p, "solid")));
    if (VectorPicture.of(m).isEmpty()) {
      return blank(width, height, alt(e), place.placement(), look);
    }
    shared.media.put(m.id(), m);
    return new Inline.Picture(
        m.id(),
        width,
        height,
        alt(e),
        place.placement(),
        Insets.NONE,
        place.rotation(),
        Optional.empty(),
        look);
  }

  /**
   * A group: a shape without lines whose text is one paragraph that its members are anchored to.
   */
  private Inline group(Element g, Look look, NodeId at, int depth) throws ReadProblem {
    double[] box = {Double.MAX_VALUE, Double.MAX_VALUE, -Double.MAX_VALUE, -Double.MAX_VALUE};
    extent(g, box, 0);
    boolean some = box[0] < box[2];
    double left = some ? box[0] : 0;
    double top = some ? box[1] : 0;
    double width = some ? box[2] - left : USUAL_WIDTH;
    double height = some ? box[3] - top : 1;
    var members = new ArrayList<Inline>();
    for (Element e : depth > DEEPEST_GROUP ? List.<Element>of() : g.elements()) {
      Optional<Inline> one =
          switch (e.name()) {
            case "draw:rect", "draw:ellipse", "draw:circle", "draw:custom-shape" ->
                Optional.of(shape(e, Look.PLAIN, geometry(e), left, top));
            case "draw:line", "draw:connector" -> Optional.of(line(e, Look.PLAIN, left, top));
            case "draw:path", "draw:polygon", "draw:polyline" ->
                Optional.of(outline(e, Look.PLAIN, left, top));
            default -> read(e, Look.PLAIN, at, depth + 1).map(i -> moved(i, left, top));
          };
      one.map(OdfFrames::member).ifPresent(members::add);
    }
    var story =
        new Story(
            NodeId.fresh(),
            Story.Kind.BOX,
            List.of(new Paragraph(NodeId.fresh(), Look.PLAIN, Look.PLAIN, members)));
    shared.stories.put(story.id(), story);
    Element p = properties(g);
    return new Inline.Shape(
        new Inline.Drawing(Geometry.RECTANGLE, Optional.empty(), Optional.empty()),
        width,
        height,
        new Inline.BoxText(Optional.of(story.id()), false, Insets.NONE, VerticalAlignment.TOP),
        alt(g),
        isOnLine(g) ? Placement.INLINE : placed(g, p, left, top),
        0,
        Optional.empty(),
        look);
  }

  private static void extent(Element g, double[] box, int depth) {
    for (Element e : g.elements()) {
      if (e.name().equals("draw:g") && depth < DEEPEST_GROUP) {
        extent(e, box, depth + 1);
        continue;
      }
      Optional<Double> x = length(e.attribute("svg:x")).or(() -> length(e.attribute("svg:x1")));
      Optional<Double> y = length(e.attribute("svg:y")).or(() -> length(e.attribute("svg:y1")));
      if (x.isEmpty() || y.isEmpty()) {
        continue;
      }
      double x2 =
          length(e.attribute("svg:x2"))
              .orElse(x.get() + length(e.attribute("svg:width")).orElse(0.0));
      double y2 =
          length(e.attribute("svg:y2"))
              .orElse(y.get() + length(e.attribute("svg:height")).orElse(0.0));
      box[0] = Math.min(box[0], Math.min(x.get(), x2));
      box[1] = Math.min(box[1], Math.min(y.get(), y2));
      box[2] = Math.max(box[2], Math.max(x.get(), x2));
      box[3] = Math.max(box[3], Math.max(y.get(), y2));
    }
  }

  /** A member stands within its group, by distances from its corner. */
  private static Inline member(Inline i) {
    return withPlacement(i, inGroup(placement(i)));
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

  private static Placement placement(Inline i) {
    return switch (i) {
      case Inline.Picture p -> p.placement();
      case Inline.Shape s -> s.placement();
      default -> Placement.INLINE;
    };
  }

  private static Inline moved(Inline i, double left, double top) {
    return placement(i) instanceof Placement.Floating f
        ? withPlacement(
            i,
            new Placement.Floating(
                new Axis(f.across().origin(), Align.OFFSET, f.across().offset() - left),
                new Axis(f.down().origin(), Align.OFFSET, f.down().offset() - top),
                f.wrap(),
                f.distance(),
                f.behind()))
        : i;
  }

  private static Inline withPlacement(Inline i, Placement at) {
    return switch (i) {
      case Inline.Picture p ->
          new Inline.Picture(
              p.media(),
              p.width(),
              p.height(),
              p.alt(),
              at,
              p.crop(),
              p.rotation(),
              p.kept(),
              p.look());
      case Inline.Shape s ->
          new Inline.Shape(
              s.drawing(),
              s.width(),
              s.height(),
              s.content(),
              s.alt(),
              at,
              s.rotation(),
              s.kept(),
              s.look());
      default -> i;
    };
  }

  /**
   * Where a thing stands.
   *
   * @param rotation clockwise around its middle, in degrees
   */
  private record Place(Placement placement, double rotation) {
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

  private static boolean isOnLine(Element e) {
    return e.attribute("text:anchor-type").filter(a -> a.equals("as-char")).isPresent();
  }

  private Place place(Element e, Element p, double width, double height) {
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

  private Placement placed(Element e, Element p, double x, double y) {
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
    Wrap wrap =
        switch (p.attribute("style:wrap").orElse("run-through")) {
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
}
