package decant.pdf.amend.setting;

import java.util.List;
import java.util.Optional;

/**
 * Which words of a line become which others. Where words only come in, one beside them is among
 * them, so that there is always a place.
 *
 * @param from the first word that goes, and
 * @param to the one after the last
 * @param with what comes instead; empty for nothing
 */
public record ChangedWords(int from, int to, List<String> with) {
  public ChangedWords {
    with = List.copyOf(with);
  }

  /**
   * @param was the words of a line, at least one
   * @return empty if nothing changes
   */
  public static Optional<ChangedWords> between(List<String> was, List<String> is) {
    int from = 0;
    while (from < was.size() && from < is.size() && was.get(from).equals(is.get(from))) {
      from++;
    }
    if (from == was.size() && from == is.size()) {
      return Optional.empty();
    }
    int alike = 0;
    while (alike < was.size() - from
        && alike < is.size() - from
        && was.get(was.size() - 1 - alike).equals(is.get(is.size() - 1 - alike))) {
      alike++;
    }
    int to = was.size() - alike;
    int end = is.size() - alike;
    if (from == to && from > 0) {
      from--;
    } else if (from == to) {
      to++;
      end++;
    }
    return Optional.of(new ChangedWords(from, to, is.subList(from, end)));
  }

  /** The words of a text. */
  public static List<String> of(String text) {
    return text.isBlank() ? List.of() : List.of(text.strip().split("\\s+"));
  }

  /** What comes, as text. */
  public String text() {
    return String.join(" ", with);
  }
}
