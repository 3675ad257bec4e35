package decant.paint;

import decant.layout.item.Item;
import decant.layout.item.Outlines;
import decant.layout.pages.PageChange;
import decant.model.Box;
import decant.model.Inline.Geometry;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.model.look.Rule;
import decant.picture.VectorPicture;
import decant.publication.KeptPage;
import decant.publication.PageSink;
import decant.publication.Publication;
import decant.publication.PublishedPage;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Map;
import java.util.Optional;

/** Paints pages. Safe for use by several threads, each with a picture of its own. */
public final class PagePainter {
  private final GlyphMasks masks = new GlyphMasks();
  private final ScaledPictures pictures = new ScaledPictures();
  private final KeptPageImages keptPages = new KeptPageImages();
  private final boolean texts;

  public PagePainter() {
    this(true);
  }

  private PagePainter(boolean texts) {
    this.texts = texts;
  }

  /** One that paints pictures, drawings and areas, and leaves out the text between them. */
  public static PagePainter withoutText() {
    return new PagePainter(false);
  }

  /**
   * A picture of a page on white paper.
   *
   * @param scale pixels a point
   */
  public BufferedImage paint(Publication publication, PublishedPage page, double scale) {
    int w = Math.max(1, (int) Math.round(page.width() * scale));
    int h = Math.max(1, (int) Math.round(page.height() * scale));
    var image = new BufferedImage(w, h, BufferedImage.TYPE_INT_ARGB_PRE);
    paint(publication, page, image, scale);
    return image;
  }

  /** Paints a page over a whole picture of the kind {@link BufferedImage#TYPE_INT_ARGB_PRE}. */
  public void paint(
      Publication publication, PublishedPage page, BufferedImage image, double scale) {
    paint(publication, page, image, scale, 0);
  }

  /**
   * Paints a stretch of a page over a whole picture.
   *
   * @param top the row of the page's pixels that the picture begins with
   */
  public void paint(
      Publication publication, PublishedPage page, BufferedImage image, double scale, int top) {
    paint(publication, page, image, scale, top, 0, image.getHeight());
  }

  /**
   * Paints what changed over a picture that holds a stretch of the page as it was.
   *
   * @param top the row of the page's pixels that the picture begins with
   * @return the first row of the picture that was painted, and the one after the last
   */
  public int[] repaint(
      Publication publication,
      PublishedPage page,
      BufferedImage image,
      double scale,
      int top,
      PageChange change) {
    int h = image.getHeight();
    int from = Math.clamp((int) Math.floor(change.top() * scale) - top, 0, h);
    int to = Math.clamp((int) Math.ceil(change.bottom() * scale) - top, from, h);
    if (from < to) {
      paint(publication, page, image, scale, top, from, to);
    }
    return new int[] {from, to};
  }

  private void paint(
      Publication publication,
      PublishedPage page,
      BufferedImage image,
      double scale,
      int top,
      int from,
      int to) {
    Graphics2D g = image.createGraphics();
    try {
      g.clipRect(0, from, image.getWidth(), to - from);
      g.setColor(Color.WHITE);
      g.fillRect(0, 0, image.getWidth(), image.getHeight());
      g.translate(0, -top);
      g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
      g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
      Optional<KeptPage> kept = publication.kept(page);
      if (kept.isPresent()) {
        keptPages.image(kept.get(), scale).ifPresent(i -> g.drawImage(i, 0, 0, null));
        return;
      }
      var rows = new Rows(top, from, to);
      publication.walk(page, new Painting(g, image, scale, rows, publication.media()));
    } finally {
      g.dispose();
    }
  }

  /**
   * Which rows of a picture are painted.
   *
   * @param top the row of the page that the picture begins with
   * @param from the first row of the picture
   * @param to the one after the last
   */
  private record Rows(int top, int from, int to) {}

  /** One page being painted. */
  private final class Painting implements PageSink {
    private final Graphics2D g;
    private final int[] pixels;
    private final int width;
    private final Rows rows;
    private final double scale;
    private final Map<MediaId, Media> media;
    private final Deque<AffineTransform> outer = new ArrayDeque<>();
    private int turns;

    Painting(
        Graphics2D g, BufferedImage image, double scale, Rows rows, Map<MediaId, Media> media) {
      this.g = g;
      this.pixels = ((DataBufferInt) image.getRaster().getDataBuffer()).getData();
      this.width = image.getWidth();
      this.rows = rows;
      this.scale = scale;
      this.media = media;
    }

    @Override
    public void glyphs(Item.GlyphRun run, double x, double y) {
      if (!texts) {
        return;
      }
      double size = run.size() * scale;
      double baseline = (y - run.rise()) * scale;
      boolean above = baseline + 2 * size < rows.top() + rows.from();
      boolean below = baseline - 3 * size > rows.top() + rows.to();
      if (turns == 0 && (above || below)) {
        return;
      }
      double left = (x + run.x()) * scale;
      if (turns > 0 || GlyphMasks.tooLarge(size)) {
        g.setColor(new Color(run.colour().rgb()));
        for (int k = 0; k < run.placed().glyphs().length; k++) {
          g.fill(
              GlyphMasks.outline(
                  run.face(),
                  run.placed().glyphs()[k],
                  size,
                  left + run.placed().xs()[k] * scale,
                  baseline - run.placed().ys()[k] * scale));
        }
        return;
      }
      for (int k = 0; k < run.placed().glyphs().length; k++) {
        double gx = left + run.placed().xs()[k] * scale;
        int quarters = (int) Math.floor(gx * 4 + 0.5);
        int gy = (int) Math.round(baseline - run.placed().ys()[k] * scale) - rows.top();
        GlyphMasks.Mask m = masks.mask(run.face(), run.placed().glyphs()[k], size, quarters & 3);
        blend(m, (quarters >> 2) + m.left(), gy + m.top(), run.colour());
      }
    }

    private void blend(GlyphMasks.Mask m, int x, int y, Colour colour) {
      int red = colour.red();
      int green = colour.green();
      int blue = colour.blue();
      int first = Math.max(0, rows.from() - y);
      int last = Math.min(m.height(), rows.to() - y);
      int firstColumn = Math.max(0, -x);
      int lastColumn = Math.min(m.width(), width - x);
      for (int r = first; r < last; r++) {
        int at = (y + r) * width + x;
        int from = r * m.width();
        for (int c = firstColumn; c < lastColumn; c++) {
          int a = m.coverage()[from + c] & 0xFF;
          if (a == 0) {
            continue;
          }
          int p = pixels[at + c];
          int rest = 255 - a;
          pixels[at + c] =
              0xFF000000
                  | (red * a + (p >> 16 & 0xFF) * rest + 127) / 255 << 16
                  | (green * a + (p >> 8 & 0xFF) * rest + 127) / 255 << 8
                  | (blue * a + (p & 0xFF) * rest + 127) / 255;
        }
      }
    }

    @Override
    public void fill(Box box, Colour colour) {
      g.setColor(new Color(colour.rgb()));
      g.fill(
          new Rectangle2D.Double(
              box.x() * scale, box.y() * scale, box.width() * scale, box.height() * scale));
    }

    @Override
    public void linkFrame(Colour colour, Box box) {
      if (!texts) {
        return; // it is the link's own, and links are told apart from what is drawn
      }
      g.setColor(new Color(colour.rgb()));
      double line = Math.max(1, scale / 2);
      double x = box.x() * scale;
      double y = box.y() * scale;
      double w = box.width() * scale;
      double h = box.height() * scale;
      g.fill(new Rectangle2D.Double(x, y, w, line));
      g.fill(new Rectangle2D.Double(x, y + h - line, w, line));
    }

    @Override
    public void turn(double degrees, double x, double y) {
      outer.push(g.getTransform());
      turns++;
      g.rotate(Math.toRadians(degrees), x * scale, y * scale);
    }

    @Override
    public void turnBack() {
      g.setTransform(outer.pop());
      turns--;
    }

    @Override
    public void shape(Geometry geometry, Box box, Optional<Colour> fill, Optional<Rule> line) {
      Shape outline = Outlines.of(geometry, box, scale);
      fill.ifPresent(c -> {
        g.setColor(new Color(c.rgb()));
        g.fill(outline);
      });
      line.filter(Rule::isDrawn)
          .ifPresent(r -> {
            g.setColor(new Color(r.colour().rgb()));
            g.setStroke(Outlines.stroke(r, scale));
            g.draw(outline);
          });
    }

    @Override
    public void picture(Item.PictureBox picture, Box box) {
      Media m = media.get(picture.media());
      // What is cut off stands outside the box.
      Insets c = picture.crop();
      double fullWidth = box.width() / (1 - c.left() - c.right()) * scale;
      double fullHeight = box.height() / (1 - c.top() - c.bottom()) * scale;
      int w = (int) Math.round(fullWidth);
      int h = (int) Math.round(fullHeight);
      if (w < 1 || h < 1 || w > 20_000 || h > 20_000) {
        return;
      }
      double x = box.x() * scale - c.left() * fullWidth;
      double y = box.y() * scale - c.top() * fullHeight;
      Shape clip = g.getClip();
      if (!c.equals(Insets.NONE)) {
        g.clip(
            new Rectangle2D.Double(
                box.x() * scale, box.y() * scale, box.width() * scale, box.height() * scale));
      }
      if (m == null || !drawn(m, x, y, fullWidth, fullHeight, w, h)) {
        blank(box);
      }
      g.setClip(clip);
    }

    private boolean drawn(
        Media m, double x, double y, double fullWidth, double fullHeight, int w, int h) {
      if (VectorPicture.isVector(m.type())) {
        return pictures.vector(m).map(v -> v.draw(g, x, y, fullWidth, fullHeight)).orElse(false);
      }
      Optional<BufferedImage> image = pictures.image(m, w, h);
      image.ifPresent(i -> g.drawImage(i, (int) Math.round(x), (int) Math.round(y), null));
      return image.isPresent();
    }

    private void blank(Box box) {
      var area =
          new Rectangle2D.Double(
              box.x() * scale, box.y() * scale, box.width() * scale, box.height() * scale);
      g.setColor(new Color(0xE8E4DC));
      g.fill(area);
      g.setColor(new Color(0xB8B0A4));
      g.setStroke(new BasicStroke(1));
      g.draw(area);
    }
  }
}
