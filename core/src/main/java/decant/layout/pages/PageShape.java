package decant.layout.pages;

import decant.layout.item.Fragment;
import decant.model.Box;
import decant.model.Columns;
import decant.model.PageSetup;
import java.util.ArrayList;
import java.util.List;

/** What is done to a page as a whole once its text stands on it. */
final class PageShape {
  private PageShape() {}

  /** The lines between columns that end at a height; none where the section asks for none. */
  static List<Box> columnRules(PageSetup p, double top, double lowest) {
    var out = new ArrayList<Box>();
    Columns columns = p.columns();
    double room = p.textWidth();
    for (int c = 1; columns.rule() && lowest > top && c < columns.count(); c++) {
      double end = columns.start(c - 1, room) + columns.width(c - 1, room);
      double x = p.margins().left() + (end + columns.start(c, room)) / 2;
      out.add(new Box(x - 0.25, top, 0.5, lowest - top));
    }
    return out;
  }

  /**
   * The body moved down where the section asks for it and the page is not full.
   *
   * @param slack the room that is left below it
   */
  static List<Fragment> aligned(List<Fragment> body, PageSetup p, double slack) {
    double share =
        switch (p.alignment()) {
          case TOP -> 0;
          case CENTRE -> 0.5;
          case BOTTOM -> 1;
        };
    return share > 0 && slack > 0 && !body.isEmpty()
        ? new ArrayList<>(body.stream().map(f -> f.moved(0, slack * share)).toList())
        : body;
  }
}
