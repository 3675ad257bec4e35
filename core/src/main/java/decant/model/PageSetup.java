package decant.model;

import decant.model.look.Colour;
import decant.model.look.Rules;
import decant.model.look.VerticalAlignment;

/**
 * The paper of a section, in points. Header and footer distances are from the edge of the paper.
 *
 * @param borders lines around the page; their space is measured as {@code bordersFromEdge} says
 * @param bordersFromEdge whether borders keep their distance from the paper's edge rather than from
 *     the text
 * @param background colour of the paper; white for none
 * @param alignment where text stands on a page that it does not fill
 * @param grid the distance of the lines that text snaps to; 0 for none
 */
public record PageSetup(
    double width,
    double height,
    double top,
    double right,
    double bottom,
    double left,
    double header,
    double footer,
    Columns columns,
    PageNumbers numbers,
    Rules borders,
    boolean bordersFromEdge,
    Colour background,
    VerticalAlignment alignment,
    double grid) {
  /** ISO 216 A4 with margins of an inch. */
  public static final PageSetup A4 = new PageSetup(595.28, 841.89, 72, 72, 72, 72, 36, 36);

  /** Paper with one column and nothing drawn on it. */
  public PageSetup(
      double width,
      double height,
      double top,
      double right,
      double bottom,
      double left,
      double header,
      double footer) {
    this(
        width,
        height,
        top,
        right,
        bottom,
        left,
        header,
        footer,
        Columns.ONE,
        PageNumbers.PLAIN,
        Rules.UNSAID,
        false,
        Colour.WHITE,
        VerticalAlignment.TOP,
        0);
  }

  /** Width between the margins; at least an inch, whatever a file says. */
  public double textWidth() {
    return Math.max(72, width - left - right);
  }

  /** Height between the margins; at least an inch, whatever a file says. */
  public double textHeight() {
    return Math.max(72, height - top - bottom);
  }

  /** This paper with text in other columns. */
  public PageSetup withColumns(Columns others) {
    return with(top, bottom, others, numbers);
  }

  /** This paper with its pages numbered otherwise. */
  public PageSetup withNumbers(PageNumbers others) {
    return with(top, bottom, columns, others);
  }

  /** This paper with other margins above and below the text. */
  public PageSetup withMargins(double newTop, double newBottom) {
    return with(newTop, newBottom, columns, numbers);
  }

  private PageSetup with(
      double newTop, double newBottom, Columns newColumns, PageNumbers newNumbers) {
    return new PageSetup(
        width,
        height,
        newTop,
        right,
        newBottom,
        left,
        header,
        footer,
        newColumns,
        newNumbers,
        borders,
        bordersFromEdge,
        background,
        alignment,
        grid);
  }
}
