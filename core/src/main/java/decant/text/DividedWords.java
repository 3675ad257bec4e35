package decant.text;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/**
 * What a hyphen at the end of a line parts, as far as the lines of the same text tell: a word that
 * stands whole elsewhere was divided there, one that has its hyphen elsewhere keeps it.
 */
public final class DividedWords {
  private final Set<String> words = new HashSet<>();
  private final Set<String> hyphenated = new HashSet<>();

  /** What becomes of a hyphen where its word is joined again. */
  public enum Hyphen {
    GOES,
    STAYS,
    /** The word stands nowhere else. */
    UNKNOWN
  }

  /** Learns the words of a line. */
  public void learn(List<String> line) {
    for (int k = 0; k < line.size(); k++) {
      String w = bare(line.get(k));
      if (k < line.size() - 1 && w.indexOf('-') > 0) {
        hyphenated.add(w);
      }
      words.add(w);
    }
  }

  /**
   * @param head what stands before the hyphen, without it
   * @param hyphen as it stands there
   * @param tail what the next line begins with
   */
  public Hyphen between(String head, String hyphen, String tail) {
    if (hyphen.endsWith("\u00AD") || words.contains(bare(head + tail))) {
      return Hyphen.GOES;
    }
    return hyphenated.contains(bare(head + "-" + tail)) ? Hyphen.STAYS : Hyphen.UNKNOWN;
  }

  /** Whether a text ends in a hyphen. */
  public static boolean endsInHyphen(String s) {
    return !s.isEmpty() && "-\u2010\u00AD".indexOf(s.charAt(s.length() - 1)) >= 0;
  }

  /** A word in lower case without the punctuation around it; a hyphen at its end stays. */
  private static String bare(String w) {
    int from = 0;
    int to = w.length();
    while (from < to && !Character.isLetterOrDigit(w.charAt(from))) {
      from++;
    }
    while (to > from && !Character.isLetterOrDigit(w.charAt(to - 1)) && w.charAt(to - 1) != '-') {
      to--;
    }
    return w.substring(from, to).toLowerCase(Locale.ROOT);
  }
}
