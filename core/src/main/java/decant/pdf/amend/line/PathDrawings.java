package decant.pdf.amend.line;

import decant.pdf.content.Instruction;
import decant.pdf.content.Span;
import decant.pdf.content.Transform;
import java.awt.geom.NoninvertibleTransformException;
import java.awt.geom.Rectangle2D;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.cos.COSStream;

/**
 * Drawings that a content paints path by path (ISO 32000-2 §8.5): paths that follow one another,
 * each touching those before it, with something round or slanted among them. Rules, frames and bars
 * alone are no drawing: they belong to text and tables.
 */
final class PathDrawings {
  /** Paths this near touch, in points. */
  private static final double NEAR = 3;

  /** A drawing is this long at least, and this wide, in points. */
  private static final double LONG = 10;

  private static final double WIDE = 2;

  /** More are an outline of text, or a map: none of them would be found by pointing at it. */
  private static final int MOST = 400;

  private final Deque<Level> levels = new ArrayDeque<>();
  private final List<Group> found = new ArrayList<>();
  private boolean broken;

  PathDrawings() {
    levels.push(new Level(0, false, new Around(Transform.NONE, Optional.empty())));
  }

  /**
   * What paths are painted in.
   *
   * @param space to that of the page
   * @param within where on the page they show; empty: everywhere
   */
  record Around(Transform space, Optional<Rectangle2D> within) {}

  /** Paths that touch; it grows while they are read. */
  private static final class Group {
    private final Around around;
    private final List<Span> parts = new ArrayList<>();
    private Span span;
    private Rectangle2D box;
    private boolean shaped;
    private boolean isolated;

    private Group(Span span, Rectangle2D box, boolean shaped, Around around) {
      this.span = span;
      this.box = box;
      this.shaped = shaped;
      this.around = around;
      this.parts.add(span);
    }

    private void add(Group o) {
      parts.addAll(o.parts);
      span = new Span(span.from(), o.span.to());
      box = box.createUnion(o.box);
      shaped |= o.shaped;
      isolated = false;
    }

    /** All that stands between q and Q, which goes as one. */
    private Group isolated(Span all, Around outside) {
      var out = new Group(all, box, shaped, outside);
      out.isolated = true;
      return out;
    }

    /** The same as a part of what stands around it. */
    private Group within(Span all, Around outside) {
      var out = new Group(all, box, shaped, outside);
      out.parts.clear();
      out.parts.addAll(parts);
      return out;
    }

    private boolean isDrawing() {
      double w = box.getWidth();
      double h = box.getHeight();
      return shaped && Math.max(w, h) >= LONG && Math.min(w, h) >= WIDE;
    }
  }

  /** What stands between q and Q, or within a mark. */
  private static final class Level {
    private final int from;
    private final boolean saves;
    private final Around around;
    private final List<Group> groups = new ArrayList<>();
    private Optional<Group> current = Optional.empty();
    private boolean pure = true;

    /** Whether it changes what following paths are painted in. */
    private boolean changes;

    private Level(int from, boolean saves, Around around) {
      this.from = from;
      this.saves = saves;
      this.around = around;
    }

    private void add(Group g) {
      if (current.isPresent() && near(current.get().box, g.box)) {
        current.get().add(g);
      } else {
        end();
        current = Optional.of(g);
      }
    }

    private void end() {
      current.ifPresent(groups::add);
      current = Optional.empty();
    }

    /** All of it as one, if it is one. */
    private Optional<Group> whole(int to) {
      end();
      if (!pure || groups.isEmpty() || !saves && changes) {
        return Optional.empty();
      }
      // Held against the first box and those added to it, before any of them is changed.
      Rectangle2D box = groups.getFirst().box;
      for (Group g : groups.subList(1, groups.size())) {
        if (!near(box, g.box)) {
          return Optional.empty();
        }
        box = box.createUnion(g.box);
      }
      Group all = groups.getFirst();
      groups.subList(1, groups.size()).forEach(all::add);
      var span = new Span(from, to);
      return Optional.of(saves ? all.isolated(span, around) : all.within(span, around));
    }
  }

  private static boolean near(Rectangle2D a, Rectangle2D b) {
    return b.getX() <= a.getMaxX() + NEAR
        && b.getMaxX() >= a.getX() - NEAR
        && b.getY() <= a.getMaxY() + NEAR
        && b.getMaxY() >= a.getY() - NEAR;
  }

  /** q, or the beginning of a mark. */
  void opens(Span at, boolean saves, Around around) {
    levels.push(new Level(at.from(), saves, around));
  }

  /** Q, or the end of a mark. */
  void closes(Span at, boolean saves) {
    Level l = levels.element();
    if (levels.size() == 1 || l.saves != saves) {
      broken |= levels.size() > 1; // marks and states cross: nothing can be told
      l.end();
      return;
    }
    levels.pop();
    Level above = levels.element();
    Optional<Group> whole = l.whole(at.to());
    if (whole.isPresent()) {
      above.add(whole.get());
    } else {
      found.addAll(l.groups);
      boolean empty = l.pure && l.groups.isEmpty() && (l.saves || !l.changes);
      if (!empty) {
        above.end();
      }
      above.pure &= l.pure;
      above.changes |= !l.saves && l.changes;
    }
  }

  /**
   * A path that was painted.
   *
   * @param span from where it begins to the operator that paints it
   * @param shaped whether any of it is round or slanted
   */
  void painted(Span span, Rectangle2D box, boolean shaped, Around around) {
    levels.element().add(new Group(span, box, shaped, around));
  }

  /** What follows is painted in another space, or shows elsewhere. */
  void changes() {
    levels.element().end();
    levels.element().changes = true;
  }

  /** Something else is painted, or may be. */
  void other() {
    levels.element().end();
    levels.element().pure = false;
  }

  /** What an operator is to drawings; paths, states and marks are told apart by who calls. */
  void other(Instruction i) {
    switch (i) {
      case Instruction.ShowText s -> other();
      case Instruction.PaintObject p -> other();
      case Instruction.InlineImage b -> other();
      case Instruction.Unknown u -> other();
      case Instruction.Concat c -> changes();
      default -> {}
    }
  }

  /**
   * The drawings, once all is read.
   *
   * @param most what is larger is the ground of the page, in square points
   */
  List<PaintedPicture> all(ContentPlace place, double most) {
    while (!levels.isEmpty()) {
      Level l = levels.pop();
      l.end();
      found.addAll(l.groups);
    }
    var out = new ArrayList<PaintedPicture>();
    for (Group g : found) {
      if (g.isDrawing() && g.box.getWidth() * g.box.getHeight() < most) {
        picture(g, place).ifPresent(out::add);
      }
    }
    return broken || out.size() > MOST ? List.of() : out;
  }

  private static Optional<PaintedPicture> picture(Group g, ContentPlace place) {
    try {
      Rectangle2D own =
          g.around.space.affine().createInverse().createTransformedShape(g.box).getBounds2D();
      return Optional.of(
          new PaintedPicture(
              place,
              new PaintedBy(g.span, g.parts, g.isolated),
              Optional.empty(),
              own,
              g.around.space,
              g.around.within,
              false,
              true));
    } catch (NoninvertibleTransformException e) {
      return Optional.empty();
    }
  }

  /**
   * Pictures, but for paths that stand around letters or behind them, or show more than once.
   *
   * @param painted how many times each form is painted
   */
  static List<PaintedPicture> apart(
      List<PaintedPicture> all, List<Show> shows, Map<COSStream, Integer> painted) {
    return all.stream()
        .filter(p ->
            p.name().isPresent()
                || !p.isDrawing()
                || isOnce(p.place(), painted) && !holdsLetters(p, shows))
        .toList();
  }

  private static boolean isOnce(ContentPlace place, Map<COSStream, Integer> painted) {
    return switch (place) {
      case ContentPlace.OfPage p -> true;
      case ContentPlace.OfForm f ->
          painted.getOrDefault(f.form(), 0) <= 1 && isOnce(f.in(), painted);
    };
  }

  private static boolean holdsLetters(PaintedPicture p, List<Show> shows) {
    Rectangle2D at = p.area().getBounds2D();
    return shows.stream()
        .flatMap(s -> s.letters.stream())
        .filter(l -> !l.isSpace())
        .anyMatch(l -> at.contains(l.show.space.x(l.start, 0), l.show.space.y(l.start, 0)));
  }
}
