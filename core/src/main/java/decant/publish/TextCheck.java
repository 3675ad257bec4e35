package decant.publish;

import decant.pdf.verify.Check;
import java.util.List;

/** Compares the paragraphs of a file that was written with those of the document. */
final class TextCheck {
  private static final int LONGEST = 60;

  private TextCheck() {}

  static Check of(List<String> wanted, List<String> got) {
    return Check.of(
        "Text",
        wanted.equals(got),
        wanted.size() + " paragraphs are the document's",
        firstDifference(wanted, got));
  }

  private static String firstDifference(List<String> wanted, List<String> got) {
    for (int k = 0; k < Math.min(wanted.size(), got.size()); k++) {
      if (!wanted.get(k).equals(got.get(k))) {
        return "paragraph "
            + (k + 1)
            + " reads “"
            + shortened(got.get(k))
            + "” instead of “"
            + shortened(wanted.get(k))
            + "”";
      }
    }
    return got.size() + " paragraphs instead of " + wanted.size();
  }

  private static String shortened(String s) {
    return s.length() > LONGEST ? s.substring(0, LONGEST - 2) + "…" : s;
  }
}
