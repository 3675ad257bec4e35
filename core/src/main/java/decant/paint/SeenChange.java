package decant.paint;

import decant.model.Box;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.io.IOException;
import java.util.Arrays;
import java.util.Optional;

/**
 * Where two paintings of a page differ to the eye: where a colour of one is none that the other has
 * close by. Thin lines count; what is smoothed otherwise, or a little elsewhere, does not.
 */
public final class SeenChange {
  /** Pixels a point. */
  private static final double SCALE = 1;

  /** By how much larger it is painted that is looked at closely. */
  private static final int CLOSELY = 4;

  /** Of a page that is looked at, for posters. */
  private static final double MAX_PIXELS = 8_000_000;

  /** How far away a colour is looked for, in points. */
  private static final double NEAR = 2;

  /** How far a part of a colour may be off, of 255. */
  private static final int OFF = 14;

  /** Points of a field's side, in which what differs is counted. */
  private static final int SIDE = 16;

  /** So many square points of a field that differ are seen. */
  private static final double LEAST = 10;

  /** Pixels by which the size of two paintings may be rounded apart. */
  private static final int ROUNDED = 2;

  private final Plane[] a;
  private final Plane[] b;
  private final int width;
  private final int height;
  private final int near;

  private SeenChange(BufferedImage a, BufferedImage b, double scale) {
    width = Math.min(a.getWidth(), b.getWidth());
    height = Math.min(a.getHeight(), b.getHeight());
    near = Math.max(1, (int) Math.round(NEAR * scale));
    this.a = Plane.of(a);
    this.b = Plane.of(b);
  }

  /**
   * The field of a page that differs most; empty if none does. What seems to differ is looked at
   * more closely: lines and pictures are smoothed otherwise.
   *
   * @param pageOfA from 0
   * @param whole with their text
   * @throws IOException if a page cannot be painted
   */
  public static Optional<Box> between(
      PaintedPages a, int pageOfA, PaintedPages b, int pageOfB, boolean whole) throws IOException {
    double area = a.width(pageOfA) * a.height(pageOfA);
    double scale = Math.min(SCALE, Math.sqrt(MAX_PIXELS / area));
    if (between(paint(a, pageOfA, scale, whole), paint(b, pageOfB, scale, whole), scale)
        .isEmpty()) {
      return Optional.empty();
    }
    int finer = (int) Math.clamp(Math.sqrt(MAX_PIXELS / area) / scale, 1, CLOSELY);
    return between(
        Downscaled.by(finer, paint(a, pageOfA, scale * finer, whole)),
        Downscaled.by(finer, paint(b, pageOfB, scale * finer, whole)),
        scale);
  }

  private static BufferedImage paint(PaintedPages pages, int page, double scale, boolean whole)
      throws IOException {
    return whole ? pages.paintWhole(page, scale) : pages.paintTextless(page, scale);
  }

  /**
   * The field that differs most; empty if none does.
   *
   * @param a opaque, its pixels 0xRRGGBB
   * @param scale pixels a point
   */
  static Optional<Box> between(BufferedImage a, BufferedImage b, double scale) {
    if (Math.abs(a.getWidth() - b.getWidth()) > ROUNDED
        || Math.abs(a.getHeight() - b.getHeight()) > ROUNDED) {
      return Optional.of(new Box(0, 0, a.getWidth() / scale, a.getHeight() / scale));
    }
    return Arrays.equals(pixels(a), pixels(b))
        ? Optional.empty()
        : new SeenChange(a, b, scale).worst(scale);
  }

  private static int[] pixels(BufferedImage image) {
    return ((DataBufferInt) image.getRaster().getDataBuffer()).getData();
  }

  private Optional<Box> worst(double scale) {
    int side = Math.max(4, (int) Math.round(SIDE * scale));
    int across = width / side + 1;
    int[] counts = new int[across * (height / side + 1)];
    for (int y = 0; y < height; y++) {
      for (int x = 0; x < width; x++) {
        if (differs(x, y)) {
          counts[y / side * across + x / side]++;
        }
      }
    }
    int most = 0;
    for (int k = 0; k < counts.length; k++) {
      most = counts[k] > counts[most] ? k : most;
    }
    if (counts[most] < LEAST * scale * scale) {
      return Optional.empty();
    }
    return Optional.of(
        new Box(most % across * side / scale, most / across * side / scale, SIDE, SIDE));
  }

  private boolean differs(int x, int y) {
    for (int c = 0; c < a.length; c++) {
      int was = a[c].at(x, y);
      int is = b[c].at(x, y);
      if (Math.abs(was - is) > OFF && (!b[c].has(was, x, y, near) || !a[c].has(is, x, y, near))) {
        return true;
      }
    }
    return false;
  }

  /**
   * One part of the colours of a painting, each the mean of it and of its neighbours, so that a
   * line looks the same wherever it falls between pixels.
   */
  private static final class Plane {
    private final int width;
    private final int height;
    private final byte[] means;

    private Plane(int[] pixels, int width, int height, int shift) {
      this.width = width;
      this.height = height;
      means = new byte[width * height];
      int[] rows = new int[width * 3]; // sums of three, of three rows
      for (int y = -1; y <= height; y++) {
        int from = Math.clamp(y, 0, height - 1) * width;
        int to = Math.floorMod(y, 3) * width;
        for (int x = 0; x < width; x++) {
          int left = pixels[from + Math.max(0, x - 1)] >> shift & 0xFF;
          int own = pixels[from + x] >> shift & 0xFF;
          int right = pixels[from + Math.min(width - 1, x + 1)] >> shift & 0xFF;
          rows[to + x] = left + own + right;
        }
        if (y > 0) {
          for (int x = 0; x < width; x++) {
            int sum = rows[x] + rows[width + x] + rows[2 * width + x];
            means[(y - 1) * width + x] = (byte) (sum / 9);
          }
        }
      }
    }

    static Plane[] of(BufferedImage image) {
      int w = image.getWidth();
      int h = image.getHeight();
      int[] pixels = pixels(image);
      return new Plane[] {
        new Plane(pixels, w, h, 0), new Plane(pixels, w, h, 8), new Plane(pixels, w, h, 16)
      };
    }

    int at(int x, int y) {
      return means[y * width + x] & 0xFF;
    }

    /** Whether a value lies among those around a place. */
    boolean has(int value, int x, int y, int near) {
      int min = 255;
      int max = 0;
      for (int v = Math.max(0, y - near); v <= Math.min(height - 1, y + near); v++) {
        for (int u = Math.max(0, x - near); u <= Math.min(width - 1, x + near); u++) {
          int at = at(u, v);
          min = Math.min(min, at);
          max = Math.max(max, at);
        }
      }
      return value >= min - OFF && value <= max + OFF;
    }
  }
}
