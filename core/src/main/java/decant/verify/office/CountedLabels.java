package decant.verify.office;

import com.ibm.icu.text.RuleBasedNumberFormat;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * The labels of list items, counted item by item: by ISO/IEC 29500-1 §17.9, and by [MS-DOC] 2.4.6.3
 * alike. Formats of numbers go by the names of the former.
 */
final class CountedLabels {
  private static final RuleBasedNumberFormat ROMAN = roman();

  private static RuleBasedNumberFormat roman() {
    var f = new RuleBasedNumberFormat(Locale.ROOT, RuleBasedNumberFormat.NUMBERING_SYSTEM);
    f.setDefaultRuleSet("%roman-upper");
    return f;
  }

  /**
   * @param text of the label, with %1 to %9 for the numbers of levels
   * @param restart counting begins anew after an item of this depth or a shallower one, from 1; 0
   *     never, below that after any
   * @param legal all numbers are decimal
   */
  record Level(String format, String text, int start, int restart, boolean legal) {}

  /**
   * A list as items name it.
   *
   * @param series that it counts on in
   * @param starts where it begins anew, by level
   */
  record Instance(String series, Map<Integer, Level> levels, Map<Integer, Integer> starts) {}

  private final Map<String, Instance> instances;
  private final Map<String, Integer> counts = new HashMap<>();
  private final Set<String> begun = new HashSet<>();

  CountedLabels(Map<String, Instance> instances) {
    this.instances = instances;
  }

  /** The same lists, of which nothing was counted yet. */
  CountedLabels afresh() {
    return new CountedLabels(instances);
  }

  /** The label of the next item. */
  String next(String list, int depth) {
    Instance in = instances.get(list);
    if (in == null || in.levels().get(depth) == null) {
      return "";
    }
    Level level = in.levels().get(depth);
    Integer anew = in.starts().get(depth);
    String key = in.series() + "/" + depth;
    if (begun.add(list + "/" + depth) && anew != null) {
      counts.put(key, anew);
    } else {
      counts.merge(key, level.start(), (was, start) -> was + 1);
    }
    for (int d = 0; d < depth; d++) {
      Level above = in.levels().get(d);
      counts.putIfAbsent(in.series() + "/" + d, above == null ? 1 : above.start());
    }
    for (int d = depth + 1; d < 9; d++) {
      Level below = in.levels().get(d);
      int restart = below == null ? -1 : below.restart();
      // It starts anew after its own restart level or a higher one; always if none is said, never
      // if it is 0 (§17.9.10).
      if (restart < 0 || depth < restart) {
        counts.remove(in.series() + "/" + d);
      }
    }
    if (level.format().equals("bullet")) {
      return level.text();
    }
    String label = level.text();
    for (int d = 0; d <= depth; d++) {
      Level l = in.levels().getOrDefault(d, level);
      boolean plain = level.legal() && !l.format().equals("none");
      String n =
          number(plain ? "decimal" : l.format(), counts.getOrDefault(in.series() + "/" + d, 1));
      label = label.replace("%" + (d + 1), n);
    }
    return label;
  }

  private static String number(String format, int n) {
    return switch (format) {
      case "none" -> "";
      case "lowerLetter", "upperLetter" -> {
        String s = n < 1 ? "" + n : Character.toString('a' + (n - 1) % 26).repeat(1 + (n - 1) / 26);
        yield format.startsWith("upper") ? s.toUpperCase(Locale.ROOT) : s;
      }
      case "lowerRoman" -> n < 1 ? "" + n : ROMAN.format(n).toLowerCase(Locale.ROOT);
      case "upperRoman" -> n < 1 ? "" + n : ROMAN.format(n);
      case "decimalZero" -> n >= 0 && n < 10 ? "0" + n : "" + n;
      case "ordinal" ->
          n
              + (n / 10 % 10 == 1
                  ? "th"
                  : n % 10 == 1 ? "st" : n % 10 == 2 ? "nd" : n % 10 == 3 ? "rd" : "th");
      default -> "" + n;
    };
  }
}
