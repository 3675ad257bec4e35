package decant.pdf.drawn;

import de.rototor.pdfbox.graphics2d.PdfBoxGraphics2D;
import java.awt.AlphaComposite;
import java.awt.Color;
import java.awt.Composite;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.function.Supplier;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.graphics.blend.BlendMode;
import org.jspecify.annotations.Nullable;

/**
 * What draws into a form of a PDF (ISO 32000-2 §8.10): lines and shapes stay such, with gradients,
 * patterns and pictures as what they are filled with.
 */
public final class FormGraphics extends PdfBoxGraphics2D {
  private static final Color NOTHING = new Color(255, 255, 255, 0);

  /** A drawing has what a form cannot be made of in this way; it can be painted instead. */
  public static final class Unwritable extends RuntimeException {
    private static final long serialVersionUID = 1;

    public Unwritable(String why) {
      super(why);
    }
  }

  /**
   * How something mixes with what lies below it (ISO 32000-2 §11.3.5).
   *
   * @param alpha how much of it shows, 0 to 1
   */
  public record Blend(BlendMode mode, double alpha) {}

  private final PatternFills fills;
  private @Nullable Supplier<Blend> blends;

  /**
   * @param own what the form becomes part of
   */
  public FormGraphics(PDDocument own, float width, float height) throws IOException {
    super(own, width, height);
    fills = new PatternFills(own, new Rectangle2D.Double(0, 0, width, height));
    setDrawControl(fills);
    setPaintApplier(fills.new Applier());
    setBackground(NOTHING);
  }

  /** Says how that mixes which is painted by a rule of PDF's own, where this is asked. */
  public void blends(Supplier<Blend> now) {
    blends = now;
  }

  @Override
  public void setComposite(Composite c) {
    if (c instanceof AlphaComposite || blends == null) {
      fills.blend(null);
      super.setComposite(c);
    } else {
      Blend b = blends.get();
      fills.blend(b.mode());
      super.setComposite(AlphaComposite.getInstance(AlphaComposite.SRC_OVER, (float) b.alpha()));
    }
  }
}
