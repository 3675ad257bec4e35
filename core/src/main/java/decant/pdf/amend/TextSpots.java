package decant.pdf.amend;

import decant.model.Box;
import decant.model.look.Colour;
import decant.pdf.amend.line.AmendLimits;
import decant.pdf.amend.line.Row;
import decant.pdf.read.page.SourceFace;
import java.util.Comparator;
import java.util.List;
import java.util.function.Function;

/** Where text is put, and in which looks, by the lines that a page has. */
final class TextSpots {
  /** Lines further away do not tell what text should look like, in points. */
  private static final double FAR = 200;

  private TextSpots() {}

  /**
   * @param box of a line, on the page as it is shown
   * @param y what is to be in the middle of the line, unless one stands beside it
   */
  static TextSpot at(List<Row> rows, Function<Row, Box> box, double x, double y) {
    Row nearest =
        rows.stream()
            .filter(r -> r.seen() > 0 && r.size() > 0 && distance(box.apply(r), x, y) < FAR)
            .min(Comparator.comparingDouble(r -> distance(box.apply(r), x, y)))
            .orElse(null);
    if (nearest == null) {
      return TextSpot.plain(x, y);
    }
    SourceFace face = nearest.letters().getFirst().show.state.font().face();
    double size = Math.round(nearest.size() * 10) / 10.0;
    Box b = box.apply(nearest);
    boolean beside = b.height() < 2 * size && y >= b.y() && y <= b.bottom();
    double baseline =
        beside ? b.bottom() - AmendLimits.DESCENT * nearest.size() : y + TextSpot.middle(size);
    return new TextSpot(x, baseline, face.family(), face.bold(), face.italic(), size, Colour.BLACK);
  }

  private static double distance(Box b, double x, double y) {
    double dx = Math.max(0, Math.max(b.x() - x, x - b.right()));
    double dy = Math.max(0, Math.max(b.y() - y, y - b.bottom()));
    return Math.hypot(dx, dy);
  }
}
