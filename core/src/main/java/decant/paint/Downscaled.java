package decant.paint;

import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;

/** Paintings made smaller by a whole number, each pixel the mean of those that it stands for. */
public final class Downscaled {
  private Downscaled() {}

  /**
   * A painting that many times smaller.
   *
   * @param image opaque, its pixels 0xRRGGBB
   */
  public static BufferedImage by(int times, BufferedImage image) {
    if (times == 1) {
      return image;
    }
    int w = Math.max(1, image.getWidth() / times);
    int h = Math.max(1, image.getHeight() / times);
    int[] from = ((DataBufferInt) image.getRaster().getDataBuffer()).getData();
    var out = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
    int[] to = ((DataBufferInt) out.getRaster().getDataBuffer()).getData();
    int down = Math.min(times, image.getHeight());
    int across = Math.min(times, image.getWidth());
    for (int y = 0; y < h; y++) {
      for (int x = 0; x < w; x++) {
        to[y * w + x] =
            mean(from, (y * image.getWidth() + x) * times, image.getWidth(), across, down);
      }
    }
    return out;
  }

  private static int mean(int[] pixels, int at, int stride, int across, int down) {
    int red = 0;
    int green = 0;
    int blue = 0;
    for (int y = 0; y < down; y++) {
      for (int x = 0; x < across; x++) {
        int p = pixels[at + y * stride + x];
        red += p >> 16 & 0xFF;
        green += p >> 8 & 0xFF;
        blue += p & 0xFF;
      }
    }
    int n = across * down;
    return red / n << 16 | green / n << 8 | blue / n;
  }
}
