package decant.publication;

import decant.layout.item.Item;
import decant.model.Box;
import decant.model.Inline.Geometry;
import decant.model.NodeId;
import decant.model.look.Colour;
import decant.model.look.Comment;
import decant.model.look.FormField;
import decant.model.look.Link;
import decant.model.look.Rule;
import java.util.Optional;

/** Takes what stands on a page. Places are in points from the page's top left corner. */
public interface PageSink {
  /** What part of a page things belong to. */
  public enum Role {
    BODY,
    RUNNING,
    NOTE,
    /** Header rows of a table on a page that it continues on. */
    REPEATED
  }

  /**
   * Glyphs whose line's baseline is at {@code y}; the run's own x and rise are still to be added.
   */
  void glyphs(Item.GlyphRun run, double x, double y);

  void fill(Box box, Colour colour);

  /**
   * A shape that is no upright rectangle.
   *
   * @param line its outline, or the line that it is
   */
  default void shape(Geometry geometry, Box box, Optional<Colour> fill, Optional<Rule> line) {}

  void picture(Item.PictureBox picture, Box box);

  /** All that follows is turned clockwise around a point, until {@link #turnBack}. */
  default void turn(double degrees, double x, double y) {}

  default void turnBack() {}

  default void link(Link link, Box box) {}

  /** The link that was told last has a thin frame. */
  default void linkFrame(Colour colour, Box box) {}

  /** Glyphs stand on a place to fill in; told after them. */
  default void field(FormField field, Item.GlyphRun run, Box box) {}

  /** Something was noted about glyphs; told after them. */
  default void comment(Comment comment, Box box) {}

  /**
   * What follows belongs to a block, until {@link #end}. Blocks nest: a table holds its cells'
   * blocks.
   */
  default void begin(NodeId block, Role role) {}

  default void end() {}
}
