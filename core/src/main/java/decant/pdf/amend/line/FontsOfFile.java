package decant.pdf.amend.line;

import decant.pdf.read.fonts.FileFonts;
import decant.work.Faults;
import java.io.IOException;
import java.util.IdentityHashMap;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.pdmodel.DefaultResourceCache;
import org.apache.pdfbox.pdmodel.ResourceCache;
import org.apache.pdfbox.pdmodel.font.PDFontFactory;

/** The fonts of a file, each looked into once however many pages show it. */
public final class FontsOfFile {
  private final FileFonts texts = FileFonts.believing();
  private final ResourceCache cache = new DefaultResourceCache();
  private final Map<COSDictionary, Optional<LettersOfFont>> known = new IdentityHashMap<>();

  /** Empty if a font is damaged beyond reading. */
  public Optional<LettersOfFont> of(COSDictionary dictionary) {
    return known.computeIfAbsent(dictionary, this::read);
  }

  private Optional<LettersOfFont> read(COSDictionary dictionary) {
    try {
      return Optional.of(new LettersOfFont(PDFontFactory.createFont(dictionary, cache), texts));
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading a font", e);
      return Optional.empty();
    }
  }
}
