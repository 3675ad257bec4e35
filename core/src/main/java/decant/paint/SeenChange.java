package decant.paint;

import decant.model.Box;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;

/**
 * Where two paintings of a page differ to the eye: where a colour of one is none that the other has
 * close by. Thin lines count; what is smoothed otherwise, or a little elsewhere, does not.
 */
public final class SeenChange {
  /** Pixels a point. */
  private static final double SCALE = 1;

  /** By how much larger it is painted that is looked at closely. */
  private static final int CLOSELY = 4;

  /** How far away a colour is looked for, in points. */
  private static final double NEAR = 2;

  /** How far a part of a colour may be off, of 255. */
  private static final int OFF = 14;

  /** The same where two programs paint, each of which makes pictures smaller in its own way. */
  private static final int OFF_OF_TWO = 36;

  /** Points of a field's side, in which what differs is counted. */
  private static final int SIDE = 16;

  /** So many square points of a field that differ are seen. */
  private static final double LEAST = 10;

  /** Pixels by which the size of two paintings may be rounded apart. */
  private static final int ROUNDED = 2;

  private final Painting a;
  private final Painting b;
  private final int width;
  private final int height;
  private final int near;
  private final int off;

  private SeenChange(BufferedImage a, BufferedImage b, double scale, int off) {
    this.off = off;
    width = Math.min(a.getWidth(), b.getWidth());
    height = Math.min(a.getHeight(), b.getHeight());
    near = Math.max(1, (int) Math.round(NEAR * scale));
    this.a = new Painting(a);
    this.b = new Painting(b);
  }

  /**
   * The field of a page that differs most; empty if none does. What seems to differ is looked at
   * more closely: lines and pictures are smoothed otherwise.
   *
   * @param pageOfA from 0
   * @param alike whether both are painted by the same program
   * @param whole with their text
   * @throws IOException if a page cannot be painted
   */
  public static Optional<Box> between(
      PaintedPages a, int pageOfA, PaintedPages b, int pageOfB, boolean alike, boolean whole)
      throws IOException {
    double scale = a.scale(pageOfA, SCALE);
    if (painted(a, pageOfA, b, pageOfB, scale, whole).in(scale, alike).isEmpty()) {
      return Optional.empty();
    }
    int finer = (int) Math.max(1, a.scale(pageOfA, scale * CLOSELY) / scale);
    Pair closely = painted(a, pageOfA, b, pageOfB, scale * finer, whole);
    return new Pair(Downscaled.by(finer, closely.a), Downscaled.by(finer, closely.b))
        .in(scale, alike);
  }

  /** Paintings of two pages. */
  private record Pair(BufferedImage a, BufferedImage b) {
    Optional<Box> in(double scale, boolean alike) {
      return between(a, b, scale, alike);
    }
  }

  /** Both pages, one beside the other: neither waits for the other. */
  private static Pair painted(
      PaintedPages a, int pageOfA, PaintedPages b, int pageOfB, double scale, boolean whole)
      throws IOException {
    CompletableFuture<BufferedImage> beside =
        CompletableFuture.supplyAsync(() -> {
          try {
            return paint(a, pageOfA, scale, whole);
          } catch (IOException e) {
            throw new UncheckedIOException(e);
          }
        });
    BufferedImage own = paint(b, pageOfB, scale, whole);
    try {
      return new Pair(beside.join(), own);
    } catch (CompletionException e) {
      if (e.getCause() instanceof UncheckedIOException io) {
        throw io.getCause();
      }
      throw e;
    }
  }

  private static boolean isRounded(BufferedImage a, BufferedImage b) {
    return Math.abs(a.getWidth() - b.getWidth()) > ROUNDED
        || Math.abs(a.getHeight() - b.getHeight()) > ROUNDED;
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
   * @param alike whether both were painted by the same program
   */
  static Optional<Box> between(BufferedImage a, BufferedImage b, double scale, boolean alike) {
    if (isRounded(a, b)) {
      return Optional.of(new Box(0, 0, a.getWidth() / scale, a.getHeight() / scale));
    }
    return Arrays.equals(pixels(a), pixels(b))
        ? Optional.empty()
        : new SeenChange(a, b, scale, alike ? OFF : OFF_OF_TWO).worst(scale);
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
    if (a.at(x, y) == b.at(x, y)) {
      return false;
    }
    for (int part = 0; part < 24; part += 8) {
      int was = a.mean(x, y, part);
      int is = b.mean(x, y, part);
      if (Math.abs(was - is) > off
          && (!b.has(was, x, y, part, near, off) || !a.has(is, x, y, part, near, off))) {
        return true;
      }
    }
    return false;
  }

  /** The colours of a painting, part by part. */
  private static final class Painting {
    private final int width;
    private final int height;
    private final int[] pixels;

    Painting(BufferedImage image) {
      width = image.getWidth();
      height = image.getHeight();
      pixels = pixels(image);
    }

    int at(int x, int y) {
      return pixels[y * width + x] & 0xFFFFFF;
    }

    /**
     * A part of a colour, as the mean of it and of its neighbours, so that a line looks the same
     * wherever it falls between pixels.
     */
    int mean(int x, int y, int part) {
      int sum = 0;
      for (int v = y - 1; v <= y + 1; v++) {
        int row = Math.clamp(v, 0, height - 1) * width;
        sum += pixels[row + Math.max(0, x - 1)] >> part & 0xFF;
        sum += pixels[row + x] >> part & 0xFF;
        sum += pixels[row + Math.min(width - 1, x + 1)] >> part & 0xFF;
      }
      return sum / 9;
    }

    /** Whether a value lies among those around a place. */
    boolean has(int value, int x, int y, int part, int near, int off) {
      int min = 255;
      int max = 0;
      for (int v = Math.max(0, y - near); v <= Math.min(height - 1, y + near); v++) {
        for (int u = Math.max(0, x - near); u <= Math.min(width - 1, x + near); u++) {
          int at = mean(u, v, part);
          min = Math.min(min, at);
          max = Math.max(max, at);
        }
        if (value >= min - off && value <= max + off) {
          return true;
        }
      }
      return false;
    }
  }
}
