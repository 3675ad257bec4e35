package decant.pdf.amend.line;

import decant.pdf.content.Transform;
import java.awt.geom.Rectangle2D;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;

/** How large a form is (ISO 32000-2 §8.10.2). */
final class FormBox {
  private FormBox() {}

  /** In the space that it is painted in; empty if it has none. */
  static Rectangle2D of(COSStream form) {
    if (!(form.getDictionaryObject(COSName.BBOX) instanceof COSArray a) || a.size() != 4) {
      return new Rectangle2D.Double();
    }
    float[] b = a.toFloatArray();
    var own =
        new Rectangle2D.Double(
            Math.min(b[0], b[2]),
            Math.min(b[1], b[3]),
            Math.abs(b[2] - b[0]),
            Math.abs(b[3] - b[1]));
    return matrix(form).affine().createTransformedShape(own).getBounds2D();
  }

  static Transform matrix(COSStream form) {
    if (!(form.getDictionaryObject(COSName.MATRIX) instanceof COSArray a) || a.size() != 6) {
      return Transform.NONE;
    }
    float[] m = a.toFloatArray();
    return new Transform(m[0], m[1], m[2], m[3], m[4], m[5]);
  }
}
