package decant.pdf.read.blocks;

import decant.pdf.read.detected.Detected;
import decant.pdf.read.page.Sizes;
import decant.text.EastAsian;
import java.util.List;
import java.util.Map;

/** What lines have in common that are found to be headings though they stand out by little. */
final class HeadingLines {
  private HeadingLines() {}

  /** Whether it is one line with few letters. */
  static boolean isShort(Detected.Text t) {
    return (t.kind() == Detected.Kind.PARAGRAPH || t.kind() == Detected.Kind.ITEM)
        && t.lines().size() == 1
        && EastAsian.letters(t.text()) < BlockThresholds.Headings.LONG / 2;
  }

  /** Whether a block stands off from what is above it on its page. */
  static boolean standsOff(List<Detected> all, int k, Detected.Text t) {
    return k == 0
        || all.get(k - 1).page() != t.page()
        || Sizes.standsOff(t.spaceBefore(), t.size());
  }

  /** Makes blocks of one look candidates; their numbers become part of them. */
  static void take(
      List<Integer> some,
      HeadingStyle look,
      List<Detected> all,
      Map<Integer, HeadingStyle> candidates) {
    some.forEach(k -> {
      all.set(k, Blocks.withMarker((Detected.Text) all.get(k)));
      candidates.put(k, look);
    });
  }
}
