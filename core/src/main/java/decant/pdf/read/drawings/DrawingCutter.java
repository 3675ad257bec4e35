package decant.pdf.read.drawings;

import decant.model.Box;
import decant.model.look.Media;
import decant.pdf.content.PageSpace;
import decant.pdf.content.UnseenText;
import decant.pdf.drawn.FormGraphics;
import decant.pdf.read.drawings.DetectedDrawings.Cut;
import decant.picture.Png;
import decant.work.Faults;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Paint;
import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.graphics.blend.BlendMode;
import org.apache.pdfbox.pdmodel.graphics.color.PDColor;
import org.apache.pdfbox.pdmodel.graphics.form.PDTransparencyGroup;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImage;
import org.apache.pdfbox.pdmodel.graphics.state.PDGraphicsState;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.rendering.PageDrawer;
import org.apache.pdfbox.rendering.PageDrawerParameters;
import org.apache.pdfbox.util.Matrix;
import org.apache.pdfbox.util.Vector;
import org.jspecify.annotations.Nullable;

/**
 * Cuts a drawing out of a page, as a page of its own. Only what touches its place is copied, so
 * that nothing of the page's text travels along unseen; its letters become outlines. What shows
 * through masks becomes pixels where it is, and nothing else does.
 */
public final class DrawingCutter {
  private static final Color NOTHING = new Color(255, 255, 255, 0);
  private static final double DOTS_PER_POINT = 300 / 72.0;

  /** Of a form, to a point: a whole number, so that lines and letters keep their numbers short. */
  private static final float DOTS = 4;

  private static final double MAX_DOTS = 4000;

  private final PDDocument pdf;

  public DrawingCutter(PDDocument pdf) {
    this.pdf = pdf;
  }

  /** The drawing at a place, in points from the top left of the page as shown; empty if damaged. */
  public Optional<Media> cut(int number, Box place) {
    return cut(new Cut(number, place, true, false, List.of()));
  }

  /** The drawing at a place; empty if it is damaged. */
  Optional<Media> cut(Cut at) {
    int number = at.page();
    Box place = at.place();
    PDPage page = pdf.getPage(number);
    try {
      Rectangle2D kept =
          PageSpace.shown(page.getCropBox(), page.getRotation())
              .createInverse()
              .createTransformedShape(
                  new Rectangle2D.Double(place.x(), place.y(), place.width(), place.height()))
              .getBounds2D();
      try {
        return Optional.of(Media.of("application/pdf", drawn(new Part(pdf, kept, at), at)));
      } catch (FormGraphics.Unwritable e) {
        return Optional.of(painted(new Part(pdf, kept, at), at));
      }
    } catch (IOException
        | RuntimeException
        | StackOverflowError
        | NoninvertibleTransformException e) { // patterns may be made of themselves
      Faults.mended("cutting out a drawing", e);
      return Optional.empty(); // said to be left out
    }
  }

  private static byte[] drawn(Part part, Cut at) throws IOException {
    Box place = at.place();
    try (var out = new PDDocument()) {
      float w = (float) place.width();
      float h = (float) place.height();
      // What has to be painted is painted in the dots of the form.
      var g = new FormGraphics(out, w * DOTS, h * DOTS);
      g.blends(part::blend);
      g.clip(new Rectangle2D.Double(0, 0, w * DOTS, h * DOTS));
      g.scale(DOTS, DOTS);
      g.translate(-place.x(), -place.y());
      part.renderPageToGraphics(at.page(), g);
      g.dispose();
      var own = new PDPage(new PDRectangle(w, h));
      out.addPage(own);
      try (var content = new PDPageContentStream(out, own)) {
        content.saveGraphicsState();
        content.transform(Matrix.getScaleInstance(1 / DOTS, 1 / DOTS));
        content.drawForm(g.getXFormObject());
        content.restoreGraphicsState();
      }
      UnseenText.put(out, own, runs(at));
      var bytes = new ByteArrayOutputStream();
      out.save(bytes);
      return bytes.toByteArray();
    }
  }

  /** What is written there, from the bottom left of the drawing. */
  private static List<UnseenText.Run> runs(Cut at) {
    Box place = at.place();
    return at.lines().stream()
        .filter(l -> !l.text().isBlank())
        .map(l ->
            new UnseenText.Run(
                l.text().strip(),
                l.box().x() - place.x(),
                place.bottom() - l.baseline(),
                l.box().width(),
                l.size()))
        .toList();
  }

  /** In pixels; where words are written on it as a page, which has room for them. */
  private static Media painted(Part part, Cut at) throws IOException {
    Box place = at.place();
    double scale = Math.min(DOTS_PER_POINT, MAX_DOTS / Math.max(place.width(), place.height()));
    var image =
        new BufferedImage(
            (int) Math.max(1, Math.round(place.width() * scale)),
            (int) Math.max(1, Math.round(place.height() * scale)),
            BufferedImage.TYPE_INT_ARGB);
    Graphics2D g = image.createGraphics();
    g.setBackground(NOTHING);
    g.scale(scale, scale);
    g.translate(-place.x(), -place.y());
    part.renderPageToGraphics(at.page(), g);
    g.dispose();
    List<UnseenText.Run> runs = runs(at);
    if (runs.isEmpty()) {
      return Png.of(image);
    }
    var bytes = new ByteArrayOutputStream();
    try (var out = new PDDocument()) {
      float w = (float) place.width();
      float h = (float) place.height();
      var own = new PDPage(new PDRectangle(w, h));
      out.addPage(own);
      try (var content = new PDPageContentStream(out, own)) {
        content.drawImage(LosslessFactory.createFromImage(out, image), 0, 0, w, h);
      }
      UnseenText.put(out, own, runs);
      out.save(bytes);
      return Media.of("application/pdf", bytes.toByteArray());
    }
  }

  /** Renders what touches an area of a page. */
  private static final class Part extends PDFRenderer {
    private final Rectangle2D kept;
    private final Cut at;
    private @Nullable PartDrawer drawer;

    Part(PDDocument pdf, Rectangle2D kept, Cut at) {
      super(pdf);
      this.kept = kept;
      this.at = at;
    }

    @Override
    protected PageDrawer createPageDrawer(PageDrawerParameters parameters) throws IOException {
      drawer = new PartDrawer(parameters, kept, at);
      return drawer;
    }

    /** How what is drawn now mixes with what lies below it. */
    FormGraphics.Blend blend() {
      PDGraphicsState now = Objects.requireNonNull(drawer).getGraphicsState();
      return new FormGraphics.Blend(now.getBlendMode(), now.getNonStrokeAlphaConstant());
    }
  }

  /** Draws what touches an area of the page, in the page's own space. */
  private static final class PartDrawer extends PageDrawer {
    private final Rectangle2D kept;
    private final Cut at;
    private boolean tile;

    PartDrawer(PageDrawerParameters parameters, Rectangle2D kept, Cut at) throws IOException {
      super(parameters);
      this.kept = kept;
      this.at = at;
    }

    /** The small drawing of a pattern (ISO 32000-2 §8.7.3) has a space of its own. */
    @Override
    protected Paint getPaint(PDColor color) throws IOException {
      boolean within = tile;
      tile = true;
      try {
        return super.getPaint(color);
      } finally {
        tile = within;
      }
    }

    private boolean away(Rectangle2D area) {
      return !tile && isAway(area);
    }

    private boolean isAway(Rectangle2D area) {
      return area.getMaxX() < kept.getMinX()
          || area.getMinX() > kept.getMaxX()
          || area.getMaxY() < kept.getMinY()
          || area.getMinY() > kept.getMaxY()
          || at.background() && !covers(area);
    }

    private boolean covers(Rectangle2D area) {
      Rectangle2D both = area.createIntersection(kept);
      return both.getWidth() * both.getHeight()
          >= DrawingThresholds.DetectedDrawings.COVERS * kept.getWidth() * kept.getHeight();
    }

    @Override
    protected void showGlyph(Matrix m, PDFont font, int code, Vector displacement)
        throws IOException {
      if (tile || at.words() && kept.contains(m.getTranslateX(), m.getTranslateY())) {
        super.showGlyph(m, font, code, displacement);
      }
    }

    /** A group that mixes with nothing (ISO 32000-2 §11.6.6) is drawn as what it is made of. */
    @Override
    public void showTransparencyGroup(PDTransparencyGroup group) throws IOException {
      PDGraphicsState now = getGraphicsState();
      if (now.getSoftMask() == null
          && now.getNonStrokeAlphaConstant() == 1
          && now.getBlendMode() == BlendMode.NORMAL) {
        showForm(group);
      } else {
        super.showTransparencyGroup(group);
      }
    }

    /** Drops a path that touches nothing of what is kept. */
    private boolean dropped() {
      boolean away = away(getLinePath().getBounds2D());
      if (away) {
        getLinePath().reset();
      }
      return away;
    }

    @Override
    public void strokePath() throws IOException {
      if (!dropped()) {
        super.strokePath();
      }
    }

    @Override
    public void fillPath(int windingRule) throws IOException {
      if (!dropped()) {
        super.fillPath(windingRule);
      }
    }

    @Override
    public void fillAndStrokePath(int windingRule) throws IOException {
      if (!dropped()) {
        super.fillAndStrokePath(windingRule);
      }
    }

    @Override
    public void drawImage(PDImage image) throws IOException {
      AffineTransform t =
          getGraphicsState().getCurrentTransformationMatrix().createAffineTransform();
      if (!away(t.createTransformedShape(new Rectangle2D.Double(0, 0, 1, 1)).getBounds2D())) {
        super.drawImage(image);
      }
    }

    @Override
    public void shadingFill(COSName shading) throws IOException {
      if (!away(getGraphicsState().getCurrentClippingPath().getBounds2D())) {
        super.shadingFill(shading);
      }
    }
  }
}
