package decant.compare;

import decant.compare.Difference.Kind;
import decant.compare.Difference.Side;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** What differs between two texts that stand for each other, word by word. */
final class WordChanges {
  /** So few short words between two changes are chance. */
  private static final int CHANCE = 1;

  private static final int SHORT = 3;

  private final List<Word> a;
  private final List<Word> b;
  private final int pageA;
  private final int pageB;
  private final List<Difference> out;

  private WordChanges(List<Word> a, int pageA, List<Word> b, int pageB, List<Difference> out) {
    this.a = a;
    this.b = b;
    this.pageA = pageA;
    this.pageB = pageB;
    this.out = out;
  }

  /**
   * Lists the differences.
   *
   * @param kind of what the words are a part of
   */
  static void list(
      Kind kind, List<Word> a, int pageA, List<Word> b, int pageB, List<Difference> out) {
    var w = new WordChanges(a, pageA, b, pageB, out);
    int[] matched = w.matched();
    w.words(kind, matched);
    w.looks(matched);
    w.links(matched);
  }

  private int[] matched() {
    var numbers = new Numbering();
    int[] x = a.stream().mapToInt(v -> numbers.of(v.text())).toArray();
    int[] y = b.stream().mapToInt(v -> numbers.of(v.text())).toArray();
    int[] m = Matching.of(x, y);
    numbersOfPages(m);
    withoutChance(m);
    return m;
  }

  /** Between words that are the same, numbers of pages stand for each other. */
  private void numbersOfPages(int[] m) {
    BitSet taken = taken(m);
    int j = 0;
    for (int i = 0; i < m.length; i++) {
      if (m[i] < 0 && j < b.size() && !taken.get(j) && a.get(i).says(b.get(j))) {
        m[i] = j;
        taken.set(j);
      }
      j = m[i] >= 0 ? m[i] + 1 : j;
    }
  }

  /** Which words of the other text stand for one. */
  private static BitSet taken(int[] m) {
    var out = new BitSet();
    for (int x : m) {
      if (x >= 0) {
        out.set(x);
      }
    }
    return out;
  }

  /** A short word between two stretches that were replaced is no part of both. */
  private void withoutChance(int[] m) {
    BitSet taken = taken(m);
    for (int i = 1; i < m.length - 1; i++) {
      if (m[i] < 0 || a.get(i).text().length() > SHORT) {
        continue;
      }
      int end = i;
      while (end + 1 < m.length && m[end + 1] == m[end] + 1) {
        end++;
      }
      boolean lonely = end - i < CHANCE && (i == 0 || m[i - 1] < 0) && end + 1 < m.length;
      if (lonely && m[end + 1] < 0 && goneInB(taken, m[i] - 1) && goneInB(taken, m[i] + 1)) {
        taken.clear(m[i]);
        m[i] = -1;
      }
      i = end;
    }
  }

  private boolean goneInB(BitSet taken, int j) {
    return j >= 0 && j < b.size() && !taken.get(j);
  }

  private void words(Kind kind, int[] m) {
    int j = 0;
    int i = 0;
    while (i < a.size() || j < b.size()) {
      if (i < a.size() && m[i] == j) {
        i++;
        j++;
        continue;
      }
      int fromA = i;
      int fromB = j;
      while (i < a.size() && m[i] < 0) {
        i++;
      }
      j = i < a.size() ? m[i] : b.size();
      told(kind, a.subList(fromA, i), b.subList(fromB, j));
    }
  }

  private void told(Kind kind, List<Word> was, List<Word> is) {
    if (was.isEmpty()) {
      out.add(Difference.added(kind, new Side(pageB, Word.join(is))));
    } else if (is.isEmpty()) {
      out.add(Difference.removed(kind, new Side(pageA, Word.join(was))));
    } else if (!glued(was).equals(glued(is))) {
      out.add(
          Difference.changed(
              kind, new Side(pageA, Word.join(was)), new Side(pageB, Word.join(is))));
    }
  }

  /** Where words are parted is not told by every format. */
  private static String glued(List<Word> words) {
    return String.join("", words.stream().map(Word::text).toList());
  }

  /** Words in a row that look otherwise are one difference. */
  private void looks(int[] m) {
    stretches(m, (x, y) -> !x.differing(y).isEmpty(), Kind.LOOK);
  }

  private void links(int[] m) {
    stretches(m, (x, y) -> !sameLink(x.link(), y.link()), Kind.LINK);
  }

  /** Where in a document a link leads is told by the words that stand there, if by any. */
  private static boolean sameLink(String x, String y) {
    boolean inside = x.startsWith("#") && y.startsWith("#");
    return x.equals(y) || inside && (x.startsWith(y) || y.startsWith(x));
  }

  private interface Differs {
    boolean between(Word x, Word y);
  }

  private void stretches(int[] m, Differs differs, Kind kind) {
    var was = new ArrayList<Word>();
    var is = new ArrayList<Word>();
    for (int i = 0; i <= m.length; i++) {
      boolean other = i < m.length && m[i] >= 0 && differs.between(a.get(i), b.get(m[i]));
      if (other) {
        was.add(a.get(i));
        is.add(b.get(m[i]));
      } else if (!was.isEmpty() && (i == m.length || m[i] >= 0)) {
        Side x = new Side(pageA, said(kind, was));
        Side y = new Side(pageB, said(kind, is));
        boolean fresh = kind == Kind.LINK && was.getFirst().link().isEmpty();
        boolean gone = kind == Kind.LINK && is.getFirst().link().isEmpty();
        out.add(
            fresh
                ? Difference.added(kind, y)
                : gone
                    ? Difference.removed(kind, x)
                    : Difference.changed(kind, x, y, about(kind, was, is)));
        was.clear();
        is.clear();
      }
    }
  }

  private static Set<About> about(Kind kind, List<Word> was, List<Word> is) {
    var all = EnumSet.noneOf(About.class);
    for (int k = 0; kind == Kind.LOOK && k < was.size(); k++) {
      all.addAll(was.get(k).differing(is.get(k)));
    }
    return all;
  }

  private static String said(Kind kind, List<Word> words) {
    String link = words.getFirst().link();
    return kind == Kind.LINK && !link.isEmpty()
        ? Word.join(words) + " \u2192 " + link
        : Word.join(words);
  }
}
