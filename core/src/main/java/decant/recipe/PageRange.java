package decant.recipe;

import decant.words.Telling;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/**
 * Which pages: parts such as {@code 4}, {@code 1-4}, {@code 12-}, {@code -3}, {@code odd}, {@code
 * even} and {@code last 3}, apart by commas. Empty means all.
 */
public record PageRange(String text) {
  private static final Words WORDS = Words.of(PageRange.class);

  /** A range that cannot be obeyed, with the reason in the person's words. */
  public static final class Problem extends Telling {
    private static final long serialVersionUID = 1;

    Problem(String message) {
      super(message);
    }
  }

  public static final PageRange ALL = new PageRange("");

  private static final Pattern ONE = Pattern.compile("\\d{1,7}");
  private static final Pattern RANGE = Pattern.compile("(\\d{1,7})?\\s*[-–]\\s*(\\d{1,7})?");
  private static final Pattern LAST = Pattern.compile("(?i)last(?:\\s+(\\d{1,7}))?");

  /** Pages as a range: 0, 1, 2 and 4 give {@code 1-3, 5}. */
  public static PageRange of(List<Integer> pages) {
    var b = new StringBuilder();
    int k = 0;
    while (k < pages.size()) {
      int end = k;
      while (end + 1 < pages.size() && pages.get(end + 1) == pages.get(end) + 1) {
        end++;
      }
      b.append(b.isEmpty() ? "" : ", ").append(pages.get(k) + 1);
      if (end > k) {
        b.append('-').append(pages.get(end) + 1);
      }
      k = end + 1;
    }
    return new PageRange(b.toString());
  }

  /**
   * The pages of a document, counted from 0, in ascending order and each once.
   *
   * @throws Problem if a part is no range, selects nothing or reaches past the end
   */
  public List<Integer> select(int pages) throws Problem {
    if (text.isBlank()) {
      return IntStream.range(0, pages).boxed().toList();
    }
    var out = new TreeSet<Integer>();
    for (String raw : text.split("[,;]", -1)) {
      String part = raw.strip();
      if (part.isEmpty()) {
        throw new Problem(WORDS.say("page-range.something-is-missing-between-two", text.strip()));
      }
      Matcher last = LAST.matcher(part);
      if (part.equalsIgnoreCase("odd") || part.equalsIgnoreCase("even")) {
        int first = part.equalsIgnoreCase("odd") ? 0 : 1;
        if (first >= pages) {
          throw new Problem(WORDS.say("page-range.there-is-no-even-page"));
        }
        IntStream.iterate(first, k -> k < pages, k -> k + 2).forEach(out::add);
      } else if (last.matches()) {
        last(part, last.group(1) == null ? 1 : Integer.parseInt(last.group(1)), pages, out);
      } else {
        span(part, pages, out);
      }
    }
    return new ArrayList<>(out);
  }

  private static void last(String part, int n, int pages, TreeSet<Integer> out) throws Problem {
    if (n < 1) {
      throw new Problem(WORDS.say("page-range.selects-no-page", part));
    }
    if (n > pages) {
      throw new Problem(WORDS.say("page-range.asks-for-more-than-there", part, count(pages)));
    }
    IntStream.range(pages - n, pages).forEach(out::add);
  }

  private static void span(String part, int pages, TreeSet<Integer> out) throws Problem {
    Matcher range = RANGE.matcher(part);
    int from;
    int to;
    boolean open = false;
    if (ONE.matcher(part).matches()) {
      from = Integer.parseInt(part);
      to = from;
    } else if (range.matches() && (range.group(1) != null || range.group(2) != null)) {
      from = range.group(1) == null ? 1 : Integer.parseInt(range.group(1));
      open = range.group(2) == null;
      to = open ? pages : Integer.parseInt(range.group(2));
    } else {
      throw new Problem(WORDS.say("page-range.is-not-a-page-or", part));
    }
    if (from < 1) {
      throw new Problem(WORDS.say("page-range.pages-are-counted-from-1"));
    }
    if (from > pages || !open && to > pages) {
      throw new Problem(WORDS.say("page-range.reaches-past-the-end-the", part, count(pages)));
    }
    if (to < from) {
      throw new Problem(WORDS.say("page-range.runs-backwards-write-the-lower", part));
    }
    for (int k = from; k <= to; k++) {
      out.add(k - 1);
    }
  }

  private static String count(int pages) {
    return WORDS.count("page-range.pages", pages);
  }
}
