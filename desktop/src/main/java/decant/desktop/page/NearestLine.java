package decant.desktop.page;

import decant.layout.Places;
import decant.layout.pages.Page;
import org.jspecify.annotations.Nullable;

/** The line of a page that a caret comes to next on its way up or down. */
final class NearestLine {
  private NearestLine() {}

  /**
   * @param from the height that it comes from, in points from the top of the page
   * @param by 1 for down, -1 for up
   * @param x where the caret stands across the page
   */
  static Places.@Nullable PlacedLine of(Page page, double from, int by, double x) {
    Places.PlacedLine best = null;
    double bestDistance = Double.MAX_VALUE;
    for (Places.PlacedLine l : Places.lines(page)) {
      double middle = (l.top() + l.bottom()) / 2;
      double dy = (middle - from) * by;
      if (from == Double.MAX_VALUE) {
        dy = page.setup().height() - middle;
      }
      boolean beside = x >= l.left() - 2 && x <= l.right() + 2;
      double distance = dy + (beside ? 0 : 200);
      if (dy > 1 && distance < bestDistance) {
        bestDistance = distance;
        best = l;
      }
    }
    return best;
  }
}
