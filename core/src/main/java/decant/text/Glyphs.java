package decant.text;

/**
 * Shaped text in visual order, left to right.
 *
 * @param ids glyph numbers in the face; 0 is the glyph for what the face lacks
 * @param x where each glyph's origin stands, in font units from the start of the text
 * @param y how far above the baseline each glyph's origin stands, in font units
 * @param clusters the first character each glyph came from, counted from the start of the text
 * @param width how far the text advances, in font units
 */
public record Glyphs(int[] ids, float[] x, float[] y, int[] clusters, float width) {
  public static final Glyphs NONE =
      new Glyphs(new int[0], new float[0], new float[0], new int[0], 0);
}
