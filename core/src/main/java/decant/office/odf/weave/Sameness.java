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
    var text = BeforeAndAfter.exactly(CONTENT, one, other);
    var pages = BeforeAndAfter.exactly(CommonStyles.PART, one, other);
    return same(CONTENT, "office:body", text, one, other)
        && same(CommonStyles.PART, "office:master-styles", pages, one, other)
        && one.root("meta.xml").equals(other.root("meta.xml"))
        && styles(pages, one, other);
  }

  private static boolean same(
      String part, String child, BeforeAndAfter said, OdfPackage one, OdfPackage other)
      throws ReadProblem {
    return one.in(part, child)
        .map(said.before()::of)
        .equals(other.in(part, child).map(said.after()::of));
  }

  private static boolean styles(BeforeAndAfter said, OdfPackage one, OdfPackage other)
      throws ReadProblem {
    Map<String, Element> there = CommonStyles.keyed(other);
    for (Map.Entry<String, Element> e : CommonStyles.keyed(one).entrySet()) {
      Element same = there.get(e.getKey());
      if (same == null || !said.before().of(e.getValue()).equals(said.after().of(same))) {
        return false;
      }
    }
    return true;
  }
}
