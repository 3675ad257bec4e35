package decant.paint;

import decant.model.Box;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.io.IOException;
import java.util.Optional;

/**
 * Whether two pages look the same but for their text: both are painted small and compared field by
 * field, so that edges which are smoothed otherwise do not count.
 */
public final class Unlikeness {
  /** Points of a field's side. */
  private static final int SIDE = 16;

  /** Pixels a point, to see at little cost whether anything may differ. */
  private static final double COARSE = 0.5;

  /** Pixels a point, to see whether it does. */
  private static final double FINE = 2;

  /** How far the mean of a colour may be off in a field, of 255. */
  private static final int MAX = 24;

  private Unlikeness() {}

  /**
   * The field of a page that is least alike, if it is not alike.
   *
   * @throws IOException if a page cannot be painted
   */
  public static Optional<Box> first(PaintedPages a, int pageOfA, PaintedPages b, int pageOfB)
      throws IOException {
    return first(a, pageOfA, b, pageOfB, COARSE).isEmpty()
        ? Optional.empty()
        : first(a, pageOfA, b, pageOfB, FINE);
  }

  private static Optional<Box> first(
      PaintedPages a, int pageOfA, PaintedPages b, int pageOfB, double max) throws IOException {
    double scale = a.scale(pageOfA, max);
    int side = Math.max(1, (int) (SIDE * scale));
    var wanted = new Means(a.paintTextless(pageOfA, scale));
    var got = new Means(b.paintTextless(pageOfB, scale));
    int w = Math.min(wanted.width, got.width);
    int h = Math.min(wanted.height, got.height);
    Optional<Box> worst = Optional.empty();
    int worstOff = MAX;
    for (int y = 0; y + side <= h; y += side) {
      for (int x = 0; x + side <= w; x += side) {
        var field = new Box(x / scale, y / scale, SIDE, SIDE);
        int off = difference(wanted, got, x, y, side);
        if (off > worstOff) {
          worstOff = off;
          worst = Optional.of(field);
        }
      }
    }
    return worst;
  }

  /**
   * How far the means of a field are apart, moved by up to a pixel, since the two do not place
   * their pictures at the same fractions of one.
   */
  private static int difference(Means wanted, Means got, int x, int y, int side) {
    int min = wanted.difference(x, y, got, x, y, side);
    if (min <= MAX) {
      return min;
    }
    for (int dy = -1; dy <= 1; dy++) {
      for (int dx = -1; dx <= 1; dx++) {
        min = Math.min(min, wanted.difference(x, y, got, x + dx, y + dy, side));
      }
    }
    return min;
  }

  /** The colours of a picture, summed up so that the mean of any field takes four of them. */
  private static final class Means {
    private final int width;
    private final int height;
    private final int[][] sums = new int[3][];

    /**
     * @param image opaque, its pixels 0xRRGGBB
     */
    Means(BufferedImage image) {
      width = image.getWidth();
      height = image.getHeight();
      int[] pixels = ((DataBufferInt) image.getRaster().getDataBuffer()).getData();
      for (int c = 0; c < 3; c++) {
        sums[c] = new int[(width + 1) * (height + 1)];
        for (int y = 0; y < height; y++) {
          int row = 0;
          for (int x = 0; x < width; x++) {
            row += pixels[y * width + x] >> 8 * c & 0xFF;
            int at = (y + 1) * (width + 1) + x + 1;
            sums[c][at] = sums[c][at - width - 1] + row;
          }
        }
      }
    }

    int difference(int x, int y, Means o, int ox, int oy, int side) {
      if (ox < 0 || oy < 0 || ox + side > o.width || oy + side > o.height) {
        return 255;
      }
      int max = 0;
      for (int c = 0; c < 3; c++) {
        max = Math.max(max, Math.abs(sum(c, x, y, side) - o.sum(c, ox, oy, side)));
      }
      return max / (side * side);
    }

    private int sum(int c, int x, int y, int side) {
      int stride = width + 1;
      int top = y * stride + x;
      int bottom = top + side * stride;
      return sums[c][bottom + side] - sums[c][bottom] - sums[c][top + side] + sums[c][top];
    }
  }
}
