package decant.pdf.write.fonts;

import decant.pdf.choices.Conformance;
import decant.pdf.choices.FontEmbedding.Embedding;
import decant.pdf.choices.FontEmbedding.FontChoice;
import decant.pdf.choices.FontEmbedding.Substitute;
import decant.text.FontFace;
import decant.text.Joins;
import java.awt.font.FontRenderContext;
import java.io.IOException;
import java.util.Optional;
import org.apache.pdfbox.cos.COSDictionary;

/**
 * A font that brings the letters it was asked for, one code of two bytes for each, without joins
 * and kerning. Not safe for use by several threads.
 */
public final class LetterFont {
  private static final FontRenderContext EXACT = new FontRenderContext(null, true, true);
  private static final int LEVEL = 6;

  private final FontFace face;
  private final GlyphTable used = new GlyphTable();

  /**
   * @param code two bytes, the high one first
   * @param width in sizes
   */
  public record Letter(int code, double width) {}

  public LetterFont(FontFace face) {
    this.face = face;
  }

  public FontFace face() {
    return face;
  }

  /** A letter of the font; empty if it has none. */
  public Optional<Letter> letter(int codePoint) {
    if (!face.covers(codePoint)) {
      return Optional.empty();
    }
    String text = Character.toString(codePoint);
    var glyphs = face.unitFont(Joins.NONE).createGlyphVector(EXACT, text);
    int code = used.add(glyphs.getGlyphCode(0), text) + 1; // 0 is the glyph for what is missing
    double advance = glyphs.getGlyphMetrics(0).getAdvanceX() / face.unitsPerEm();
    return Optional.of(new Letter(code, Math.round(advance * 1000) / 1000.0));
  }

  /** The font with all that was asked for. */
  public COSDictionary dictionary() throws IOException {
    return FontInFile.of(
            face,
            used,
            "F",
            new FontChoice(Embedding.USED, Substitute.SAME_NAME),
            Conformance.DEFAULT,
            LEVEL)
        .dictionaries()
        .values()
        .iterator()
        .next();
  }
}
