package decant.office.odf.write;

import static decant.office.odf.markup.Measures.hash;
import static decant.office.odf.markup.Measures.points;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Inline.Geometry;
import decant.model.Story;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.Kept;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.model.look.Placement;
import decant.model.look.Placement.Align;
import decant.model.look.Placement.Axis;
import decant.model.look.Placement.Wrap;
import decant.model.look.Rule;
import decant.model.look.TextFrame;
import decant.office.emit.StorablePicture;
import decant.office.odf.markup.KeptObject;
import decant.office.odf.markup.PictureScale;
import decant.picture.PixelPicture;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Pictures, shapes and text boxes (ODF 1.3 part 3, §10.3 and §10.4). */
final class OdfDrawingsWriter {
  /** Kinds of pictures that readers of the format draw; common practice, §10.4.4 names none. */
  private static final Set<String> HELD =
      Set.of(
          "image/png",
          "image/jpeg",
          "image/gif",
          "image/bmp",
          "image/tiff",
          "image/svg+xml",
          "image/x-emf",
          "image/emf",
          "image/x-wmf",
          "image/wmf");

  /** Writes the text in a shape. */
  interface Texts {
    void write(Story s, Xml into);
  }

  private final Document document;
  private final AutomaticStyles styles;
  private final Map<String, Media> files;
  private final Map<MediaId, String> names = new LinkedHashMap<>();
  private final String prefix;
  private int count;

  /**
   * @param files where pictures are put, by their names in the package
   * @param prefix of the names of what is drawn, which are the document's own
   */
  OdfDrawingsWriter(
      Document document, AutomaticStyles styles, Map<String, Media> files, String prefix) {
    this.document = document;
    this.styles = styles;
    this.files = files;
    this.prefix = prefix;
  }

  void picture(Xml x, Inline.Picture p) {
    Media m = document.media().get(p.media());
    if (m == null) {
      return;
    }
    Media held = StorablePicture.of(m, p.width(), p.height(), k -> HELD.contains(k.type()));
    var more = new Xml();
    Insets c = p.crop();
    Optional<java.awt.Dimension> size = PixelPicture.size(held.bytes());
    if (!c.equals(Insets.NONE) && size.isPresent()) {
      double w = PictureScale.points(held, size.get().width);
      double h = PictureScale.points(held, size.get().height);
      more.attribute(
          "fo:clip",
          "rect("
              + points(c.top() * h)
              + ", "
              + points(c.right() * w)
              + ", "
              + points(c.bottom() * h)
              + ", "
              + points(c.left() * w)
              + ")");
    }
    begin(x, "draw:frame", "", p.placement(), p.width(), p.height(), p.rotation(), more.toString());
    x.raw(">");
    p.kept().filter(KeptObject::is).ifPresent(k -> x.raw(k.source()));
    x.empty(
        "draw:image",
        "xlink:href",
        names.computeIfAbsent(p.media(), k -> file(held)),
        "xlink:type",
        "simple",
        "xlink:show",
        "embed",
        "xlink:actuate",
        "onLoad");
    alt(x, p.alt());
    x.close("draw:frame");
  }

  private String file(Media m) {
    String extension =
        switch (m.type()) {
          case "image/jpeg" -> "jpg";
          case "image/svg+xml" -> "svg";
          case "image/tiff" -> "tif";
          default -> m.type().replaceAll("^image/(x-)?|[^a-z0-9]", "");
        };
    String name = "Pictures/" + m.id().sha256().substring(0, 16) + "." + extension;
    files.put(name, m);
    return name;
  }

  /**
   * A frame that paragraphs stand in beside the flow.
   *
   * @param inside its paragraphs, as they are written
   * @param room the width of the text, in points, of which one without a width takes a half
   */
  void frame(Xml x, TextFrame f, String inside, double room) {
    double width = f.width() > 0 ? f.width() : room / 2;
    String plain =
        new Xml().attribute("fo:border", "none").attribute("fo:padding", "0pt").toString();
    begin(x, "draw:frame", "Beside", f.placement(), width, f.exact() ? f.height() : 0, 0, plain);
    x.raw(">");
    x.open("draw:text-box", "fo:min-height", f.exact() ? "" : points(f.height()));
    x.raw(inside).close("draw:text-box").close("draw:frame");
  }

  private static void alt(Xml x, String alt) {
    if (!alt.isBlank()) {
      x.open("svg:desc").text(alt).close("svg:desc");
    }
  }

  void shape(Xml x, Inline.Shape s, Optional<Story> text, Texts texts) {
    Geometry g = s.drawing().geometry();
    boolean line = g == Geometry.LINE_DOWN || g == Geometry.LINE_UP;
    Optional<String> kept = s.kept().filter(KeptObject::is).map(Kept::source);
    if (kept.isPresent()) {
      begin(x, "draw:frame", "", s.placement(), s.width(), s.height(), s.rotation(), "");
      x.raw(">").raw(kept.get());
      alt(x, s.alt());
      x.close("draw:frame");
      return;
    }
    var more = new Xml();
    look(more, s, !line && g == Geometry.RECTANGLE && text.isPresent());
    if (line) {
      line(x, s, more.toString());
    } else if (g == Geometry.RECTANGLE && text.isPresent()) {
      boolean grows = s.content().grows();
      begin(
          x,
          "draw:frame",
          "",
          s.placement(),
          s.width(),
          grows ? 0 : s.height(),
          s.rotation(),
          more.toString());
      x.raw(">");
      x.open("draw:text-box", "fo:min-height", grows ? points(s.height()) : "");
      texts.write(text.get(), x);
      x.close("draw:text-box");
      alt(x, s.alt());
      x.close("draw:frame");
    } else {
      begin(
          x,
          "draw:custom-shape",
          "",
          s.placement(),
          s.width(),
          s.height(),
          s.rotation(),
          more.toString());
      x.raw(">");
      alt(x, s.alt());
      text.ifPresent(t -> texts.write(t, x));
      geometry(x, g);
      x.close("draw:custom-shape");
    }
  }

  /** §10.6: the outline as one of the standard's own commands. */
  private static void geometry(Xml x, Geometry g) {
    String[] drawn =
        switch (g) {
          case ELLIPSE -> new String[] {"ellipse", "U 10800 10800 10800 10800 0 360 Z N"};
          case ROUNDED ->
              new String[] {
                "round-rectangle",
                "M 3600 0 L 18000 0 X 21600 3600 L 21600 18000 Y 18000 21600"
                    + " L 3600 21600 X 0 18000 L 0 3600 Y 3600 0 Z N"
              };
          case RECTANGLE, LINE_DOWN, LINE_UP ->
              new String[] {"rectangle", "M 0 0 L 21600 0 21600 21600 0 21600 Z N"};
        };
    x.empty(
        "draw:enhanced-geometry",
        "svg:viewBox",
        "0 0 21600 21600",
        "draw:type",
        drawn[0],
        "draw:enhanced-path",
        drawn[1]);
  }

  private void line(Xml x, Inline.Shape s, String more) {
    double left = s.placement() instanceof Placement.Floating f ? f.across().offset() : 0;
    double top = s.placement() instanceof Placement.Floating f ? f.down().offset() : 0;
    boolean up = s.drawing().geometry() == Geometry.LINE_UP;
    x.raw("<draw:line");
    x.attribute("draw:style-name", style(s.placement(), more));
    x.attribute("draw:name", name());
    anchor(x, s.placement());
    x.attribute("svg:x1", points(left)).attribute("svg:y1", points(up ? top + s.height() : top));
    x.attribute("svg:x2", points(left + s.width()));
    x.attribute("svg:y2", points(up ? top : top + s.height())).raw(">");
    alt(x, s.alt());
    x.close("draw:line");
  }

  private static void look(Xml x, Inline.Shape s, boolean box) {
    Optional<Colour> fill = s.drawing().fill();
    Optional<Rule> line = s.drawing().outline().filter(Rule::isDrawn);
    x.attribute("draw:fill", fill.isPresent() ? "solid" : "none");
    fill.ifPresent(c -> x.attribute("draw:fill-color", hash(c)));
    if (box) {
      fill.ifPresent(c -> x.attribute("fo:background-color", hash(c)));
      x.attribute("fo:border", line.map(OdfLooksWriter::border).orElse("none"));
    } else {
      x.attribute("draw:stroke", line.isPresent() ? "solid" : "none");
      line.ifPresent(r ->
          x.attribute("svg:stroke-width", points(r.width()))
              .attribute("svg:stroke-color", hash(r.colour())));
    }
    Insets p = s.content().padding();
    x.attribute("fo:padding-top", points(p.top())).attribute("fo:padding-right", points(p.right()));
    x.attribute("fo:padding-bottom", points(p.bottom()));
    x.attribute("fo:padding-left", points(p.left()));
    x.attribute(
        "draw:textarea-vertical-align",
        switch (s.content().alignment()) {
          case TOP -> "top";
          case CENTRE -> "middle";
          case BOTTOM -> "bottom";
        });
    if (!box) {
      x.attribute("draw:auto-grow-height", Boolean.toString(s.content().grows()));
    }
  }

  private String name() {
    return prefix + ++count;
  }

  /** Begins an element that stands somewhere. */
  private void begin(
      Xml x,
      String element,
      String kind,
      Placement at,
      double width,
      double height,
      double rotation,
      String more) {
    x.raw("<" + element);
    x.attribute("draw:style-name", style(at, more));
    x.attribute("draw:name", kind + name());
    anchor(x, at);
    x.attribute("svg:width", points(width));
    if (height > 0) {
      x.attribute("svg:height", points(height));
    }
    double left = at instanceof Placement.Floating f ? f.across().offset() : 0;
    double top = at instanceof Placement.Floating f ? f.down().offset() : 0;
    if (Math.abs(rotation % 360) > 0.01) {
      // Ours turn around the middle; here the corner is turned anticlockwise, then moved.
      double a = -Math.toRadians(rotation);
      double w = width / 2;
      double h = height / 2;
      double tx = left + w - (w * Math.cos(a) + h * Math.sin(a));
      double ty = top + h - (-w * Math.sin(a) + h * Math.cos(a));
      x.attribute(
          "draw:transform",
          String.format(Locale.ROOT, "rotate (%.6f) translate (%s %s)", a, points(tx), points(ty)));
    } else if (at instanceof Placement.Floating f) {
      if (f.across().align() == Align.OFFSET) {
        x.attribute("svg:x", points(left));
      }
      if (f.down().align() == Align.OFFSET) {
        x.attribute("svg:y", points(top));
      }
    }
  }

  private static void anchor(Xml x, Placement at) {
    boolean ofLine =
        at instanceof Placement.Floating f && f.down().origin() == Placement.Origin.LINE;
    x.attribute(
        "text:anchor-type",
        at instanceof Placement.Floating ? ofLine ? "char" : "paragraph" : "as-char");
  }

  private String style(Placement at, String more) {
    var x = new Xml().raw("<style:graphic-properties");
    if (at instanceof Placement.Floating f) {
      x.attribute(
          "style:horizontal-pos", position(f.across(), "left", "center", "right", "from-left"));
      x.attribute(
          "style:horizontal-rel",
          switch (f.across().origin()) {
            case PAGE -> "page";
            case MARGIN -> "page-content";
            case COLUMN, PARAGRAPH, LINE -> "paragraph";
          });
      x.attribute("style:vertical-pos", position(f.down(), "top", "middle", "bottom", "from-top"));
      x.attribute(
          "style:vertical-rel",
          switch (f.down().origin()) {
            case PAGE -> "page";
            case MARGIN -> "page-content";
            case LINE -> "line";
            case COLUMN, PARAGRAPH -> "paragraph";
          });
      wrap(x, f);
      Insets d = f.distance();
      x.attribute("fo:margin-top", points(d.top())).attribute("fo:margin-right", points(d.right()));
      x.attribute("fo:margin-bottom", points(d.bottom()));
      x.attribute("fo:margin-left", points(d.left()));
    } else {
      x.attribute("style:vertical-pos", "top").attribute("style:vertical-rel", "baseline");
    }
    return styles.name("Drawn", " style:family=\"graphic\"", x.raw(more).raw("/>").toString());
  }

  private static String position(Axis a, String start, String middle, String end, String offset) {
    return switch (a.align()) {
      case START -> start;
      case CENTRE -> middle;
      case END -> end;
      case OFFSET -> offset;
    };
  }

  private static void wrap(Xml x, Placement.Floating f) {
    x.attribute(
        "style:wrap",
        switch (f.wrap()) {
          case Wrap.AboveAndBelow a -> "none";
          case Wrap.Through t -> "run-through";
          case Wrap.Around a ->
              switch (a.side()) {
                case BOTH -> "parallel";
                case LEFT -> "left";
                case RIGHT -> "right";
                case WIDER -> "biggest";
              };
        });
    if (f.wrap().equals(Wrap.THROUGH)) {
      x.attribute("style:run-through", f.behind() ? "background" : "foreground");
    } else if (f.wrap() instanceof Wrap.Around) {
      x.attribute("style:number-wrapped-paragraphs", "no-limit");
    }
  }
}
