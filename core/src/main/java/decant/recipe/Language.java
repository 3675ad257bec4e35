package decant.recipe;

import decant.model.Document;
import decant.model.Paragraph;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * Guesses what language a text is in, by its commonest words. Common practice for a handful of
 * languages; the lists are from memory of everyday prose.
 */
public final class Language {
  private static final int ENOUGH_LETTERS = 20_000;
  private static final int LEAST_HITS = 3;

  private static final Map<String, List<String>> WORDS =
      Map.of(
          "en", List.of("the", "and", "of", "to", "is", "for", "are", "with", "be", "by", "this"),
          "de", List.of("der", "die", "und", "das", "ist", "nicht", "mit", "für", "den", "von"),
          "fr", List.of("le", "les", "et", "des", "est", "une", "pour", "dans", "du", "qui"),
          "es", List.of("el", "los", "y", "las", "es", "una", "por", "con", "del", "para"),
          "it", List.of("il", "di", "che", "per", "della", "sono", "gli", "non", "con", "è"),
          "nl", List.of("de", "het", "een", "en", "van", "niet", "zijn", "met", "voor", "wordt"),
          "pt", List.of("o", "os", "que", "uma", "para", "com", "não", "da", "do", "em"),
          "pl", List.of("i", "w", "nie", "się", "na", "jest", "że", "oraz", "do", "przez"));

  private Language() {}

  /** A BCP 47 tag; empty if no language stands out. */
  public static Optional<String> of(Document d) {
    var counts = new HashMap<String, Integer>();
    int letters = 0;
    for (Paragraph p : d.paragraphs()) {
      String text = p.text().toLowerCase(Locale.ROOT);
      letters += text.length();
      for (String w : text.split("[^\\p{L}]+")) {
        if (!w.isEmpty()) {
          counts.merge(w, 1, Integer::sum);
        }
      }
      if (letters > ENOUGH_LETTERS) {
        break;
      }
    }
    String best = "";
    int most = LEAST_HITS - 1;
    for (var e : WORDS.entrySet()) {
      int hits = e.getValue().stream().mapToInt(w -> counts.getOrDefault(w, 0)).sum();
      if (hits > most) {
        most = hits;
        best = e.getKey();
      }
    }
    return best.isEmpty() ? Optional.empty() : Optional.of(best);
  }
}
