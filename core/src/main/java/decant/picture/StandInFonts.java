package decant.picture;

import decant.text.FontBook;
import decant.text.FontFace;
import decant.text.FontName;
import decant.work.Faults;
import java.io.IOException;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.apache.fontbox.FontBoxFont;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.font.CIDFontMapping;
import org.apache.pdfbox.pdmodel.font.FontMapper;
import org.apache.pdfbox.pdmodel.font.FontMappers;
import org.apache.pdfbox.pdmodel.font.FontMapping;
import org.apache.pdfbox.pdmodel.font.PDCIDSystemInfo;
import org.apache.pdfbox.pdmodel.font.PDFontDescriptor;
import org.jspecify.annotations.Nullable;

/**
 * The fonts in which text of a PDF shows that does not bring its own: those of the system by that
 * name, else the shipped ones that are nearest. PDFBox alone would show all of it in one sans serif
 * font where the system has none of that name.
 */
public final class StandInFonts implements FontMapper {
  private static final FontBook BOOK = FontBook.shipped();

  /** Simplified and traditional Chinese, Japanese and Korean are in this one. */
  private static final String EAST_ASIAN = "Droid Sans Fallback";

  private final FontMapper system;
  private final Map<FontFace, Optional<TrueTypeFont>> parsed = new ConcurrentHashMap<>();

  private StandInFonts(FontMapper system) {
    this.system = system;
  }

  /** Holds for everything that PDFBox paints in this process from now on. */
  private static final class Once {
    static {
      FontMappers.set(new StandInFonts(FontMappers.instance()));
    }

    static void here() {}
  }

  /** Makes them hold; again and again does nothing. */
  public static void use() {
    Once.here();
  }

  @Override
  public @Nullable FontMapping<TrueTypeFont> getTrueTypeFont(
      String name, PDFontDescriptor descriptor) {
    FontMapping<TrueTypeFont> found = system.getTrueTypeFont(name, descriptor);
    if (found != null && !found.isFallback()) {
      return found;
    }
    return parsed(face(name, descriptor)).map(f -> new FontMapping<>(f, true)).orElse(found);
  }

  @Override
  public @Nullable FontMapping<FontBoxFont> getFontBoxFont(
      String name, PDFontDescriptor descriptor) {
    FontMapping<FontBoxFont> found = system.getFontBoxFont(name, descriptor);
    if (found != null && !found.isFallback()) {
      return found;
    }
    return parsed(face(name, descriptor))
        .map(f -> new FontMapping<FontBoxFont>(f, true))
        .orElse(found);
  }

  @Override
  public @Nullable CIDFontMapping getCIDFont(
      String name, PDFontDescriptor descriptor, PDCIDSystemInfo collection) {
    CIDFontMapping found = system.getCIDFont(name, descriptor, collection);
    if (found != null && !found.isFallback()) {
      return found;
    }
    boolean eastAsian =
        collection != null
            && "Adobe".equals(collection.getRegistry())
            && !"Identity".equals(collection.getOrdering());
    FontFace face =
        eastAsian ? BOOK.serve(EAST_ASIAN, false, false).face() : face(name, descriptor);
    return parsed(face).map(f -> new CIDFontMapping(null, f, true)).orElse(found);
  }

  private static FontFace face(@Nullable String name, @Nullable PDFontDescriptor d) {
    FontName n = FontName.of(name == null ? "" : name);
    boolean bold = n.bold() || d != null && d.isForceBold();
    boolean italic = n.italic() || d != null && d.isItalic();
    FontBook.Served served = BOOK.serve(n.family(), bold, italic);
    if (served.reason() != FontBook.Reason.FALLBACK || d == null) {
      return served.face();
    }
    // Nothing is known of the name; the descriptor's flags say what kind of font it is.
    String kind = d.isFixedPitch() ? "Courier" : d.isSerif() ? "Times" : n.family();
    return BOOK.serve(kind, bold, italic).face();
  }

  private Optional<TrueTypeFont> parsed(FontFace face) {
    return parsed.computeIfAbsent(
        face,
        f -> {
          try {
            return Optional.of(new TTFParser().parse(new RandomAccessReadBuffer(f.bytes())));
          } catch (IOException e) {
            Faults.mended("reading a font that ships", e);
            return Optional.empty();
          }
        });
  }
}
