package decant.paint;

import decant.text.FontFace;
import decant.text.Joins;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Rectangle;
import java.awt.RenderingHints;
import java.awt.Shape;
import java.awt.font.FontRenderContext;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;

/**
 * The coverage masks of glyphs, made once for each size and quarter-pixel offset. The runtime's own
 * text painting snaps glyphs to whole pixels, which makes spacing uneven at screen sizes; masks at
 * four offsets do not.
 */
final class GlyphMasks {
  private static final long LIMIT = 48L << 20;
  private static final FontRenderContext UNITS = new FontRenderContext(null, true, true);
  private static final int LARGEST = 600; // pixels; larger glyphs are filled as shapes

  /** Coverage of a glyph; {@code left} and {@code top} from its origin, y growing downwards. */
  record Mask(int left, int top, int width, int height, byte[] coverage) {
    static final Mask EMPTY = new Mask(0, 0, 0, 0, new byte[0]);
  }

  private record Key(FontFace face, int glyph, int size64, int quarter) {
    @Override
    public int hashCode() {
      return ((System.identityHashCode(face) * 31 + glyph) * 31 + size64) * 4 + quarter;
    }

    @Override
    public boolean equals(Object o) {
      return o instanceof Key k
          && k.face == face
          && k.glyph == glyph
          && k.size64 == size64
          && k.quarter == quarter;
    }
  }

  private final ConcurrentHashMap<Key, Mask> known = new ConcurrentHashMap<>();
  private final AtomicLong bytes = new AtomicLong();

  /**
   * @param pixelSize size of the em in pixels
   * @param quarter offset of the origin to the right, in quarter pixels from 0 to 3
   */
  Mask mask(FontFace face, int glyph, double pixelSize, int quarter) {
    var key = new Key(face, glyph, (int) Math.round(pixelSize * 64), quarter);
    Mask m = known.get(key);
    if (m == null) {
      m = make(face, glyph, pixelSize, quarter / 4.0);
      if (bytes.addAndGet(m.coverage().length + 64L) > LIMIT) {
        known.clear();
        bytes.set(0);
      }
      known.put(key, m);
    }
    return m;
  }

  static Shape outline(FontFace face, int glyph, double pixelSize, double x, double y) {
    Shape units =
        face.unitFont(Joins.NONE).createGlyphVector(UNITS, new int[] {glyph}).getGlyphOutline(0);
    double scale = pixelSize / face.unitsPerEm();
    return new AffineTransform(scale, 0, 0, scale, x, y).createTransformedShape(units);
  }

  private static Mask make(FontFace face, int glyph, double pixelSize, double offset) {
    Shape shape = outline(face, glyph, pixelSize, offset, 0);
    Rectangle b = shape.getBounds();
    if (b.isEmpty() || b.width > LARGEST || b.height > LARGEST) {
      return Mask.EMPTY;
    }
    int left = b.x - 1;
    int top = b.y - 1;
    int w = b.width + 2;
    int h = b.height + 2;
    var image = new BufferedImage(w, h, BufferedImage.TYPE_BYTE_GRAY);
    Graphics2D g = image.createGraphics();
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
    g.translate(-left, -top);
    g.setColor(Color.WHITE);
    g.fill(shape);
    g.dispose();
    // Grey images carry linear values; read the coverage back as it was painted.
    byte[] raw = ((DataBufferByte) image.getRaster().getDataBuffer()).getData();
    return new Mask(left, top, w, h, raw.clone());
  }

  static boolean tooLarge(double pixelSize) {
    return pixelSize > LARGEST / 2.0;
  }
}
