package decant.layout.item;

import decant.model.Box;
import decant.model.PageSetup;

/**
 * What places beside the flow are measured from, in the coordinates of whatever they stand in.
 *
 * @param page the paper
 * @param margins what its margins leave
 * @param column the left edge of the column
 * @param onPage whether it is a page, whose end things keep within
 */
public record Area(Box page, Box margins, double column, double columnWidth, boolean onPage) {
  /** A column of a page; coordinates are the page's. */
  public static Area column(PageSetup s, double column, double width) {
    return new Area(paper(s), margins(s), column, width, true);
  }

  /** A running text whose top left corner stands at a place of the page. */
  public static Area running(PageSetup s, double x, double y) {
    return new Area(paper(s).moved(-x, -y), margins(s).moved(-x, -y), 0, s.textWidth(), false);
  }

  /** Something that knows nothing of the page: a cell, a shape. */
  public static Area inside(double x, double top, double width) {
    var box = new Box(x, top, width, 0);
    return new Area(box, box, x, width, false);
  }

  private static Box paper(PageSetup s) {
    return new Box(0, 0, s.width(), s.height());
  }

  private static Box margins(PageSetup s) {
    return new Box(s.margins().left(), s.margins().top(), s.textWidth(), s.textHeight());
  }
}
