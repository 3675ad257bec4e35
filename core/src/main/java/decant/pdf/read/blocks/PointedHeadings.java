package decant.pdf.read.blocks;

import decant.pdf.read.detected.Detected;
import decant.pdf.read.page.Sizes;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Headings that end with a full stop, as those of minutes do. One such line is a sentence; several
 * of one look, bold or larger than the text, each over text of another look, are headings, if
 * nothing else in the document looks like them. So are slanted ones over paragraphs.
 */
final class PointedHeadings {
  private PointedHeadings() {}

  /**
   * @param all blocks in their order; numbers become part of what is a heading
   * @param candidates what is known for a heading, by its number; more are added
   * @param body look of the text
   * @param text looks that long paragraphs have
   */
  static void add(
      List<Detected> all,
      Map<Integer, HeadingStyle> candidates,
      HeadingStyle body,
      Set<HeadingStyle> text) {
    Map<HeadingStyle, List<Integer>> alike = new HashMap<>();
    Map<HeadingStyle, Integer> others = new HashMap<>();
    for (int k = 0; k < all.size(); k++) {
      if (!candidates.containsKey(k) && all.get(k) instanceof Detected.Text t) {
        HeadingStyle s = HeadingStyle.of(t);
        if (isPointed(t) && isOver(all, k)) {
          alike.computeIfAbsent(s, x -> new ArrayList<>()).add(k);
        } else {
          others.merge(s, 1, Integer::sum);
        }
      }
    }
    alike.forEach((s, some) -> {
      boolean several = some.size() >= BlockThresholds.Headings.SLANTED;
      boolean alone = others.getOrDefault(s, 0) * BlockThresholds.Headings.FEW <= some.size();
      if (several
          && (s.standsOutOf(body)
              || s.italic() && !body.italic() && some.stream().allMatch(k -> isOverProse(all, k)))
          && alone
          && s.size() >= body.size() * Sizes.AS_LARGE
          && !text.contains(s.ofAnyCase())) {
        HeadingLines.take(some, s, all, candidates);
      }
    });
  }

  private static boolean isPointed(Detected.Text t) {
    String words = t.text();
    return HeadingLines.isShort(t)
        && words.endsWith(".")
        && !words.matches(".*(\\.\\.|[.!?;:] .*|\\t.*)");
  }

  private static boolean isOverProse(List<Detected> all, int k) {
    return all.get(k + 1) instanceof Detected.Text next && next.lines().size() > 1;
  }

  /** Whether a line stands off from what is above it and over text of another look. */
  private static boolean isOver(List<Detected> all, int k) {
    Detected.Text t = (Detected.Text) all.get(k);
    return HeadingLines.standsOff(all, k, t)
        && k + 1 < all.size()
        && all.get(k + 1) instanceof Detected.Text next
        && next.page() == t.page()
        && !HeadingStyle.of(next).equals(HeadingStyle.of(t));
  }
}
