package decant.layout.block;

import decant.layout.item.Area;
import decant.layout.item.Exclusions;
import decant.layout.item.Exclusions.Lane;
import decant.layout.item.Obstacle;
import decant.layout.item.Obstacle.Span;
import decant.model.Box;
import decant.model.look.Placement;
import decant.model.look.Placement.Axis;
import decant.model.look.Placement.Floating;
import decant.model.look.Placement.Side;
import decant.model.look.Placement.Wrap;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Where things stand beside the flow, and what room they leave to it. */
public final class Floats {
  private final List<Obstacle> obstacles = new ArrayList<>();

  public boolean isEmpty() {
    return obstacles.isEmpty();
  }

  public int size() {
    return obstacles.size();
  }

  public void truncate(int size) {
    while (obstacles.size() > size) {
      obstacles.removeLast();
    }
  }

  /**
   * Where a thing of a size stands.
   *
   * @param paragraph top of the paragraph that it is anchored to
   * @param line top of the line that its anchor stands on
   */
  static Box place(
      Floating f, double width, double height, Area area, double paragraph, double line) {
    Box page = area.page();
    Box margins = area.margins();
    double x =
        switch (f.across().origin()) {
          case PAGE -> along(f.across(), page.x(), page.width(), width);
          case MARGIN -> along(f.across(), margins.x(), margins.width(), width);
          case COLUMN, PARAGRAPH, LINE ->
              along(f.across(), area.column(), area.columnWidth(), width);
        };
    double y =
        switch (f.down().origin()) {
          case PAGE -> along(f.down(), page.y(), page.height(), height);
          case MARGIN, COLUMN -> along(f.down(), margins.y(), margins.height(), height);
          case PARAGRAPH -> along(f.down(), paragraph, 0, height);
          case LINE -> along(f.down(), line, 0, height);
        };
    boolean moves =
        f.down().origin() == Placement.Origin.PARAGRAPH
            || f.down().origin() == Placement.Origin.LINE;
    if (moves && area.onPage() && !f.wrap().equals(Wrap.THROUGH)) {
      // What follows the text does not hang over the end of it.
      y = Math.max(Math.min(y, margins.bottom() - height), Math.min(y, margins.y()));
    }
    return new Box(x, y, width, height);
  }

  private static double along(Axis axis, double from, double extent, double size) {
    return from
        + switch (axis.align()) {
          case OFFSET -> axis.offset();
          case START -> 0;
          case CENTRE -> (extent - size) / 2;
          case END -> extent - size;
        };
  }

  /** Puts something in the way again. */
  public void add(Obstacle o) {
    obstacles.add(o);
  }

  /** What was put in the way since there were so many things. */
  public List<Obstacle> since(int size) {
    return List.copyOf(obstacles.subList(size, obstacles.size()));
  }

  /** How far down the lowest thing in the way reaches that a place beside the flow was given. */
  public double bottom() {
    return obstacles.stream().mapToDouble(o -> o.box().bottom()).max().orElse(0);
  }

  /** Puts something in the way of lines. */
  public void add(Floating f, Box box) {
    Obstacle.of(f, box).ifPresent(obstacles::add);
  }

  /** Whether anything stands in the way of an area. */
  public boolean inTheWay(double left, double right, double top, double bottom) {
    for (Obstacle o : obstacles) {
      if (o.reaches(left, right, top, bottom)) {
        return true;
      }
    }
    return false;
  }

  /** How far down an area of a height must move to be free. */
  public double below(double left, double right, double top, double height) {
    double y = top;
    for (int tries = 0; tries <= obstacles.size(); tries++) {
      double moved = y;
      for (Obstacle o : obstacles) {
        if (o.reaches(left, right, moved, moved + height)) {
          moved = o.box().bottom();
        }
      }
      if (moved == y) {
        break;
      }
      y = moved;
    }
    return y;
  }

  /** The lanes of a block whose first line stands at {@code y} in a column. */
  public Exclusions lanes(double left, double right, double y) {
    return (top, height) -> lanes(left, right, y, top, height);
  }

  private List<Lane> lanes(double left, double right, double y, double top, double height) {
    double at = clear(left, right, y + top, height);
    var taken = new ArrayList<Span>();
    for (Obstacle o : obstacles) {
      if (!o.wholeWidth() && o.reaches(left, right, at, at + height)) {
        o.between(at, at + height).map(s -> closed(s, o.side(), left, right)).ifPresent(taken::add);
      }
    }
    taken.sort(Comparator.comparingDouble(Span::left));
    var out = new ArrayList<Lane>();
    double from = left;
    for (Span s : taken) {
      if (s.left() > from) {
        out.add(new Lane(from - left, right - s.left(), at - y));
      }
      from = Math.max(from, s.right());
    }
    if (from < right || out.isEmpty()) {
      out.add(new Lane(Math.min(from, right) - left, 0, at - y));
    }
    return out;
  }

  /** Below all in the way that no line stands beside. */
  private double clear(double left, double right, double top, double height) {
    double at = top;
    for (int tries = 0; tries <= obstacles.size(); tries++) {
      double skip = at;
      for (Obstacle o : obstacles) {
        if (o.wholeWidth() && o.reaches(left, right, at, at + height)) {
          skip = Math.max(skip, o.box().bottom());
        }
      }
      if (skip == at) {
        break;
      }
      at = skip;
    }
    return at;
  }

  /** What is taken from a line, the side that none is wanted on included. */
  private static Span closed(Span s, Side side, double left, double right) {
    double before = s.left() - left;
    double after = right - s.right();
    return switch (side) {
      case BOTH -> s;
      case LEFT -> new Span(s.left(), right);
      case RIGHT -> new Span(left, s.right());
      case WIDER -> before >= after ? new Span(s.left(), right) : new Span(left, s.right());
    };
  }
}
