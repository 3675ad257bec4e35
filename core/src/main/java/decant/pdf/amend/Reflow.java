package decant.pdf.amend;

import decant.pdf.amend.line.AmendLimits;
import decant.pdf.amend.line.Letter;
import decant.pdf.amend.line.Room;
import decant.pdf.amend.line.Row;
import decant.pdf.amend.line.Show;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;

/**
 * Words that a line has no room for go on in the lines below it, as far as its paragraph goes: no
 * line is added. Only where all of these lines look the same, so that no word changes its looks.
 */
final class Reflow {
  private final List<Row> rows;
  private final Function<Row, Room> room;
  private final ToDoubleFunction<String> width;

  /**
   * @param rows all of the page
   * @param room that a line has
   * @param width of words in the looks of the line, with usual gaps, in points
   */
  Reflow(List<Row> rows, Function<Row, Room> room, ToDoubleFunction<String> width) {
    this.rows = rows;
    this.room = room;
    this.width = width;
  }

  /**
   * The changes that make a line, and those below it, say a text and go on as before.
   *
   * @return empty if the paragraph has no room for it, or does not look the same throughout
   */
  Optional<List<Edit>> of(Row row, String text) {
    List<String> left = new ArrayList<>(ChangedWords.of(text));
    var out = new ArrayList<Edit>();
    Row at = row;
    Optional<Row> next = next(at);
    while (true) {
      if (at != row) {
        left.addAll(ChangedWords.of(LineDifference.text(at)));
      }
      int fit = next.isEmpty() && fits(at, left, left.size()) ? left.size() : fit(at, left);
      if (fit == 0) {
        return Optional.empty();
      }
      String here = String.join(" ", left.subList(0, fit));
      left.subList(0, fit).clear();
      LineDifference.between(at, here).ifPresent(out::add);
      if (left.isEmpty()) {
        return Optional.of(out);
      }
      if (next.isEmpty()) {
        return Optional.empty();
      }
      at = next.get();
      next = next(at);
    }
  }

  private boolean fits(Row at, List<String> words, int n) {
    Room r = room.apply(at);
    return width.applyAsDouble(String.join(" ", words.subList(0, n))) <= r.right() - at.left();
  }

  /** How many words a line takes. */
  private int fit(Row at, List<String> words) {
    int n = words.size();
    while (n > 0 && !fits(at, words, n)) {
      n--;
    }
    return n;
  }

  /** The line that a paragraph goes on with. */
  private Optional<Row> next(Row row) {
    return rows.stream()
        .filter(r -> r != row && r.angle() == row.angle())
        .filter(r -> Math.abs(r.size() - row.size()) < 0.02 * row.size())
        .filter(r -> r.v() < row.v() && row.v() - r.v() < AmendLimits.NEXT_PITCH * row.size())
        .filter(r -> Math.abs(r.left() - row.left()) < indent(row))
        .max(Comparator.comparingDouble(Row::v))
        .filter(r -> alike(row, r) && !parted(row) && isFull(row, r));
  }

  /** A first line may be set in or out. */
  private static double indent(Row row) {
    return 3 * row.size();
  }

  /** Whether all letters of both are in one font and size. */
  private static boolean alike(Row a, Row b) {
    Show.State like = a.letters().getFirst().show.state;
    return all(a, like) && all(b, like);
  }

  private static boolean all(Row r, Show.State like) {
    return r.letters().stream()
        .map(l -> l.show.state)
        .allMatch(
            s -> s.font() == like.font() && s.size() == like.size() && s.rise() == like.rise());
  }

  /** What a hyphen parts at the end of a line may be one word: it stays where it is. */
  private static boolean parted(Row row) {
    Letter last = row.letters().get(row.seen() - 1);
    return last.text.matches(".*[-\u00AD\u2010]");
  }

  /** Whether a line ends because the next word had no room in it: else the paragraph ends there. */
  private boolean isFull(Row row, Row next) {
    List<String> words = ChangedWords.of(LineDifference.text(next));
    if (words.isEmpty()) {
      return false;
    }
    double column = Math.max(row.right(), Math.max(next.right(), room.apply(row).right()));
    return row.right() + width.applyAsDouble("n " + words.getFirst()) > column;
  }
}
