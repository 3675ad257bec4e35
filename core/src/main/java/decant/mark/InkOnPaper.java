package decant.mark;

import decant.model.look.Colour;
import decant.model.look.Media;
import decant.picture.PixelPicture;
import decant.picture.Png;
import decant.words.Words;
import java.awt.Graphics2D;
import java.awt.Rectangle;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Arrays;

/**
 * Ink that is told from the paper it stands on, in a scan or a photograph. Ink of one colour
 * becomes a drawing; of several, a picture with a clear ground.
 */
public final class InkOnPaper {
  private static final Words WORDS = Words.of(InkOnPaper.class);

  /** The longer side that is looked at, in pixels. */
  private static final int LONGEST = 1800;

  /** The light of the paper is found in squares of this side, in pixels. */
  private static final int SQUARE = 40;

  /** The share of a square's pixels that are darker than its paper. */
  private static final double PAPER = 0.85;

  /** Paper in the shade has at least this share of the light of the brightest. */
  private static final double SHADE = 0.45;

  /** What has this share of the paper's light is paper, with its grain. */
  private static final double CLEAR = 0.86;

  /** What has less than this share is ink throughout. */
  private static final double FULL = 0.6;

  /** Spots of fewer pixels are dust. */
  private static final int DUST = 12;

  /** More of a picture is no ink on paper. */
  private static final double MOST = 0.5;

  /** How far the colours of one ink lie apart, of 255. */
  private static final double ONE_INK = 26;

  private static final double WIDTH = 140;

  private final int width;
  private final int height;
  private final int[] pixels;

  /** How much ink each pixel has, from 0 to 1. */
  private final float[] ink;

  private InkOnPaper(BufferedImage image) {
    this.width = image.getWidth();
    this.height = image.getHeight();
    this.pixels = image.getRGB(0, 0, width, height, null, 0, width);
    this.ink = new float[pixels.length];
  }

  /**
   * @param picture a PNG, JPEG, GIF, BMP or TIFF
   * @throws MarkProblem if it cannot be read, or has no ink on lighter paper
   */
  public static Mark in(byte[] picture) throws MarkProblem {
    BufferedImage image =
        PixelPicture.decode(picture)
            .orElseThrow(() -> new MarkProblem(WORDS.say("ink-on-paper.unreadable")));
    return new InkOnPaper(scaled(image)).mark();
  }

  private static BufferedImage scaled(BufferedImage image) {
    double by = Math.min(1, (double) LONGEST / Math.max(image.getWidth(), image.getHeight()));
    int w = Math.max(1, (int) Math.round(image.getWidth() * by));
    int h = Math.max(1, (int) Math.round(image.getHeight() * by));
    var out = new BufferedImage(w, h, BufferedImage.TYPE_INT_ARGB);
    Graphics2D g = out.createGraphics();
    g.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
    g.drawImage(image, 0, 0, w, h, null);
    g.dispose();
    return out;
  }

  private Mark mark() throws MarkProblem {
    if (isClear()) {
      for (int k = 0; k < ink.length; k++) {
        ink[k] = (pixels[k] >>> 24) / 255f;
      }
    } else {
      fromPaper();
    }
    withoutDust();
    Rectangle box = box();
    if (box.isEmpty() || share() > MOST) {
      throw new MarkProblem(WORDS.say("ink-on-paper.no-ink"));
    }
    Media shown = isOneInk() ? traced(box) : cut(box);
    return new Mark("", Mark.Kind.SIGNATURE, shown, WIDTH, WIDTH * box.height / box.width);
  }

  /** Whether the paper was taken away before: a tenth of the picture is clear. */
  private boolean isClear() {
    long clear = Arrays.stream(pixels).filter(p -> p >>> 24 < 128).count();
    return clear * 10 > pixels.length;
  }

  private void fromPaper() {
    int across = (width + SQUARE - 1) / SQUARE;
    int down = (height + SQUARE - 1) / SQUARE;
    double[] paper = new double[across * down];
    for (int y = 0; y < down; y++) {
      for (int x = 0; x < across; x++) {
        paper[y * across + x] = paper(x * SQUARE, y * SQUARE);
      }
    }
    double brightest = Arrays.stream(paper).max().orElse(255);
    for (int k = 0; k < paper.length; k++) {
      paper[k] = Math.max(paper[k], SHADE * brightest);
    }
    for (int y = 0; y < height; y++) {
      for (int x = 0; x < width; x++) {
        double of = light(pixels[y * width + x]) / between(paper, across, down, x, y);
        ink[y * width + x] = (float) Math.clamp((CLEAR - of) / (CLEAR - FULL), 0, 1);
      }
    }
  }

  private double paper(int left, int top) {
    int right = Math.min(width, left + SQUARE);
    int bottom = Math.min(height, top + SQUARE);
    double[] all = new double[(right - left) * (bottom - top)];
    int n = 0;
    for (int y = top; y < bottom; y++) {
      for (int x = left; x < right; x++) {
        all[n++] = light(pixels[y * width + x]);
      }
    }
    Arrays.sort(all);
    return all[(int) (PAPER * (all.length - 1))];
  }

  /** The light of the paper at a pixel, between the middles of squares. */
  private static double between(double[] paper, int across, int down, int x, int y) {
    double fx = Math.clamp((x + 0.5) / SQUARE - 0.5, 0, across - 1.0);
    double fy = Math.clamp((y + 0.5) / SQUARE - 0.5, 0, down - 1.0);
    int x0 = (int) fx;
    int y0 = (int) fy;
    int x1 = Math.min(across - 1, x0 + 1);
    int y1 = Math.min(down - 1, y0 + 1);
    double above = paper[y0 * across + x0] * (1 - fx + x0) + paper[y0 * across + x1] * (fx - x0);
    double below = paper[y1 * across + x0] * (1 - fx + x0) + paper[y1 * across + x1] * (fx - x0);
    return above * (1 - fy + y0) + below * (fy - y0);
  }

  /** Of a colour, as the eye sees it (ITU-R BT.601). */
  private static double light(int argb) {
    return 0.299 * (argb >> 16 & 0xFF) + 0.587 * (argb >> 8 & 0xFF) + 0.114 * (argb & 0xFF);
  }

  private void withoutDust() {
    boolean[] seen = new boolean[ink.length];
    int[] spot = new int[ink.length];
    for (int k = 0; k < ink.length; k++) {
      if (seen[k] || ink[k] <= 0) {
        continue;
      }
      int n = 1;
      spot[0] = k;
      seen[k] = true;
      float strongest = 0;
      for (int i = 0; i < n; i++) {
        int at = spot[i];
        strongest = Math.max(strongest, ink[at]);
        int x = at % width;
        int y = at / width;
        for (int dy = Math.max(0, y - 1); dy <= Math.min(height - 1, y + 1); dy++) {
          for (int dx = Math.max(0, x - 1); dx <= Math.min(width - 1, x + 1); dx++) {
            int next = dy * width + dx;
            if (!seen[next] && ink[next] > 0) {
              seen[next] = true;
              spot[n++] = next;
            }
          }
        }
      }
      if (n < DUST || strongest < 0.5) {
        for (int i = 0; i < n; i++) {
          ink[spot[i]] = 0;
        }
      }
    }
  }

  private Rectangle box() {
    var box = new Rectangle(-1, -1);
    for (int k = 0; k < ink.length; k++) {
      if (ink[k] > 0) {
        box.add(new Rectangle(k % width, k / width, 1, 1));
      }
    }
    return box;
  }

  private double share() {
    double all = 0;
    for (float i : ink) {
      all += i;
    }
    return all / ink.length;
  }

  private boolean isOneInk() {
    double[] sum = new double[2];
    double[] squares = new double[2];
    double n = 0;
    for (int k = 0; k < ink.length; k++) {
      if (ink[k] > 0.8) {
        double[] hue = {
          (pixels[k] >> 16 & 0xFF) - (pixels[k] >> 8 & 0xFF),
          (pixels[k] & 0xFF) - (pixels[k] >> 8 & 0xFF)
        };
        for (int c = 0; c < 2; c++) {
          sum[c] += hue[c];
          squares[c] += hue[c] * hue[c];
        }
        n++;
      }
    }
    double count = Math.max(1, n);
    return Math.sqrt(squares[0] / count - Math.pow(sum[0] / count, 2)) <= ONE_INK
        && Math.sqrt(squares[1] / count - Math.pow(sum[1] / count, 2)) <= ONE_INK;
  }

  private Media traced(Rectangle box) {
    double[] sum = new double[3];
    double n = 0;
    for (int k = 0; k < ink.length; k++) {
      if (ink[k] > 0.8) {
        sum[0] += pixels[k] >> 16 & 0xFF;
        sum[1] += pixels[k] >> 8 & 0xFF;
        sum[2] += pixels[k] & 0xFF;
        n++;
      }
    }
    double count = Math.max(1, n);
    var colour =
        new Colour(
            (int) Math.round(sum[0] / count) << 16
                | (int) Math.round(sum[1] / count) << 8
                | (int) Math.round(sum[2] / count));
    return new Svg().fill(Contours.of(ink, width, 0.5f), colour).in(box);
  }

  private Media cut(Rectangle box) {
    var out = new BufferedImage(box.width, box.height, BufferedImage.TYPE_INT_ARGB);
    for (int y = 0; y < box.height; y++) {
      for (int x = 0; x < box.width; x++) {
        int k = (box.y + y) * width + box.x + x;
        out.setRGB(x, y, Math.round(255 * ink[k]) << 24 | pixels[k] & 0xFFFFFF);
      }
    }
    try {
      return Png.of(out);
    } catch (IOException e) {
      throw new UncheckedIOException(e); // into memory
    }
  }
}
