package decant.pdf.amend.setting;

import decant.pdf.amend.line.Letter;
import decant.pdf.amend.line.LettersOfFont;
import decant.pdf.amend.line.Row;
import decant.pdf.amend.line.Show;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * How a line stands after it was changed.
 *
 * @param places where letters begin along the line, for those that stay
 * @param gone letters that go
 * @param words that come, each with its place
 * @param scale of the size of all letters, 1 for as before
 * @param nearer by how much letters of words that come are nearer to one another, in points
 * @param tightened whether gaps or letters are nearer than they were
 */
public record Setting(
    Row row,
    Map<Letter, Double> places,
    Set<Letter> gone,
    List<Placed> words,
    double scale,
    double nearer,
    boolean tightened) {
  /**
   * A word that comes into a line.
   *
   * @param brought the font that is brought for it; empty where the letters are in the font that
   *     stood there
   * @param width on the page, in points, with the spacing between its letters
   * @param like the letter whose looks it takes
   */
  public record Word(
      String text,
      List<LettersOfFont.Code> codes,
      Optional<SubstituteFont> brought,
      double width,
      Letter like) {}

  /**
   * A word in its place.
   *
   * @param before the letter that went and whose operator shows it
   * @param u where it begins along the line
   */
  public record Placed(Word word, Letter before, double u) {}

  public boolean holds(Letter l) {
    return gone.contains(l) || places.containsKey(l) || row.letters().contains(l);
  }

  /** Less than this is not seen, in points. */
  private static final double MOVED = 0.005;

  /** Whether an operator shows anything of the line otherwise than before. */
  public boolean changes(Show show) {
    return show.letters.stream()
        .anyMatch(l -> {
          Double u = places.get(l);
          return gone.contains(l) || u != null && (scale != 1 || Math.abs(u - l.u) > MOVED);
        });
  }

  public static <V> Map<Letter, V> letters() {
    return new IdentityHashMap<>();
  }
}
