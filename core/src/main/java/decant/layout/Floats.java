package decant.layout;

import decant.layout.Lanes.Lane;
import decant.model.Box;
import decant.model.Insets;
import decant.model.Placement;
import decant.model.Placement.Axis;
import decant.model.Placement.Floating;
import decant.model.Placement.Wrap;
import java.util.ArrayList;
import java.util.List;

/** Where things stand beside the flow, and what room they leave to it. */
final class Floats {
  /** Something in the way of the lines of a page. */
  record Obstacle(Box box, boolean wholeWidth) {
    /** Whether both stand in nearly the same place. */
    boolean isNear(Obstacle o) {
      return wholeWidth == o.wholeWidth
          && Math.abs(box.x() - o.box.x()) < 1
          && Math.abs(box.y() - o.box.y()) < 1
          && Math.abs(box.bottom() - o.box.bottom()) < 1;
    }
  }

  private final List<Obstacle> obstacles = new ArrayList<>();

  boolean isEmpty() {
    return obstacles.isEmpty();
  }

  int size() {
    return obstacles.size();
  }

  void truncate(int size) {
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
    if (moves && area.onPage() && f.wrap() != Wrap.THROUGH) {
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
  void add(Obstacle o) {
    obstacles.add(o);
  }

  /** What was put in the way since there were so many things. */
  List<Obstacle> since(int size) {
    return List.copyOf(obstacles.subList(size, obstacles.size()));
  }

  /** How far down the lowest thing in the way reaches that a place beside the flow was given. */
  double bottom() {
    return obstacles.stream().mapToDouble(o -> o.box.bottom()).max().orElse(0);
  }

  /** Puts something in the way of lines. */
  void add(Floating f, Box box) {
    if (f.wrap() == Wrap.THROUGH) {
      return;
    }
    Insets d = f.distance();
    obstacles.add(
        new Obstacle(
            new Box(
                box.x() - d.left(),
                box.y() - d.top(),
                box.width() + d.left() + d.right(),
                box.height() + d.top() + d.bottom()),
            f.wrap() == Wrap.ABOVE_AND_BELOW));
  }

  /** Whether anything stands in the way of an area. */
  boolean inTheWay(double left, double right, double top, double bottom) {
    for (Obstacle o : obstacles) {
      if (reaches(o, left, right, top, bottom)) {
        return true;
      }
    }
    return false;
  }

  private static boolean reaches(Obstacle o, double left, double right, double top, double bottom) {
    return o.box.y() < bottom - 0.01
        && o.box.bottom() > top + 0.01
        && o.box.x() < right - 0.01
        && o.box.right() > left + 0.01;
  }

  /** How far down an area of a height must move to be free. */
  double below(double left, double right, double top, double height) {
    double y = top;
    for (int tries = 0; tries <= obstacles.size(); tries++) {
      double moved = y;
      for (Obstacle o : obstacles) {
        if (reaches(o, left, right, moved, moved + height)) {
          moved = o.box.bottom();
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
  Lanes lanes(double left, double right, double y) {
    return (top, height) -> lane(left, right, y, top, height);
  }

  private Lane lane(double left, double right, double y, double top, double height) {
    double at = y + top;
    double from = left;
    double to = right;
    for (int tries = 0; tries <= obstacles.size(); tries++) {
      from = left;
      to = right;
      double skip = at;
      for (Obstacle o : obstacles) {
        if (!reaches(o, from, to, at, at + height)) {
          continue;
        }
        if (o.wholeWidth) {
          skip = Math.max(skip, o.box.bottom());
        } else if (o.box.x() - from >= to - o.box.right()) {
          to = o.box.x();
        } else {
          from = o.box.right();
        }
      }
      if (skip == at) {
        break;
      }
      at = skip;
    }
    return new Lane(Math.max(0, from - left), Math.max(0, right - Math.max(to, from)), at - y);
  }
}
