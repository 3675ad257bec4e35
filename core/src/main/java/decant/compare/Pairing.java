package decant.compare;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Which pieces of one version are which of another, and which moved. */
final class Pairing {
  /** Pieces with fewer words that stand in several places are not said to have moved alone. */
  private static final int WORDS_TO_MOVE = 3;

  /** Two texts that share so much of their words are one that was changed. */
  private static final double LIKE = 0.4;

  /** In stretches longer than this, likes are sought among the next few only. */
  private static final long MOST_PAIRS = 60_000;

  private static final int NEXT = 12;

  /**
   * Pieces that stand for each other.
   *
   * @param a pieces of the first, one after the other; none if they were added
   * @param b pieces of the second; none if they were removed
   */
  record Pair(List<Piece> a, List<Piece> b, boolean moved) {}

  private final List<Piece> a;
  private final List<Piece> b;
  private final int[] keysA;
  private final int[] keysB;
  private final int[] matched;
  private final boolean[] takenB;
  private final Map<Integer, List<Pair>> moves = new HashMap<>();
  private final boolean[] movedA;

  private Pairing(List<Piece> a, List<Piece> b, Pictures pictures) {
    this.a = a;
    this.b = b;
    var numbers = new Numbering();
    keysA = keys(a, pictures, numbers);
    keysB = keys(b, pictures, numbers);
    matched = Matching.of(keysA, keysB);
    takenB = new boolean[b.size()];
    movedA = new boolean[a.size()];
    Arrays.stream(matched).filter(k -> k >= 0).forEach(k -> takenB[k] = true);
  }

  /** All pieces of both, in the order of the first; what was added where it stands. */
  static List<Pair> of(List<Piece> a, List<Piece> b, Pictures pictures) {
    var p = new Pairing(a, b, pictures);
    p.moved();
    return p.all();
  }

  private static int[] keys(List<Piece> pieces, Pictures pictures, Numbering numbers) {
    return pieces.stream()
        .mapToInt(p -> {
          String said =
              switch (p) {
                case Piece.Text t -> "t" + Word.join(t.words());
                case Piece.Grid g ->
                    "g" + String.join("\n", g.rows().stream().map(Piece.Grid.Row::text).toList());
                case Piece.Image i -> "i" + pictures.number(i.media());
              };
          return numbers.of(said);
        })
        .toArray();
  }

  // What moved.

  private void moved() {
    var free = new HashMap<Integer, Deque<Integer>>();
    for (int j = 0; j < b.size(); j++) {
      if (!takenB[j]) {
        free.computeIfAbsent(keysB[j], k -> new ArrayDeque<>()).add(j);
      }
    }
    for (int i = 0; i < a.size(); i++) {
      Deque<Integer> places = matched[i] < 0 && !movedA[i] ? free.get(keysA[i]) : null;
      while (places != null && !places.isEmpty() && takenB[places.peek()]) {
        places.remove();
      }
      if (places != null && !places.isEmpty() && canMove(i)) {
        stretch(i, places.remove());
      }
    }
  }

  private boolean canMove(int i) {
    Piece p = a.get(i);
    return !(p instanceof Piece.Text t)
        || t.level() > 0
        || t.words().size() >= WORDS_TO_MOVE
        || isOnce(keysA, keysA[i]) && isOnce(keysB, keysA[i]);
  }

  private static boolean isOnce(int[] keys, int key) {
    return Arrays.stream(keys).filter(k -> k == key).count() == 1;
  }

  /** What stands beside a piece that moved, and moved with it, is one with it. */
  private void stretch(int i, int j) {
    int back = 0;
    while (isFree(i - back - 1, j - back - 1)) {
      back++;
    }
    int on = 1;
    while (isFree(i + on, j + on)) {
      on++;
    }
    for (int k = -back; k < on; k++) {
      movedA[i + k] = true;
      takenB[j + k] = true;
    }
    moves
        .computeIfAbsent(i - back, k -> new ArrayList<>())
        .add(new Pair(a.subList(i - back, i + on), b.subList(j - back, j + on), true));
  }

  private boolean isFree(int i, int j) {
    return i >= 0
        && j >= 0
        && i < a.size()
        && j < b.size()
        && matched[i] < 0
        && !movedA[i]
        && !takenB[j]
        && keysA[i] == keysB[j];
  }

  // What stands between pieces that are the same.

  private List<Pair> all() {
    var out = new ArrayList<Pair>();
    int doneB = 0;
    var left = new ArrayList<Piece>();
    for (int i = 0; i <= a.size(); i++) {
      if (i == a.size() || matched[i] >= 0) {
        int to = i == a.size() ? b.size() : matched[i];
        var right = new ArrayList<Piece>();
        for (int j = doneB; j < to; j++) {
          if (!takenB[j]) {
            right.add(b.get(j));
          }
        }
        between(left, right, out);
        left.clear();
        if (i < a.size()) {
          out.add(new Pair(List.of(a.get(i)), List.of(b.get(to)), false));
          doneB = to + 1;
        }
      } else if (movedA[i]) {
        out.addAll(moves.getOrDefault(i, List.of()));
      } else {
        left.add(a.get(i));
      }
    }
    return out;
  }

  private static void between(List<Piece> left, List<Piece> right, List<Pair> out) {
    if (saysTheSame(left, right)) {
      out.add(new Pair(List.copyOf(left), List.copyOf(right), false));
      return;
    }
    int[] like = likes(left, right);
    int j = 0;
    for (int i = 0; i < left.size(); i++) {
      if (like[i] < 0) {
        out.add(new Pair(List.of(left.get(i)), List.of(), false));
      } else {
        for (; j < like[i]; j++) {
          out.add(new Pair(List.of(), List.of(right.get(j)), false));
        }
        out.add(new Pair(List.of(left.get(i)), List.of(right.get(j++)), false));
      }
    }
    for (; j < right.size(); j++) {
      out.add(new Pair(List.of(), List.of(right.get(j)), false));
    }
  }

  /** Paragraphs that were only parted otherwise. */
  private static boolean saysTheSame(List<Piece> left, List<Piece> right) {
    if (left.isEmpty() || right.isEmpty() || !texts(left) || !texts(right)) {
      return false;
    }
    List<Word> x = left.stream().flatMap(p -> p.words().stream()).toList();
    List<Word> y = right.stream().flatMap(p -> p.words().stream()).toList();
    if (x.size() != y.size()) {
      return false;
    }
    for (int k = 0; k < x.size(); k++) {
      if (!x.get(k).says(y.get(k))) {
        return false;
      }
    }
    return true;
  }

  private static boolean texts(List<Piece> pieces) {
    return pieces.stream().allMatch(Piece.Text.class::isInstance);
  }

  /** The order-keeping choice of pairs that are most alike in all; -1 for none. */
  private static int[] likes(List<Piece> left, List<Piece> right) {
    int n = left.size();
    int m = right.size();
    int[] out = new int[n];
    Arrays.fill(out, -1);
    if ((long) n * m > MOST_PAIRS) {
      int from = 0;
      for (int i = 0; i < n; i++) {
        for (int j = from; j < Math.min(m, from + NEXT); j++) {
          if (likeness(left.get(i), right.get(j)) >= LIKE) {
            out[i] = j;
            from = j + 1;
            break;
          }
        }
      }
      return out;
    }
    double[][] like = new double[n][m];
    double[][] best = new double[n + 1][m + 1];
    for (int i = n - 1; i >= 0; i--) {
      for (int j = m - 1; j >= 0; j--) {
        double l = likeness(left.get(i), right.get(j));
        like[i][j] = l >= LIKE ? l : 0;
        best[i][j] =
            Math.max(
                Math.max(best[i + 1][j], best[i][j + 1]),
                like[i][j] > 0 ? best[i + 1][j + 1] + like[i][j] : 0);
      }
    }
    int i = 0;
    int j = 0;
    while (i < n && j < m) {
      if (like[i][j] > 0 && best[i][j] == best[i + 1][j + 1] + like[i][j]) {
        out[i++] = j++;
      } else if (best[i + 1][j] >= best[i][j + 1]) {
        i++;
      } else {
        j++;
      }
    }
    return out;
  }

  /** The share of words that both have, from 0 to 1; pictures take each other's place. */
  private static double likeness(Piece x, Piece y) {
    if (x instanceof Piece.Image && y instanceof Piece.Image) {
      return LIKE;
    }
    if (!x.getClass().equals(y.getClass())) {
      return 0;
    }
    List<Word> some = x.words();
    List<Word> others = y.words();
    var counts = new HashMap<String, Integer>();
    some.forEach(w -> counts.merge(w.text(), 1, Integer::sum));
    int both = 0;
    for (Word w : others) {
      if (counts.merge(w.text(), -1, Integer::sum) >= 0) {
        both++;
      }
    }
    int all = some.size() + others.size();
    // A single word, or two, may well be replaced as a whole.
    return all <= 4 && both == 0 ? LIKE : 2.0 * both / Math.max(1, all);
  }
}
