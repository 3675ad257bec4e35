package decant.pdf.amend;

import decant.model.Box;

/**
 * A picture on a page.
 *
 * @param index among the pictures of the page
 * @param box where it stands on the page as it is shown, in points from its top left
 * @param drawing whether it is made of lines and areas rather than of dots
 */
public record PagePicture(int index, Box box, boolean drawing) {}
