package decant.office.docx.weave;

import decant.reading.ReadProblem;

/** What a package says of the document as a whole (ISO/IEC 29500-2 §8.3). */
final class CoreProperties {
  static final String PART = "docProps/core.xml";

  private CoreProperties() {}

  /** Whether both say the same, but for when they were written. */
  static boolean isSame(Parts one, Parts other) throws ReadProblem {
    return said(one).equals(said(other));
  }

  private static String said(Parts parts) throws ReadProblem {
    var b = new StringBuilder();
    for (var e : parts.root(PART).elements()) {
      if (!Markup.local(e).equals("modified")) {
        b.append(e.name()).append('=').append(e.text()).append('\n');
      }
    }
    return b.toString();
  }
}
