package decant.pdf.read.document;

import decant.model.Block;
import decant.model.Box;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.finding.Finding;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.Placement;
import decant.model.look.Rule;
import decant.model.look.VerticalAlignment;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.page.Ground;
import decant.pdf.read.page.Painted;
import decant.pdf.read.page.ScannedPage;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * Lines and areas that are part of nothing else stand behind the text as shapes of their own, each
 * anchored to the paragraph that it begins beside: rules of headers, bars, shades behind several
 * paragraphs, the ground of a page.
 */
public final class DrawnShapes {
  private final Map<NodeId, Finding.SourcePlace> places;
  private final Map<Integer, List<Paragraph>> paragraphs = new HashMap<>();
  private final Map<NodeId, List<Inline>> anchored = new HashMap<>();

  /** The upper note of each page. */
  private final Map<Integer, Box> notes = new HashMap<>();

  private final Map<Integer, List<Box>> taken = new HashMap<>();

  /**
   * A document with shapes.
   *
   * @param taken for each page what became a shape
   */
  public record Result(Document document, Map<Integer, List<Box>> taken) {}

  private DrawnShapes(Document document, Map<NodeId, Finding.SourcePlace> places) {
    this.places = places;
    for (Section s : document.sections()) {
      for (Block b : s.blocks()) {
        Finding.SourcePlace at = places.get(b.id());
        if (b instanceof Paragraph p && at != null) {
          paragraphs.computeIfAbsent(at.page(), k -> new ArrayList<>()).add(p);
        }
      }
    }
  }

  /**
   * @param places where the document's blocks stood
   * @param grounds for each page the drawings that stand behind its text
   * @param apart what stands apart from the text, whose stories are in the document
   */
  public static Result in(
      Document document,
      List<ScannedPage> pages,
      List<Detected> found,
      Map<NodeId, Finding.SourcePlace> places,
      Map<Integer, List<Ground>> grounds,
      ApartStories apart) {
    var shapes = new DrawnShapes(document, places);
    var areas = new CarriedAreas(found, document, places);
    document.stories().values().stream()
        .filter(s -> s.kind() == Story.Kind.FOOTNOTE)
        .flatMap(s -> s.blocks().stream())
        .map(b -> places.get(b.id()))
        .filter(Objects::nonNull)
        .forEach(at -> shapes.notes.merge(at.page(), at.box(), DrawnShapes::upper));
    Document out = document;
    for (ScannedPage p : pages) {
      List<Ground> behind = grounds.getOrDefault(p.number(), List.of());
      if (shapes.grounds(p, behind, apart.hasBackground(p.number()))) {
        for (Ground g : behind) {
          out = out.withMedia(g.picture().media());
        }
      }
      Set<Painted> elsewhere = apart.bars().getOrDefault(p.number(), Set.of());
      elsewhere.forEach(s -> shapes.take(p, s.box()));
      shapes.on(p, areas.on(p), behind, elsewhere);
      shapes.hold(p.number(), apart.shapes().getOrDefault(p.number(), List.of()));
    }
    Map<NodeId, Paragraph> holding = new HashMap<>();
    for (Map.Entry<NodeId, List<Inline>> e : shapes.anchored.entrySet()) {
      Paragraph p = out.requireParagraph(e.getKey());
      var inlines = new ArrayList<>(p.inlines());
      inlines.addAll(e.getValue());
      holding.put(e.getKey(), p.withInlines(inlines));
    }
    return new Result(out.withParagraphs(holding), shapes.taken);
  }

  private static Box upper(Box a, Box b) {
    return a.y() < b.y() ? a : b;
  }

  /** Whether a line is the one above the notes of a page, which the notes bring along. */
  private boolean separates(Box line, int page) {
    Box note = notes.get(page);
    return note != null && separates(line, note);
  }

  /** Whether a line is the one above the first note of its page. */
  static boolean separates(Box line, Box note) {
    return line.height() < DocumentThresholds.DrawnShapes.LINE
        && line.bottom() <= note.y() + DocumentThresholds.DrawnShapes.LINE
        && note.y() - line.bottom() < DocumentThresholds.DrawnShapes.ABOVE_NOTES;
  }

  /** Puts drawings behind the text of a page; false if nothing is there to hold them. */
  private boolean grounds(ScannedPage page, List<Ground> behind, boolean inHeader) {
    List<Paragraph> here = paragraphs.getOrDefault(page.number(), List.of());
    Finding.SourcePlace at = here.isEmpty() ? null : places.get(here.getFirst().id());
    if (at == null) {
      return false;
    }
    for (Ground g : behind) {
      page.shapes().stream().filter(g::shows).map(Painted::box).forEach(s -> take(page, s));
      if (inHeader && g.background()) {
        continue;
      }
      Box b = g.box();
      Paragraph holder = standing(here, b);
      Finding.SourcePlace from = places.getOrDefault(holder.id(), at);
      anchored
          .computeIfAbsent(holder.id(), k -> new ArrayList<>())
          .add(picture(g, behind(b, b.y() - from.box().y())));
    }
    return true;
  }

  /** The first paragraph that stands on a ground, with which that moves; else the first of all. */
  private Paragraph standing(List<Paragraph> here, Box ground) {
    return here.stream()
        .filter(p -> {
          Finding.SourcePlace at = places.get(p.id());
          return at != null && ground.holds(at.box(), 1);
        })
        .findFirst()
        .orElse(here.getFirst());
  }

  /** Boxes have their place on the page; the first paragraph of it holds them. */
  private void hold(int page, List<Inline.Shape> boxes) {
    List<Paragraph> here = paragraphs.getOrDefault(page, List.of());
    if (!here.isEmpty() && !boxes.isEmpty()) {
      anchored.computeIfAbsent(here.getFirst().id(), k -> new ArrayList<>()).addAll(boxes);
    }
  }

  private static Placement behind(Box box, double down) {
    return new Placement.Floating(
        new Placement.Axis(Placement.Origin.PAGE, Placement.Align.OFFSET, box.x()),
        new Placement.Axis(Placement.Origin.PARAGRAPH, Placement.Align.OFFSET, down),
        Placement.Wrap.THROUGH,
        Insets.NONE,
        true);
  }

  /** A ground as a picture behind the text. */
  static Inline picture(Ground g, Placement place) {
    return new Inline.Picture(
        g.picture().media().id(),
        g.box().width(),
        g.box().height(),
        "",
        place,
        Insets.NONE,
        0,
        Optional.empty(),
        Look.PLAIN);
  }

  private void take(ScannedPage page, Box box) {
    taken.computeIfAbsent(page.number(), k -> new ArrayList<>()).add(box);
  }

  private void on(
      ScannedPage page, CarriedAreas.On carried, List<Ground> behind, Set<Painted> elsewhere) {
    List<Paragraph> here = paragraphs.getOrDefault(page.number(), List.of());
    List<Painted> left =
        leftOver(page, carried, behind).stream().filter(s -> !elsewhere.contains(s)).toList();
    if (here.isEmpty() || left.size() > DocumentThresholds.DrawnShapes.MAX_ON_PAGE) {
      return;
    }
    for (Painted s : left) {
      Box box = visible(s, page);
      Paragraph anchor = anchor(here, box);
      Finding.SourcePlace at = places.get(anchor.id());
      if (at == null || separates(s.box(), page.number())) {
        continue;
      }
      anchored
          .computeIfAbsent(anchor.id(), k -> new ArrayList<>())
          .add(shape(s, box, behind(box, box.y() - at.box().y())));
      take(page, s.box());
    }
  }

  /** What shows and is part of nothing, in the order it is painted. */
  private static List<Painted> leftOver(
      ScannedPage page, CarriedAreas.On carried, List<Ground> behind) {
    var out = new ArrayList<Painted>();
    for (Painted s : page.shapes()) {
      boolean covers =
          !s.shows()
              && s.fill().isPresent()
              && (out.stream().anyMatch(o -> meet(o.box(), s.box()))
                  || behind.stream().anyMatch(g -> g.showsUnder(s)));
      boolean drawable = (!s.free() || isBall(s)) && (s.shows() || covers);
      if (drawable && !carried.carries(s.box(), s.fill().isPresent())) {
        out.add(s);
      }
    }
    out.removeIf(s -> behind.stream().anyMatch(g -> g.shows(s)));
    return out;
  }

  /** Whether it is one of the small balls that numbers of items stand on. */
  private static boolean isBall(Painted s) {
    double most = DocumentThresholds.DrawnShapes.BALL;
    return s.patterned() && s.box().width() < most && s.box().height() < most;
  }

  private static boolean meet(Box a, Box b) {
    return a.sharedWidth(b) > 0 && a.sharedHeight(b) > 0;
  }

  /** Its box within the page, and no thinner than what can be seen. */
  private static Box visible(Painted s, ScannedPage page) {
    Box b = s.box();
    double hair =
        isLine(s)
            ? s.stroke().map(Rule::width).orElse(DocumentThresholds.DrawnShapes.HAIR)
            : DocumentThresholds.DrawnShapes.HAIR;
    double x = Math.max(0, b.x());
    double y = Math.max(0, b.y());
    double width = Math.max(0, Math.min(page.width(), b.right()) - x);
    double height = Math.max(0, Math.min(page.height(), b.bottom()) - y);
    double across = Math.max(0, hair - width);
    double down = Math.max(0, hair - height);
    return new Box(x - across / 2, y - down / 2, width + across, height + down);
  }

  /** The last paragraph that begins above a shape, or else the first. */
  private Paragraph anchor(List<Paragraph> here, Box box) {
    Paragraph best = here.getFirst();
    double lowest = Double.NEGATIVE_INFINITY;
    for (Paragraph p : here) {
      Finding.SourcePlace at = places.get(p.id());
      double y = at == null ? Double.MAX_VALUE : at.box().y();
      if (y <= box.y() + DocumentThresholds.DrawnShapes.BESIDE && y > lowest) {
        lowest = y;
        best = p;
      }
    }
    return best;
  }

  private static boolean isLine(Painted s) {
    return Math.min(s.box().width(), s.box().height()) < DocumentThresholds.DrawnShapes.LINE;
  }

  static Inline.Shape shape(Painted s, Box box, Placement place) {
    boolean line = isLine(s);
    Optional<Colour> fill = line ? s.fill().or(() -> s.stroke().map(Rule::colour)) : s.fill();
    Optional<Rule> outline = line ? Optional.empty() : s.stroke();
    return new Inline.Shape(
        new Inline.Drawing(
            isBall(s) ? Inline.Geometry.ELLIPSE : Inline.Geometry.RECTANGLE, fill, outline),
        box.width(),
        box.height(),
        new Inline.BoxText(Optional.empty(), false, Insets.NONE, VerticalAlignment.TOP),
        "",
        place,
        0,
        Optional.empty(),
        Look.PLAIN);
  }
}
