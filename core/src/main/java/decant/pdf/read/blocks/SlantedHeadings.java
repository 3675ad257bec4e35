package decant.pdf.read.blocks;

import decant.pdf.read.detected.Detected;
import decant.pdf.read.page.Sizes;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Several short slanted lines in the size of the text that each stand apart from what is above and
 * from what is below are headings, though they are as near to the one as to the other.
 */
final class SlantedHeadings {
  private SlantedHeadings() {}

  /**
   * @param all blocks in their order; numbers become part of what is a heading
   * @param candidates what is known for a heading, by its number; more are added
   * @param size of the text, in points
   * @param text looks that long paragraphs have
   */
  static void add(
      List<Detected> all,
      Map<Integer, HeadingStyle> candidates,
      double size,
      Set<HeadingStyle> text) {
    Map<HeadingStyle, List<Integer>> alike = new HashMap<>();
    for (int k = 1; k + 1 < all.size(); k++) {
      if (!candidates.containsKey(k)
          && all.get(k) instanceof Detected.Text t
          && isShort(t)
          && standsApart(t, all.get(k - 1), all.get(k + 1))) {
        alike.computeIfAbsent(HeadingStyle.of(t), s -> new ArrayList<>()).add(k);
      }
    }
    alike.forEach((s, some) -> {
      boolean several = some.size() >= BlockThresholds.Headings.SLANTED;
      if (s.italic()
          && several
          && s.size() >= size * Sizes.AS_LARGE
          && !text.contains(s.ofAnyCase())) {
        HeadingLines.take(some, s, all, candidates);
      }
    });
  }

  private static boolean isShort(Detected.Text t) {
    String words = t.text();
    return HeadingLines.isShort(t)
        && words.length() > 6
        && isWords(words)
        && !words.contains("\t")
        && !words.endsWith(":")
        && !Headings.isSentence(words);
  }

  /** Whether a text is of words, and no line of a program. */
  private static boolean isWords(String text) {
    long signs = text.codePoints().filter(c -> !Character.isWhitespace(c)).count();
    long letters = text.codePoints().filter(Character::isLetterOrDigit).count();
    return letters >= BlockThresholds.Headings.WORDS * signs;
  }

  private static boolean standsApart(Detected.Text t, Detected before, Detected next) {
    boolean above =
        !(before instanceof Detected.Figure)
            && (before.page() != t.page() || Sizes.standsOff(t.spaceBefore(), t.size()));
    return above
        && next.page() == t.page()
        && switch (next) {
          case Detected.Text below ->
              (below.lines().size() > 1
                      || below.kind() == Detected.Kind.ITEM
                      || below.text().matches("\\p{Lu}.*\\."))
                  && !below.lines().getFirst().italic()
                  && Sizes.standsOff(below.spaceBefore(), t.size());
          case Detected.Grid below -> Sizes.standsOff(below.box().y() - t.box().bottom(), t.size());
          case Detected.Figure below -> false;
        };
  }
}
