package decant.pdf.read;

import decant.model.Box;

/**
 * A shape drawn on a page.
 *
 * @param free whether most of its outline is curved or slanting: no ruled line, no upright box
 * @param filled whether its inside is painted
 * @param content number of the marked content it belongs to; -1 for none
 */
record Painted(Box box, boolean free, boolean filled, int content) {
  /** Whether it is a bar or a block rather than a line. */
  boolean solid() {
    return filled && Math.min(box.width(), box.height()) > 3;
  }
}
