package decant.verify.pdf;

import decant.model.Box;
import decant.paint.PagePainter;
import decant.picture.StandInFonts;
import decant.publication.Publication;
import decant.publication.PublishedPage;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.io.IOException;
import java.util.Optional;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.graphics.form.PDTransparencyGroup;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.rendering.PageDrawer;
import org.apache.pdfbox.rendering.PageDrawerParameters;

/**
 * Whether pages of a file look as they do on screen: both are painted small, the file by a
 * reference library, and compared field by field, so that edges which are smoothed otherwise do not
 * count.
 */
final class Likeness {
  static {
    StandInFonts.use();
  }

  /** Points of a field's side. */
  private static final int SIDE = 16;

  /** Pixels a point, to see at little cost whether anything may be wrong. */
  private static final double COARSE = 0.5;

  /** Pixels a point, to see whether it is. */
  private static final double FINE = 2;

  /** Of a page that is looked at, for posters. */
  private static final double MAX_PIXELS = 8_000_000;

  /** How far the mean of a colour may be off in a field, of 255. */
  private static final int MAX = 24;

  private final PDFRenderer renderer;
  private final PagePainter painter = PagePainter.withoutText();
  private final Publication publication;

  Likeness(PDDocument pdf, Publication publication) {
    this.publication = publication;
    renderer = new WithoutText(pdf);
    renderer.setSubsamplingAllowed(true);
    renderer.setAnnotationsFilter(a -> false);
  }

  /** The field of a page that is least alike, if it is not alike. */
  Optional<Box> firstUnlike(PublishedPage page, int inFile) throws IOException {
    return firstUnlike(page, inFile, COARSE).isEmpty()
        ? Optional.empty()
        : firstUnlike(page, inFile, FINE);
  }

  /** Text is checked character by character elsewhere; what is written in drawings is theirs. */
  private static final class WithoutText extends PDFRenderer {
    WithoutText(PDDocument pdf) {
      super(pdf);
    }

    @Override
    protected PageDrawer createPageDrawer(PageDrawerParameters p) throws IOException {
      var drawer = drawerWithoutText(p);
      drawer.setAnnotationFilter(getAnnotationsFilter());
      return drawer;
    }

    private static PageDrawer drawerWithoutText(PageDrawerParameters p) throws IOException {
      return new PageDrawer(p) {
        private int forms;

        @Override
        public void showForm(PDFormXObject form) throws IOException {
          forms++;
          super.showForm(form);
          forms--;
        }

        @Override
        public void showTransparencyGroup(PDTransparencyGroup form) throws IOException {
          forms++;
          super.showTransparencyGroup(form);
          forms--;
        }

        @Override
        protected void showText(byte[] string) throws IOException {
          if (forms > 0) {
            super.showText(string);
          }
        }
      };
    }
  }

  private Optional<Box> firstUnlike(PublishedPage page, int inFile, double max) throws IOException {
    double area = page.width() * page.height();
    double scale = Math.min(max, Math.sqrt(MAX_PIXELS / area));
    int side = Math.max(1, (int) (SIDE * scale));
    var wanted = new Means(painter.paint(publication, page, scale));
    var got = new Means(renderer.renderImage(inFile, (float) scale, ImageType.RGB));
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
    int min = 255;
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
