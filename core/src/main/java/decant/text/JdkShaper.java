package decant.text;

import java.awt.Font;
import java.awt.font.FontRenderContext;
import java.awt.font.GlyphVector;

/**
 * Shaping by the engine in the JDK, in font units: at a size of one unit per pixel and with
 * fractional metrics its positions are the font's own.
 */
public final class JdkShaper implements Shaper {
  static final FontRenderContext UNITS = new FontRenderContext(null, true, true);
  private static final int NOT_A_GLYPH = 0xFFFF;

  @Override
  public Glyphs shape(FontFace face, String text, boolean rightToLeft, Joins joins) {
    GlyphVector v =
        face.unitFont(joins)
            .layoutGlyphVector(
                UNITS,
                text.toCharArray(),
                0,
                text.length(),
                rightToLeft ? Font.LAYOUT_RIGHT_TO_LEFT : Font.LAYOUT_LEFT_TO_RIGHT);
    int n = v.getNumGlyphs();
    float[] at = v.getGlyphPositions(0, n + 1, null);
    int[] ids = new int[n];
    float[] x = new float[n];
    float[] y = new float[n];
    int[] clusters = new int[n];
    int kept = 0;
    for (int g = 0; g < n; g++) {
      int id = v.getGlyphCode(g);
      if (id == NOT_A_GLYPH) {
        continue;
      }
      ids[kept] = id;
      x[kept] = at[2 * g];
      y[kept] = -at[2 * g + 1];
      clusters[kept] = v.getGlyphCharIndex(g);
      kept++;
    }
    if (kept < n) {
      ids = java.util.Arrays.copyOf(ids, kept);
      x = java.util.Arrays.copyOf(x, kept);
      y = java.util.Arrays.copyOf(y, kept);
      clusters = java.util.Arrays.copyOf(clusters, kept);
    }
    return new Glyphs(ids, x, y, clusters, at[2 * n]);
  }
}
