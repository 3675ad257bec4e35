package decant.pdf.write.fonts;

/** The codes by which a font of the file shows glyphs. */
public interface GlyphEncoder {
  /** The name of the font in the page's resources that shows a glyph. */
  String font(int glyph, String text);

  /** The code for a glyph that shows this text; the text may be empty. */
  int code(int glyph, String text);

  /** Whether codes have two bytes rather than one. */
  boolean twoBytes();

  /** The glyph's advance in thousandths of the font size, as the file declares it. */
  double width(int glyph, String text);

  /** The glyph that shows nothing, for characters that a glyph before stands for. */
  int blankGlyph();
}
