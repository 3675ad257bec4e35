package decant.layout.item;

import java.util.List;

/**
 * One line of a paragraph.
 *
 * @param top from the top of the paragraph's first line
 * @param height to the top of the next line
 * @param baseline from the line's own top
 * @param left how much of the block's width is taken on its left by what stands beside it
 * @param right how much is taken on its right
 * @param from first place of the paragraph on it
 * @param to place after the last one; spaces and breaks at the end included
 * @param ends what ends with it, because the text asks for it
 */
public record Line(
    double top,
    double height,
    double baseline,
    double left,
    double right,
    int from,
    int to,
    List<Item> items,
    Ends ends) {
  /** What a line ends besides itself. */
  public enum Ends {
    NOTHING,
    COLUMN,
    PAGE
  }

  public Line {
    items = List.copyOf(items);
  }

  /** This line on a common baseline with others. */
  public Line leveled(double newHeight, double newBaseline) {
    return newHeight == height && newBaseline == baseline
        ? this
        : new Line(top, newHeight, newBaseline, left, right, from, to, items, ends);
  }

  /** This line at another height of its paragraph. */
  public Line at(double newTop) {
    return new Line(newTop, height, baseline, left, right, from, to, items, ends);
  }

  public double bottom() {
    return top + height;
  }
}
