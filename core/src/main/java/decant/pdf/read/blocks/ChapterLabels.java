package decant.pdf.read.blocks;

import decant.pdf.read.detected.Detected;
import decant.pdf.read.page.Sizes;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.regex.Pattern;

/**
 * Labels such as "Chapter 2" that stand in a line of their own, put together with the titles below
 * them. A title is no smaller than its label; and one label alone is none.
 */
final class ChapterLabels {
  private static final Pattern LABEL =
      Pattern.compile("\\p{Lu}[\\p{L}]*\\s+(\\d{1,3}|[IVXLC]{1,6}|\\p{Lu})[.:]?");

  private ChapterLabels() {}

  static List<Detected> joined(List<Detected> found) {
    var labels = new HashMap<String, List<Integer>>(); // by the word before the number
    for (int k = 0; k + 1 < found.size(); k++) {
      if (found.get(k) instanceof Detected.Text a
          && found.get(k + 1) instanceof Detected.Text b
          && a.kind() == Detected.Kind.PARAGRAPH
          && b.kind() == Detected.Kind.PARAGRAPH
          && a.page() == b.page()
          && a.lines().size() == 1
          && b.lines().size() <= 2
          && LABEL.matcher(a.text().strip()).matches()
          && b.text().length() < BlockThresholds.Headings.LONG / 2
          && (b.bold() && a.bold() || Sizes.isLarger(b.size(), a.size()))
          && Sizes.isNoLarger(a.size(), b.size())) {
        labels.computeIfAbsent(a.text().strip().split("\\s")[0], w -> new ArrayList<>()).add(k);
      }
    }
    var out = new ArrayList<>(found);
    labels.values().stream()
        .filter(at -> at.size() > 1)
        .flatMap(List::stream)
        .sorted(Comparator.reverseOrder())
        .forEach(k -> {
          var lines = new ArrayList<>(((Detected.Text) out.get(k)).lines());
          lines.addAll(((Detected.Text) out.remove(k + 1)).lines());
          out.set(k, ((Detected.Text) out.get(k)).with(lines));
        });
    return out;
  }
}
