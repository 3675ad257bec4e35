/**
 * Fonts and shaping. {@link decant.text.FontBook} resolves a font asked for into one that is
 * served, with the reason; {@link decant.text.FontFace} is one face with its tables' facts; {@link
 * decant.text.Shaper} turns characters into {@link decant.text.Glyphs}. All lengths of a face and
 * of glyphs are in font units ({@link decant.text.FontFace#unitsPerEm}), so that one shaping serves
 * every size.
 */
@org.jspecify.annotations.NullMarked
package decant.text;
