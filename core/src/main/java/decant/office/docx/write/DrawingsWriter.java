package decant.office.docx.write;

import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.Placement;
import decant.model.look.Rule;
import decant.model.look.VerticalAlignment;
import decant.office.docx.markup.Anchors;
import decant.office.docx.markup.Out;
import decant.office.docx.markup.Wraps;
import decant.office.xml.Element;
import decant.office.xml.Namespaces;
import decant.office.xml.XmlParts;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Pictures and shapes as drawings (§20.4). One that came from a DOCX goes back as it was, with its
 * picture, size and texts as they are now.
 */
final class DrawingsWriter {

  /** Writes the text in a shape. */
  interface Texts {
    void write(Out o, Story story, Relationships rels);
  }

  /** The name of the part that holds a picture. */
  interface MediaPart {
    Optional<String> of(decant.model.look.MediaId id);
  }

  private final Document document;
  private final Texts texts;
  private final MediaPart media;
  private int next = 1;

  DrawingsWriter(Document document, Texts texts, MediaPart media) {
    this.document = document;
    this.texts = texts;
    this.media = media;
  }

  void picture(Out o, Inline.Picture pic, Relationships rels) {
    Optional<String> part = media.of(pic.media());
    if (part.isEmpty()) {
      return;
    }
    String rel = rels.add("image", part.get(), false);
    Optional<KeptDrawing> kept =
        KeptDrawing.of(pic.kept()).filter(k -> k.stand(pic.placement()) && k.turn(pic.rotation()));
    if (kept.isPresent()) {
      kept.get().show(rel);
      kept.get().resize(pic.width(), pic.height());
      if (!pic.alt().isEmpty()) {
        kept.get().describe(pic.alt());
      }
      o.raw(XmlParts.write(kept.get().root()));
      return;
    }
    String id = Integer.toString(next++);
    begin(o, pic.placement(), pic.width(), pic.height(), "Picture " + id, id, pic.alt());
    o.raw("<a:graphic><a:graphicData uri=\"" + Namespaces.PIC + "\"><pic:pic><pic:nvPicPr>");
    o.empty("pic:cNvPr", "id", id, "name", "Picture " + id)
        .raw("<pic:cNvPicPr/></pic:nvPicPr><pic:blipFill>");
    o.empty("a:blip", "r:embed", rel);
    Insets c = pic.crop();
    if (!c.equals(Insets.NONE)) {
      o.empty(
          "a:srcRect",
          "l",
          share(c.left()),
          "t",
          share(c.top()),
          "r",
          share(c.right()),
          "b",
          share(c.bottom()));
    }
    o.raw("<a:stretch><a:fillRect/></a:stretch></pic:blipFill><pic:spPr>");
    xfrm(o, pic.width(), pic.height(), pic.rotation(), false);
    o.raw(
        "<a:prstGeom prst=\"rect\"><a:avLst/></a:prstGeom></pic:spPr></pic:pic></a:graphicData></a:graphic>");
    end(o, pic.placement());
  }

  private static String share(double v) {
    return Long.toString(Math.round(v * 100_000));
  }

  private static void begin(
      Out o, Placement placement, double w, double h, String name, String id, String alt) {
    o.raw("<w:drawing>");
    switch (placement) {
      case Placement.OnLine on ->
          o.raw("<wp:inline distT=\"0\" distB=\"0\" distL=\"0\" distR=\"0\">");
      case Placement.Floating f -> {
        Insets d = f.distance();
        o.raw(
            "<wp:anchor distT=\"%s\" distB=\"%s\" distL=\"%s\" distR=\"%s\" simplePos=\"0\" relativeHeight=\"%s\" behindDoc=\"%s\" locked=\"0\" layoutInCell=\"1\" allowOverlap=\"1\"><wp:simplePos x=\"0\" y=\"0\"/>"
                .formatted(
                    Out.emu(d.top()),
                    Out.emu(d.bottom()),
                    Out.emu(d.left()),
                    Out.emu(d.right()),
                    id,
                    f.behind() ? "1" : "0"));
        axis(o, "wp:positionH", f.across(), true);
        axis(o, "wp:positionV", f.down(), false);
      }
    }
    o.empty("wp:extent", "cx", Out.emu(w), "cy", Out.emu(h));
    o.raw("<wp:effectExtent l=\"0\" t=\"0\" r=\"0\" b=\"0\"/>");
    if (placement instanceof Placement.Floating f) {
      o.raw(Wraps.write(f.wrap()));
    }
    o.empty("wp:docPr", "id", id, "name", name, "descr", alt);
    o.raw("<wp:cNvGraphicFramePr/>");
  }

  private static void axis(Out o, String name, Placement.Axis axis, boolean across) {
    o.raw("<" + name + " relativeFrom=\"" + Anchors.from(axis, across) + "\">");
    Anchors.edge(axis, across)
        .ifPresentOrElse(
            word -> o.raw("<wp:align>" + word + "</wp:align>"),
            () -> o.raw("<wp:posOffset>" + Out.emu(axis.offset()) + "</wp:posOffset>"));
    o.raw("</" + name + ">");
  }

  private static void end(Out o, Placement placement) {
    o.raw(placement instanceof Placement.Floating ? "</wp:anchor>" : "</wp:inline>");
    o.raw("</w:drawing>");
  }

  private static void xfrm(Out o, double w, double h, double rotation, boolean flipped) {
    String turn =
        rotation == 0 ? "" : " rot=\"" + Math.round(((rotation % 360) + 360) % 360 * 60_000) + "\"";
    o.raw("<a:xfrm" + turn + (flipped ? " flipV=\"1\"" : "") + "><a:off x=\"0\" y=\"0\"/>");
    o.empty("a:ext", "cx", Out.emu(w), "cy", Out.emu(h)).raw("</a:xfrm>");
  }

  void shape(Out o, Inline.Shape s, Relationships rels) {
    Optional<KeptDrawing> kept =
        KeptDrawing.of(s.kept()).filter(k -> k.stand(s.placement()) && k.turn(s.rotation()));
    if (kept.isPresent()) {
      keptShape(o, s, kept.get().root(), rels);
      return;
    }
    String id = Integer.toString(next++);
    o.raw("<mc:AlternateContent xmlns:mc=\"" + uri("mc") + "\" xmlns:wps=\"" + uri("wps"));
    o.raw("\"><mc:Choice Requires=\"wps\">");
    begin(o, s.placement(), s.width(), s.height(), "Shape " + id, id, s.alt());
    o.raw("<a:graphic><a:graphicData uri=\"" + uri("wps") + "\"><wps:wsp>");
    o.raw(s.content().story().isPresent() ? "<wps:cNvSpPr txBox=\"1\"/>" : "<wps:cNvSpPr/>");
    o.raw("<wps:spPr>");
    xfrm(o, s.width(), s.height(), s.rotation(), s.drawing().geometry() == Inline.Geometry.LINE_UP);
    String prst =
        switch (s.drawing().geometry()) {
          case RECTANGLE -> "rect";
          case ROUNDED -> "roundRect";
          case ELLIPSE -> "ellipse";
          case LINE_DOWN, LINE_UP -> "line";
        };
    o.raw("<a:prstGeom prst=\"" + prst + "\"><a:avLst/></a:prstGeom>");
    s.drawing().fill().ifPresentOrElse(c -> solid(o, c), () -> o.raw("<a:noFill/>"));
    outline(o, s.drawing().outline().filter(Rule::isDrawn));
    o.raw("</wps:spPr>");
    Story story = s.content().story().map(document.stories()::get).orElse(null);
    if (story != null) {
      o.raw("<wps:txbx><w:txbxContent>");
      boxContent(o, story, rels);
      o.raw("</w:txbxContent></wps:txbx>");
    }
    Insets p = s.content().padding();
    o.raw(
        "<wps:bodyPr lIns=\"%s\" tIns=\"%s\" rIns=\"%s\" bIns=\"%s\" anchor=\"%s\">"
            .formatted(
                Out.emu(p.left()),
                Out.emu(p.top()),
                Out.emu(p.right()),
                Out.emu(p.bottom()),
                s.content().alignment() == VerticalAlignment.TOP
                    ? "t"
                    : s.content().alignment() == VerticalAlignment.CENTRE ? "ctr" : "b"));
    o.raw(s.content().grows() ? "<a:spAutoFit/>" : "<a:noAutofit/>");
    o.raw("</wps:bodyPr></wps:wsp></a:graphicData></a:graphic>");
    end(o, s.placement());
    o.raw("</mc:Choice></mc:AlternateContent>");
  }

  private static String uri(String prefix) {
    return Namespaces.uri(prefix).orElseThrow();
  }

  private static void solid(Out o, Colour c) {
    o.raw("<a:solidFill><a:srgbClr val=\"" + c.hex() + "\"/></a:solidFill>");
  }

  private static void outline(Out o, Optional<Rule> rule) {
    if (rule.isEmpty()) {
      o.raw("<a:ln><a:noFill/></a:ln>");
      return;
    }
    o.raw("<a:ln w=\"" + Out.emu(rule.get().width()) + "\">");
    solid(o, rule.get().colour());
    String dash =
        switch (rule.get().kind()) {
          case SINGLE, DOUBLE -> "";
          case DOTTED -> "<a:prstDash val=\"sysDot\"/>";
          case DASHED -> "<a:prstDash val=\"dash\"/>";
        };
    o.raw(dash + "</a:ln>");
  }

  private void boxContent(Out o, Story story, Relationships rels) {
    texts.write(o, story, rels);
    if (story.blocks().stream().noneMatch(b -> b instanceof Paragraph)) {
      o.raw("<w:p/>");
    }
  }

  /** The original, its text boxes filled with the texts as they are now. */
  private void keptShape(Out o, Inline.Shape s, Element root, Relationships rels) {
    var stories = new ArrayList<Story>();
    gather(s, stories);
    var boxes = new ArrayList<Element>();
    find(root, boxes);
    boolean match = boxes.size() == stories.size();
    for (int k = 0; k < boxes.size() && match; k++) {
      boxes.get(k).children().clear();
      boxes.get(k).children().add(mark(k));
    }
    Element whole = root;
    boolean needsChoice = root.name().equals("w:drawing") && usesShapes(root);
    if (needsChoice) {
      String prefix = root.descendant("wpg:wgp").isPresent() ? "wpg" : "wps";
      var choice = new Element("mc:Choice", Map.of("Requires", prefix), List.of(root));
      whole = new Element("mc:AlternateContent", Map.of(), List.of(choice));
    }
    String xml = XmlParts.write(whole);
    for (int k = 0; k < boxes.size() && match; k++) {
      var content = new Out();
      boxContent(content, stories.get(k), rels);
      xml = xml.replace(mark(k), content.toString());
    }
    o.raw(xml);
  }

  private static String mark(int k) {
    return "\uE000box" + k + "\uE001";
  }

  private static boolean usesShapes(Element e) {
    return e.descendant("wps:wsp").isPresent() || e.descendant("wpg:wgp").isPresent();
  }

  /** The texts of a shape, or of the members of a group, in the order of the file. */
  private void gather(Inline.Shape s, List<Story> out) {
    NodeId id = s.content().story().orElse(null);
    Story story = id == null ? null : document.stories().get(id);
    if (story == null) {
      return;
    }
    boolean group =
        story.blocks().size() == 1
            && story.blocks().getFirst() instanceof Paragraph p
            && !p.inlines().isEmpty()
            && p.inlines().stream()
                .allMatch(i ->
                    i instanceof Inline.Shape m && m.kept().isEmpty()
                        || i instanceof Inline.Picture pic && pic.kept().isEmpty());
    if (!group) {
      out.add(story);
      return;
    }
    for (Inline i : ((Paragraph) story.blocks().getFirst()).inlines()) {
      if (i instanceof Inline.Shape m) {
        gather(m, out);
      }
    }
  }

  private static void find(Element e, List<Element> out) {
    for (Element c : e.elements()) {
      if (c.name().equals("w:txbxContent")) {
        out.add(c);
      } else {
        find(c, out);
      }
    }
  }
}
