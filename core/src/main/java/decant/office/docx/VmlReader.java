package decant.office.docx;

import decant.model.Inline;
import decant.model.Inline.Geometry;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.Kept;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.ParagraphTraits;
import decant.model.look.Placement;
import decant.model.look.Rule;
import decant.model.look.TextTraits;
import decant.model.look.VerticalAlignment;
import decant.office.docx.markup.Anchors;
import decant.office.docx.markup.DocxLooks;
import decant.office.docx.markup.VmlPlace;
import decant.office.docx.markup.VmlStyle;
import decant.office.xml.Element;
import decant.office.xml.XmlParts;
import decant.reading.ReadProblem;
import decant.text.FontBook;
import decant.text.JdkShaper;
import decant.text.Joins;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** Pictures, text boxes, lines and watermarks of VML (ISO/IEC 29500-4 §19). */
final class VmlReader {
  /** Width of a horizontal rule that is as wide as the text: that of A4 with usual margins. */
  private static final double WHOLE_WIDTH = 451;

  private final DrawingReader drawings;
  private final DocxBody.Shared shared;

  VmlReader(DrawingReader drawings, DocxBody.Shared shared) {
    this.drawings = drawings;
    this.shared = shared;
  }

  /** What stands in the document for a {@code w:pict} or {@code w:object}. */
  Optional<Inline> read(Element pict, Look look, NodeId at) throws ReadProblem {
    var kept = new Kept(DocxLooks.FORMAT, XmlParts.write(pict));
    for (Element e : pict.elements()) {
      Optional<Inline> read = shape(e, Optional.empty(), Optional.of(kept), look, at);
      if (read.isPresent()) {
        return read;
      }
    }
    return Optional.empty();
  }

  private Optional<Inline> shape(
      Element e, Optional<double[]> group, Optional<Kept> kept, Look look, NodeId at)
      throws ReadProblem {
    Optional<Element> text = e.child("v:textbox").flatMap(b -> b.child("w:txbxContent"));
    boolean drawn = SHAPES.contains(e.name());
    if (!drawn && (!DRAWN.contains(e.name()) || text.isEmpty())) {
      return Optional.empty();
    }
    VmlStyle style = VmlStyle.of(e.attribute("style").orElse(""));
    double w = length(style.get("width"), group, 0);
    double h = length(style.get("height"), group, 1);
    Placement placement =
        group.isPresent()
            ? VmlPlace.shifted(e, inGroup(style, group.get()))
            : VmlPlace.of(e, style);
    String alt = e.attribute("alt").orElse("");
    if (!drawn) {
      // What is drawn around the text is left out, and that is told.
      drawings.memberLeftOut(at);
      Framed around = new Framed(w > 0 ? w : OF_TEXT, h, alt, placement, kept, look);
      NodeId story = drawings.story(text.get());
      return Optional.of(
          around.box(Optional.of(story), VerticalAlignment.TOP, Optional.empty(), 0));
    }
    var frame = new Framed(w, h, alt, placement, kept, look);
    if (e.name().equals("v:group")) {
      return Optional.of(group(e, frame, at));
    }
    Optional<String> image = e.child("v:imagedata").flatMap(i -> i.attribute("r:id"));
    if (image.isPresent() && w > 0 && h > 0) {
      Optional<Media> m = drawings.media(image.get(), at);
      if (m.isPresent()) {
        return Optional.of(frame.picture(m.get(), Insets.NONE, style.rotation()));
      }
    }
    Optional<Element> path = e.child("v:textpath").filter(p -> p.attribute("string").isPresent());
    if (path.isPresent() && w > 0 && h > 0) {
      return Optional.of(watermark(e, path.get(), style, frame));
    }
    return Optional.of(drawn(e, style, frame));
  }

  /** Width of a text whose shape says none: two inches. */
  private static final double OF_TEXT = 144;

  private Inline drawn(Element e, VmlStyle style, Framed frame) throws ReadProblem {
    Optional<Element> box = e.child("v:textbox");
    Optional<Element> text = box.flatMap(b -> b.child("w:txbxContent"));
    Optional<NodeId> story =
        text.isPresent() ? Optional.of(drawings.story(text.get())) : Optional.empty();
    boolean rule = e.attribute("o:hr").filter(VmlReader::isTrue).isPresent();
    Geometry geometry =
        switch (e.name()) {
          case "v:roundrect" -> Geometry.ROUNDED;
          case "v:oval" -> Geometry.ELLIPSE;
          default -> Geometry.RECTANGLE;
        };
    double width = rule && frame.width() <= 0 ? WHOLE_WIDTH : frame.width();
    double height = rule && frame.height() <= 0 ? 1.5 : frame.height();
    Placement place = frame.placement();
    if (e.name().equals("v:line")) {
      double[] from = VmlStyle.point(e.attribute("from").orElse("0,0"));
      double[] to = VmlStyle.point(e.attribute("to").orElse("0,0"));
      width = Math.clamp(Math.abs(to[0] - from[0]), 0, Anchors.LARGEST);
      height = Math.clamp(Math.abs(to[1] - from[1]), 0, Anchors.LARGEST);
      boolean down = (to[0] - from[0]) * (to[1] - from[1]) >= 0;
      geometry = down ? Geometry.LINE_DOWN : Geometry.LINE_UP;
    }
    boolean stroked = !isFalse(e.attribute("stroked")) && !rule;
    boolean pictureShape =
        e.name().equals("v:shape") && story.isEmpty() && e.attribute("fillcolor").isEmpty();
    boolean filled = !isFalse(e.attribute("filled")) && !geometryIsLine(geometry) && !pictureShape;
    Colour fill = e.attribute("fillcolor").flatMap(VmlReader::colour).orElse(Colour.WHITE);
    return new Framed(width, height, frame.alt(), place, frame.kept(), frame.look())
        .shape(
            story,
            geometry,
            style.get("mso-fit-shape-to-text", "").equals("t")
                || box.flatMap(b -> b.attribute("style"))
                    .filter(s -> s.contains("mso-fit-shape-to-text:t"))
                    .isPresent(),
            box.flatMap(b -> b.attribute("inset")).map(VmlReader::insets).orElse(Framed.PADDING),
            switch (style.get("v-text-anchor", "top")) {
              case "middle" -> VerticalAlignment.CENTRE;
              case "bottom" -> VerticalAlignment.BOTTOM;
              default -> VerticalAlignment.TOP;
            },
            rule || filled && !fill.equals(Colour.WHITE)
                ? Optional.of(rule && fill.equals(Colour.WHITE) ? new Colour(0xA0A0A0) : fill)
                : Optional.empty(),
            stroked && !pictureShape
                ? Optional.of(
                    Rule.single(
                        Math.clamp(
                            VmlStyle.points(e.attribute("strokeweight").orElse("0.75pt")),
                            0.25,
                            40),
                        e.attribute("strokecolor").flatMap(VmlReader::colour).orElse(Colour.BLACK)))
                : Optional.empty(),
            style.rotation());
  }

  private static boolean geometryIsLine(Geometry g) {
    return g == Geometry.LINE_DOWN || g == Geometry.LINE_UP;
  }

  private Inline group(Element e, Framed frame, NodeId at) throws ReadProblem {
    double[] size = VmlStyle.point(e.attribute("coordsize").orElse("1000,1000"));
    double[] origin = VmlStyle.point(e.attribute("coordorigin").orElse("0,0"));
    double byX = size[0] > 0 ? frame.width() / size[0] : 1;
    double byY = size[1] > 0 ? frame.height() / size[1] : 1;
    var members = new ArrayList<Inline>();
    for (Element m : e.elements()) {
      Optional<Inline> member =
          shape(
              m,
              Optional.of(new double[] {byX, byY, origin[0], origin[1]}),
              Optional.empty(),
              Look.PLAIN,
              at);
      member.ifPresent(members::add);
      if (member.isEmpty() && DRAWN.contains(m.name())) {
        drawings.memberLeftOut(at);
      }
    }
    return drawings.members(members, frame);
  }

  private static final Set<String> SHAPES =
      Set.of("v:shape", "v:rect", "v:roundrect", "v:oval", "v:line", "v:group");

  /** Shapes of other kinds (ISO/IEC 29500-4 §19.1.2). */
  private static final Set<String> DRAWN = Set.of("v:polyline", "v:arc", "v:curve", "v:image");

  private static Placement inGroup(VmlStyle style, double[] group) {
    double x = VmlStyle.number(style.get("left", "0"));
    double y = VmlStyle.number(style.get("top", "0"));
    return DrawingReader.inside(
        Math.clamp((x - group[2]) * group[0], -Anchors.LARGEST, Anchors.LARGEST),
        Math.clamp((y - group[3]) * group[1], -Anchors.LARGEST, Anchors.LARGEST));
  }

  /** Text as large as its box, in one line. */
  private Inline watermark(Element e, Element path, VmlStyle boxStyle, Framed frame) {
    String text = path.attribute("string").orElse("");
    String family =
        VmlStyle.of(path.attribute("style").orElse(""))
            .get("font-family", "Liberation Sans")
            .replace("\"", "");
    var face = FontBook.shipped().serve(family, false, false).face();
    double units = text.isBlank() ? 1 : new JdkShaper().shape(face, text, false, Joins.ALL).width();
    double size = Math.clamp(frame.width() / Math.max(0.1, units / face.unitsPerEm()), 1, 1000);
    Look texts =
        Look.of(TextTraits.FAMILY, family)
            .with(TextTraits.SIZE, size)
            .with(
                TextTraits.COLOUR,
                e.attribute("fillcolor").flatMap(VmlReader::colour).orElse(new Colour(0xC0C0C0)));
    Look centred =
        Look.of(ParagraphTraits.ALIGNMENT, ParagraphTraits.Alignment.CENTRE)
            .with(ParagraphTraits.SPACE_AFTER, 0.0)
            .with(ParagraphTraits.LINE_PITCH, decant.model.look.LinePitch.SINGLE);
    List<Inline> inlines = text.isEmpty() ? List.of() : List.of(new Inline.Text(text, texts));
    var story =
        new Story(
            NodeId.fresh(),
            Story.Kind.BOX,
            List.of(new Paragraph(NodeId.fresh(), centred, texts, inlines)));
    shared.stories.put(story.id(), story);
    return new Framed(
            frame.width() + 2, frame.height(), text, frame.placement(), frame.kept(), frame.look())
        .box(
            Optional.of(story.id()),
            VerticalAlignment.CENTRE,
            Optional.empty(),
            boxStyle.rotation());
  }

  private static double length(Optional<String> v, Optional<double[]> group, int axis) {
    return v.map(
            l -> group.map(g -> VmlStyle.number(l) * g[axis]).orElseGet(() -> VmlStyle.points(l)))
        .map(points -> Math.clamp(points, 0, Anchors.LARGEST))
        .orElse(0.0);
  }

  private static Insets insets(String v) {
    String[] parts = v.split(",", -1);
    double[] n = {
      Framed.PADDING.left(), Framed.PADDING.top(), Framed.PADDING.right(), Framed.PADDING.bottom()
    };
    for (int k = 0; k < 4 && k < parts.length; k++) {
      n[k] = parts[k].isBlank() ? n[k] : VmlStyle.points(parts[k]);
    }
    return new Insets(n[1], n[2], n[3], n[0]);
  }

  private static Optional<Colour> colour(String v) {
    String s = v.strip().split("[\\s\\[]", 2)[0];
    if (s.matches("#[0-9A-Fa-f]{6}")) {
      return DocxLooks.hex(s.substring(1));
    }
    if (s.matches("#[0-9A-Fa-f]{3}")) {
      return DocxLooks.hex(
          "" + s.charAt(1) + s.charAt(1) + s.charAt(2) + s.charAt(2) + s.charAt(3) + s.charAt(3));
    }
    return switch (s.toLowerCase(Locale.ROOT)) {
      case "white" -> Optional.of(Colour.WHITE);
      case "black" -> Optional.of(Colour.BLACK);
      case "red" -> Optional.of(new Colour(0xFF0000));
      case "green" -> Optional.of(new Colour(0x008000));
      case "blue" -> Optional.of(new Colour(0x0000FF));
      case "yellow" -> Optional.of(new Colour(0xFFFF00));
      case "gray", "grey" -> Optional.of(new Colour(0x808080));
      case "silver" -> Optional.of(new Colour(0xC0C0C0));
      default -> Optional.empty();
    };
  }

  private static boolean isTrue(String v) {
    return v.equals("t") || v.equals("true");
  }

  private static boolean isFalse(Optional<String> v) {
    return v.filter(x -> x.equals("f") || x.equals("false")).isPresent();
  }
}
