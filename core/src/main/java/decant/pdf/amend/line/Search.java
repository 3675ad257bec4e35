package decant.pdf.amend.line;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Finds words in the lines of a page: exact case, whole words, over the ends of lines, where a word
 * may be parted by a hyphen.
 */
public final class Search {
  private final List<Row> rows;
  private final int[] wanted;

  private Search(List<Row> rows, String words) {
    this.rows = rows;
    this.wanted = Plain.of(words).strip().replaceAll(" +", " ").codePoints().toArray();
  }

  /** In the order of the lines, none reaching into another. */
  public static List<Found> in(List<Row> rows, String words) {
    var s = new Search(rows, words);
    var out = new ArrayList<Found>();
    if (s.wanted.length == 0) {
      return out;
    }
    var taken = new java.util.HashSet<Letter>();
    for (Row r : rows) {
      for (int k = 0; k < r.seen(); k++) {
        Optional<Found> f = s.at(r, k);
        boolean free =
            f.isPresent()
                && f.get().pieces().stream()
                    .allMatch(p -> p.letters().stream().noneMatch(taken::contains));
        if (free) {
          f.get().pieces().forEach(p -> taken.addAll(p.letters()));
          out.add(f.get());
        }
      }
    }
    return out;
  }

  /** How far a match has come. */
  private static final class State {
    private final List<Found.Piece> pieces = new ArrayList<>();
    private Row row;
    private int at;
    private int from;
    private int word;

    private State(Row row, int at) {
      this.row = row;
      this.at = at;
      this.from = at;
    }

    private boolean ended() {
      return at >= row.seen();
    }

    private Letter letter() {
      return row.letters().get(at);
    }

    private void close() {
      if (at > from) {
        pieces.add(new Found.Piece(row, from, at, word));
      }
      from = at;
    }

    private void goTo(Row other) {
      row = other;
      at = 0;
      from = 0;
    }
  }

  private Optional<Found> at(Row row, int from) {
    Letter first = row.letters().get(from);
    if (first.text.isEmpty() || first.isSpace()) {
      return Optional.empty();
    }
    if (first.text.length() > wanted.length && saysWithin(first.text)) {
      return Optional.of(new Found(List.of(new Found.Piece(row, from, from + 1, 0)), false));
    }
    if (first.text.codePointAt(0) != wanted[0] || !startsWord(row, from)) {
      return Optional.empty();
    }
    var s = new State(row, from);
    int k = 0;
    while (k < wanted.length) {
      if (wanted[k] == ' ') {
        s.close();
        if (!space(s)) {
          return Optional.empty();
        }
        s.word++;
        k++;
        continue;
      }
      if (!reach(s, k)) {
        return Optional.empty();
      }
      int[] said = s.letter().text.codePoints().toArray();
      for (int c = 0; c < said.length; c++, k++) {
        if (k >= wanted.length) {
          boolean inside = Plain.isOfWord(said[c]) && Plain.isOfWord(wanted[wanted.length - 1]);
          s.at++;
          s.close();
          return inside ? Optional.empty() : Optional.of(new Found(s.pieces, false));
        }
        if (said[c] != wanted[k]) {
          return Optional.empty();
        }
      }
      s.at++;
    }
    passSilent(s);
    if (!endsWord(s)) {
      return Optional.empty();
    }
    s.close();
    return Optional.of(new Found(s.pieces, true));
  }

  /** Letters whose text another says belong to the word. */
  private static void passSilent(State s) {
    while (!s.ended() && s.letter().text.isEmpty()) {
      s.at++;
    }
  }

  /** Goes to where the next letter of a word stands, at the end of a line to the next. */
  private boolean reach(State s, int k) {
    passSilent(s);
    boolean first = s.at == s.from;
    if (!s.ended() && !first && s.row.isApart(s.at)) {
      return false;
    }
    boolean parted =
        !s.ended()
            && s.at == s.row.seen() - 1
            && isHyphen(s.letter().text)
            && s.letter().text.codePointAt(0) != wanted[k];
    boolean afterHyphen =
        s.ended() && !first && isHyphen(s.row.letters().get(s.row.seen() - 1).text);
    if (parted && !first || afterHyphen) {
      if (parted) {
        s.at++;
      }
      s.close();
      Row next = next(s.row);
      if (next == null) {
        return false;
      }
      s.goTo(next);
      return true;
    }
    return !s.ended();
  }

  /** Passes what parts two words. */
  private boolean space(State s) {
    passSilent(s);
    if (s.ended()) {
      Row next = next(s.row);
      if (next == null) {
        return false;
      }
      s.goTo(next);
      return true;
    }
    if (!s.row.isApart(s.at)) {
      return false;
    }
    while (!s.ended() && s.letter().isSpace()) {
      s.at++;
    }
    s.from = s.at;
    return !s.ended();
  }

  private boolean saysWithin(String text) {
    String words = new String(wanted, 0, wanted.length);
    int at = text.indexOf(words);
    while (at >= 0) {
      int end = at + words.length();
      boolean before = at == 0 || !joins(text.codePointBefore(at), wanted[0]);
      boolean after =
          end == text.length() || !joins(text.codePointAt(end), wanted[wanted.length - 1]);
      if (before && after) {
        return true;
      }
      at = text.indexOf(words, at + 1);
    }
    return false;
  }

  /** Whether a figure beside a letter is the mark of a note: raised, and smaller or not. */
  private static boolean isMark(Letter figure, Letter beside) {
    return !figure.text.isEmpty()
        && Character.isDigit(figure.text.codePointAt(0))
        && beside.text.codePoints().allMatch(Character::isLetter)
        && figure.v - beside.v > AmendLimits.BASELINE * beside.show.size();
  }

  private static boolean joins(int beside, int edge) {
    return Plain.isOfWord(beside) && Plain.isOfWord(edge);
  }

  private boolean startsWord(Row row, int at) {
    if (row.isApart(at)) {
      return true;
    }
    String before = row.letters().get(at - 1).text;
    return before.isEmpty()
        ? !silentWord(row, at - 1)
        : isMark(row.letters().get(at - 1), row.letters().get(at))
            || !joins(before.codePointBefore(before.length()), wanted[0]);
  }

  /** Whether a letter that says nothing belongs to one before it that ends in a word. */
  private boolean silentWord(Row row, int at) {
    int k = at;
    while (k > 0 && row.letters().get(k).text.isEmpty()) {
      k--;
    }
    String said = row.letters().get(k).text;
    return !said.isEmpty() && joins(said.codePointBefore(said.length()), wanted[0]);
  }

  private boolean endsWord(State s) {
    if (s.ended() || s.row.isApart(s.at)) {
      return true;
    }
    return s.at > 0 && isMark(s.letter(), s.row.letters().get(s.at - 1))
        || !joins(s.letter().text.codePointAt(0), wanted[wanted.length - 1]);
  }

  private static boolean isHyphen(String text) {
    return text.equals("-") || text.equals("\u00AD");
  }

  /** The line below, where text goes on. */
  private @Nullable Row next(Row row) {
    Row best = null;
    for (Row r : rows) {
      double down = row.v() - r.v();
      boolean below =
          r.angle() == row.angle()
              && down > 0.5 * row.size()
              && down < AmendLimits.NEXT_LINE * row.size()
              && r.isBeside(row)
              && r.size() > 0.8 * row.size()
              && r.size() < 1.25 * row.size();
      if (below
          && (best == null || r.v() > best.v() || r.v() == best.v() && r.left() < best.left())) {
        best = r;
      }
    }
    return best;
  }
}
