package decant.pin;

import decant.blanks.Blanks;
import decant.model.Document;
import decant.model.Pinned;
import decant.model.Section;
import decant.model.look.Media;
import decant.pdf.amend.PdfFields;
import decant.reading.ReadProblem;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Blanks filled in on all pages of a document, those that flow and those that stay. */
public final class PinnedBlanks {
  private PinnedBlanks() {}

  /**
   * A document with blanks filled in.
   *
   * @param left the names of fields on pinned pages that do not take their value
   */
  public record Filled(Document document, List<String> left) {
    public Filled {
      left = List.copyOf(left);
    }
  }

  /**
   * Fills blanks in.
   *
   * @throws ReadProblem if the file of a pinned page cannot be read
   */
  public static Filled fill(Document document, Map<String, String> values) throws ReadProblem {
    Document d = document;
    var left = new ArrayList<String>();
    for (Section s : document.sections()) {
      Pinned p = s.pinned().orElse(null);
      if (p != null) {
        PdfFields.Filled filled = PdfFields.fill(p.file().bytes(), p.page(), values);
        left.addAll(filled.left());
        if (filled.file().isPresent()) {
          d =
              AmendedPages.with(
                  d, p, p.in(Media.of(PageFile.PDF, filled.file().get()), p.places()));
        }
      }
    }
    var taken = new java.util.HashMap<>(values);
    left.forEach(taken::remove);
    return new Filled(Blanks.filled(d, taken), left);
  }
}
