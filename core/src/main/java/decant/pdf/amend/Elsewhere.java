package decant.pdf.amend;

import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineNode;

/** Where else a file says what was replaced: its bookmarks and its title, which stay. */
final class Elsewhere {
  private static final Words WORDS = Words.of(Elsewhere.class);
  private static final int MOST = 20_000;

  private Elsewhere() {}

  static List<String> saying(PDDocument pdf, List<Replacement> all) {
    var out = new ArrayList<String>();
    PDOutlineNode outline = pdf.getDocumentCatalog().getDocumentOutline();
    List<String> titles = new ArrayList<>();
    if (outline != null) {
      gather(outline, titles, 0);
    }
    String title = pdf.getDocumentInformation().getTitle();
    for (Replacement r : all) {
      Predicate<String> says = WholeWords.said(r.words());
      long bookmarks = titles.stream().filter(says).count();
      if (bookmarks > 0) {
        out.add(WORDS.count("elsewhere.bookmarks", bookmarks, r.words()));
      }
      if (title != null && says.test(title)) {
        out.add(WORDS.say("elsewhere.title", r.words()));
      }
    }
    return out;
  }

  private static void gather(PDOutlineNode of, List<String> titles, int depth) {
    for (PDOutlineItem i = of.getFirstChild();
        i != null && titles.size() < MOST && depth < 100;
        i = i.getNextSibling()) {
      if (i.getTitle() != null) {
        titles.add(i.getTitle());
      }
      gather(i, titles, depth + 1);
    }
  }
}
