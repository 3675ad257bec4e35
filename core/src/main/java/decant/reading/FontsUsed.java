package decant.reading;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Look;
import decant.model.Paragraph;
import decant.model.TextTraits;
import decant.reading.TakenIn.SourceFont;
import decant.text.FontBook;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;

/** The fonts a document asks for and what serves them. */
public final class FontsUsed {
  private FontsUsed() {}

  /** One entry for each family that text is in, in alphabetical order. */
  public static List<SourceFont> of(Document d, FontBook book) {
    var out = new TreeMap<String, SourceFont>();
    for (Paragraph p : d.paragraphs()) {
      Look base = d.styles().textBase(p.look());
      for (Inline i : p.inlines()) {
        if (i instanceof Inline.Text) {
          String family = d.styles().textLook(base, i.look()).value(TextTraits.FAMILY);
          out.computeIfAbsent(
              family,
              f -> {
                FontBook.Served s = book.serve(f, false, false);
                return new SourceFont(f, false, s.face().family(), s.reason().label());
              });
        }
      }
    }
    return new ArrayList<>(out.values());
  }
}
