package decant.layout.label;

import decant.model.Document;
import decant.text.FontBook;

/** The fonts that serve a document: those that it brings along, and those that ship. */
public final class DocumentFonts {
  private DocumentFonts() {}

  public static FontBook of(Document d) {
    return in(FontBook.shipped(), d);
  }

  public static FontBook in(FontBook shipped, Document d) {
    return shipped.with(
        d.styles().typesetting().fonts().stream()
            .map(f -> new FontBook.Embedded(f.family(), f.bold(), f.italic(), f.file().bytes()))
            .toList());
  }
}
