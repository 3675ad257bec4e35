package decant.pdf.read.fonts;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.util.Optional;

/**
 * What a letter looks like: its outline, stretched to a square of cells, with its proportions.
 *
 * @param cells how much of each cell is ink, from 0 to 255, row by row
 * @param aspect its width by its height
 * @param height in ems
 * @param bottom how far its lowest point is above the baseline, in ems
 */
record GlyphShape(byte[] cells, double aspect, double height, double bottom) {
  private static final int SIDE = 16;

  /**
   * @param outline with the origin on the baseline, y upwards, one em long and high
   * @return empty if there is no ink
   */
  static Optional<GlyphShape> of(Shape outline) {
    Rectangle2D b = outline.getBounds2D();
    boolean ink =
        b.getWidth() > FontThresholds.GlyphShape.SPECK
            && b.getHeight() > FontThresholds.GlyphShape.SPECK;
    if (!ink || b.getWidth() > 4 || b.getHeight() > 4) {
      return Optional.empty();
    }
    var image = new BufferedImage(SIDE, SIDE, BufferedImage.TYPE_BYTE_GRAY);
    Graphics2D g = image.createGraphics();
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    g.setColor(Color.WHITE);
    var t = new AffineTransform();
    t.translate(0, SIDE);
    t.scale(SIDE / b.getWidth(), -SIDE / b.getHeight());
    t.translate(-b.getX(), -b.getY());
    g.fill(t.createTransformedShape(outline));
    g.dispose();
    byte[] cells = ((DataBufferByte) image.getRaster().getDataBuffer()).getData();
    return Optional.of(
        new GlyphShape(cells, b.getWidth() / b.getHeight(), b.getHeight(), b.getY()));
  }

  /** Whether it is a block, or the bare frame that stands for a missing letter. */
  boolean isBlank() {
    if (height < FontThresholds.GlyphShape.LOW) {
      return false;
    }
    int max = SIDE * 255;
    int[] sides = new int[4];
    int amid = 0;
    int all = 0;
    for (int k = 0; k < cells.length; k++) {
      int x = k % SIDE;
      int y = k / SIDE;
      int ink = cells[k] & 255;
      sides[0] += y == 0 ? ink : 0;
      sides[1] += x == SIDE - 1 ? ink : 0;
      sides[2] += y == SIDE - 1 ? ink : 0;
      sides[3] += x == 0 ? ink : 0;
      amid += x > 3 && y > 3 && x < SIDE - 4 && y < SIDE - 4 ? ink : 0;
      all += ink;
    }
    boolean frame =
        java.util.Arrays.stream(sides).allMatch(s -> s > max * FontThresholds.GlyphShape.SIDE_INK);
    boolean block =
        all > FontThresholds.GlyphShape.BLOCK * max * SIDE
            && aspect > FontThresholds.GlyphShape.BAR;
    return block || frame && amid == 0;
  }

  /**
   * How unlike two shapes are: 0 for the same, about 0.1 for a letter in two like faces.
   *
   * @param limit what is further off than this counts as 1, and is found sooner
   */
  double unlike(GlyphShape o, double limit) {
    double proportions =
        FontThresholds.GlyphShape.BY_ASPECT * Math.abs(Math.log(aspect / o.aspect))
            + FontThresholds.GlyphShape.BY_HEIGHT
                * (Math.abs(height - o.height) + Math.abs(bottom - o.bottom));
    if (proportions > limit) {
      return 1;
    }
    double max = (limit - proportions) * 255 * cells.length;
    int sum = 0;
    for (int k = 0; k < cells.length && sum <= max; k++) {
      sum += Math.abs((cells[k] & 255) - (o.cells[k] & 255));
    }
    return sum > max ? 1 : sum / (255.0 * cells.length) + proportions;
  }
}
