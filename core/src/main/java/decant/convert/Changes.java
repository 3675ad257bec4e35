package decant.convert;

import decant.model.Document;
import decant.model.Metadata;
import decant.model.edit.Revision;
import decant.model.edit.Search;
import decant.pin.AmendedPages;
import decant.reading.ReadProblem;
import java.util.List;

/**
 * What is changed in every document of a run before it is published.
 *
 * @param replacements texts that others take the place of, in this order
 * @param particulars what every document says of itself; what is empty stays as it is
 */
public record Changes(List<Replacement> replacements, Metadata particulars) {
  public static final Changes NONE = new Changes(List.of(), Metadata.NONE);

  /**
   * A text that another takes the place of, wherever it stands; upper and lower case differ.
   *
   * @param old not empty
   */
  public record Replacement(String old, String with) {
    public Replacement {
      if (old.isEmpty()) {
        throw new IllegalArgumentException("nothing to look for");
      }
    }
  }

  public Changes {
    replacements = List.copyOf(replacements);
  }

  /**
   * A changed document.
   *
   * @param replaced how often a text was replaced
   * @param left how often one stands on a page that is kept as it is, where it could not be
   *     replaced: because it is no whole word, say, or its line has no room
   */
  public record Changed(Document document, int replaced, int left) {}

  /**
   * Changes a document: its text, that of headers and footers, of notes and of boxes, and of pages
   * that stay as they were.
   *
   * @throws ReadProblem if such a page's file cannot be read
   */
  public Changed in(Document document) throws ReadProblem {
    Document now = particulars.equals(Metadata.NONE) ? document : said(document);
    int replaced = 0;
    int left = 0;
    for (Replacement r : replacements) {
      var query = new Search.Query(r.old(), true);
      int all = Search.all(now, query).size();
      if (all > 0) {
        int some = Search.changeable(now, query).size();
        now = Search.replaceAll(Revision.of(now), query, r.with()).document();
        int kept = 0;
        if (all > some) {
          AmendedPages.Replaced pages = AmendedPages.replaced(now, r.old(), r.with());
          now = pages.document();
          kept = Math.min(pages.replaced(), all - some);
        }
        replaced += some + kept;
        left += all - some - kept;
      }
    }
    return new Changed(now, replaced, left);
  }

  private Document said(Document d) {
    Metadata own = d.metadata();
    return d.withMetadata(
        new Metadata(
            or(particulars.title(), own.title()),
            or(particulars.subject(), own.subject()),
            or(particulars.author(), own.author()),
            or(particulars.keywords(), own.keywords()),
            or(particulars.language(), own.language())));
  }

  /** What is set, or else what was there. */
  static String or(String set, String own) {
    return set.isBlank() ? own : set.strip();
  }
}
