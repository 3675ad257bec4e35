package decant.compare;

import java.util.HashMap;
import java.util.Map;

/** Numbers for texts: the same for the same, so that numbers are compared in their place. */
final class Numbering {
  private final Map<String, Integer> known = new HashMap<>();

  int of(String text) {
    return known.computeIfAbsent(text, t -> known.size());
  }
}
