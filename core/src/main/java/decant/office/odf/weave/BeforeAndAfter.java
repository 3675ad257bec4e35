package decant.office.odf.weave;

import decant.reading.ReadProblem;
import java.util.HashMap;
import java.util.Map;

/** What a part of ours says of the document as it was taken in, and what it says now. */
record BeforeAndAfter(Said before, Said after) {
  static BeforeAndAfter of(String part, OdfPackage before, OdfPackage after) throws ReadProblem {
    return of(part, before, after, false);
  }

  /** Of two that are to say the same: it counts which list another goes on from, too. */
  static BeforeAndAfter exactly(String part, OdfPackage one, OdfPackage other) throws ReadProblem {
    return of(part, one, other, true);
  }

  private static BeforeAndAfter of(String part, OdfPackage one, OdfPackage other, boolean exactly)
      throws ReadProblem {
    Map<String, Integer> known = new HashMap<>();
    return new BeforeAndAfter(
        new Said(one.automatic(part), one.parts(), known, exactly),
        new Said(other.automatic(part), other.parts(), known, exactly));
  }
}
