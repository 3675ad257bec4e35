package decant.pdf.amend;

import decant.pdf.amend.line.Letter;
import decant.pdf.amend.line.Plain;
import decant.pdf.amend.line.Row;
import decant.pdf.amend.line.Search;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What a page says, as far as words are replaced in it.
 *
 * @param old how often it says the words of each replacement, and
 * @param fresh those that come instead
 * @param letters how many of each there are, but for hyphens, which come and go with ends of lines
 * @param spoken whether marks say what letters do not: a change takes away what they say
 */
record SaidOnPage(
    List<Integer> old, List<Integer> fresh, Map<Integer, Integer> letters, boolean spoken) {
  static SaidOnPage of(List<Row> rows, List<Replacement> all) {
    Map<Integer, Integer> letters = new HashMap<>();
    boolean spoken = false;
    for (Row r : rows) {
      for (Letter l : r.letters()) {
        count(l.text, 1, letters);
        spoken |= l.show.spoken.isPresent();
      }
    }
    return new SaidOnPage(
        all.stream().map(r -> Search.in(rows, r.words()).size()).toList(),
        all.stream().map(r -> r.with().isBlank() ? 0 : Search.in(rows, r.with()).size()).toList(),
        letters,
        spoken);
  }

  /** Adds the letters of a text to others, or takes them away. */
  static void count(String text, long times, Map<Integer, Integer> to) {
    Plain.of(text)
        .codePoints()
        .filter(c -> !Character.isWhitespace(c) && c != '-' && c != 0xAD)
        .forEach(c -> to.merge(c, (int) times, Integer::sum));
  }
}
