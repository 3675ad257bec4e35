package decant.pdf.amend;

import decant.model.Box;

/**
 * A line of text on a page.
 *
 * @param index among the lines of the page
 * @param box where it stands on the page as it is shown, in points from its top left
 */
public record PageLine(int index, String text, Box box) {}
