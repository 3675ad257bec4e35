package decant.office.pending;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Those who made changes, whom DOC and RTF name by their numbers in a table ([MS-DOC] 2.9.277; Rich
 * Text Format 1.9.1, “Track Changes”). The first of it stands for nobody who is known, by common
 * practice.
 */
public final class Authors {
  private static final String NOBODY = "Unknown";

  private final Map<String, Integer> numbers = new LinkedHashMap<>();

  /** The number of somebody; 0 where nobody is named. */
  public int number(String name) {
    return name.isBlank() ? 0 : numbers.computeIfAbsent(name, k -> numbers.size() + 1);
  }

  /** The names by their numbers; empty where nobody made a change. */
  public List<String> table() {
    var out = new ArrayList<String>();
    if (!numbers.isEmpty()) {
      out.add(NOBODY);
      out.addAll(numbers.keySet());
    }
    return out;
  }

  /** Who has a number in a table that was read; empty for nobody. */
  public static String name(List<String> table, int number) {
    String name = number >= 0 && number < table.size() ? table.get(number) : "";
    return number == 0 && name.equals(NOBODY) ? "" : name;
  }
}
