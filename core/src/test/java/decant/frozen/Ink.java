package decant.frozen;

import decant.picture.StandInFonts;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/**
 * How alike the first pages of two PDFs look, both painted by PDFBox: the ink that stands in the
 * same fields of the page, of all ink.
 */
final class Ink {
  private static final int PAGES = 2;

  /** Pixels of a field's side, at 36 dots an inch: a third of an inch. */
  private static final int FIELD = 12;

  static {
    StandInFonts.use(); // whatever fonts the machine has
  }

  private Ink() {}

  static double alike(Path a, Path b) throws IOException {
    try (PDDocument x = Loader.loadPDF(a.toFile());
        PDDocument y = Loader.loadPDF(b.toFile())) {
      double both = 0;
      double all = 0;
      int n = Math.min(PAGES, Math.max(x.getNumberOfPages(), y.getNumberOfPages()));
      for (int p = 0; p < n; p++) {
        double[][] one = fields(x, p);
        double[][] two = fields(y, p);
        for (int r = 0; r < one.length; r++) {
          for (int c = 0; c < one[r].length; c++) {
            double other = r < two.length && c < two[r].length ? two[r][c] : 0;
            both += Math.min(one[r][c], other);
            all += Math.max(one[r][c], other);
          }
        }
      }
      return all == 0 ? 1 : both / all;
    }
  }

  private static double[][] fields(PDDocument pdf, int page) throws IOException {
    if (page >= pdf.getNumberOfPages()) {
      return new double[80][60];
    }
    BufferedImage i = new PDFRenderer(pdf).renderImage(page, 0.5f, ImageType.GRAY);
    double[][] out = new double[i.getHeight() / FIELD + 1][i.getWidth() / FIELD + 1];
    for (int y = 0; y < i.getHeight(); y++) {
      for (int x = 0; x < i.getWidth(); x++) {
        out[y / FIELD][x / FIELD] += 255 - (i.getRGB(x, y) & 0xFF);
      }
    }
    return out;
  }
}
