package decant.pdf.read.scan;

import decant.model.Box;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;

/** Finds the pictures among the text of a scanned page: stretches of ink that are no words. */
final class PictureAreas {
  /** Ink is looked for in cells of this size, in points. */
  private static final double CELL = 6;

  private PictureAreas() {}

  /**
   * The places of pictures, in points from the top left of the page.
   *
   * @param page as it was scanned
   * @param scale pixels a point
   * @param words where text stands, in points
   */
  static List<Box> of(BufferedImage page, double scale, List<Box> words) {
    int across = (int) Math.floor(page.getWidth() / scale / CELL);
    int down = (int) Math.floor(page.getHeight() / scale / CELL);
    boolean[] ink = new boolean[across * down];
    int dark = paper(page) - ScanThresholds.PictureAreas.DARKER;
    for (int y = 0; y < down; y++) {
      for (int x = 0; x < across; x++) {
        ink[y * across + x] = hasInk(page, scale, x, y, dark);
      }
    }
    for (Box w : words) {
      int x2 = (int) Math.min(across - 1, (w.right() + 2) / CELL);
      int y2 = (int) Math.min(down - 1, (w.bottom() + 2) / CELL);
      for (int y = (int) Math.max(0, (w.y() - 2) / CELL); y <= y2; y++) {
        for (int x = (int) Math.max(0, (w.x() - 2) / CELL); x <= x2; x++) {
          ink[y * across + x] = false;
        }
      }
    }
    var out = new ArrayList<Box>();
    int[] pile = new int[across * down];
    for (int start = 0; start < ink.length; start++) {
      if (ink[start]) {
        area(ink, across, down, start, pile).ifPresent(out::add);
      }
    }
    return out;
  }

  /** How light the paper is: the lightness that most of the page has. */
  private static int paper(BufferedImage page) {
    int[] counts = new int[256];
    for (int y = 0; y < page.getHeight(); y += 7) {
      for (int x = 0; x < page.getWidth(); x += 7) {
        counts[light(page.getRGB(x, y))]++;
      }
    }
    int max = 255;
    for (int k = 254; k >= 128; k--) {
      max = counts[k] > counts[max] ? k : max;
    }
    return max;
  }

  private static int light(int p) {
    return ((p >> 16 & 255) * 2 + (p >> 8 & 255) * 5 + (p & 255)) / 8;
  }

  private static boolean hasInk(
      BufferedImage page, double scale, int cellX, int cellY, int darkest) {
    int x1 = (int) (cellX * CELL * scale);
    int y1 = (int) (cellY * CELL * scale);
    int side = Math.max(1, (int) (CELL * scale));
    int step = Math.max(1, side / 8);
    int dark = 0;
    int all = 0;
    for (int y = y1; y < Math.min(page.getHeight(), y1 + side); y += step) {
      for (int x = x1; x < Math.min(page.getWidth(), x1 + side); x += step) {
        dark += light(page.getRGB(x, y)) < darkest ? 1 : 0;
        all++;
      }
    }
    return dark > all * ScanThresholds.PictureAreas.INK;
  }

  /** The box around the ink that hangs together with a cell, which is taken away; if it is one. */
  private static java.util.Optional<Box> area(
      boolean[] ink, int across, int down, int start, int[] pile) {
    int n = 0;
    pile[n++] = start;
    ink[start] = false;
    int cells = 0;
    int left = across;
    int right = 0;
    int top = down;
    int bottom = 0;
    while (n > 0) {
      int at = pile[--n];
      int x = at % across;
      int y = at / across;
      cells++;
      left = Math.min(left, x);
      right = Math.max(right, x);
      top = Math.min(top, y);
      bottom = Math.max(bottom, y);
      // Over one empty cell: the parts of a drawing need not touch.
      for (int dy = -2; dy <= 2; dy++) {
        for (int dx = -2; dx <= 2; dx++) {
          int nx = x + dx;
          int ny = y + dy;
          if (nx >= 0 && ny >= 0 && nx < across && ny < down && ink[ny * across + nx]) {
            ink[ny * across + nx] = false;
            pile[n++] = ny * across + nx;
          }
        }
      }
    }
    double width = (right - left + 1) * CELL;
    double height = (bottom - top + 1) * CELL;
    int whole = (right - left + 1) * (bottom - top + 1);
    boolean picture =
        width >= ScanThresholds.PictureAreas.MIN_WIDTH
            && height >= ScanThresholds.PictureAreas.MIN_HEIGHT
            && cells > whole * ScanThresholds.PictureAreas.FILLED;
    // The shadow of a book's fold or of the scanner's lid runs along the edge.
    boolean edge = left <= 1 || right >= across - 2 || top <= 1 || bottom >= down - 2;
    boolean sliver = edge && Math.min(width, height) < 60;
    return picture && !sliver
        ? java.util.Optional.of(new Box(left * CELL, top * CELL, width, height))
        : java.util.Optional.empty();
  }
}
