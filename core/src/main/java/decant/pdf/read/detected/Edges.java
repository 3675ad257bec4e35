package decant.pdf.read.detected;

import decant.model.PageSetup;
import decant.pdf.read.page.Directions;
import decant.pdf.read.page.TextLine;

/**
 * The distances of a block's lines from the edges of the text area it stands in.
 *
 * @param beyond what the area itself is indented by
 * @param endsBefore how far before the text of its page it ends
 */
public record Edges(
    double left, double right, double beyond, double endsBefore, boolean rightToLeft) {
  public static Edges of(Detected.Text t, PageSetup setup, boolean rightToLeft) {
    double right = setup.width() - setup.margins().right();
    double margin =
        rightToLeft
            ? right - 4 - t.right()
            : t.left() - Math.min(t.left(), setup.margins().left() + 4);
    // What stands in a column further on has no indent.
    boolean columns = setup.columns().count() > 1;
    double rest = rightToLeft ? t.left() - setup.margins().left() : right - t.right();
    return new Edges(
        t.left(),
        t.right(),
        columns && margin > 56 ? 0 : Math.max(0, margin),
        columns ? 0 : Math.max(0, rest),
        rightToLeft);
  }

  /** The edges of an area for a line that need not run as its paragraph does. */
  public static Edges of(TextLine l, double left, double right) {
    return new Edges(left, right, 0, 0, Directions.lean(l) > 0);
  }

  public double start(TextLine l) {
    return rightToLeft ? right - l.box().right() : l.box().x() - left;
  }

  public double end(TextLine l) {
    return rightToLeft ? l.box().x() - left : right - l.box().right();
  }

  public double indent(TextLine l) {
    return start(l) + beyond;
  }

  /** The indent of what begins at a place on the page. */
  public double indentAt(double x) {
    return (rightToLeft ? right - x : x - left) + beyond;
  }

  /** The distance from the end edge of what ends at a place on the page. */
  public double endAt(double x) {
    return (rightToLeft ? x - left : right - x) + endsBefore;
  }
}
