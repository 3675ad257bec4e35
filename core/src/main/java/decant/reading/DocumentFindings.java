package decant.reading;

import decant.model.Document;
import decant.model.finding.Finding;
import decant.text.FontBook;
import java.util.ArrayList;
import java.util.List;

/** What is told of an office document as a whole, whatever its format. */
public final class DocumentFindings {
  private DocumentFindings() {}

  /**
   * Fonts that others stand in for, characters that none shows, links that lead nowhere.
   *
   * @param fonts those at hand for the document
   */
  public static List<Finding> of(Document d, FontBook fonts) {
    var out = new ArrayList<>(ReplacedFonts.of(d, fonts));
    out.addAll(GlyphCoverage.of(d, fonts));
    out.addAll(DeadLinks.of(d));
    return out;
  }
}
