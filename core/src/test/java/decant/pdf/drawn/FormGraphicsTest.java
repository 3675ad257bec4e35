package decant.pdf.drawn;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Shape;
import java.awt.TexturePaint;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Test;

/** Held against what Java's own graphics paint with the same calls. */
class FormGraphicsTest {
  private static final int WIDTH = 200;
  private static final int HEIGHT = 120;

  /** Red above left, green above right, blue below left, black below right. */
  private static BufferedImage flag() {
    var image = new BufferedImage(40, 40, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = image.createGraphics();
    g.setColor(Color.RED);
    g.fillRect(0, 0, 20, 20);
    g.setColor(Color.GREEN);
    g.fillRect(20, 0, 20, 20);
    g.setColor(Color.BLUE);
    g.fillRect(0, 20, 20, 20);
    return image;
  }

  private static void fill(Graphics2D g, Rectangle2D tile, Shape shape) {
    g.setColor(Color.WHITE);
    g.fill(new Rectangle2D.Double(0, 0, WIDTH, HEIGHT));
    g.scale(0.1, 0.1);
    g.setPaint(new TexturePaint(flag(), tile));
    g.fill(shape);
    g.scale(10, 10);
    g.setColor(Color.ORANGE);
    g.fill(new Rectangle2D.Double(180, 100, 20, 20));
    g.dispose();
  }

  private static void assertAlike(Rectangle2D tile, Shape shape) throws IOException {
    var wanted = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
    fill(wanted.createGraphics(), tile, shape);
    try (var pdf = new PDDocument()) {
      var page = new PDPage(new PDRectangle(WIDTH, HEIGHT));
      pdf.addPage(page);
      var g = new FormGraphics(pdf, WIDTH, HEIGHT);
      fill(g, tile, shape);
      try (var content = new PDPageContentStream(pdf, page)) {
        content.drawForm(g.getXFormObject());
      }
      BufferedImage got = new PDFRenderer(pdf).renderImage(0);
      int unlike = 0;
      for (int y = 0; y < HEIGHT; y++) {
        for (int x = 0; x < WIDTH; x++) {
          unlike += isUnlike(wanted.getRGB(x, y), got.getRGB(x, y)) ? 1 : 0;
        }
      }
      // The pixels of edges, which are smoothed in the one and not in the other.
      assertThat(unlike).isLessThan(WIDTH * HEIGHT / 20);
    }
  }

  private static boolean isUnlike(int a, int b) {
    for (int shift = 0; shift < 24; shift += 8) {
      if (Math.abs((a >> shift & 255) - (b >> shift & 255)) > 40) {
        return true;
      }
    }
    return false;
  }

  @Test
  void aPictureThatFillsAScaledShapeIsWhereItBelongs() throws IOException {
    var all = new Rectangle2D.Double(0, 0, 1600, 1000);
    assertAlike(all, all);
  }

  @Test
  void tilesAreCutToTheShape() throws IOException {
    assertAlike(
        new Rectangle2D.Double(30, 10, 400, 400), new Ellipse2D.Double(100, 50, 1500, 1000));
  }

  @Test
  void whatIsDrawnAfterwardsIsNotCut() throws IOException {
    assertAlike(new Rectangle2D.Double(0, 0, 500, 500), new Rectangle2D.Double(0, 0, 500, 500));
  }
}
