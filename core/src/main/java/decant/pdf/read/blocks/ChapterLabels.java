package decant.pdf.read.blocks;

import decant.model.look.Markers;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.page.Sizes;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Labels such as "Chapter 2" that stand in a line of their own, put together with the titles below
 * them. A title is no smaller than its label; and one label alone is none.
 */
final class ChapterLabels {
  private static final Pattern LABEL =
      Pattern.compile("\\p{Lu}[\\p{L}]*\\s+(\\d{1,3}|[IVXLC]{1,6}|\\p{Lu})[.:]?");

  /** A label with its title, or alone. */
  private static final Pattern NUMBERED = Pattern.compile("(\\p{Lu}\\p{L}+)\\s+(\\d{1,3})\\b.*");

  private ChapterLabels() {}

  /**
   * A section "2.1" is below "Chapter 2", though both look the same.
   *
   * @param levels of headings, by their numbers among all blocks; those of sections are put right
   */
  static void sectionsBelow(List<Detected> all, Map<Integer, Integer> levels) {
    var chapters = new HashMap<String, Map<String, Integer>>(); // by word and number
    levels.forEach((k, level) -> {
      Matcher m = NUMBERED.matcher(((Detected.Text) all.get(k)).text().strip());
      if (m.matches()) {
        chapters.computeIfAbsent(m.group(1), w -> new HashMap<>()).put(m.group(2), level);
      }
    });
    chapters.values().removeIf(numbers -> numbers.size() < 2);
    levels.replaceAll((k, level) -> {
      Optional<String> number = Markers.section(((Detected.Text) all.get(k)).text());
      return number
          .filter(n -> n.contains("."))
          .flatMap(n ->
              chapters.values().stream()
                  .map(c -> c.get(n.substring(0, n.indexOf('.'))))
                  .filter(Objects::nonNull)
                  .map(chapter -> Math.max(level, chapter + Markers.depth(n) - 1))
                  .max(Comparator.naturalOrder()))
          .orElse(level);
    });
  }

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
