package decant.model;

import decant.model.look.Colour;
import decant.model.look.Rules;
import decant.model.look.VerticalAlignment;

/**
 * The paper of a section, in points.
 *
 * @param background colour of the paper; white for none
 * @param alignment where text stands on a page that it does not fill
 * @param grid the distance of the lines that text snaps to; 0 for none
 */
public record PageSetup(
    double width,
    double height,
    Margins margins,
    Columns columns,
    PageNumbers numbers,
    Borders borders,
    Colour background,
    VerticalAlignment alignment,
    double grid) {
  /**
   * How far text keeps from the edges of the paper.
   *
   * @param header from the upper edge to the header
   * @param footer from the lower edge to the footer
   */
  public record Margins(
      double top, double right, double bottom, double left, double header, double footer) {
    /** An inch on each side, and half of it to header and footer. */
    public static final Margins INCH = new Margins(72, 72, 72, 72, 36, 36);
  }

  /**
   * Lines around the page.
   *
   * @param fromEdge whether their space is measured from the paper's edge rather than from the text
   */
  public record Borders(Rules rules, boolean fromEdge) {
    public static final Borders NONE = new Borders(Rules.UNSAID, false);
  }

  /** ISO 216 A4 with margins of an inch. */
  public static final PageSetup A4 = plain(595.28, 841.89, Margins.INCH);

  /** Paper with one column and nothing drawn on it. */
  public static PageSetup plain(double width, double height, Margins margins) {
    return new PageSetup(
        width,
        height,
        margins,
        Columns.ONE,
        PageNumbers.PLAIN,
        Borders.NONE,
        Colour.WHITE,
        VerticalAlignment.TOP,
        0);
  }

  /** Width between the margins; at least an inch, whatever a file says. */
  public double textWidth() {
    return Math.max(72, width - margins.left() - margins.right());
  }

  /** Height between the margins; at least an inch, whatever a file says. */
  public double textHeight() {
    return Math.max(72, height - margins.top() - margins.bottom());
  }

  /** This paper with text in other columns. */
  public PageSetup withColumns(Columns others) {
    return with(margins, others, numbers);
  }

  /** Paper of another size with the same margins. */
  public PageSetup withSize(double otherWidth, double otherHeight) {
    return new PageSetup(
        otherWidth, otherHeight, margins, columns, numbers, borders, background, alignment, grid);
  }

  /** This paper with its pages numbered otherwise. */
  public PageSetup withNumbers(PageNumbers others) {
    return with(margins, columns, others);
  }

  /** This paper with other margins above and below the text. */
  public PageSetup withMargins(double top, double bottom) {
    var m = margins;
    return withMargins(new Margins(top, m.right(), bottom, m.left(), m.header(), m.footer()));
  }

  /** This paper with other margins. */
  public PageSetup withMargins(Margins others) {
    return with(others, columns, numbers);
  }

  private PageSetup with(Margins newMargins, Columns newColumns, PageNumbers newNumbers) {
    return new PageSetup(
        width, height, newMargins, newColumns, newNumbers, borders, background, alignment, grid);
  }
}
