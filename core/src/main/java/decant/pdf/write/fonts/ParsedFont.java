package decant.pdf.write.fonts;

import decant.text.FontFace;
import java.io.IOException;
import java.lang.ref.SoftReference;
import java.util.Map;
import java.util.WeakHashMap;
import java.util.concurrent.locks.Lock;
import java.util.concurrent.locks.ReentrantLock;
import org.apache.fontbox.ttf.OTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/**
 * The tables of a face, taken apart once for all files that are written while memory has room for
 * them: of a short document that is half of what writing costs.
 */
final class ParsedFont {
  private static final Map<FontFace, SoftReference<ParsedFont>> KNOWN = new WeakHashMap<>();

  private final TrueTypeFont font;
  private final double[] widths;
  private final int blank;
  private final int standIn;
  private final Lock turn = new ReentrantLock();

  private ParsedFont(FontFace face) throws IOException {
    this.font = new OTFParser(false).parse(new RandomAccessReadBuffer(face.bytes()));
    this.blank = Math.max(0, font.getUnicodeCmapLookup().getGlyphId(' '));
    this.standIn = standIn(font);
    this.widths = new double[font.getNumberOfGlyphs()];
    for (int g = 0; g < widths.length; g++) {
      widths[g] = Math.round(font.getAdvanceWidth(g) * 1000.0 / face.unitsPerEm());
    }
  }

  static ParsedFont of(FontFace face) throws IOException {
    synchronized (KNOWN) {
      SoftReference<ParsedFont> kept = KNOWN.get(face);
      ParsedFont known = kept == null ? null : kept.get();
      if (known != null) {
        return known;
      }
    }
    // Two threads may take the same face apart at once: both come to the same.
    var fresh = new ParsedFont(face);
    synchronized (KNOWN) {
      KNOWN.put(face, new SoftReference<>(fresh));
    }
    return fresh;
  }

  private static int standIn(TrueTypeFont font) throws IOException {
    for (int c : new int[] {0x25A1, 0x25FB, 0x2610, '?', ' '}) {
      int g = font.getUnicodeCmapLookup().getGlyphId(c);
      if (g > 0) {
        return g;
      }
    }
    return 0;
  }

  /** What is done with the tables of a font. */
  interface Use {
    void with(TrueTypeFont font) throws IOException;
  }

  /** Tables are read when they are asked for first, which is not for two threads at once. */
  void use(Use use) throws IOException {
    turn.lock();
    try {
      use.with(font);
    } finally {
      turn.unlock();
    }
  }

  int glyphs() {
    return widths.length;
  }

  /** How wide a glyph is, in thousandths of the size. */
  double width(int glyph) {
    return widths[glyph];
  }

  /** The glyph of a space; 0 if there is none. */
  int blank() {
    return blank;
  }

  /** What is shown for what the font lacks. */
  int standIn() {
    return standIn;
  }
}
