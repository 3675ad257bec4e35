package decant.compare;

import decant.compare.Difference.Kind;
import decant.compare.Difference.Side;
import decant.paint.PaintedPages;
import decant.paint.SeenChange;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * What pages are told apart by that their documents do not tell: their size, and what is only to be
 * seen. That is looked for on pages on which nothing else differs. Where text stands counts on
 * pages with the same letters, if both versions flow or neither does.
 */
final class SeenChanges {
  /** A sheet that is so much larger or smaller, in points, is another one. */
  private static final double SHEET = 2;

  private final PaintedPages a;
  private final PaintedPages b;
  private final boolean alike;
  private final List<Difference> out = new ArrayList<>();

  private SeenChanges(PaintedPages a, PaintedPages b, boolean alike) {
    this.a = a;
    this.b = b;
    this.alike = alike;
  }

  /**
   * Those of two versions with as many pages.
   *
   * @param alike whether both flow, or neither
   * @param listed what is known to differ
   * @throws IOException if a page cannot be painted
   */
  static List<Difference> of(PaintedPages a, PaintedPages b, boolean alike, List<Difference> listed)
      throws IOException {
    var changes = new SeenChanges(a, b, alike);
    Set<Integer> differing = new HashSet<>();
    for (Difference d : listed) {
      d.a().ifPresent(s -> differing.add(s.page()));
      d.b().ifPresent(s -> differing.add(s.page()));
    }
    for (int page = 0; page < a.count(); page++) {
      changes.page(page, differing.contains(page + 1));
    }
    return changes.out;
  }

  private void page(int page, boolean differs) throws IOException {
    if (Math.abs(a.width(page) - b.width(page)) > SHEET
        || Math.abs(a.height(page) - b.height(page)) > SHEET) {
      out.add(Difference.changed(Kind.PAGE, sheet(a, page), sheet(b, page), Set.of(About.SHEET)));
    } else if (!differs && isSeen(page)) {
      out.add(Difference.changed(Kind.DRAWING, new Side(page + 1, ""), new Side(page + 1, "")));
    }
  }

  private static Side sheet(PaintedPages pages, int page) {
    return new Side(
        page + 1,
        Math.round(pages.width(page)) + " \u00D7 " + Math.round(pages.height(page)) + " pt");
  }

  private boolean isSeen(int page) throws IOException {
    if (!alike) {
      return SeenChange.between(a, page, b, page, false, false).isPresent();
    }
    PaintedPages.Written was = a.written(page);
    PaintedPages.Written is = b.written(page);
    boolean whole = was.letters().equals(is.letters());
    return whole && !was.figures().equals(is.figures()) // of numbers of pages no more is known
        || SeenChange.between(a, page, b, page, true, whole).isPresent();
  }
}
