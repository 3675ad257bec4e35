package decant.paint;

import java.awt.image.BufferedImage;

/** Compares pictures but for anti-aliasing. */
public final class Pixels {
  private Pixels() {}

  /** The share of 4×4 blocks whose mean brightness differs by more than 15 %. */
  public static double difference(BufferedImage a, BufferedImage b) {
    int w = Math.min(a.getWidth(), b.getWidth()) / 4;
    int h = Math.min(a.getHeight(), b.getHeight()) / 4;
    int different = 0;
    for (int y = 0; y < h; y++) {
      for (int x = 0; x < w; x++) {
        if (Math.abs(mean(a, x * 4, y * 4) - mean(b, x * 4, y * 4)) > 38) {
          different++;
        }
      }
    }
    return different / (double) (w * h);
  }

  private static double mean(BufferedImage i, int x, int y) {
    double sum = 0;
    for (int dy = 0; dy < 4; dy++) {
      for (int dx = 0; dx < 4; dx++) {
        int p = i.getRGB(x + dx, y + dy);
        sum += ((p >> 16 & 255) + (p >> 8 & 255) + (p & 255)) / 3.0;
      }
    }
    return sum / 16;
  }
}
