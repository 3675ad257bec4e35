package decant.pdf.read.report;

import java.text.Normalizer;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Texts as one string of letters and digits, in which stretches are looked up and taken: what was
 * taken once is not there a second time.
 */
final class Letters {
  /** Stretches are found by their first letters. */
  private static final int KEY = 6;

  private final StringBuilder all = new StringBuilder();
  private boolean[] taken = {};
  private final BitSet ends = new BitSet();
  private final Map<String, Integer> reached = new HashMap<>();
  private String text = "";
  private String masked = "";
  private String joined = "";
  private int[] first = {};
  private int[] following = {};

  /** Letters and digits of a text, in the one form that all ways to write them have in common. */
  static String of(String s) {
    String plain =
        Normalizer.isNormalized(s, Normalizer.Form.NFKC)
            ? s
            : Normalizer.normalize(s, Normalizer.Form.NFKC);
    var b = new StringBuilder(plain.length());
    for (int k = 0; k < plain.length(); ) {
      int c = plain.codePointAt(k);
      k += Character.charCount(c);
      boolean letter =
          c < 0x80
              ? c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z' || c >= '0' && c <= '9'
              : Character.isLetterOrDigit(c);
      if (letter) {
        b.appendCodePoint(c);
      }
    }
    return b.toString();
  }

  void add(String s) {
    all.append(of(s)).append('\n');
  }

  /** Nothing is added any more. */
  void close() {
    text = all.toString();
    masked = text.replaceAll("\\p{N}+", "");
    first = new int[Math.max(1, Integer.highestOneBit(Math.max(1, text.length())) * 2)];
    taken = new boolean[text.length()];
    following = new int[text.length()];
    Arrays.fill(first, -1);
    for (int k = text.length() - KEY; k >= 0; k--) {
      int h = hash(text, k);
      following[k] = first[h];
      first[h] = k;
    }
  }

  private int hash(String s, int at) {
    int h = 0;
    for (int k = at; k < at + KEY; k++) {
      h = 31 * h + s.charAt(k);
    }
    return (h ^ h >>> 15) & first.length - 1;
  }

  /** How often a stretch is there, taken or not. */
  int count(String letters) {
    return count(text, letters);
  }

  /** The same, also where it goes on in the next text. */
  int countAcross(String letters) {
    if (joined.isEmpty()) {
      joined = text.replace("\n", "");
    }
    return count(joined, letters);
  }

  private static int count(String in, String letters) {
    int n = 0;
    for (int k = in.indexOf(letters); k >= 0; k = in.indexOf(letters, k + 1)) {
      n++;
    }
    return n;
  }

  boolean has(String letters) {
    return text.contains(letters);
  }

  /** Whether a text is there, whatever numbers it shows. */
  boolean hasMasked(String letters) {
    return masked.contains(letters.replaceAll("\\p{N}+", ""));
  }

  /** Takes a stretch; false if there is none left. */
  boolean take(String letters) {
    return take(letters, List.of());
  }

  /**
   * Takes a stretch; of several, that which goes on from what was taken before, is followed by what
   * follows, or begins a text.
   *
   * @param next what may follow it
   * @return false if there is none left
   */
  boolean take(String letters, List<String> next) {
    int n = letters.length();
    boolean indexed = n >= KEY;
    int at =
        indexed ? first[hash(letters, 0)] : text.indexOf(letters, reached.getOrDefault(letters, 0));
    int best = -1;
    int max = -1;
    int seen = 0;
    int before = -1;
    while (at >= 0 && max < ReportThresholds.Letters.ENOUGH && (best < 0 || seen < MAX_SEEN)) {
      int after = indexed ? following[at] : text.indexOf(letters, at + 1);
      if (indexed && taken[at]) {
        unlink(before, letters, after); // nothing that begins here is ever free again
        at = after;
        continue;
      }
      seen++;
      if ((!indexed || text.startsWith(letters, at)) && isFree(at, at + n)) {
        int score = score(at, at + n, next);
        if (score > max) {
          max = score;
          best = at;
        }
        if (!indexed) {
          break;
        }
      }
      before = at;
      at = after;
    }
    if (best < 0) {
      return false;
    }
    Arrays.fill(taken, best, best + n, true);
    ends.set(best + n);
    if (!indexed) {
      reached.put(letters, best + n); // all before it are taken
    }
    return true;
  }

  private boolean isFree(int from, int to) {
    for (int k = from; k < to; k++) {
      if (taken[k]) {
        return false;
      }
    }
    return true;
  }

  private void unlink(int before, String letters, int after) {
    if (before < 0) {
      first[hash(letters, 0)] = after;
    } else {
      following[before] = after;
    }
  }

  /** Where the same is said thousands of times, one of the first will do. */
  private static final int MAX_SEEN = 64;

  private int score(int from, int to, List<String> next) {
    boolean begins = from == 0 || text.charAt(from - 1) == '\n';
    int score = ends.get(from) ? ReportThresholds.Letters.GOES_ON : begins ? 1 : 0;
    for (String s : next) {
      if (!s.isEmpty() && text.startsWith(s, to)) {
        return score + ReportThresholds.Letters.FOLLOWED;
      }
    }
    return score;
  }
}
