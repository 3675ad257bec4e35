package decant.compare;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;

/**
 * Which members of one sequence are which of another, in the same order: those at both ends first,
 * then by what stands in each of them only once, then by the longest common subsequence between
 * these.
 */
final class Matching {
  /** Between anchors, sequences whose lengths multiply to more are taken for all different. */
  private static final long MOST = 6_000_000;

  private final int[] a;
  private final int[] b;
  private final int[] matched;

  private Matching(int[] a, int[] b) {
    this.a = a;
    this.b = b;
    this.matched = new int[a.length];
    Arrays.fill(matched, -1);
  }

  /**
   * For each member of the first the place of its like in the second; -1 for none.
   *
   * @param a members by numbers that are the same for what is alike
   */
  static int[] of(int[] a, int[] b) {
    var m = new Matching(a, b);
    m.between(0, a.length, 0, b.length);
    return m.matched;
  }

  private void between(int fromA, int toA, int fromB, int toB) {
    int a0 = fromA;
    int a1 = toA;
    int b0 = fromB;
    int b1 = toB;
    while (a0 < a1 && b0 < b1 && a[a0] == b[b0]) {
      matched[a0++] = b0++;
    }
    while (a0 < a1 && b0 < b1 && a[a1 - 1] == b[b1 - 1]) {
      matched[--a1] = --b1;
    }
    if (a0 == a1 || b0 == b1) {
      return;
    }
    int[][] anchors = anchors(a0, a1, b0, b1);
    if (anchors.length == 0) {
      common(a0, a1, b0, b1);
      return;
    }
    int lastA = a0;
    int lastB = b0;
    for (int[] at : anchors) {
      matched[at[0]] = at[1];
      between(lastA, at[0], lastB, at[1]);
      lastA = at[0] + 1;
      lastB = at[1] + 1;
    }
    between(lastA, a1, lastB, b1);
  }

  /** The longest run of what stands once in both, in the same order. */
  private int[][] anchors(int a0, int a1, int b0, int b1) {
    Map<Integer, int[]> seen = new HashMap<>(); // times in a, place in a, times in b, place in b
    for (int k = a0; k < a1; k++) {
      int[] s = seen.computeIfAbsent(a[k], x -> new int[4]);
      s[0]++;
      s[1] = k;
    }
    for (int k = b0; k < b1; k++) {
      int[] s = seen.get(b[k]);
      if (s != null) {
        s[2]++;
        s[3] = k;
      }
    }
    int[][] once =
        seen.values().stream()
            .filter(s -> s[0] == 1 && s[2] == 1)
            .map(s -> new int[] {s[1], s[3]})
            .sorted((x, y) -> Integer.compare(x[0], y[0]))
            .toArray(int[][]::new);
    return longestRising(once);
  }

  /** Of pairs that rise by the first member, the longest choice that rises by the second too. */
  private static int[][] longestRising(int[][] pairs) {
    int[] tails = new int[pairs.length];
    int[] before = new int[pairs.length];
    int length = 0;
    for (int k = 0; k < pairs.length; k++) {
      int low = 0;
      int high = length;
      while (low < high) {
        int mid = low + high >>> 1;
        if (pairs[tails[mid]][1] < pairs[k][1]) {
          low = mid + 1;
        } else {
          high = mid;
        }
      }
      before[k] = low == 0 ? -1 : tails[low - 1];
      tails[low] = k;
      length = Math.max(length, low + 1);
    }
    int[][] out = new int[length][];
    for (int at = length == 0 ? -1 : tails[length - 1], k = length - 1; k >= 0; k--) {
      out[k] = pairs[at];
      at = before[at];
    }
    return out;
  }

  private void common(int a0, int a1, int b0, int b1) {
    int n = a1 - a0;
    int m = b1 - b0;
    if ((long) n * m > MOST) {
      return;
    }
    int[][] longest = new int[n + 1][m + 1];
    for (int i = n - 1; i >= 0; i--) {
      for (int j = m - 1; j >= 0; j--) {
        longest[i][j] =
            a[a0 + i] == b[b0 + j]
                ? longest[i + 1][j + 1] + 1
                : Math.max(longest[i + 1][j], longest[i][j + 1]);
      }
    }
    int i = 0;
    int j = 0;
    while (i < n && j < m) {
      if (a[a0 + i] == b[b0 + j]) {
        matched[a0 + i++] = b0 + j++;
      } else if (longest[i + 1][j] >= longest[i][j + 1]) {
        i++;
      } else {
        j++;
      }
    }
  }
}
