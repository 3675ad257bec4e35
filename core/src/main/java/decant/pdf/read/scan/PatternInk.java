package decant.pdf.read.scan;

import decant.model.look.Colour;
import decant.pdf.drawn.Gradients;
import java.io.IOException;
import org.apache.pdfbox.pdmodel.graphics.color.PDColor;
import org.apache.pdfbox.pdmodel.graphics.color.PDColorSpace;
import org.apache.pdfbox.pdmodel.graphics.color.PDPattern;
import org.apache.pdfbox.pdmodel.graphics.pattern.PDAbstractPattern;
import org.apache.pdfbox.pdmodel.graphics.pattern.PDShadingPattern;
import org.apache.pdfbox.pdmodel.graphics.pattern.PDTilingPattern;
import org.apache.pdfbox.pdmodel.graphics.shading.PDShading;
import org.apache.pdfbox.pdmodel.graphics.shading.PDShadingType2;
import org.jspecify.annotations.Nullable;

/**
 * The one colour that stands for a pattern (ISO 32000-2 §8.7) where one is asked for: the middle of
 * a gradient. What it really looks like is kept in pictures.
 */
final class PatternInk {
  /** Of a pattern of small drawings with colours of their own. */
  private static final Colour SOME = new Colour(0x808080);

  /** How many places of a gradient are looked at. */
  private static final int PLACES = 5;

  private PatternInk() {}

  static boolean is(@Nullable PDColor c) {
    return c != null && c.getColorSpace() instanceof PDPattern;
  }

  /** The colour of a pattern. */
  static Colour of(PDColor c) throws IOException {
    var space = (PDPattern) c.getColorSpace();
    PDAbstractPattern pattern = space.getPattern(c);
    if (pattern instanceof PDShadingPattern s && s.getShading() != null) {
      return of(s.getShading());
    }
    PDColorSpace own = space.getUnderlyingColorSpace();
    if (pattern instanceof PDTilingPattern t
        && t.getPaintType() == PDTilingPattern.PAINT_UNCOLORED
        && own != null) {
      return new Colour(new PDColor(c.getComponents(), own).toRGB());
    }
    return SOME;
  }

  /** The middle colour of a gradient. */
  static Colour of(PDShading shading) throws IOException {
    if (!(shading instanceof PDShadingType2 along) || shading.getFunction() == null) {
      return SOME;
    }
    float[] sum = new float[3];
    for (int k = 0; k < PLACES; k++) {
      float[] rgb = Gradients.at(along, k / (PLACES - 1f));
      for (int c = 0; c < 3; c++) {
        sum[c] += rgb[c] / PLACES;
      }
    }
    return new Colour(byteOf(sum[0]) << 16 | byteOf(sum[1]) << 8 | byteOf(sum[2]));
  }

  private static int byteOf(float share) {
    return Math.clamp(Math.round(share * 255), 0, 255);
  }
}
