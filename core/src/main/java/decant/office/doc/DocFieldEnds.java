package decant.office.doc;

import java.util.ArrayDeque;
import java.util.BitSet;
import java.util.Deque;

/**
 * Which fields have an end ([MS-DOC] 2.8.25 asks for one each). What follows the beginning of one
 * without an end would be taken for what it asks for, to the last word of the file.
 */
final class DocFieldEnds {
  private final BitSet ended = new BitSet();

  /**
   * @param text that of the whole file
   */
  DocFieldEnds(CharSequence text) {
    Deque<Integer> open = new ArrayDeque<>();
    for (int k = 0; k < text.length(); k++) {
      char c = text.charAt(k);
      if (c == DocFields.BEGIN) {
        open.push(k);
      } else if (c == DocFields.END && !open.isEmpty()) {
        ended.set(open.pop());
      }
    }
  }

  /** Whether the field that begins at a character has an end. */
  boolean has(int at) {
    return ended.get(at);
  }
}
