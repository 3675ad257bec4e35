package decant.office.docx.markup;

import decant.model.look.Insets;
import decant.model.look.Placement;
import decant.model.look.Placement.Align;
import decant.model.look.Placement.Axis;
import decant.model.look.Placement.Origin;
import decant.model.look.Placement.Wrap;
import decant.office.xml.Element;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Where drawings stand: on the line (§20.4.2.8) or anchored beside it (§20.4.2.3). */
public final class Anchors {
  /** No length of a drawing is beyond this many points. */
  public static final double LARGEST = 4000;

  /** What of an anchor says where it stands; the rest is what it is. */
  private static final Set<String> OF_PLACE =
      Set.of(
          "wp:simplePos",
          "wp:positionH",
          "wp:positionV",
          "wp:wrapNone",
          "wp:wrapSquare",
          "wp:wrapTight",
          "wp:wrapThrough",
          "wp:wrapTopAndBottom");

  private Anchors() {}

  /** The place of a {@code wp:inline} or a {@code wp:anchor}. */
  public static Placement of(Element holder) {
    if (!holder.name().equals("wp:anchor")) {
      return Placement.INLINE;
    }
    Wrap wrap = Wraps.of(holder);
    boolean behind = holder.attribute("behindDoc").map(DocxLooks::isOn).orElse(false);
    Axis across = new Axis(Origin.COLUMN, Align.OFFSET, 0);
    Axis down = new Axis(Origin.PARAGRAPH, Align.OFFSET, 0);
    Optional<Element> simple = holder.child("wp:simplePos");
    if (holder.attribute("simplePos").map(DocxLooks::isOn).orElse(false) && simple.isPresent()) {
      across = new Axis(Origin.PAGE, Align.OFFSET, points(simple.get().attribute("x")));
      down = new Axis(Origin.PAGE, Align.OFFSET, points(simple.get().attribute("y")));
    } else {
      across = holder.child("wp:positionH").map(Anchors::across).orElse(across);
      down = holder.child("wp:positionV").map(Anchors::down).orElse(down);
    }
    return new Placement.Floating(
        across,
        down,
        wrap,
        new Insets(
            points(holder.attribute("distT")),
            points(holder.attribute("distR")),
            points(holder.attribute("distB")),
            points(holder.attribute("distL"))),
        behind && wrap.equals(Wrap.THROUGH));
  }

  /** A length in English metric units, in points. */
  public static double points(Optional<String> emu) {
    return Math.clamp(DocxLooks.number(emu).orElse(0.0) / Out.EMU, -LARGEST, LARGEST);
  }

  private static Axis across(Element p) {
    Origin origin =
        switch (p.attribute("relativeFrom").orElse("")) {
          case "page", "leftMargin", "insideMargin", "rightMargin", "outsideMargin" -> Origin.PAGE;
          case "margin" -> Origin.MARGIN;
          default -> Origin.COLUMN;
        };
    return axis(p, origin);
  }

  private static Axis down(Element p) {
    Origin origin =
        switch (p.attribute("relativeFrom").orElse("")) {
          case "page", "topMargin", "bottomMargin", "insideMargin", "outsideMargin" -> Origin.PAGE;
          case "margin" -> Origin.MARGIN;
          case "line" -> Origin.LINE;
          default -> Origin.PARAGRAPH;
        };
    return axis(p, origin);
  }

  private static Axis axis(Element p, Origin origin) {
    String align = p.child("wp:align").map(Element::text).map(String::strip).orElse("");
    return axis(
        origin, align, points(p.child("wp:posOffset").map(Element::text).map(String::strip)));
  }

  /** A place by the word for an edge, or at a distance from the origin where no word is given. */
  public static Axis axis(Origin origin, String align, double offset) {
    return switch (align) {
      case "left", "top", "inside" -> new Axis(origin, Align.START, 0);
      case "center" -> new Axis(origin, Align.CENTRE, 0);
      case "right", "bottom", "outside" -> new Axis(origin, Align.END, 0);
      default -> new Axis(origin, Align.OFFSET, offset);
    };
  }

  /** What an axis counts from, in words (§20.4.3.4, §20.4.3.5). */
  public static String from(Axis axis, boolean across) {
    return switch (axis.origin()) {
      case PAGE -> "page";
      case MARGIN -> "margin";
      case COLUMN, PARAGRAPH -> across ? "column" : "paragraph";
      case LINE -> across ? "character" : "line";
    };
  }

  /** The word for the edge that something is aligned to, here and in VML; empty for a distance. */
  public static Optional<String> edge(Axis axis, boolean across) {
    return switch (axis.align()) {
      case OFFSET -> Optional.empty();
      case START -> Optional.of(across ? "left" : "top");
      case CENTRE -> Optional.of("center");
      case END -> Optional.of(across ? "right" : "bottom");
    };
  }

  /** What is held by an inline or an anchor, held in another place. */
  public static Element moved(Element holder, Placement to) {
    Map<String, String> attributes = new LinkedHashMap<>(holder.attributes());
    List<Object> place = new ArrayList<>();
    List<Object> wrap = new ArrayList<>();
    Insets distance = Insets.NONE;
    if (to instanceof Placement.Floating f) {
      attributes.put("simplePos", "0");
      attributes.putIfAbsent("relativeHeight", "1");
      attributes.put("behindDoc", f.behind() ? "1" : "0");
      attributes.putIfAbsent("locked", "0");
      attributes.putIfAbsent("layoutInCell", "1");
      attributes.putIfAbsent("allowOverlap", "1");
      place.add(new Element("wp:simplePos", Map.of("x", "0", "y", "0"), List.of()));
      place.add(position("wp:positionH", f.across(), true));
      place.add(position("wp:positionV", f.down(), false));
      wrap.add(wrap(holder, f.wrap()));
      distance = f.distance();
    } else {
      attributes
          .keySet()
          .removeAll(
              Set.of(
                  "simplePos",
                  "relativeHeight",
                  "behindDoc",
                  "locked",
                  "layoutInCell",
                  "allowOverlap",
                  "hidden"));
    }
    attributes.put("distT", Out.emu(distance.top()));
    attributes.put("distR", Out.emu(distance.right()));
    attributes.put("distB", Out.emu(distance.bottom()));
    attributes.put("distL", Out.emu(distance.left()));
    List<Object> children = new ArrayList<>(place);
    for (Element e : holder.elements()) {
      if (e.name().equals("wp:docPr")) {
        children.addAll(wrap); // before it, and after the extents (CT_Anchor)
      }
      boolean ofAnchor = e.name().startsWith("wp14:") && wrap.isEmpty();
      if (!OF_PLACE.contains(e.name()) && !ofAnchor) {
        children.add(e);
      }
    }
    return new Element(wrap.isEmpty() ? "wp:inline" : "wp:anchor", attributes, children);
  }

  private static Element position(String name, Axis axis, boolean across) {
    Element where =
        edge(axis, across)
            .map(word -> new Element("wp:align", Map.of(), List.of(word)))
            .orElseGet(
                () -> new Element("wp:posOffset", Map.of(), List.of(Out.emu(axis.offset()))));
    return new Element(name, Map.of("relativeFrom", from(axis, across)), List.of(where));
  }

  /** The one that is there, with its outline, where text flows as it did. */
  private static Element wrap(Element holder, Wrap to) {
    Optional<Element> own =
        holder.elements().stream().filter(e -> e.name().startsWith("wp:wrap")).findFirst();
    if (own.isPresent() && Wraps.of(holder).equals(to)) {
      return own.get();
    }
    return switch (to) {
      case Wrap.Through t -> new Element("wp:wrapNone", Map.of(), List.of());
      case Wrap.AboveAndBelow a -> new Element("wp:wrapTopAndBottom", Map.of(), List.of());
      case Wrap.Around a ->
          new Element("wp:wrapSquare", Map.of("wrapText", Wraps.name(a.side())), List.of());
    };
  }
}
