package decant.publish;

import decant.pdf.verify.Check;
import decant.words.Words;
import java.util.List;

/** Compares the paragraphs of a file that was written with those of the document. */
final class TextCheck {
  private static final Words WORDS = Words.of(TextCheck.class);

  private static final int LONGEST = 60;

  private TextCheck() {}

  static Check of(List<String> wanted, List<String> got) {
    return Check.of(
        WORDS.say("text-check.text"),
        wanted.equals(got),
        WORDS.count("text-check.same", wanted.size()),
        firstDifference(wanted, got));
  }

  private static String firstDifference(List<String> wanted, List<String> got) {
    for (int k = 0; k < Math.min(wanted.size(), got.size()); k++) {
      if (!wanted.get(k).equals(got.get(k))) {
        return WORDS.say(
            "text-check.paragraph-reads-instead-of",
            (k + 1),
            shortened(got.get(k)),
            shortened(wanted.get(k)));
      }
    }
    return WORDS.count("text-check.paragraphs-instead-of", got.size(), wanted.size());
  }

  private static String shortened(String s) {
    return s.length() > LONGEST ? s.substring(0, LONGEST - 2) + "…" : s;
  }
}
