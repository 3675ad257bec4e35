package decant.reading;

import decant.model.look.EmbeddedFont;
import decant.text.FontBook;
import java.util.List;

/** The fonts that serve a document while it is read: those that it brings, and those that ship. */
public final class ReadingFonts {
  private ReadingFonts() {}

  public static FontBook of(List<EmbeddedFont> brought) {
    return FontBook.shipped()
        .with(
            brought.stream()
                .map(f -> new FontBook.Embedded(f.family(), f.bold(), f.italic(), f.file().bytes()))
                .toList());
  }
}
