package decant.text;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Where words of a language may be divided, by competing patterns (F. M. Liang, <i>Word
 * Hy-phen-a-tion by Com-put-er</i>, 1983). Patterns hold letters with digits between them; of all
 * that match a word the highest digit at each place wins, and odd ones allow a division. Safe for
 * use by several threads.
 */
public final class Hyphenator {
  private static final Map<String, Optional<Hyphenator>> KNOWN = new ConcurrentHashMap<>();

  /** Languages with patterns of their own, by BCP 47 tag or its first part. */
  private static final Map<String, String> FILES =
      Map.of(
          "en-us", "en-us",
          "en", "en-us",
          "en-gb", "en-gb",
          "en-ie", "en-gb",
          "en-au", "en-gb",
          "en-nz", "en-gb",
          "de", "de-1996",
          "fr", "fr",
          "es", "es");

  private final Map<String, byte[]> patterns = new HashMap<>();
  private final Map<String, boolean[]> exceptions = new HashMap<>();
  private int longest;
  private final int fromStart;
  private final int fromEnd;

  private Hyphenator(String file) {
    try (InputStream in =
        Hyphenator.class.getResourceAsStream("hyphenation/hyph-" + file + ".tex")) {
      if (in == null) {
        throw new IllegalStateException("hyphenation patterns " + file + " are missing");
      }
      String source = new String(in.readAllBytes(), StandardCharsets.UTF_8);
      fromStart = number(source, "left:\\s*(\\d)", 2);
      fromEnd = number(source, "right:\\s*(\\d)", 3);
      String plain = source.replaceAll("(?m)%.*$", "");
      for (String p : group(plain, "patterns").split("\\s+")) {
        addPattern(p);
      }
      for (String w : group(plain, "hyphenation").split("\\s+")) {
        addException(w);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** The hyphenator for a language, if there are patterns for it. @param tag a BCP 47 tag */
  public static Optional<Hyphenator> of(String tag) {
    String t = tag.toLowerCase(Locale.ROOT);
    int dash = t.indexOf('-');
    String file = FILES.get(t);
    if (file == null && dash > 0) {
      file = FILES.get(t.substring(0, dash));
    }
    return file == null
        ? Optional.empty()
        : KNOWN.computeIfAbsent(file, f -> Optional.of(new Hyphenator(f)));
  }

  private static int number(String source, String pattern, int otherwise) {
    Matcher m = Pattern.compile(pattern).matcher(source);
    return m.find() ? Integer.parseInt(m.group(1)) : otherwise;
  }

  private static String group(String source, String name) {
    Matcher m = Pattern.compile("\\\\" + name + "\\s*\\{([^}]*)\\}").matcher(source);
    return m.find() ? m.group(1).strip() : "";
  }

  private void addPattern(String p) {
    var letters = new StringBuilder();
    byte[] digits = new byte[p.length() + 1];
    for (char c : p.toCharArray()) {
      if (c >= '0' && c <= '9') {
        digits[letters.length()] = (byte) (c - '0');
      } else {
        letters.append(c);
      }
    }
    if (!letters.isEmpty()) {
      patterns.put(letters.toString(), java.util.Arrays.copyOf(digits, letters.length() + 1));
      longest = Math.max(longest, letters.length());
    }
  }

  private void addException(String w) {
    String word = w.replace("-", "");
    boolean[] at = new boolean[word.length() + 1];
    int k = 0;
    for (char c : w.toCharArray()) {
      if (c == '-') {
        at[k] = true;
      } else {
        k++;
      }
    }
    if (!word.isEmpty()) {
      exceptions.put(word, at);
    }
  }

  /**
   * Where a word may be divided.
   *
   * @param word letters only
   * @return for each place between two characters whether a hyphen may stand there; as long as the
   *     word and one more
   */
  public boolean[] divisions(String word) {
    String lower = word.toLowerCase(Locale.ROOT);
    boolean[] out = new boolean[word.length() + 1];
    if (lower.length() != word.length()) {
      return out; // a letter whose lower case is longer: the places would not agree
    }
    boolean[] known = exceptions.get(lower);
    if (known != null) {
      return known.clone();
    }
    String dotted = "." + lower + ".";
    byte[] levels = new byte[dotted.length() + 1];
    for (int from = 0; from < dotted.length(); from++) {
      int max = Math.min(dotted.length(), from + longest);
      for (int to = from + 1; to <= max; to++) {
        byte[] digits = patterns.get(dotted.substring(from, to));
        if (digits != null) {
          for (int k = 0; k < digits.length; k++) {
            levels[from + k] = (byte) Math.max(levels[from + k], digits[k]);
          }
        }
      }
    }
    for (int k = fromStart; k <= word.length() - fromEnd; k++) {
      out[k] = (levels[k + 1] & 1) == 1;
    }
    return out;
  }
}
