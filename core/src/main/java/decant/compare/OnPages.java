package decant.compare;

import decant.compare.Difference.Change;
import decant.compare.Difference.Kind;
import decant.compare.Difference.Side;
import decant.picture.VectorPicture;
import java.util.List;
import java.util.Optional;

/**
 * What pages have otherwise than the document they are of, though it is there: text of shapes
 * stands in a drawing, and words are broken where a frame is narrow.
 */
final class OnPages {
  private final List<Difference> out;

  /**
   * @param out what was found to differ
   */
  OnPages(List<Difference> out) {
    this.out = out;
  }

  /** Takes off the list what the other version has in its own way. */
  void dropWhatIsThere(Edition a, Edition b) {
    out.removeIf(
        d -> isInPicture(d, Change.REMOVED, d.a(), b) || isInPicture(d, Change.ADDED, d.b(), a));
    for (Difference gone : List.copyOf(out)) {
      if (gone.kind() == Kind.TEXT && gone.change() == Change.REMOVED) {
        String said = letters(gone.a());
        out.stream()
            .filter(d -> d.kind() == Kind.TEXT && d.change() == Change.ADDED)
            .filter(d -> letters(d.b()).equals(said) && areNear(gone.a(), d.b()))
            .findFirst()
            .ifPresent(d -> {
              out.remove(gone);
              out.remove(d);
            });
      }
    }
  }

  private static boolean isInPicture(
      Difference d, Change change, Optional<Side> side, Edition other) {
    if (!other.paged() || d.kind() != Kind.TEXT || d.change() != change || side.isEmpty()) {
      return false;
    }
    String said = words(side.get().text());
    return other.pieces().stream()
        .anyMatch(p ->
            p instanceof Piece.Image i
                && i.page() == side.get().page()
                && VectorPicture.isVector(i.media().type()) // not what someone said of a picture
                && words(i.alt()).contains(said));
  }

  /** As words between spaces, so that none is found within another. */
  private static String words(String text) {
    return " " + text.strip().replaceAll("\\s+", " ") + " ";
  }

  /** The breaks of pages may be a little elsewhere. */
  private static boolean areNear(Optional<Side> a, Optional<Side> b) {
    return a.isPresent() && b.isPresent() && Math.abs(a.get().page() - b.get().page()) <= 1;
  }

  private static String letters(Optional<Side> side) {
    return side.map(s -> s.text().replaceAll("\\s+", "")).orElse("");
  }
}
