package decant.pdf.amend;

import java.util.List;

/**
 * A stretch of a line: letters that stand on one baseline, none far from the next.
 *
 * @param letters from its beginning to its end
 * @param again for each letter, others that show it a second time at its place
 * @param v of its baseline, across the line
 * @param size of its letters on the page, in points
 * @param angle of its direction
 */
record Row(List<Letter> letters, List<List<Letter>> again, double v, double size, double angle) {
  double left() {
    return letters.getFirst().u;
  }

  /** How many of its letters there are up to the last that is seen: spaces may follow it. */
  int seen() {
    int n = letters.size();
    while (n > 1 && letters.get(n - 1).isSpace()) {
      n--;
    }
    return n;
  }

  /** Where its last letter ends that is seen. */
  double right() {
    return letters.get(seen() - 1).right();
  }

  double middle() {
    return (left() + right()) / 2;
  }

  boolean isBeside(Row o) {
    return o.left() < right() && o.right() > left();
  }

  /** Whether a gap before a letter parts words. */
  boolean isApart(int k) {
    if (k == 0 || letters.get(k).isSpace() || letters.get(k - 1).isSpace()) {
      return true;
    }
    return letters.get(k).u - letters.get(k - 1).right() > AmendLimits.WORD_GAP * size;
  }

  /** How many gaps part its words. */
  int gaps() {
    int n = 0;
    for (int k = 1; k < letters.size(); k++) {
      n += !letters.get(k).isSpace() && isApart(k) ? 1 : 0;
    }
    return n;
  }
}
