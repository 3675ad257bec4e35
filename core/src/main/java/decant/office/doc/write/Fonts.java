package decant.office.doc.write;

import java.util.LinkedHashMap;
import java.util.Map;

/** The fonts that text names by their numbers (SttbfFfn, [MS-DOC] 2.9.286). */
final class Fonts {
  private static final int TRUE_TYPE = 0x04;
  private static final int UNKNOWN_FAMILY = 0;
  private static final int WEIGHT = 400;
  private static final int DEFAULT_CHARACTERS = 1;
  private static final int PANOSE = 10; // bytes
  private static final int SIGNATURE = 24; // bytes
  private static final int LONGEST = 64; // of a name, with the zero after it

  private final Map<String, Integer> numbers = new LinkedHashMap<>();

  int number(String family) {
    String name = family.length() < LONGEST ? family : family.substring(0, LONGEST - 1);
    return numbers.computeIfAbsent(name, k -> numbers.size());
  }

  Bytes table() {
    var out = new Bytes().u16(numbers.size()).u16(0);
    for (String name : numbers.keySet()) {
      // An Ffn (§2.9.80): what it is like, then its name.
      var font =
          new Bytes()
              .u8(TRUE_TYPE | UNKNOWN_FAMILY)
              .u16(WEIGHT)
              .u8(DEFAULT_CHARACTERS)
              .u8(0)
              .zeros(PANOSE + SIGNATURE)
              .text(name)
              .u16(0);
      out.u8(font.size()).add(font.array());
    }
    return out;
  }
}
