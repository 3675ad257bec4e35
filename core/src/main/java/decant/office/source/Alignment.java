package decant.office.source;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Which elements of two sequences are the same, in order: what begins and ends alike, and between
 * those as many as can be; in large stretches first what is there once on either side, and between
 * those again. Large stretches with nothing of the kind are left as different, so that the work
 * stays near the length of the sequences.
 */
public final class Alignment {
  /** Up to so many pairs the longest common subsequence is sought in full. */
  private static final long SMALL = 250_000;

  private static final int NONE = -1;

  private final List<String> one;
  private final List<String> other;
  private final int[] partner;

  private Alignment(List<String> one, List<String> other) {
    this.one = one;
    this.other = other;
    this.partner = new int[one.size()];
    Arrays.fill(partner, NONE);
  }

  /** For each element of the first sequence its place in the second, or -1; ascending. */
  public static int[] of(List<String> one, List<String> other) {
    var a = new Alignment(one, other);
    a.align(0, one.size(), 0, other.size());
    return a.partner;
  }

  private void align(int from, int to, int otherFrom, int otherTo) {
    int a = from;
    int b = otherFrom;
    int aEnd = to;
    int bEnd = otherTo;
    while (a < aEnd && b < bEnd && one.get(a).equals(other.get(b))) {
      partner[a++] = b++;
    }
    while (a < aEnd && b < bEnd && one.get(aEnd - 1).equals(other.get(bEnd - 1))) {
      partner[--aEnd] = --bEnd;
    }
    if (a == aEnd || b == bEnd) {
      return;
    }
    if ((long) (aEnd - a) * (bEnd - b) <= SMALL) {
      longest(a, aEnd, b, bEnd);
      return;
    }
    int[] anchors = anchors(a, aEnd, b, bEnd);
    if (anchors.length == 0) {
      return;
    }
    for (int k = 0; k < anchors.length; k += 2) {
      align(a, anchors[k], b, anchors[k + 1]);
      partner[anchors[k]] = anchors[k + 1];
      a = anchors[k] + 1;
      b = anchors[k + 1] + 1;
    }
    align(a, aEnd, b, bEnd);
  }

  /** Pairs of places of what is there once on either side, as many as stand in the same order. */
  private int[] anchors(int from, int to, int otherFrom, int otherTo) {
    Map<String, int[]> places = new HashMap<>();
    for (int k = from; k < to; k++) {
      int[] p = places.computeIfAbsent(one.get(k), x -> new int[] {0, 0, 0, 0});
      p[0]++;
      p[1] = k;
    }
    for (int k = otherFrom; k < otherTo; k++) {
      int[] p = places.get(other.get(k));
      if (p != null) {
        p[2]++;
        p[3] = k;
      }
    }
    int[] a = new int[to - from];
    int[] b = new int[to - from];
    int n = 0;
    for (int k = from; k < to; k++) {
      int[] p = places.getOrDefault(one.get(k), new int[4]);
      if (p[0] == 1 && p[2] == 1) {
        a[n] = k;
        b[n++] = p[3];
      }
    }
    return ascending(a, b, n);
  }

  /** The longest ascending run of the second places (patience sorting). */
  private static int[] ascending(int[] a, int[] b, int n) {
    int[] tops = new int[n];
    int[] before = new int[n];
    int piles = 0;
    for (int k = 0; k < n; k++) {
      int low = 0;
      int high = piles;
      while (low < high) {
        int middle = (low + high) >>> 1;
        if (b[tops[middle]] < b[k]) {
          low = middle + 1;
        } else {
          high = middle;
        }
      }
      before[k] = low == 0 ? NONE : tops[low - 1];
      tops[low] = k;
      piles = Math.max(piles, low + 1);
    }
    int[] out = new int[2 * piles];
    int at = piles == 0 ? NONE : tops[piles - 1];
    for (int k = piles - 1; k >= 0; k--) {
      out[2 * k] = a[at];
      out[2 * k + 1] = b[at];
      at = before[at];
    }
    return out;
  }

  private void longest(int from, int to, int otherFrom, int otherTo) {
    int n = to - from;
    int m = otherTo - otherFrom;
    int[][] length = new int[n + 1][m + 1];
    for (int i = n - 1; i >= 0; i--) {
      for (int j = m - 1; j >= 0; j--) {
        length[i][j] =
            one.get(from + i).equals(other.get(otherFrom + j))
                ? length[i + 1][j + 1] + 1
                : Math.max(length[i + 1][j], length[i][j + 1]);
      }
    }
    int i = 0;
    int j = 0;
    while (i < n && j < m) {
      if (one.get(from + i).equals(other.get(otherFrom + j))) {
        partner[from + i++] = otherFrom + j++;
      } else if (length[i + 1][j] >= length[i][j + 1]) {
        i++;
      } else {
        j++;
      }
    }
  }
}
