package decant.pdf.read.document;

import decant.layout.label.ListLabels;
import decant.model.look.ListDefinition;
import decant.model.look.ListDefinition.Level;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.Look;
import decant.model.look.Markers;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * The lists that found items belong to, so that each is labelled as its source has it: an item
 * whose label the list before does not count to begins another.
 */
final class FoundLists {
  private static final int DEPTHS = 9;
  private static final int UNSET = Integer.MIN_VALUE;

  /** What stands before a number, the number or letters, and what stands after. */
  private static final Pattern NUMBERED =
      Pattern.compile("(.*?)(?<![\\p{L}\\d])(\\d{1,9}|[a-z]{1,7}|[A-Z]{1,7})([^\\p{L}\\d]*)");

  private static final Pattern ROMAN =
      Pattern.compile("(?i)m{0,3}(cm|cd|d?c{0,3})(xc|xl|l?x{0,3})(ix|iv|v?i{0,3})");

  /** How one level of a list is labelled. */
  private record Labels(NumberFormat format, String pattern, int start) {
    String label(int depth, int n) {
      return format == NumberFormat.BULLET
          ? pattern
          : pattern.replace("%" + (depth + 1), ListLabels.number(format, n));
    }
  }

  /** A list as far as it was met, and what it has counted to. */
  private static final class Met {
    private final String id;
    private final String first;
    private final @Nullable Labels[] levels = new Labels[DEPTHS];
    private final int[] counted = new int[DEPTHS];

    Met(String id, String first) {
      this.id = id;
      this.first = first;
      Arrays.fill(counted, UNSET);
    }

    /** Whether an item goes on with it. */
    boolean goesOn(int depth, String mark) {
      Labels l = levels[depth];
      return l != null && l.label(depth, next(depth, l)).equals(mark);
    }

    private int next(int depth, Labels l) {
      return counted[depth] == UNSET ? l.start() : counted[depth] + 1;
    }

    /** Counts an item, and with it those above it that it has none of, as labels are counted. */
    void count(int depth) {
      Labels l = levels[depth];
      if (l == null) {
        return;
      }
      counted[depth] = next(depth, l);
      for (int k = 0; k < depth; k++) {
        Labels above = levels[k];
        if (counted[k] == UNSET) {
          counted[k] = above == null ? 1 : above.start();
        }
      }
      Arrays.fill(counted, depth + 1, DEPTHS, UNSET);
    }

    /** Whether items of a depth can be part of it that it has not met yet. */
    boolean takes(int depth) {
      return levels[depth] == null && counted[depth] == UNSET;
    }

    ListDefinition definition() {
      ListDefinition usual = ListDefinition.marked(id, first);
      var out = new ArrayList<Level>();
      for (int k = 0; k < DEPTHS; k++) {
        Level u = usual.level(k);
        Labels l = levels[k];
        out.add(
            l == null
                ? u
                : new Level(l.format(), l.pattern(), l.start(), u.paragraph(), Look.PLAIN));
      }
      return new ListDefinition(id, out);
    }
  }

  private final List<Met> all = new ArrayList<>();
  private final @Nullable Met[] current = new Met[DEPTHS];
  private final Map<String, Met> bullets = new HashMap<>();

  /**
   * The id of the list that the next item belongs to.
   *
   * @param depth from 0
   */
  String idFor(String mark, int depth) {
    int at = Math.clamp(depth, 0, DEPTHS - 1);
    String shown = Markers.isPrivate(mark) ? "•" : mark;
    Met list = current[at];
    if (list == null || !list.goesOn(at, shown)) {
      list = other(list, shown, at);
    }
    list.count(at);
    Arrays.fill(current, at, DEPTHS, list);
    return list.id;
  }

  /** The list before, where it has no such level yet; one with the same bullet; or a new one. */
  private Met other(@Nullable Met before, String mark, int depth) {
    boolean bullet = Markers.isBullet(mark);
    Met known = bullet ? bullets.get(depth + mark) : null;
    if (known != null) {
      return known;
    }
    Met list = before;
    if (list == null || !list.takes(depth)) {
      list = new Met("list" + (all.size() + 1), mark);
      all.add(list);
    }
    list.levels[depth] = labels(mark, depth);
    if (bullet) {
      bullets.put(depth + mark, list);
    }
    return list;
  }

  private static Labels labels(String mark, int depth) {
    Matcher m = NUMBERED.matcher(mark);
    if (Markers.isBullet(mark) || !m.matches()) {
      return new Labels(NumberFormat.BULLET, mark, 1);
    }
    String number = m.group(2);
    for (NumberFormat f : formats(number)) {
      int n = f.read(number).orElse(1);
      if (ListLabels.number(f, n).equals(number)) {
        return new Labels(f, m.group(1) + "%" + (depth + 1) + m.group(3), n);
      }
    }
    return new Labels(NumberFormat.BULLET, mark, 1);
  }

  /**
   * Those that a number may be written in, the likelier first: a list begins with i, not with v.
   */
  private static List<NumberFormat> formats(String number) {
    char c = number.charAt(0);
    if (c >= '0' && c <= '9') {
      return List.of(c == '0' ? NumberFormat.TWO_DIGITS : NumberFormat.DECIMAL);
    }
    boolean lower = Character.isLowerCase(c);
    NumberFormat roman = lower ? NumberFormat.LOWER_ROMAN : NumberFormat.UPPER_ROMAN;
    NumberFormat letters = lower ? NumberFormat.LOWER_LETTER : NumberFormat.UPPER_LETTER;
    boolean isRoman =
        ROMAN.matcher(number).matches() && (number.length() > 1 || number.equalsIgnoreCase("i"));
    return isRoman ? List.of(roman, letters) : List.of(letters, roman);
  }

  Map<String, ListDefinition> definitions() {
    var out = new LinkedHashMap<String, ListDefinition>();
    all.forEach(m -> out.put(m.id, m.definition()));
    return out;
  }
}
