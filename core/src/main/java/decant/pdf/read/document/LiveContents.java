package decant.pdf.read.document;

import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Outline;
import decant.model.Paragraph;
import decant.model.look.Link;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.pdf.read.page.Folding;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The page numbers of contents become fields, so that they stay right when the text is revised. */
public final class LiveContents {
  private Document document;

  /** The headings that entries may mean, by their folded text. */
  private final Map<String, NodeId> headings = new HashMap<>();

  private final Set<String> bookmarks;

  private LiveContents(Document d) {
    document = d;
    bookmarks = d.bookmarks().keySet();
    for (Outline.Heading h : Outline.headings(d)) {
      headings.putIfAbsent(Folding.fold(h.text()), h.paragraph());
    }
  }

  /** The document with the numbers of entries as fields where it is known what they lead to. */
  public static Document in(Document d) {
    var live = new LiveContents(d);
    for (Paragraph p : d.paragraphs()) {
      if (p.look().value(ParagraphTraits.STYLE).startsWith(StyleMaker.ENTRY_STYLE)) {
        live.entry(p);
      }
    }
    return live.document;
  }

  private void entry(Paragraph p) {
    String text = p.text();
    int tab = text.lastIndexOf('\t');
    String number = text.substring(tab + 1).strip();
    if (tab < 0 || !number.matches("\\d{1,4}")) {
      return;
    }
    Optional<String> target = linked(p).or(() -> named(text.substring(0, tab)));
    if (target.isEmpty()) {
      return;
    }
    var out = new ArrayList<Inline>();
    Inline last = p.inlines().getLast();
    int place = 0;
    for (Inline i : p.inlines()) {
      int end = place + i.length();
      if (end <= tab + 1) {
        out.add(i);
      } else if (i instanceof Inline.Text t && place <= tab) {
        out.add(new Inline.Text(t.text().substring(0, tab + 1 - place), t.look()));
      } else if (!(i instanceof Inline.Text)) {
        return; // a note's mark, a picture: more than a number
      }
      place = end;
    }
    out.add(new Inline.Field(Inline.Field.Kind.PAGE_OF, target.get(), number, last.look()));
    document = document.withParagraph(p.withInlines(out));
  }

  private Optional<String> linked(Paragraph p) {
    return p.inlines().stream()
        .flatMap(i -> i.look().get(TextTraits.LINK).stream())
        .flatMap(l ->
            l instanceof Link.Internal in
                ? Optional.of(in.bookmark()).stream()
                : java.util.stream.Stream.empty())
        .filter(bookmarks::contains)
        .findFirst();
  }

  /** By the heading that reads as the entry does; it gets a name if it has none. */
  private Optional<String> named(String entry) {
    NodeId id = headings.get(Folding.fold(entry));
    if (id == null) {
      return Optional.empty();
    }
    Paragraph h = document.requireParagraph(id);
    List<String> names = h.look().value(ParagraphTraits.BOOKMARKS);
    if (!names.isEmpty()) {
      return Optional.of(names.getFirst());
    }
    String name =
        "_Contents" + headings.size() + "_" + (Folding.fold(entry).hashCode() & Integer.MAX_VALUE);
    document =
        document.withParagraph(h.withLook(h.look().with(ParagraphTraits.BOOKMARKS, List.of(name))));
    return Optional.of(name);
  }
}
