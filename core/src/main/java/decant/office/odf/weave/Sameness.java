package decant.office.odf.weave;

import decant.office.xml.Element;
import decant.reading.ReadProblem;
import java.util.HashMap;
import java.util.Map;

/** Whether two packages that we wrote say the same, whatever names stand in them. */
final class Sameness {
  private static final String CONTENT = "content.xml";

  private Sameness() {}

  /** Compares text, pages and what is said of the document; of styles those of the first. */
  static boolean of(OdfPackage one, OdfPackage other) throws ReadProblem {
    Map<String, Integer> known = new HashMap<>();
    return text(one, known).equals(text(other, known))
        && pages(one, known).equals(pages(other, known))
        && one.root("meta.xml").equals(other.root("meta.xml"))
        && styles(one, other, known);
  }

  private static String text(OdfPackage p, Map<String, Integer> known) throws ReadProblem {
    var said = new Said(p.automatic(CONTENT), p.parts(), known, true);
    return p.in(CONTENT, "office:body").map(said::of).orElse("");
  }

  private static String pages(OdfPackage p, Map<String, Integer> known) throws ReadProblem {
    var said = new Said(p.automatic(CommonStyles.PART), p.parts(), known, true);
    return p.in(CommonStyles.PART, "office:master-styles").map(said::of).orElse("");
  }

  private static boolean styles(OdfPackage one, OdfPackage other, Map<String, Integer> known)
      throws ReadProblem {
    var mine = new Said(one.automatic(CommonStyles.PART), one.parts(), known, true);
    var others = new Said(other.automatic(CommonStyles.PART), other.parts(), known, true);
    Map<String, Element> there = CommonStyles.keyed(other);
    for (Map.Entry<String, Element> e : CommonStyles.keyed(one).entrySet()) {
      Element same = there.get(e.getKey());
      if (same == null || !mine.of(e.getValue()).equals(others.of(same))) {
        return false;
      }
    }
    return true;
  }
}
