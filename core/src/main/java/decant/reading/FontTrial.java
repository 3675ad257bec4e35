package decant.reading;

import decant.text.FontTables;
import decant.work.Faults;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.OTFParser;
import org.apache.fontbox.ttf.OpenTypeFont;
import org.apache.fontbox.ttf.TTFSubsetter;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/**
 * Tries a font out that a file brings: all that layout and publishing will ask of it is asked once
 * when it is read, so that a damaged one is replaced then and stops nothing later.
 */
public final class FontTrial {
  /** The tables of outlines that publishing takes along (ISO 32000-2 §9.9.1). */
  private static final List<String> TAKEN =
      List.of("head", "hhea", "loca", "maxp", "cvt ", "prep", "glyf", "hmtx", "fpgm");

  private FontTrial() {}

  /** Whether each of its glyphs can be measured, drawn and embedded. */
  public static boolean serves(byte[] font) {
    try {
      FontTables.read(font);
      try (TrueTypeFont f =
          new OTFParser(false).parse(new RandomAccessReadBuffer(new ByteArrayInputStream(font)))) {
        return f.getHeader() != null && measured(f) && drawn(f);
      }
    } catch (IOException | RuntimeException | StackOverflowError e) {
      Faults.mended("trying out a font", e);
      return false; // the parser throws all kinds of things at damaged fonts
    }
  }

  private static boolean measured(TrueTypeFont f) throws IOException {
    int glyphs = f.getNumberOfGlyphs();
    CmapLookup characters = f.getUnicodeCmapLookup();
    for (int c = 0; c < 0x3000; c++) {
      if (characters.getGlyphId(c) >= glyphs) {
        return false;
      }
    }
    for (int g = 0; g < glyphs; g++) {
      f.getAdvanceWidth(g);
    }
    return glyphs > 0;
  }

  private static boolean drawn(TrueTypeFont f) throws IOException {
    if (f instanceof OpenTypeFont o && o.isPostScript()) {
      var cff = o.getCFF().getFont();
      for (int g = 0; g < f.getNumberOfGlyphs(); g++) {
        cff.getType2CharString(g).getPath();
      }
      return true;
    }
    Set<Integer> all =
        IntStream.range(0, f.getNumberOfGlyphs()).boxed().collect(Collectors.toSet());
    for (int g : all) {
      var outline = f.getGlyph().getGlyph(g);
      if (outline != null) {
        outline.getPath();
      }
    }
    var subset = new TTFSubsetter(f, TAKEN);
    subset.addGlyphIds(all);
    subset.writeToStream(new ByteArrayOutputStream());
    return true;
  }
}
