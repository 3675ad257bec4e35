package decant.reading;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import decant.reading.TakenIn.SourceFont;
import decant.text.FontBook;
import java.util.List;
import java.util.SortedSet;
import java.util.TreeSet;

/** The fonts a document asks for and what serves them. */
public final class FontsUsed {
  private FontsUsed() {}

  /** One entry for each family that text is in, in alphabetical order. */
  public static List<SourceFont> of(Document d, FontBook book) {
    return families(d).stream()
        .map(f -> {
          FontBook.Served s = book.serve(f, false, false);
          return new SourceFont(f, false, s.face().family(), s.reason().label());
        })
        .toList();
  }

  /** The families that text is in, that of notes and running texts too, in alphabetical order. */
  static SortedSet<String> families(Document d) {
    var out = new TreeSet<String>();
    Walk.paragraphs(d, Part.ALL).forEach(p -> collect(d, p, out));
    return out;
  }

  private static void collect(Document d, Paragraph p, SortedSet<String> out) {
    Look base = d.styles().textBase(p.look());
    for (Inline i : p.inlines()) {
      if (i instanceof Inline.Text) {
        out.add(d.styles().textLook(base, i.look()).value(TextTraits.FAMILY));
      }
    }
  }
}
