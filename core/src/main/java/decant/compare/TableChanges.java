package decant.compare;

import decant.compare.Difference.Kind;
import decant.compare.Difference.Side;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;

/** What differs between two tables that stand for each other. */
final class TableChanges {
  /** So many cells of a table that look otherwise are told one by one. */
  private static final int CELLS = 3;

  private static final Pattern ITEM_LABEL =
      Pattern.compile("[\\u2022\\u25AA\\u25CF\\u25CB\\u25A0\\uF0B7\\uF0A7]|(\\d{1,2}|[a-z])[.)]");

  private final List<Difference> out;
  private final List<Difference> looks = new ArrayList<>();

  /**
   * @param out what was found to differ
   */
  TableChanges(List<Difference> out) {
    this.out = out;
  }

  void list(Piece.Grid a, Piece.Grid b) {
    var numbers = new Numbering();
    int[] x = a.rows().stream().mapToInt(r -> numbers.of(r.text())).toArray();
    int[] y = b.rows().stream().mapToInt(r -> numbers.of(r.text())).toArray();
    int[] m = Matching.of(x, y);
    int j = 0;
    for (int i = 0; i <= m.length; i++) {
      int to = i == m.length ? b.rows().size() : m[i];
      if (to < 0) {
        continue;
      }
      int from = i;
      while (from > 0 && m[from - 1] < 0) {
        from--;
      }
      rows(a, a.rows().subList(from, i), b, b.rows().subList(j, to));
      if (i < m.length) {
        cells(a, a.rows().get(i), b, b.rows().get(to));
        j = to + 1;
      }
    }
    looks(a, b);
  }

  /** Many cells that look otherwise are a table that does. */
  private void looks(Piece.Grid a, Piece.Grid b) {
    if (looks.size() > CELLS) {
      var about = EnumSet.noneOf(About.class);
      looks.forEach(d -> about.addAll(d.about()));
      looks.clear();
      looks.add(Difference.changed(Kind.LOOK, Comparison.side(a), Comparison.side(b), about));
    }
    out.addAll(looks);
    looks.clear();
  }

  private void looks(Piece.Grid a, Piece.Grid.Row was, Piece.Grid b, Piece.Grid.Row is) {
    for (int k = 0; k < Math.min(was.looks().size(), is.looks().size()); k++) {
      Set<About> about = was.looks().get(k).differing(is.looks().get(k));
      if (!about.isEmpty()) {
        looks.add(
            Difference.changed(
                Kind.LOOK,
                new Side(a.page(), said(was, k)),
                new Side(b.page(), said(is, k)),
                about));
      }
    }
  }

  /** An empty cell is told by its row. */
  private static String said(Piece.Grid.Row row, int cell) {
    String own = Word.join(row.cells().get(cell));
    return own.isEmpty() ? row.text() : own;
  }

  /** Rows between those that are the same: as many as can be stand for each other. */
  private void rows(Piece.Grid a, List<Piece.Grid.Row> was, Piece.Grid b, List<Piece.Grid.Row> is) {
    int j = 0;
    for (int i = 0; i < was.size(); i++) {
      int spare = is.size() - j - (was.size() - i);
      int best = j;
      for (int k = j; k <= j + Math.max(0, spare) && k < is.size(); k++) {
        if (shared(was.get(i), is.get(k)) > shared(was.get(i), is.get(best))) {
          best = k;
        }
      }
      boolean gone =
          j >= is.size() || shared(was.get(i), is.get(best)) == 0 && was.size() - i > is.size() - j;
      if (gone) {
        out.add(Difference.removed(Kind.TABLE, new Side(a.page(), was.get(i).text())));
        continue;
      }
      for (; j < best; j++) {
        out.add(Difference.added(Kind.TABLE, new Side(b.page(), is.get(j).text())));
      }
      cells(a, was.get(i), b, is.get(j++));
    }
    for (; j < is.size(); j++) {
      out.add(Difference.added(Kind.TABLE, new Side(b.page(), is.get(j).text())));
    }
  }

  private static int shared(Piece.Grid.Row a, Piece.Grid.Row b) {
    Set<String> cells = new HashSet<>();
    a.cells().forEach(c -> cells.add(Word.join(c)));
    return (int) b.cells().stream().filter(c -> cells.contains(Word.join(c))).count();
  }

  private void cells(Piece.Grid a, Piece.Grid.Row was, Piece.Grid b, Piece.Grid.Row is) {
    if (was.cells().size() == is.cells().size()) {
      looks(a, was, b, is);
      for (int k = 0; k < was.cells().size(); k++) {
        cell(a.page(), was.cells().get(k), b.page(), is.cells().get(k));
      }
      return;
    }
    var numbers = new Numbering();
    int[] x = was.cells().stream().mapToInt(c -> numbers.of(Word.join(c))).toArray();
    int[] y = is.cells().stream().mapToInt(c -> numbers.of(Word.join(c))).toArray();
    int[] m = Matching.of(x, y);
    var kept = new HashSet<Integer>();
    for (int k = 0; k < m.length; k++) {
      kept.add(m[k]);
      if (m[k] < 0 && !was.cells().get(k).isEmpty()) {
        out.add(Difference.removed(Kind.TABLE, new Side(a.page(), Word.join(was.cells().get(k)))));
      }
    }
    for (int k = 0; k < y.length; k++) {
      if (!kept.contains(k) && !is.cells().get(k).isEmpty()) {
        out.add(Difference.added(Kind.TABLE, new Side(b.page(), Word.join(is.cells().get(k)))));
      }
    }
  }

  /** A cell is one difference, however many of its words changed. */
  private void cell(int pageA, List<Word> was, int pageB, List<Word> is) {
    var words = new ArrayList<Difference>();
    WordChanges.list(Kind.TABLE, was, pageA, is, pageB, words);
    if (words.stream().anyMatch(d -> d.kind() == Kind.TABLE)
        && !unlabelled(was).equals(unlabelled(is))) {
      out.add(
          Difference.changed(
              Kind.TABLE, new Side(pageA, Word.join(was)), new Side(pageB, Word.join(is))));
    }
    words.stream().filter(d -> d.kind() != Kind.TABLE).forEach(out::add);
  }

  /** The labels of a list in a cell are words in files that have no lists in cells. */
  private static String unlabelled(List<Word> words) {
    return String.join(
        "", words.stream().map(Word::text).filter(t -> !ITEM_LABEL.matcher(t).matches()).toList());
  }
}
