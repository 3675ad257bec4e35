package decant.pdf.amend.line;

import decant.pdf.content.Transform;
import java.awt.Shape;
import java.awt.geom.Rectangle2D;
import java.util.Optional;
import org.apache.pdfbox.cos.COSName;

/**
 * A picture that is painted (ISO 32000-2 §8.9), or a drawing: a form without text (§8.10), or paths
 * that touch.
 *
 * @param place whose content paints it
 * @param by what of it does
 * @param name among the resources; empty for what stands within the content
 * @param own its frame: a square of 1 for a picture
 * @param space from its frame's space to the page
 * @param within where on the page it shows; empty: everywhere
 * @param hindered whether it would show otherwise elsewhere in the content: by the colour in force,
 *     clear, or blended
 * @param isDrawing whether it is made of lines and areas
 */
public record PaintedPicture(
    ContentPlace place,
    PaintedBy by,
    Optional<COSName> name,
    Rectangle2D own,
    Transform space,
    Optional<Rectangle2D> within,
    boolean hindered,
    boolean isDrawing) {
  /** Where it stands, in the space of the page. */
  public Shape area() {
    return space.affine().createTransformedShape(own);
  }

  /** Its width as shown, in points. */
  public double width() {
    return own.getWidth() * Math.hypot(space.a(), space.b());
  }

  public double height() {
    return own.getHeight() * Math.hypot(space.c(), space.d());
  }
}
