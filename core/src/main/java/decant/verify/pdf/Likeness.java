package decant.verify.pdf;

import decant.layout.Layout;
import decant.layout.Page;
import decant.model.Box;
import decant.paint.PagePainter;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/**
 * Whether pages of a file look as they do on screen: both are painted small, the file by a
 * reference library, and compared field by field, so that edges which are smoothed otherwise do not
 * count.
 */
final class Likeness {
  /** Points of a field's side. */
  private static final int SIDE = 16;

  /** Pixels a point, to see at little cost whether anything may be wrong. */
  private static final double COARSE = 0.5;

  /** Pixels a point, to see whether it is. */
  private static final double FINE = 2;

  /** Of a page that is looked at, for posters. */
  private static final double MOST_PIXELS = 8_000_000;

  /** How far the mean of a colour may be off in a field, of 255. */
  private static final int MOST = 24;

  private final PDFRenderer renderer;
  private final PagePainter painter = new PagePainter();
  private final Layout layout;
  private final boolean picturesOnly;

  /**
   * @param picturesOnly whether text may look otherwise, since its fonts are not in the file
   */
  Likeness(PDDocument pdf, Layout layout, boolean picturesOnly) {
    this.layout = layout;
    this.picturesOnly = picturesOnly;
    renderer = new PDFRenderer(pdf);
    renderer.setSubsamplingAllowed(true);
    renderer.setAnnotationsFilter(a -> a instanceof PDAnnotationWidget);
  }

  /**
   * The field of a page that is least alike, if it is not alike.
   *
   * @param drawn where pictures and drawings stand
   */
  Optional<Box> firstUnlike(Page page, int inFile, List<Box> drawn) throws IOException {
    return firstUnlike(page, inFile, drawn, COARSE).isEmpty()
        ? Optional.empty()
        : firstUnlike(page, inFile, drawn, FINE);
  }

  private Optional<Box> firstUnlike(Page page, int inFile, List<Box> drawn, double most)
      throws IOException {
    double area = page.setup().width() * page.setup().height();
    double scale = Math.min(most, Math.sqrt(MOST_PIXELS / area));
    int side = Math.max(1, (int) (SIDE * scale));
    var wanted = new Means(painter.paint(layout, page, scale));
    var got = new Means(renderer.renderImage(inFile, (float) scale, ImageType.RGB));
    int w = Math.min(wanted.width, got.width);
    int h = Math.min(wanted.height, got.height);
    Optional<Box> worst = Optional.empty();
    int worstOff = MOST;
    for (int y = 0; y + side <= h; y += side) {
      for (int x = 0; x + side <= w; x += side) {
        var field = new Box(x / scale, y / scale, SIDE, SIDE);
        if (picturesOnly && drawn.stream().noneMatch(b -> holds(b, field))) {
          continue;
        }
        int off = difference(wanted, got, x, y, side);
        if (off > worstOff) {
          worstOff = off;
          worst = Optional.of(field);
        }
      }
    }
    return worst;
  }

  private static boolean holds(Box outer, Box inner) {
    return outer.x() <= inner.x()
        && outer.y() <= inner.y()
        && outer.right() >= inner.right()
        && outer.bottom() >= inner.bottom();
  }

  /**
   * How far the means of a field are apart, moved by up to a pixel, since the two do not place
   * their pictures at the same fractions of one.
   */
  private static int difference(Means wanted, Means got, int x, int y, int side) {
    int least = 255;
    for (int dy = -1; dy <= 1; dy++) {
      for (int dx = -1; dx <= 1; dx++) {
        least = Math.min(least, wanted.difference(x, y, got, x + dx, y + dy, side));
      }
    }
    return least;
  }

  /** The colours of a picture, summed up so that the mean of any field takes four of them. */
  private static final class Means {
    private final int width;
    private final int height;
    private final int[][] sums = new int[3][];

    Means(BufferedImage image) {
      width = image.getWidth();
      height = image.getHeight();
      int[] pixels = image.getRGB(0, 0, width, height, null, 0, width);
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
      int most = 0;
      for (int c = 0; c < 3; c++) {
        most = Math.max(most, Math.abs(sum(c, x, y, side) - o.sum(c, ox, oy, side)));
      }
      return most / (side * side);
    }

    private int sum(int c, int x, int y, int side) {
      int stride = width + 1;
      int top = y * stride + x;
      int bottom = top + side * stride;
      return sums[c][bottom + side] - sums[c][bottom] - sums[c][top + side] + sums[c][top];
    }
  }
}
