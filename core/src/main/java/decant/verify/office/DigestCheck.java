package decant.verify.office;

import decant.verify.Check;
import decant.words.Words;
import decant.work.Faults;
import java.util.ArrayList;
import java.util.List;

/** Compares what a file holds with what it should, aspect by aspect. */
final class DigestCheck {
  private static final Words WORDS = Words.of(DigestCheck.class);

  private static final int LONGEST = 70;

  private DigestCheck() {}

  /**
   * One check for the text and one for each other aspect that the document has something of, or the
   * file.
   */
  static List<Check> of(Digest wanted, Digest got) {
    var out = new ArrayList<Check>();
    for (Aspect a : Aspect.values()) {
      List<String> w = wanted.of(a);
      List<String> g = got.of(a);
      if (a == Aspect.TEXT || !w.isEmpty() || !g.isEmpty()) {
        out.add(
            Check.of(
                WORDS.say("digest-check." + a.key()),
                w.equals(g),
                WORDS.count("digest-check.same." + a.key(), w.size()),
                firstDifference(w, g)));
      }
    }
    return out;
  }

  /** The one check that a file fails of which no digest can be taken, whatever the reason. */
  static List<Check> unread(Throwable why) {
    Faults.mended("verifying an office document", why);
    return List.of(
        Check.of(WORDS.say("digest-check.opens"), false, "", WORDS.say("digest-check.not-read")));
  }

  private static String firstDifference(List<String> wanted, List<String> got) {
    for (int k = 0; k < Math.min(wanted.size(), got.size()); k++) {
      if (!wanted.get(k).equals(got.get(k))) {
        return WORDS.say("digest-check.reads", k + 1, shown(got.get(k)), shown(wanted.get(k)));
      }
    }
    if (wanted.size() > got.size()) {
      return WORDS.say(
          "digest-check.missing", got.size(), wanted.size(), shown(wanted.get(got.size())));
    }
    return got.size() > wanted.size()
        ? WORDS.say(
            "digest-check.too-many", got.size(), wanted.size(), shown(got.get(wanted.size())))
        : "";
  }

  private static String shown(String s) {
    String plain = s.replaceAll("\\s+", " ");
    return plain.length() > LONGEST ? plain.substring(0, LONGEST - 1) + "…" : plain;
  }
}
