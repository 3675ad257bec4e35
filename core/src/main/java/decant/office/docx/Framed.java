package decant.office.docx;

import decant.model.Inline;
import decant.model.NodeId;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.Kept;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.Placement;
import decant.model.look.Rule;
import decant.model.look.VerticalAlignment;
import java.util.Optional;

/**
 * What every drawn thing of a document has, whichever markup it is written in.
 *
 * @param width in points
 * @param kept its source, where it is not a member of a group
 */
record Framed(
    double width, double height, String alt, Placement placement, Optional<Kept> kept, Look look) {
  /** What stands between a box and its text where nothing is said (§19.1.2.22, §21.1.2.1.1). */
  static final Insets PADDING = new Insets(3.6, 7.2, 3.6, 7.2);

  /** A member of a group. */
  static Framed member(double width, double height, Placement inside) {
    return new Framed(width, height, "", inside, Optional.empty(), Look.PLAIN);
  }

  Framed named(String otherAlt) {
    return new Framed(width, height, otherAlt, placement, kept, look);
  }

  Inline picture(Media m, Insets crop, double rotation) {
    return new Inline.Picture(m.id(), width, height, alt, placement, crop, rotation, kept, look);
  }

  Inline shape(
      Optional<NodeId> story,
      Inline.Geometry geometry,
      boolean grows,
      Insets padding,
      VerticalAlignment alignment,
      Optional<Colour> fill,
      Optional<Rule> outline,
      double rotation) {
    return new Inline.Shape(
        new Inline.Drawing(geometry, fill, outline),
        width,
        height,
        new Inline.BoxText(story, grows, padding, alignment),
        alt,
        placement,
        rotation,
        kept,
        look);
  }

  /** A rectangle with nothing between its edges and its text. */
  Inline box(
      Optional<NodeId> story,
      VerticalAlignment alignment,
      Optional<Rule> outline,
      double rotation) {
    return shape(
        story,
        Inline.Geometry.RECTANGLE,
        false,
        Insets.NONE,
        alignment,
        Optional.empty(),
        outline,
        rotation);
  }
}
