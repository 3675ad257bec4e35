package decant.pdf.read;

import decant.model.Box;
import decant.model.Colour;
import decant.model.Link;
import java.util.Optional;

/**
 * One glyph as it stands on a page.
 *
 * @param text its characters; empty if the file does not tell
 * @param x left edge
 * @param baseline height of its baseline
 * @param width its advance
 * @param size size of the font as shown
 * @param quarter how many quarter turns its line is turned clockwise
 * @param content number of the marked content it belongs to; -1 for none
 * @param artifact marked as no part of the text
 */
record Glyph(
    String text,
    double x,
    double baseline,
    double width,
    double size,
    SourceFace face,
    Colour colour,
    int quarter,
    int content,
    boolean artifact,
    boolean underlined,
    Optional<Link> link) {
  double right() {
    return x + width;
  }

  Glyph withUnderline() {
    return new Glyph(
        text, x, baseline, width, size, face, colour, quarter, content, artifact, true, link);
  }

  Glyph withLink(Link to) {
    return new Glyph(
        text,
        x,
        baseline,
        width,
        size,
        face,
        colour,
        quarter,
        content,
        artifact,
        underlined,
        Optional.of(to));
  }

  /** Whether its middle stands in a box. It has to be upright. */
  boolean standsIn(Box b) {
    return b.contains(x + width / 2, baseline - size * 0.3);
  }

  boolean isSpace() {
    return text.isBlank();
  }
}
