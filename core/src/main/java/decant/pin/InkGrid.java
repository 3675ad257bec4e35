package decant.pin;

import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;

/**
 * How much ink stands where on a page: a small picture of it, summed up in squares, for each
 * colour. White paper has none.
 */
final class InkGrid {
  /** Pixels a point: forty dots an inch. Letters are grey smudges, lines and words are not. */
  static final double SCALE = 40 / 72.0;

  /** Pixels of a square's side; two of them are the height of a line of text. */
  private static final int STEP = 3;

  /** How many squares make the side of a cell that is compared. */
  private static final int CELL = 2;

  /** How many squares a page may be shifted as a whole, either way. */
  private static final int SHIFT = 2;

  private final int width;
  private final int height;

  /** Red, green and blue, one after the other, row by row. */
  private final int[] ink;

  private InkGrid(int width, int height, int[] ink) {
    this.width = width;
    this.height = height;
    this.ink = ink;
  }

  /**
   * @param page painted at {@link #SCALE} on white
   */
  static InkGrid of(BufferedImage page) {
    BufferedImage image = page;
    if (!(image.getRaster().getDataBuffer() instanceof DataBufferInt)) {
      image = new BufferedImage(page.getWidth(), page.getHeight(), BufferedImage.TYPE_INT_RGB);
      image.createGraphics().drawImage(page, 0, 0, null);
    }
    int w = image.getWidth();
    int h = image.getHeight();
    int gw = (w + STEP - 1) / STEP;
    int gh = (h + STEP - 1) / STEP;
    int[] ink = new int[gw * gh * 3];
    int[] pixels = ((DataBufferInt) image.getRaster().getDataBuffer()).getData();
    for (int y = 0; y < h; y++) {
      for (int x = 0; x < w; x++) {
        int p = pixels[y * w + x];
        int at = 3 * ((y / STEP) * gw + x / STEP);
        ink[at] += 255 - (p >> 16 & 0xFF);
        ink[at + 1] += 255 - (p >> 8 & 0xFF);
        ink[at + 2] += 255 - (p & 0xFF);
      }
    }
    return new InkGrid(gw, gh, ink);
  }

  /** All ink, as if a pixel of black had 765. */
  long total() {
    long sum = 0;
    for (int v : ink) {
      sum += v;
    }
    return sum;
  }

  /**
   * How much of the ink stands in the same places, 0 to 1, where the other page is shifted by a
   * little if that helps: common ink by all ink there is.
   */
  double alike(InkGrid o) {
    int w = Math.max(width, o.width) / CELL + 3;
    int h = Math.max(height, o.height) / CELL + 3;
    int[] own = cells(w, h, 0, 0);
    double best = 0;
    for (int dy = -SHIFT; dy <= SHIFT; dy++) {
      for (int dx = -SHIFT; dx <= SHIFT; dx++) {
        best = Math.max(best, shared(own, o.cells(w, h, dx, dy)));
      }
    }
    return best;
  }

  /** What of this page the other has nothing of, or in another colour. */
  GoneInk beside(InkGrid o) {
    int w = Math.max(width, o.width) / CELL + 3;
    int h = Math.max(height, o.height) / CELL + 3;
    int black = 255 * STEP * STEP * CELL * CELL;
    return new GoneInk(
        cells(w, h, 0, 0), o.cells(w, h, 0, 0), w, STEP * CELL / SCALE, black, total());
  }

  private static double shared(int[] a, int[] b) {
    long common = 0;
    long all = 0;
    for (int k = 0; k < a.length; k++) {
      common += Math.min(a[k], b[k]);
      all += Math.max(a[k], b[k]);
    }
    return all == 0 ? 1 : common / (double) all;
  }

  /** The ink summed up in cells, where the page is shifted by some squares. */
  private int[] cells(int w, int h, int dx, int dy) {
    int[] into = new int[3 * w * h];
    for (int y = 0; y < height; y++) {
      int row = (y + dy + CELL) / CELL;
      for (int x = 0; x < width; x++) {
        int column = (x + dx + CELL) / CELL;
        if (row < 0 || row >= h || column < 0 || column >= w) {
          continue;
        }
        int at = 3 * (row * w + column);
        int from = 3 * (y * width + x);
        into[at] += ink[from];
        into[at + 1] += ink[from + 1];
        into[at + 2] += ink[from + 2];
      }
    }
    return into;
  }
}
