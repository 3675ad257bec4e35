package decant.pdf.write.pictures;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.util.HashMap;
import java.util.Map;

/**
 * The pixels of a picture, and what they are like.
 *
 * @param rgb row by row, without the alpha
 * @param alpha row by row, 0 to 255; empty if all of it is opaque
 */
record Raster(int width, int height, int[] rgb, byte[] alpha) {
  private static final int MAX_COLOURS = 256;

  static Raster of(BufferedImage image) {
    int w = image.getWidth();
    int h = image.getHeight();
    int[] pixels = image.getRGB(0, 0, w, h, null, 0, w);
    boolean clear = false;
    if (image.getColorModel().hasAlpha()) {
      for (int p : pixels) {
        if (p >>> 24 != 255) {
          clear = true;
          break;
        }
      }
    }
    byte[] alpha = new byte[clear ? pixels.length : 0];
    for (int k = 0; k < pixels.length; k++) {
      if (clear) {
        alpha[k] = (byte) (pixels[k] >>> 24);
      }
      pixels[k] &= 0xFFFFFF;
    }
    return new Raster(w, h, pixels, alpha);
  }

  boolean opaque() {
    return alpha.length == 0;
  }

  /** On white paper, for files that know no transparency. */
  Raster onWhite() {
    if (opaque()) {
      return this;
    }
    int[] out = new int[rgb.length];
    for (int k = 0; k < out.length; k++) {
      int a = alpha[k] & 0xFF;
      out[k] =
          over(rgb[k] >> 16 & 255, a) << 16
              | over(rgb[k] >> 8 & 255, a) << 8
              | over(rgb[k] & 255, a);
    }
    return new Raster(width, height, out, new byte[0]);
  }

  private static int over(int c, int a) {
    return (c * a + 255 * (255 - a) + 127) / 255;
  }

  /** Whether every pixel is a grey. */
  boolean colourless() {
    for (int p : rgb) {
      int g = p >> 8 & 255;
      if ((p >> 16 & 255) != g || (p & 255) != g) {
        return false;
      }
    }
    return true;
  }

  /** The colours in the order in which they come, if they are at most 256; else none. */
  int[] palette() {
    Map<Integer, Integer> seen = new HashMap<>();
    int last = -1;
    for (int p : rgb) {
      if (p != last) {
        last = p;
        if (seen.putIfAbsent(p, seen.size()) == null && seen.size() > MAX_COLOURS) {
          return new int[0];
        }
      }
    }
    int[] out = new int[seen.size()];
    seen.forEach((colour, at) -> out[at] = colour);
    return out;
  }

  /**
   * Whether it is a photograph rather than line art or a screenshot: many colours, and most pixels
   * a little unlike their neighbour, where drawings have flat areas and hard edges.
   */
  boolean photographic() {
    int step = Math.max(1, height / 200);
    long soft = 0;
    long all = 0;
    Map<Integer, Boolean> colours = new HashMap<>();
    for (int y = 0; y < height; y += step) {
      for (int x = 1; x < width; x++) {
        int a = rgb[y * width + x - 1];
        int b = rgb[y * width + x];
        int d =
            Math.abs((a >> 16 & 255) - (b >> 16 & 255))
                + Math.abs((a >> 8 & 255) - (b >> 8 & 255))
                + Math.abs((a & 255) - (b & 255));
        soft += d > 0 && d < 60 ? 1 : 0;
        all++;
        if (colours.size() <= 1000) {
          colours.put(b, true);
        }
      }
    }
    boolean grey = colourless();
    return all > 0 && colours.size() > (grey ? 100 : 1000) && soft > all * 0.4;
  }

  BufferedImage image() {
    var out = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    out.setRGB(0, 0, width, height, rgb, 0, width);
    return out;
  }

  /** Its pixels as grey; for JPEG. */
  BufferedImage grey() {
    var out = new BufferedImage(width, height, BufferedImage.TYPE_BYTE_GRAY);
    byte[] to = ((java.awt.image.DataBufferByte) out.getRaster().getDataBuffer()).getData();
    for (int k = 0; k < to.length; k++) {
      to[k] = (byte) rgb[k];
    }
    return out;
  }

  /** An image in another size, by averages where it becomes smaller. */
  static BufferedImage scaled(BufferedImage from, int width, int height) {
    BufferedImage now = from;
    while (now.getWidth() >= width * 2 && now.getHeight() >= height * 2) {
      now = drawn(now, Math.max(width, now.getWidth() / 2), Math.max(height, now.getHeight() / 2));
    }
    return drawn(now, width, height);
  }

  private static BufferedImage drawn(BufferedImage from, int width, int height) {
    int type =
        from.getColorModel().hasAlpha() ? BufferedImage.TYPE_INT_ARGB : BufferedImage.TYPE_INT_RGB;
    var to = new BufferedImage(width, height, type);
    Graphics2D g = to.createGraphics();
    g.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
    g.drawImage(from, 0, 0, width, height, null);
    g.dispose();
    return to;
  }
}
