package decant.recipe;

import decant.format.Formats;
import decant.words.Words;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * File names from a pattern: {@code {stem}}, {@code {date}}, {@code {number}} and {@code {heading}}
 * stand for what they say, everything else for itself.
 */
public final class Naming {
  private static final Words WORDS = Words.of(Naming.class);

  public static final String DEFAULT = "{stem}";

  private static final Pattern PLACE = Pattern.compile("\\{([^{}]*)\\}");
  private static final List<String> KNOWN = List.of("stem", "date", "number", "heading");

  /** How many characters a name has at most, without the extension. */
  public static final int LONGEST = 120;

  private Naming() {}

  /**
   * @throws IllegalArgumentException if the pattern has a place that stands for nothing, or no name
   */
  static void check(String pattern) {
    if (pattern.isBlank()) {
      throw new IllegalArgumentException(WORDS.say("naming.a-name-cannot-be-empty"));
    }
    Matcher m = PLACE.matcher(pattern);
    while (m.find()) {
      if (!KNOWN.contains(m.group(1))) {
        throw new IllegalArgumentException(WORDS.say("naming.stands-for-nothing-in-a", m.group(1)));
      }
    }
  }

  /** What a pattern is filled with. */
  record Fill(String stem, LocalDate date, String number, String heading) {}

  static String name(String pattern, Fill fill) {
    String s =
        pattern
            .replace("{stem}", fill.stem())
            .replace("{date}", fill.date().toString())
            .replace("{number}", fill.number())
            .replace("{heading}", fill.heading());
    return clean(s);
  }

  /** A name without what no file system takes, or only some (POSIX and Windows file names). */
  public static String clean(String name) {
    String s = name.replaceAll("[\\\\/:*?\"<>|\\p{Cc}]+", " ").replaceAll("\\s+", " ").strip();
    s = s.replaceAll("[. ]+$", "");
    if (s.length() > LONGEST) {
      int end = Character.isHighSurrogate(s.charAt(LONGEST - 1)) ? LONGEST - 1 : LONGEST;
      s = s.substring(0, end).strip();
    }
    return s.isEmpty() ? "untitled" : s;
  }

  /** A pattern that gives each part of a split a name of its own. */
  static String telling(String pattern) {
    return pattern.contains("{number}") || pattern.contains("{heading}")
        ? pattern
        : pattern + " {number}";
  }

  /** Numbers with as many digits as the last one has, so that files sort as they count. */
  static String padded(int n, int last) {
    return ("%0" + Integer.toString(last).length() + "d").formatted(n);
  }

  /** The names, each with a number before its extension if it has been given before. */
  static List<String> distinct(List<String> names) {
    var out = new ArrayList<String>();
    for (String n : names) {
      String free = n;
      int dot = Formats.byExtension(n).isPresent() ? n.lastIndexOf('.') : n.length();
      for (int k = 2; containsIgnoringCase(out, free); k++) {
        free = n.substring(0, dot) + " " + k + n.substring(dot);
      }
      out.add(free);
    }
    return out;
  }

  private static boolean containsIgnoringCase(List<String> names, String name) {
    return names.stream().anyMatch(name::equalsIgnoreCase);
  }
}
