package decant.office.odf.weave;

import decant.office.xml.Element;
import decant.reading.ReadProblem;
import java.util.Map;

/** Whether two packages that we wrote say the same, whatever names stand in them. */
final class Sameness {
  private static final String CONTENT = "content.xml";

  private Sameness() {}

  /** Compares text, pages and what is said of the document; of styles those of the first. */
  static boolean of(OdfPackage one, OdfPackage other) throws ReadProblem {
    return text(one).equals(text(other))
        && pages(one).equals(pages(other))
        && one.root("meta.xml").equals(other.root("meta.xml"))
        && styles(one, other);
  }

  private static String text(OdfPackage p) throws ReadProblem {
    var said = Said.exactly(p.automatic(CONTENT), p.parts());
    return p.in(CONTENT, "office:body").map(said::of).orElse("");
  }

  private static String pages(OdfPackage p) throws ReadProblem {
    var said = Said.exactly(p.automatic(CommonStyles.PART), p.parts());
    return p.in(CommonStyles.PART, "office:master-styles").map(said::of).orElse("");
  }

  private static boolean styles(OdfPackage one, OdfPackage other) throws ReadProblem {
    var mine = Said.exactly(one.automatic(CommonStyles.PART), one.parts());
    var others = Said.exactly(other.automatic(CommonStyles.PART), other.parts());
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
