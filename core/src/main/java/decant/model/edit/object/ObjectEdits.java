package decant.model.edit.object;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Position;
import decant.model.Selection;
import decant.model.edit.Edit;
import decant.model.edit.Revision;
import decant.model.edit.Selected;
import decant.model.edit.Step;
import decant.model.look.Insets;
import decant.model.look.Media;
import decant.model.look.Placement;
import decant.model.look.Placement.Align;
import decant.model.look.Placement.Axis;
import decant.model.look.Placement.Floating;
import decant.model.look.Placement.Origin;
import decant.model.look.Placement.Wrap;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** Changes to the one picture or shape that is selected. It stays selected. */
public final class ObjectEdits {
  /** Smaller than this nothing can be taken hold of again; in points. */
  private static final double SMALLEST = 4;

  /** No sheet of paper is larger; in points. */
  private static final double LARGEST = 5_000;

  /** At least so much of a picture is left of its width and height. */
  private static final double LEAST_LEFT = 0.02;

  /** How far text keeps from a picture that it runs around, in points. */
  private static final Insets DISTANCE = new Insets(0, 9, 0, 9);

  /** How text goes around an object. */
  public enum Wrapping {
    /** It stands in the line like a letter. */
    IN_LINE,
    /** Text runs beside it. */
    AROUND,
    /** Text stands above and below it. */
    ABOVE_AND_BELOW,
    /** It lies behind the text. */
    BEHIND,
    /** It lies over the text. */
    IN_FRONT
  }

  private ObjectEdits() {}

  /** The object that is selected. */
  public static Optional<Selected.OneObject> selected(Revision r) {
    return Selected.of(r) instanceof Selected.OneObject o ? Optional.of(o) : Optional.empty();
  }

  /** The picture that is selected. */
  public static Optional<Inline.Picture> picture(Revision r) {
    return selected(r)
        .map(Selected.OneObject::object)
        .filter(Inline.Picture.class::isInstance)
        .map(Inline.Picture.class::cast);
  }

  /** How wide an object is, in points. */
  public static double width(Inline object) {
    return switch (object) {
      case Inline.Picture p -> p.width();
      case Inline.Shape s -> s.width();
      default -> 0;
    };
  }

  /** How high an object is, in points. */
  public static double height(Inline object) {
    return switch (object) {
      case Inline.Picture p -> p.height();
      case Inline.Shape s -> s.height();
      default -> 0;
    };
  }

  /** How far it is turned, clockwise, in degrees from 0 to below 360. */
  public static double rotation(Inline object) {
    double turned =
        switch (object) {
          case Inline.Picture p -> p.rotation();
          case Inline.Shape s -> s.rotation();
          default -> 0;
        };
    return (turned % 360 + 360) % 360;
  }

  /** How text goes around an object. */
  public static Wrapping wrapping(Inline object) {
    return object.placement() instanceof Floating f
        ? switch (f.wrap()) {
          case Wrap.Around a -> Wrapping.AROUND;
          case Wrap.AboveAndBelow a -> Wrapping.ABOVE_AND_BELOW;
          case Wrap.Through t -> f.behind() ? Wrapping.BEHIND : Wrapping.IN_FRONT;
        }
        : Wrapping.IN_LINE;
  }

  /** Gives it a size, in points, within what can be. */
  public static Revision resize(Revision r, double width, double height) {
    double w = Math.clamp(width, SMALLEST, LARGEST);
    double h = Math.clamp(height, SMALLEST, LARGEST);
    return change(r, "Size", o -> sized(o, w, h));
  }

  /**
   * Gives it a size and, where it stands beside the flow, another place, in one.
   *
   * @param dx to the right, in points
   * @param dy down, in points
   * @param x its left edge now, from that of the page
   * @param y its upper edge now, from that of the page
   */
  public static Revision reshape(
      Revision r, double width, double height, double dx, double dy, double x, double y) {
    double w = Math.clamp(width, SMALLEST, LARGEST);
    double h = Math.clamp(height, SMALLEST, LARGEST);
    return change(r, "Size", o -> displaced(sized(o, w, h), dx, dy, x, y));
  }

  /** Turns it to an angle, clockwise, in degrees. */
  public static Revision turn(Revision r, double degrees) {
    double to = (degrees % 360 + 360) % 360;
    return change(
        r,
        "Turn",
        o ->
            switch (o) {
              case Inline.Picture p -> p.turned(to);
              case Inline.Shape s -> s.turned(to);
              default -> o;
            });
  }

  /**
   * Cuts a picture. What is left is as large as it was.
   *
   * @param crop the shares of the whole picture that are cut off at its edges, each from 0 to below
   *     1
   */
  public static Revision crop(Revision r, Insets crop) {
    double top = Math.clamp(crop.top(), 0, 1 - LEAST_LEFT);
    double left = Math.clamp(crop.left(), 0, 1 - LEAST_LEFT);
    var to =
        new Insets(
            top,
            Math.clamp(crop.right(), 0, 1 - LEAST_LEFT - left),
            Math.clamp(crop.bottom(), 0, 1 - LEAST_LEFT - top),
            left);
    return change(
        r,
        "Crop",
        o -> {
          if (!(o instanceof Inline.Picture p)) {
            return o;
          }
          double wide = p.width() / (1 - p.crop().left() - p.crop().right());
          double high = p.height() / (1 - p.crop().top() - p.crop().bottom());
          // Cut otherwise, it is no longer what the original's own description says.
          return new Inline.Picture(
              p.media(),
              wide * (1 - to.left() - to.right()),
              high * (1 - to.top() - to.bottom()),
              p.alt(),
              p.placement(),
              to,
              p.rotation(),
              Optional.empty(),
              p.look());
        });
  }

  /**
   * Lets text go around it otherwise. What stood in the line stays about where it was.
   *
   * @param x its left edge now, from that of the page, in points
   * @param fromParagraph its upper edge now, from that of its paragraph, in points
   */
  public static Revision wrap(Revision r, Wrapping wrapping, double x, double fromParagraph) {
    return change(r, "Wrap", o -> o.placed(wrapped(o.placement(), wrapping, x, fromParagraph)));
  }

  private static Placement wrapped(
      Placement was, Wrapping wrapping, double x, double fromParagraph) {
    if (wrapping == Wrapping.IN_LINE) {
      return Placement.INLINE;
    }
    Axis across = new Axis(Origin.PAGE, Align.OFFSET, x);
    Axis down = new Axis(Origin.PARAGRAPH, Align.OFFSET, fromParagraph);
    Insets distance = DISTANCE;
    if (was instanceof Floating f) {
      across = f.across();
      down = f.down();
      distance = f.distance();
    }
    Wrap wrap =
        switch (wrapping) {
          case AROUND -> Wrap.AROUND;
          case ABOVE_AND_BELOW -> Wrap.ABOVE_AND_BELOW;
          case BEHIND, IN_FRONT, IN_LINE -> Wrap.THROUGH;
        };
    return new Floating(across, down, wrap, distance, wrapping == Wrapping.BEHIND);
  }

  /**
   * Moves what stands beside the flow.
   *
   * @param dx to the right, in points
   * @param dy down, in points
   * @param x its left edge now, from that of the page
   * @param y its upper edge now, from that of the page
   */
  public static Revision move(Revision r, double dx, double dy, double x, double y) {
    return change(r, "Move", o -> displaced(o, dx, dy, x, y));
  }

  private static Inline displaced(Inline o, double dx, double dy, double x, double y) {
    if (!(o.placement() instanceof Floating f) || dx == 0 && dy == 0) {
      return o;
    }
    return o.placed(
        new Floating(
            moved(f.across(), dx, x), moved(f.down(), dy, y), f.wrap(), f.distance(), f.behind()));
  }

  /** What is aligned to something has no distance from it: it is placed on the page. */
  private static Axis moved(Axis axis, double by, double now) {
    if (by == 0) {
      return axis;
    }
    return axis.align() == Align.OFFSET
        ? new Axis(axis.origin(), Align.OFFSET, axis.offset() + by)
        : new Axis(Origin.PAGE, Align.OFFSET, now + by);
  }

  /** Anchors it to the page, so that it stays while the text before it grows, or to the text. */
  public static Revision anchorToPage(
      Revision r, boolean toPage, double x, double y, double fromParagraph) {
    return change(
        r,
        "Anchor",
        o ->
            o.placement() instanceof Floating f
                ? o.placed(
                    new Floating(
                        new Axis(Origin.PAGE, Align.OFFSET, x),
                        toPage
                            ? new Axis(Origin.PAGE, Align.OFFSET, y)
                            : new Axis(Origin.PARAGRAPH, Align.OFFSET, fromParagraph),
                        f.wrap(),
                        f.distance(),
                        f.behind()))
                : o);
  }

  /** Whether it stays at its place on the page while the text before it grows. */
  public static boolean isOnPage(Inline object) {
    return object.placement() instanceof Floating f
        && f.down().origin() != Origin.PARAGRAPH
        && f.down().origin() != Origin.LINE;
  }

  /**
   * Shows another picture in its place, as large as fits into the one before.
   *
   * @param ratio the width of the other divided by its height
   */
  public static Revision replace(Revision r, Media media, double ratio) {
    Optional<Selected.OneObject> o = selected(r);
    if (o.isEmpty() || !(o.get().object() instanceof Inline.Picture p) || ratio <= 0) {
      return r;
    }
    double width = Math.min(p.width(), p.height() * ratio);
    var other =
        new Inline.Picture(
            media.id(),
            width,
            width / ratio,
            p.alt(),
            p.placement(),
            Insets.NONE,
            p.rotation(),
            Optional.empty(),
            p.look());
    var edit =
        Edit.of(
            "Replace",
            new Step.AddMedia(List.of(media)),
            new Step.Restyle(o.get().at().paragraph(), o.get().at().offset(), List.of(other)));
    return r.apply(edit, r.selection());
  }

  /**
   * Gives a picture a description for those who cannot see it.
   *
   * @param at the place of the picture
   */
  public static Revision describe(Revision r, Position at, String words) {
    List<Inline> there =
        r.document().requireParagraph(at.paragraph()).slice(at.offset(), at.offset() + 1);
    if (there.size() != 1 || !(there.getFirst() instanceof Inline.Picture pic)) {
      return r;
    }
    var step = new Step.Restyle(at.paragraph(), at.offset(), List.of(pic.withAlt(words.strip())));
    return r.apply(Edit.of("Description", step), r.selection());
  }

  /** Selects the object at a place. */
  public static Selection selection(Position at) {
    return new Selection(at, new Position(at.paragraph(), at.offset() + 1));
  }

  private static Revision change(Revision r, String name, UnaryOperator<Inline> to) {
    Optional<Selected.OneObject> o = selected(r);
    if (o.isEmpty()) {
      return r;
    }
    Inline was = o.get().object();
    Inline is = to.apply(was);
    if (is.equals(was)) {
      return r;
    }
    Position at = o.get().at();
    Document d = r.document();
    if (d.isPinned(at.paragraph())) {
      return r; // its page stays as it was
    }
    var step = new Step.Restyle(at.paragraph(), at.offset(), List.of(is));
    return r.apply(Edit.of(name, step), r.selection());
  }

  private static Inline sized(Inline o, double w, double h) {
    return switch (o) {
      case Inline.Picture p ->
          new Inline.Picture(
              p.media(), w, h, p.alt(), p.placement(), p.crop(), p.rotation(), p.kept(), p.look());
      // What the original's own description draws in it would have to grow with it.
      case Inline.Shape s ->
          new Inline.Shape(
              s.drawing(),
              w,
              h,
              s.content(),
              s.alt(),
              s.placement(),
              s.rotation(),
              Optional.empty(),
              s.look());
      default -> o;
    };
  }
}
