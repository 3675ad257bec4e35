package decant.paint;

import decant.pdf.open.SourceParser;
import decant.picture.StandInFonts;
import decant.work.Faults;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.rendering.PDFRenderer;

/** The pages of a PDF file as pictures, for looking at a source or at what was published. */
public final class PdfPictures implements AutoCloseable {
  static {
    StandInFonts.use();
  }

  private final PDDocument pdf;
  private final PDFRenderer renderer;

  private PdfPictures(PDDocument pdf) {
    this.pdf = pdf;
    this.renderer = new PDFRenderer(pdf);
    renderer.setSubsamplingAllowed(true);
  }

  /** Opens a file. @throws IOException if it cannot be read, or the password is not its */
  public static PdfPictures open(Path file, String password) throws IOException {
    return new PdfPictures(SourceParser.open(file, password));
  }

  public int count() {
    return pdf.getNumberOfPages();
  }

  /** Width of a page as shown, in points. */
  public double width(int page) {
    return width(pdf.getPage(page));
  }

  /** Height of a page as shown, in points. */
  public double height(int page) {
    return height(pdf.getPage(page));
  }

  static double width(PDPage p) {
    return p.getRotation() % 180 == 0 ? p.getCropBox().getWidth() : p.getCropBox().getHeight();
  }

  static double height(PDPage p) {
    return p.getRotation() % 180 == 0 ? p.getCropBox().getHeight() : p.getCropBox().getWidth();
  }

  /**
   * Paints a page over a whole picture. A page that cannot be painted stays white. One page at a
   * time.
   */
  public synchronized void paint(int page, BufferedImage image, double scale) {
    Graphics2D g = image.createGraphics();
    try {
      g.setBackground(Color.WHITE); // the renderer clears the page with it
      g.setColor(Color.WHITE);
      g.fillRect(0, 0, image.getWidth(), image.getHeight());
      g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
      g.setRenderingHint(
          RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
      renderer.renderPageToGraphics(page, g, (float) scale);
    } catch (IOException | RuntimeException e) {
      Faults.mended("painting a page of a PDF", e);
      g.setColor(new Color(0xB8B0A4));
      g.drawRect(2, 2, image.getWidth() - 5, image.getHeight() - 5);
    } finally {
      g.dispose();
    }
  }

  @Override
  public synchronized void close() throws IOException {
    pdf.close();
  }
}
