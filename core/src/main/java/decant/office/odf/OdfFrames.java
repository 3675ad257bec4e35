package decant.office.odf;

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
import decant.model.look.Insets;
import decant.model.look.Kept;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.Placement;
import decant.model.look.Rule;
import decant.model.look.VerticalAlignment;
import decant.office.odf.markup.KeptObject;
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

/** Frames and shapes (ODF 1.3 part 3, §10.3 and §10.4). */
final class OdfFrames {
  private static final Words WORDS = Words.of(OdfFrames.class);
  private static final double USUAL_WIDTH = 72;

  private static final int DEEPEST_GROUP = 20;

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
          Optional.of(shape(e, look, OdfDrawn.geometry(e), 0, 0));
      case "draw:line", "draw:connector" -> Optional.of(line(e, look, 0, 0));
      case "draw:path", "draw:polygon", "draw:polyline" -> Optional.of(outline(e, look, 0, 0));
      case "draw:g" -> Optional.of(group(e, look, at, depth));
      case "draw:control" -> control(e, look, at);
      default -> Optional.empty();
    };
  }

  /** A control with its own place is a box. */
  private Optional<Inline> control(Element e, Look look, NodeId at) {
    List<Inline> shown = shared.forms.shown(e, shared.fieldId(), true, Look.PLAIN);
    if (shown.isEmpty()) {
      shared.find(
          Finding.Kind.FORM, Finding.Severity.LOSS, WORDS.say("odf-frames.a-field-of-a-form"), at);
      return Optional.empty();
    }
    double width = width(e);
    double height = length(e.attribute("svg:height")).orElse(USUAL_WIDTH / 2);
    OdfPlaces.Place place = OdfPlaces.place(e, properties(e), width, height);
    Story story = OdfForms.story(shown);
    shared.stories.put(story.id(), story);
    return Optional.of(
        OdfForms.box(shown, story, new OdfForms.Size(width, height), place, alt(e), look));
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
    OdfPlaces.Place place = OdfPlaces.place(e, p, width, height);
    if (box.isPresent()) {
      boolean grows =
          length(e.attribute("svg:height")).isEmpty()
              || box.get().attribute("fo:min-height").isPresent();
      Story story = story(box.get());
      Optional<Double> all = length(p.attribute("fo:padding"));
      return Optional.of(
          new Inline.Shape(
              new Inline.Drawing(Geometry.RECTANGLE, OdfDrawn.frameFill(p), OdfDrawn.frameLine(p)),
              width,
              height,
              new Inline.BoxText(
                  Optional.of(story.id()), grows, OdfDrawn.padding(p, all), OdfDrawn.vertical(p)),
              alt(e),
              place.placement(),
              place.rotation(),
              Optional.empty(),
              look));
    }
    Optional<Kept> object = Optional.empty();
    for (Element c : e.elements()) {
      if (OdfObjects.is(c)) {
        object = c.attribute("xlink:href").map(h -> KeptObject.kept(c.name(), h));
      }
      if (c.name().equals("draw:image")) {
        Optional<Media> m = media(c);
        if (m.isPresent() && isShown(m.get(), at)) {
          OdfObjects.shownByPicture(e, shared, at);
          return Optional.of(picture(e, p, m.get(), width, height, place, object, look));
        }
        if (m.isPresent()) {
          Optional<Kept> own = object;
          Optional<Kept> kept =
              c.attribute("xlink:href")
                  .map(shared::keptPicture)
                  .map(k -> own.map(o -> KeptObject.both(o, k)).orElse(k));
          return Optional.of(blank(width, height, alt(e), place.placement(), kept, look));
        }
      }
    }
    Inline.Shape empty = blank(width, height, alt(e), place.placement(), object, look);
    return Optional.of(OdfObjects.withoutPicture(e, empty, shared, at));
  }

  private static Inline.Shape blank(
      double width, double height, String alt, Placement at, Optional<Kept> kept, Look look) {
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
        kept,
        look);
  }

  /** Whether a picture can be shown; else what is wrong with it is told. */
  private boolean isShown(Media m, NodeId at) {
    boolean drawn = PictureTypes.isDrawn(m.type());
    boolean whole = !drawn || shared.pictures.isWhole(m);
    if (!drawn || !whole) {
      shared.find(
          Finding.Kind.PICTURE_MISSING,
          Finding.Severity.LOSS,
          drawn
              ? WORDS.say("odf-frames.a-picture-is-damaged")
              : m.type().isBlank()
                  ? WORDS.say("odf-frames.a-picture-of-no-kind")
                  : WORDS.say("odf-frames.a-picture-of-a-kind", m.type()),
          at);
    }
    return drawn && whole;
  }

  private Inline picture(
      Element e,
      Element p,
      Media m,
      double width,
      double height,
      OdfPlaces.Place place,
      Optional<Kept> object,
      Look look) {
    shared.media.put(m.id(), m);
    return new Inline.Picture(
        m.id(),
        width,
        Math.max(1, height),
        alt(e),
        place.placement(),
        crop(p, m),
        place.rotation(),
        object,
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
    String declared =
        image.attribute("draw:mime-type").or(() -> image.attribute("loext:mime-type")).orElse("");
    if (inside.isPresent()) {
      try {
        return media(Optional.of(Base64.getMimeDecoder().decode(inside.get().text())), declared);
      } catch (IllegalArgumentException x) {
        return Optional.empty();
      }
    }
    String href = image.attribute("xlink:href").orElse("");
    return shared.pictures.of(href, declared, () -> media(shared.part(href), declared));
  }

  private static Optional<Media> media(Optional<byte[]> bytes, String declared) {
    return bytes.filter(b -> b.length > 0).map(b -> Media.of(PictureTypes.type(b, declared), b));
  }

  private Story story(Element box) throws ReadProblem {
    var story = new Story(NodeId.fresh(), Story.Kind.BOX, content.of(box));
    shared.stories.put(story.id(), story);
    return story;
  }

  private Inline shape(Element e, Look look, Geometry geometry, double left, double top)
      throws ReadProblem {
    Element p = properties(e);
    double width = width(e);
    double height = length(e.attribute("svg:height")).orElse(USUAL_WIDTH / 2);
    OdfPlaces.Place place = OdfPlaces.place(e, p, width, height).from(left, top);
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
        new Inline.Drawing(geometry, OdfDrawn.drawFill(p, "solid"), OdfDrawn.drawLine(p, "solid")),
        width,
        height,
        new Inline.BoxText(
            story,
            grows,
            OdfDrawn.padding(p, all),
            p.attribute("draw:textarea-vertical-align").isPresent()
                ? OdfDrawn.vertical(p)
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
    Placement placement = OdfPlaces.placed(e, p, Math.min(x1, x2) - left, Math.min(y1, y2) - top);
    return new Inline.Shape(
        new Inline.Drawing(
            up ? Geometry.LINE_UP : Geometry.LINE_DOWN,
            Optional.empty(),
            OdfDrawn.drawLine(p, "solid")),
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
    OdfPlaces.Place place = OdfPlaces.place(e, p, width, height).from(left, top);
    Media m =
        Media.of(
            "image/svg+xml",
            OutlineDrawing.svg(
                e, width, height, OdfDrawn.drawFill(p, "solid"), OdfDrawn.drawLine(p, "solid")));
    if (VectorPicture.of(m).isEmpty()) {
      return blank(width, height, alt(e), place.placement(), Optional.empty(), look);
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
                Optional.of(shape(e, Look.PLAIN, OdfDrawn.geometry(e), left, top));
            case "draw:line", "draw:connector" -> Optional.of(line(e, Look.PLAIN, left, top));
            case "draw:path", "draw:polygon", "draw:polyline" ->
                Optional.of(outline(e, Look.PLAIN, left, top));
            default -> read(e, Look.PLAIN, at, depth + 1).map(i -> OdfPlaces.moved(i, left, top));
          };
      one.map(OdfPlaces::member).ifPresent(members::add);
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
        OdfPlaces.isOnLine(g) ? Placement.INLINE : OdfPlaces.placed(g, p, left, top),
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
}
