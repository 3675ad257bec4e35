package decant.clip;

import decant.model.look.Look;

/**
 * What holds for what stands in an element.
 *
 * @param text of letters
 * @param paragraph of paragraphs, as far as elements within have it from those around them
 * @param kept whether spaces and line ends are kept as they are
 * @param depth how many elements it stands in
 */
record HtmlAround(Look text, Look paragraph, boolean kept, int depth) {
  /** As deep as elements are followed; deeper ones are no document of a person's. */
  private static final int DEEPEST = 200;

  static final HtmlAround PAGE = new HtmlAround(Look.PLAIN, Look.PLAIN, false, 0);

  HtmlAround with(Look otherText, Look otherParagraph) {
    return new HtmlAround(otherText, otherParagraph, kept, depth + 1);
  }

  HtmlAround keeping() {
    return new HtmlAround(text, paragraph, true, depth);
  }

  boolean isTooDeep() {
    return depth >= DEEPEST;
  }
}
