package decant.pin;

import decant.model.Box;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;

/**
 * Where ink of a page has nothing near its place on another page: what is gone from there, or
 * stands elsewhere; and where areas have another colour. Pages are compared in cells of about two
 * lines' height of text.
 */
final class GoneInk {
  /**
   * A part of a page whose ink has nothing near it.
   *
   * @param box in points from the top left of the page
   * @param share of the page's ink
   */
  record Area(Box box, double share) {}

  /** How many cells away ink may stand to be the same: a line that slips is still there. */
  private static final int NEAR = 2;

  /** What is there at a place has at least this share of the ink that was there. */
  private static final double THERE = 0.2;

  /** A cell with less ink, of what a black one has, shows nothing to speak of. */
  private static final double BLANK = 0.01;

  /** A cell with this share of the ink of a black one is part of an area rather than of text. */
  private static final double SOLID = 0.4;

  /**
   * Of the ink of a black cell: colours that differ by more are told apart at a glance, red from
   * black for one.
   */
  private static final double OTHERWISE = 0.25;

  private final int width;
  private final int height;
  private final int[] own;
  private final int[] other;
  private final int black;
  private final long total;
  private final boolean[] gone;
  private final double side;

  /**
   * @param own ink of the cells of the page, for each colour, row by row
   * @param other that of the other page
   * @param width in cells
   * @param side of a cell, in points
   * @param black the ink of a cell that is black, for each colour
   * @param total the ink of the page
   */
  GoneInk(int[] own, int[] other, int width, double side, int black, long total) {
    this.own = own;
    this.other = other;
    this.width = width;
    this.height = own.length / 3 / width;
    this.side = side;
    this.black = black;
    this.total = total;
    this.gone = new boolean[width * height];
  }

  /**
   * The parts that have nothing near them.
   *
   * @param least the share of the page's ink that a part has at least
   */
  List<Area> gone(double least) {
    for (int k = 0; k < gone.length; k++) {
      gone[k] = isGone(k);
    }
    return areas(least);
  }

  /** The same of areas, of either page, that have another colour on the other. */
  List<Area> recoloured(double least) {
    for (int k = 0; k < gone.length; k++) {
      gone[k] = isRecoloured(k);
    }
    return areas(least);
  }

  private boolean isRecoloured(int cell) {
    return isSolid(own, cell) && differs(own, cell, other)
        || isSolid(other, cell) && differs(other, cell, own);
  }

  private boolean isSolid(int[] of, int cell) {
    return ink(of, cell) >= 3 * black * SOLID;
  }

  /** Whether no cell near a place has its colour. */
  private boolean differs(int[] of, int cell, int[] from) {
    int x = cell % width;
    int y = cell / width;
    for (int dy = -NEAR; dy <= NEAR; dy++) {
      for (int dx = -NEAR; dx <= NEAR; dx++) {
        if (isOn(x + dx, y + dy)) {
          int at = (y + dy) * width + x + dx;
          int most = 0;
          for (int c = 0; c < 3; c++) {
            most = Math.max(most, Math.abs(of[3 * cell + c] - from[3 * at + c]));
          }
          if (most < OTHERWISE * black) {
            return false;
          }
        }
      }
    }
    return true;
  }

  private boolean isGone(int cell) {
    int ink = ink(own, cell);
    if (ink < 3 * black * BLANK) {
      return false;
    }
    int x = cell % width;
    int y = cell / width;
    for (int dy = -NEAR; dy <= NEAR; dy++) {
      for (int dx = -NEAR; dx <= NEAR; dx++) {
        if (isOn(x + dx, y + dy) && ink(other, (y + dy) * width + x + dx) >= THERE * ink) {
          return false;
        }
      }
    }
    return true;
  }

  private boolean isOn(int x, int y) {
    return x >= 0 && x < width && y >= 0 && y < height;
  }

  private static int ink(int[] of, int cell) {
    return of[3 * cell] + of[3 * cell + 1] + of[3 * cell + 2];
  }

  /** The marked parts, each in one piece. */
  private List<Area> areas(double least) {
    var out = new ArrayList<Area>();
    for (int k = 0; k < gone.length; k++) {
      if (gone[k]) {
        Area a = area(k);
        if (a.share() >= least) {
          out.add(a);
        }
      }
    }
    return out;
  }

  private Area area(int from) {
    Deque<Integer> open = new ArrayDeque<>();
    open.add(from);
    gone[from] = false;
    int left = width;
    int top = height;
    int right = 0;
    int bottom = 0;
    long ink = 0;
    while (!open.isEmpty()) {
      int k = open.remove();
      int x = k % width;
      int y = k / width;
      left = Math.min(left, x);
      top = Math.min(top, y);
      right = Math.max(right, x + 1);
      bottom = Math.max(bottom, y + 1);
      ink += ink(own, k);
      for (int dy = -1; dy <= 1; dy++) {
        for (int dx = -1; dx <= 1; dx++) {
          int next = (y + dy) * width + x + dx;
          if (isOn(x + dx, y + dy) && gone[next]) {
            gone[next] = false;
            open.add(next);
          }
        }
      }
    }
    // Cells begin one before the edge of the page.
    var box =
        new Box((left - 1) * side, (top - 1) * side, (right - left) * side, (bottom - top) * side);
    return new Area(box, total == 0 ? 0 : ink / (double) total);
  }
}
