package decant.pdf.amend.setting;

import decant.pdf.amend.line.AmendLimits;
import decant.pdf.amend.line.Room;
import decant.pdf.amend.line.Row;
import decant.pdf.amend.line.Show;
import decant.text.DividedWords;
import decant.text.DividedWords.Hyphen;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.Optional;

/**
 * Words that a line has no room for go on in the lines below it, as far as its paragraph goes: no
 * line is added. Only where all of these lines look the same and none is a link, so that no word
 * changes its looks and no link its words.
 */
public final class Reflow {
  /** So much over its room is not seen, in points. */
  private static final double UNSEEN = 0.05;

  private final List<Row> rows;
  private final Page page;

  /** What is asked of the page. */
  public interface Page {
    Room room(Row row);

    /** How wide words are in the looks of a line, with usual gaps, in points. */
    double width(String words, Row like);

    /** What a line is to say, before words go on from it. */
    String text(Row row);

    boolean isLink(Row row);

    /** What a hyphen at the end of a line parts. */
    Hyphen between(String head, String tail);
  }

  /**
   * How lines stand then.
   *
   * @param rows all that were gone through, changed or not
   */
  public record Flowed(List<Edit> edits, List<Row> rows) {}

  /**
   * A word; where a hyphen parts it at the end of its line, two.
   *
   * @param whole empty where it is not known whether the hyphen is part of it
   */
  private record Token(Optional<String> whole, Optional<Parted> parted) {
    private static Token of(String word) {
      return new Token(Optional.of(word), Optional.empty());
    }
  }

  private record Parted(String head, String tail) {}

  /**
   * @param rows all of the page
   */
  public Reflow(List<Row> rows, Page page) {
    this.rows = rows;
    this.page = page;
  }

  /**
   * The changes that make a line, and those below it, say what they are to say and go on as before.
   *
   * @return empty if the paragraph has no room for it, or does not look the same throughout
   */
  public Optional<Flowed> from(Row row) {
    Deque<Token> left = new ArrayDeque<>();
    var edits = new ArrayList<Edit>();
    var through = new ArrayList<Row>();
    boolean firstTaken = false;
    for (Optional<Row> at = Optional.of(row); at.isPresent(); ) {
      Row here = at.get();
      through.add(here);
      Optional<Row> next = next(here);
      List<String> words = ChangedWords.of(page.text(here));
      words = firstTaken && !words.isEmpty() ? words.subList(1, words.size()) : words;
      firstTaken = gather(words, next, left);
      List<String> line = fit(here, left);
      if (line.isEmpty() || !left.isEmpty() && next.isEmpty()) {
        return Optional.empty();
      }
      LineDifference.between(here, String.join(" ", line)).ifPresent(edits::add);
      if (left.isEmpty() && !firstTaken) {
        return Optional.of(new Flowed(edits, through));
      }
      at = next;
    }
    return Optional.empty();
  }

  /**
   * Adds the words of a line.
   *
   * @return whether the last of them has its end in the next line
   */
  private boolean gather(List<String> words, Optional<Row> next, Deque<Token> left) {
    for (int k = 0; k < words.size(); k++) {
      String word = words.get(k);
      List<String> below =
          k == words.size() - 1 && next.isPresent()
              ? ChangedWords.of(page.text(next.get()))
              : List.of();
      if (!below.isEmpty() && isParted(word, below.getFirst())) {
        left.add(parted(word, below.getFirst()));
        return true;
      }
      left.add(Token.of(word));
    }
    return false;
  }

  /** Whether a hyphen stands within a word there: a dash between two does not. */
  private static boolean isParted(String head, String tail) {
    int before = head.length() - 2;
    return DividedWords.endsInHyphen(head)
        && before >= 0
        && Character.isLetterOrDigit(head.charAt(before))
        && Character.isLetterOrDigit(tail.codePointAt(0));
  }

  private Token parted(String head, String tail) {
    String bare = head.substring(0, head.length() - 1);
    // Programs divide words between small letters alone: "North-East" keeps its hyphen.
    boolean small =
        Character.isLowerCase(tail.codePointAt(0))
            && Character.isLetter(head.charAt(head.length() - 2));
    Optional<String> whole =
        switch (small ? page.between(head, tail) : Hyphen.STAYS) {
          case GOES -> Optional.of(bare + tail);
          case STAYS -> Optional.of(head + tail);
          case UNKNOWN -> Optional.empty();
        };
    return new Token(whole, Optional.of(new Parted(head, tail)));
  }

  /** Takes the words that a line has room for. */
  private List<String> fit(Row at, Deque<Token> words) {
    var line = new ArrayList<String>();
    while (!words.isEmpty()) {
      Token t = words.poll();
      if (t.whole.isPresent() && fits(at, line, t.whole.get())) {
        line.add(t.whole.get());
        continue;
      }
      if (t.parted.isPresent() && fits(at, line, t.parted.get().head)) {
        line.add(t.parted.get().head);
        words.push(Token.of(t.parted.get().tail));
      } else {
        words.push(t);
      }
      return line;
    }
    return line;
  }

  private boolean fits(Row at, List<String> line, String word) {
    String words = line.isEmpty() ? word : String.join(" ", line) + " " + word;
    return page.width(words, at) <= page.room(at).right() - at.left() + UNSEEN;
  }

  /** The line that a paragraph goes on with. */
  private Optional<Row> next(Row row) {
    return rows.stream()
        .filter(r -> r != row && r.angle() == row.angle())
        .filter(r -> Math.abs(r.size() - row.size()) < 0.02 * row.size())
        .filter(r -> r.v() < row.v() && row.v() - r.v() < AmendLimits.NEXT_PITCH * row.size())
        .filter(r -> Math.abs(r.left() - row.left()) < indent(row))
        .max(Comparator.comparingDouble(Row::v))
        .filter(r ->
            !isPartOfWord(r)
                && alike(row, r)
                && !page.isLink(row)
                && !page.isLink(r)
                && isFull(row, r));
  }

  /** Whether a line is the middle of one word that two hyphens part. */
  private static boolean isPartOfWord(Row r) {
    String text = LineDifference.text(r);
    return DividedWords.endsInHyphen(text) && ChangedWords.of(text).size() == 1;
  }

  /** A first line may be set in or out. */
  private static double indent(Row row) {
    return 3 * row.size();
  }

  /** Whether all letters of both look the same. */
  private static boolean alike(Row a, Row b) {
    Show like = a.letters().getFirst().show;
    return all(a, like) && all(b, like);
  }

  private static boolean all(Row r, Show like) {
    return r.letters().stream().allMatch(l -> l.show == like || l.show.looksLike(like));
  }

  /** Whether a line ends because the next word had no room in it: else the paragraph ends there. */
  private boolean isFull(Row row, Row next) {
    List<String> words = ChangedWords.of(LineDifference.text(next));
    if (words.isEmpty()) {
      return false;
    }
    List<String> here = ChangedWords.of(LineDifference.text(row));
    if (!here.isEmpty() && isParted(here.getLast(), words.getFirst())) {
      return true;
    }
    double column = Math.max(row.right(), Math.max(next.right(), page.room(row).right()));
    return row.right() + page.width("n " + words.getFirst(), row) > column;
  }
}
