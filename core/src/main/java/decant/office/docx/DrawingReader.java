package decant.office.docx;

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
import decant.model.look.Placement.Align;
import decant.model.look.Placement.Axis;
import decant.model.look.Placement.Origin;
import decant.model.look.Placement.Wrap;
import decant.model.look.Rule;
import decant.model.look.VerticalAlignment;
import decant.office.docx.markup.Anchors;
import decant.office.docx.markup.DocxLooks;
import decant.office.docx.markup.Out;
import decant.office.xml.Element;
import decant.office.xml.PackageFile;
import decant.office.xml.XmlParts;
import decant.picture.PictureTypes;
import decant.reading.ReadProblem;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Pictures, shapes and text boxes of DrawingML (§20.4), and groups of them. */
final class DrawingReader {
  private static final Words WORDS = Words.of(DrawingReader.class);

  /** Nothing on a page is larger. */
  private static final int DEEPEST = 6;

  /** Something that gives the blocks of a text box. */
  interface BoxContent {
    List<Block> of(Element txbxContent) throws ReadProblem;
  }

  private final PackageFile file;
  private final Map<String, PackageFile.Relationship> relationships;
  private final DocxBody.Shared shared;
  private final BoxContent content;

  DrawingReader(
      PackageFile file,
      Map<String, PackageFile.Relationship> relationships,
      DocxBody.Shared shared,
      BoxContent content) {
    this.file = file;
    this.relationships = relationships;
    this.shared = shared;
    this.content = content;
  }

  /** What stands in the document for a drawing; empty if there is nothing to show. */
  Optional<Inline> read(Element drawing, Look look, NodeId at) throws ReadProblem {
    Optional<Element> holder = drawing.child("wp:inline").or(() -> drawing.child("wp:anchor"));
    Optional<Element> extent = holder.flatMap(f -> f.child("wp:extent"));
    Optional<Element> data = holder.flatMap(f -> f.descendant("a:graphicData"));
    if (holder.isEmpty() || extent.isEmpty() || data.isEmpty()) {
      return Optional.empty();
    }
    double w = size(extent.get().attribute("cx"));
    double h = size(extent.get().attribute("cy"));
    String alt =
        holder
            .get()
            .child("wp:docPr")
            .flatMap(d -> d.attribute("descr").or(() -> d.attribute("title")))
            .orElse("");
    Placement placement = Anchors.of(holder.get());
    var kept = new Kept(DocxLooks.FORMAT, XmlParts.write(drawing));
    var frame = new Framed(w, h, alt, placement, Optional.of(kept), look);
    for (Element e : data.get().elements()) {
      switch (e.name()) {
        case "pic:pic" -> {
          return picture(e, frame, at);
        }
        case "wps:wsp" -> {
          return Optional.of(shape(e, frame));
        }
        case "wpg:wgp", "wpc:wpc" -> {
          return Optional.of(group(e, frame, at, 0));
        }
        default -> {}
      }
    }
    shared.keepTargets(kept, relationships);
    shared.find(
        Finding.Kind.DRAWING_LEFT_OUT,
        Finding.Severity.LOSS,
        WORDS.say("drawing-reader.a-chart-or-diagram-shows"),
        at);
    return Optional.of(
        blank(alt.isEmpty() ? frame.named(WORDS.say("drawing-reader.chart-or-diagram")) : frame));
  }

  private static Inline blank(Framed frame) {
    return frame.box(
        Optional.empty(),
        VerticalAlignment.TOP,
        Optional.of(Rule.single(0.5, new Colour(0xB8B0A4))),
        0);
  }

  private static double size(Optional<String> emu) {
    return Math.clamp(DocxLooks.number(emu).orElse(0.0) / Out.EMU, 0, Anchors.LARGEST);
  }

  private Optional<Inline> picture(Element pic, Framed frame, NodeId at) throws ReadProblem {
    Optional<Element> blip = pic.descendant("a:blip");
    Optional<Media> m =
        blip.flatMap(b -> b.attribute("r:embed")).isPresent()
            ? media(blip.flatMap(b -> b.attribute("r:embed")).get(), at)
            : Optional.empty();
    if (m.isEmpty() || frame.width() <= 0 || frame.height() <= 0) {
      shared.find(
          Finding.Kind.PICTURE_CHANGED,
          Finding.Severity.LOSS,
          WORDS.say("drawing-reader.a-picture-is-not-in"),
          at);
      return frame.kept().map(k -> blank(frame));
    }
    Insets crop =
        pic.descendant("a:srcRect")
            .map(r -> new Insets(cut(r, "t"), cut(r, "r"), cut(r, "b"), cut(r, "l")))
            .filter(c -> c.top() + c.bottom() < 0.98 && c.left() + c.right() < 0.98)
            .orElse(Insets.NONE);
    return Optional.of(frame.picture(m.get(), crop, rotation(pic.child("pic:spPr"))));
  }

  /** §20.1.8.55: thousandths of a percent. */
  private static double cut(Element srcRect, String side) {
    return DocxLooks.number(srcRect.attribute(side)).map(v -> v / 100_000).orElse(0.0);
  }

  private static double rotation(Optional<Element> spPr) {
    return DocxLooks.number(spPr.flatMap(s -> s.child("a:xfrm")).flatMap(x -> x.attribute("rot")))
        .map(v -> v / 60_000 % 360)
        .orElse(0.0);
  }

  /** The picture that a relationship leads to. */
  Optional<Media> media(String relationship, NodeId at) throws ReadProblem {
    PackageFile.Relationship r = relationships.get(relationship);
    if (r == null || r.external()) {
      return Optional.empty();
    }
    String declared = file.contentType(r.target());
    Optional<Media> found =
        shared.pictures.of(
            r.target(),
            declared,
            () -> file.bytes(r.target()).map(b -> Media.of(PictureTypes.type(b, declared), b)));
    if (found.isEmpty()) {
      return found;
    }
    Media m = found.get();
    shared.media.put(m.id(), m);
    if (PictureTypes.isDrawn(m.type()) && !shared.pictures.isWhole(m)) {
      shared.find(
          Finding.Kind.PICTURE_MISSING,
          Finding.Severity.LOSS,
          WORDS.say("drawing-reader.a-picture-is-damaged"),
          at);
    }
    if (!PictureTypes.isDrawn(m.type())) {
      shared.find(
          Finding.Kind.PICTURE_CHANGED,
          Finding.Severity.LOSS,
          WORDS.say("drawing-reader.a-picture-of-a-kind", m.type()),
          at);
    }
    return found;
  }

  private Inline shape(Element wsp, Framed frame) throws ReadProblem {
    Optional<Element> spPr = wsp.child("wps:spPr");
    Optional<Element> body = wsp.child("wps:bodyPr");
    Optional<Element> text = wsp.child("wps:txbx").flatMap(t -> t.child("w:txbxContent"));
    Optional<NodeId> story = text.isPresent() ? Optional.of(story(text.get())) : Optional.empty();
    Optional<Element> style = wsp.child("wps:style");
    return frame.shape(
        story,
        geometry(spPr),
        body.flatMap(b -> b.child("a:spAutoFit")).isPresent() && story.isPresent(),
        body.map(DrawingReader::padding).orElse(Framed.PADDING),
        switch (body.flatMap(b -> b.attribute("anchor")).orElse("t")) {
          case "ctr" -> VerticalAlignment.CENTRE;
          case "b" -> VerticalAlignment.BOTTOM;
          default -> VerticalAlignment.TOP;
        },
        fill(spPr, style),
        outline(spPr, style),
        rotation(spPr));
  }

  private static Insets padding(Element bodyPr) {
    return new Insets(
        inset(bodyPr, "tIns", Framed.PADDING.top()),
        inset(bodyPr, "rIns", Framed.PADDING.right()),
        inset(bodyPr, "bIns", Framed.PADDING.bottom()),
        inset(bodyPr, "lIns", Framed.PADDING.left()));
  }

  private static double inset(Element bodyPr, String name, double otherwise) {
    return bodyPr.attribute(name).isPresent() ? Anchors.points(bodyPr.attribute(name)) : otherwise;
  }

  NodeId story(Element txbxContent) throws ReadProblem {
    var story = new Story(NodeId.fresh(), Story.Kind.BOX, content.of(txbxContent));
    shared.stories.put(story.id(), story);
    return story.id();
  }

  private static Geometry geometry(Optional<Element> spPr) {
    String name =
        spPr.flatMap(s -> s.child("a:prstGeom")).flatMap(g -> g.attribute("prst")).orElse("rect");
    Optional<Element> xfrm = spPr.flatMap(s -> s.child("a:xfrm"));
    boolean over = xfrm.flatMap(x -> x.attribute("flipV")).map(DocxLooks::isOn).orElse(false);
    boolean aside = xfrm.flatMap(x -> x.attribute("flipH")).map(DocxLooks::isOn).orElse(false);
    boolean flipped = over != aside;
    return switch (name) {
      case "line", "straightConnector1" -> flipped ? Geometry.LINE_UP : Geometry.LINE_DOWN;
      case "ellipse", "flowChartConnector" -> Geometry.ELLIPSE;
      case "roundRect", "flowChartAlternateProcess", "flowChartTerminator" -> Geometry.ROUNDED;
      default -> Geometry.RECTANGLE;
    };
  }

  private Optional<Colour> fill(Optional<Element> spPr, Optional<Element> style) {
    if (spPr.flatMap(s -> s.child("a:noFill")).isPresent()) {
      return Optional.empty();
    }
    Optional<Element> solid = spPr.flatMap(s -> s.child("a:solidFill"));
    if (solid.isPresent()) {
      return solid.flatMap(shared.theme::colour);
    }
    Optional<Element> gradient =
        spPr.flatMap(s -> s.child("a:gradFill")).flatMap(g -> g.descendant("a:gs"));
    if (gradient.isPresent()) {
      return gradient.flatMap(shared.theme::colour);
    }
    return style
        .flatMap(s -> s.child("a:fillRef"))
        .filter(r -> !r.attribute("idx").orElse("0").equals("0"))
        .flatMap(shared.theme::colour);
  }

  private Optional<Rule> outline(Optional<Element> spPr, Optional<Element> style) {
    Optional<Element> ln = spPr.flatMap(s -> s.child("a:ln"));
    if (ln.flatMap(l -> l.child("a:noFill")).isPresent()) {
      return Optional.empty();
    }
    Optional<Colour> own = ln.flatMap(l -> l.child("a:solidFill")).flatMap(shared.theme::colour);
    Optional<Colour> colour =
        own.or(() ->
            style
                .flatMap(s -> s.child("a:lnRef"))
                .filter(r -> !r.attribute("idx").orElse("0").equals("0"))
                .flatMap(shared.theme::colour));
    if (colour.isEmpty()) {
      return Optional.empty();
    }
    double width =
        DocxLooks.number(ln.flatMap(l -> l.attribute("w"))).map(v -> v / Out.EMU).orElse(0.75);
    Rule.Kind kind =
        switch (ln.flatMap(l -> l.child("a:prstDash"))
            .flatMap(d -> d.attribute("val"))
            .orElse("solid")) {
          case "solid" -> Rule.Kind.SINGLE;
          case "dot", "sysDot" -> Rule.Kind.DOTTED;
          default -> Rule.Kind.DASHED;
        };
    return Optional.of(new Rule(kind, Math.clamp(width, 0.25, 40), colour.get(), 0));
  }

  /**
   * A group: a shape without lines whose text is one paragraph that its members are anchored to.
   */
  private Inline group(Element wgp, Framed frame, NodeId at, int depth) throws ReadProblem {
    GroupScale scale =
        GroupScale.of(
            wgp.child("wpg:grpSpPr").flatMap(x -> x.child("a:xfrm")),
            frame.width(),
            frame.height());
    var members = new ArrayList<Inline>();
    for (Element e : wgp.elements()) {
      Optional<Element> xfrm =
          e.child("wpg:grpSpPr")
              .or(() -> e.child("wps:spPr"))
              .or(() -> e.child("pic:spPr"))
              .flatMap(s -> s.child("a:xfrm"));
      if (xfrm.isEmpty()) {
        if (DRAWN.contains(e.name())) {
          memberLeftOut(at);
        }
        continue;
      }
      Framed member =
          Framed.member(scale.width(xfrm.get()), scale.height(xfrm.get()), scale.place(xfrm.get()));
      switch (e.name()) {
        case "wps:wsp" -> members.add(shape(e, member));
        case "pic:pic" -> picture(e, member, at).ifPresent(members::add);
        case "wpg:grpSp" -> {
          if (depth < DEEPEST) {
            members.add(group(e, member, at, depth + 1));
          } else {
            memberLeftOut(at);
          }
        }
        default -> memberLeftOut(at);
      }
    }
    return members(members, frame);
  }

  /** What draws something in a group, wherever it says its place. */
  private static final Set<String> DRAWN =
      Set.of("wps:wsp", "pic:pic", "wpg:grpSp", "wpg:graphicFrame", "wpg:contentPart");

  void memberLeftOut(NodeId at) {
    shared.find(
        Finding.Kind.DRAWING_LEFT_OUT,
        Finding.Severity.LOSS,
        WORDS.say("drawing-reader.part-of-a-group"),
        at);
  }

  /** A shape without lines that holds others at their places. */
  Inline members(List<Inline> members, Framed frame) {
    frame.kept().ifPresent(k -> shared.keepTargets(k, relationships));
    var anchor = new Paragraph(NodeId.fresh(), Look.PLAIN, Look.PLAIN, members);
    var story = new Story(NodeId.fresh(), Story.Kind.BOX, List.of(anchor));
    shared.stories.put(story.id(), story);
    return frame.box(Optional.of(story.id()), VerticalAlignment.TOP, Optional.empty(), 0);
  }

  /** A place within a group. */
  static Placement inside(double x, double y) {
    return new Placement.Floating(
        new Axis(Origin.PAGE, Align.OFFSET, x),
        new Axis(Origin.PAGE, Align.OFFSET, y),
        Wrap.THROUGH,
        Insets.NONE,
        false);
  }
}
