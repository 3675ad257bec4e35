package decant.pin;

import decant.layout.Layout;
import decant.layout.pages.Page;
import decant.model.Paragraph;
import decant.publication.PageText;
import java.text.Normalizer;
import java.util.List;

/**
 * Holds what stood above and below the text of a page against what is published there. One running
 * text stands for those of many pages, and a page may have had another one.
 */
final class RunningWords {
  private RunningWords() {}

  /**
   * The lines of a page of the source that have words the published page does not have.
   *
   * @param source the page, from 0
   */
  static List<String> unsaid(Layout layout, int source, Page published) {
    List<Paragraph> lines =
        layout.document().setting().running().lines().getOrDefault(source, List.of());
    if (lines.isEmpty()) {
      return List.of();
    }
    String letters = letters(PageText.of(layout, published));
    return lines.stream()
        .map(p -> p.text().strip())
        .filter(t -> !t.isEmpty() && !isSaid(t, letters))
        .toList();
  }

  private static boolean isSaid(String line, String letters) {
    for (String word : line.split("\\s+")) {
      String own = letters(word);
      boolean number = own.chars().allMatch(Character::isDigit); // pages have numbers of their own
      if (!number && !letters.contains(own)) {
        return false;
      }
    }
    return true;
  }

  private static String letters(String s) {
    String plain = Normalizer.normalize(s, Normalizer.Form.NFKC);
    var b = new StringBuilder(plain.length());
    plain.codePoints().filter(Character::isLetterOrDigit).forEach(b::appendCodePoint);
    return b.toString();
  }
}
