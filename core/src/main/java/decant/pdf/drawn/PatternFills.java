package decant.pdf.drawn;

import de.rototor.pdfbox.graphics2d.PdfBoxGraphics2D;
import de.rototor.pdfbox.graphics2d.PdfBoxGraphics2DDrawControlDefault;
import de.rototor.pdfbox.graphics2d.PdfBoxGraphics2DPaintApplier;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Paint;
import java.awt.Rectangle;
import java.awt.RenderingHints;
import java.awt.Shape;
import java.awt.TexturePaint;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.IdentityHashMap;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.graphics.blend.BlendMode;
import org.apache.pdfbox.pdmodel.graphics.color.PDColor;
import org.apache.pdfbox.pdmodel.graphics.color.PDPattern;
import org.apache.pdfbox.pdmodel.graphics.pattern.PDShadingPattern;
import org.apache.pdfbox.pdmodel.graphics.shading.PDShading;
import org.apache.pdfbox.pdmodel.graphics.shading.ShadingPaint;
import org.apache.pdfbox.pdmodel.graphics.state.PDExtendedGraphicsState;
import org.jspecify.annotations.Nullable;

/**
 * Shapes that are filled with more than a colour: gradients stay gradients, where they have the
 * usual forms; what else there is (small drawings side by side, meshes, what shows through a mask)
 * is painted within its shape, and only there.
 */
final class PatternFills extends PdfBoxGraphics2DDrawControlDefault {
  /** Of all that is painted for one drawing. */
  private static final long MAX_PIXELS = 60_000_000;

  private final PDDocument own;
  private final Rectangle2D page;
  private final Map<PDShading, Optional<COSDictionary>> gradients = new IdentityHashMap<>();
  private long painted;

  private @Nullable BlendMode blend;

  /**
   * @param own what the drawing becomes part of
   * @param page the drawing, in its dots
   */
  PatternFills(PDDocument own, Rectangle2D page) {
    this.own = own;
    this.page = page;
  }

  /** How what is painted from here on mixes with what is below it; null for covering it. */
  void blend(@Nullable BlendMode mode) {
    blend = mode;
  }

  @Override
  public @Nullable Shape transformShapeBeforeFill(Shape shape, IDrawControlEnv env) {
    Paint paint = env.getPaint();
    boolean plain =
        isPlain(paint)
            || paint instanceof TexturePaint t && !TextureFills.fill(shape, t, env.getGraphics());
    if (!plain && !(paint instanceof TexturePaint)) {
      paint(shape, paint, env.getGraphics());
    }
    return plain ? shape : null;
  }

  @Override
  public @Nullable Shape transformShapeBeforeDraw(Shape shape, IDrawControlEnv env) {
    Paint paint = env.getPaint();
    PdfBoxGraphics2D g = env.getGraphics();
    if (isPlain(paint)) {
      return shape;
    }
    paint(g.getStroke().createStrokedShape(shape), paint, g);
    return null;
  }

  private boolean isPlain(Paint paint) {
    return paint instanceof Color || paint instanceof ShadingPaint<?> s && gradient(s).isPresent();
  }

  private Optional<COSDictionary> gradient(ShadingPaint<?> paint) {
    return gradients.computeIfAbsent(paint.getShading(), s -> Gradients.in(own, s));
  }

  /** Paints a shape in the dots of the drawing. */
  private void paint(Shape shape, Paint paint, PdfBoxGraphics2D g) {
    AffineTransform toDots = g.getTransform();
    Rectangle2D seen = toDots.createTransformedShape(shape).getBounds2D().createIntersection(page);
    Shape clip = g.getClip();
    if (clip != null) {
      seen = seen.createIntersection(toDots.createTransformedShape(clip).getBounds2D());
    }
    if (seen.getWidth() <= 0 || seen.getHeight() <= 0) {
      return;
    }
    Rectangle at = seen.getBounds();
    painted += (long) at.width * at.height;
    if (painted > MAX_PIXELS) {
      throw new FormGraphics.Unwritable("too much of it is painted");
    }
    var image = new BufferedImage(at.width, at.height, BufferedImage.TYPE_INT_ARGB);
    Graphics2D into = image.createGraphics();
    into.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    into.translate(-at.x, -at.y);
    into.transform(toDots);
    into.setPaint(new ShiftedPaint(paint, at.x, at.y));
    into.fill(shape);
    into.dispose();
    g.setTransform(new AffineTransform());
    g.drawImage(image, AffineTransform.getTranslateInstance(at.x, at.y), null);
    g.setTransform(toDots);
  }

  /** Fills shapes with gradients as patterns (ISO 32000-2 §8.7.4.2), which keep their place. */
  final class Applier extends PdfBoxGraphics2DPaintApplier {
    @Override
    public @Nullable PDShading applyPaint(
        Paint paint, PDPageContentStream content, AffineTransform toContent, IPaintEnv env)
        throws IOException {
      boolean gradient = paint instanceof ShadingPaint<?>;
      // What shines through of a gradient is set along with a colour.
      PDShading other = super.applyPaint(gradient ? Color.BLACK : paint, content, toContent, env);
      if (blend != null) {
        var state = new PDExtendedGraphicsState();
        state.setBlendMode(blend);
        content.setGraphicsStateParameters(state);
      }
      if (!(paint instanceof ShadingPaint<?> s)) {
        return other;
      }
      var toPattern = new AffineTransform(toContent);
      toPattern.concatenate(s.getMatrix().createAffineTransform());
      var pattern = new PDShadingPattern();
      pattern.setMatrix(toPattern);
      pattern.getCOSObject().setItem(COSName.SHADING, gradient(s).orElseThrow());
      var colour = new PDColor(env.getResources().add(pattern), new PDPattern(null));
      content.setNonStrokingColor(colour);
      content.setStrokingColor(colour);
      return null;
    }
  }
}
