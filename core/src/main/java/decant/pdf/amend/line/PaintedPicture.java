package decant.pdf.amend.line;

import decant.pdf.content.Span;
import decant.pdf.content.Transform;
import java.awt.Shape;
import java.awt.geom.Rectangle2D;
import java.util.Optional;
import org.apache.pdfbox.cos.COSName;

/**
 * A picture that is painted (ISO 32000-2 §8.9).
 *
 * @param place whose content paints it
 * @param span its operator there
 * @param name among the resources; empty for one that stands within the content
 * @param space from its own square to the page
 */
public record PaintedPicture(
    ContentPlace place, Span span, Optional<COSName> name, Transform space) {
  /** Where it stands, in the space of the page. */
  public Shape area() {
    return space.affine().createTransformedShape(new Rectangle2D.Double(0, 0, 1, 1));
  }

  /** Its width as shown, in points. */
  public double width() {
    return Math.hypot(space.a(), space.b());
  }

  public double height() {
    return Math.hypot(space.c(), space.d());
  }
}
