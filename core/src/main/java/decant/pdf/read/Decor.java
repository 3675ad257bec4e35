package decant.pdf.read;

import decant.model.Colour;
import java.util.Optional;

/**
 * What is drawn about a glyph.
 *
 * @param underlined a line runs below it
 * @param struck a line runs through it
 * @param highlight the colour that it stands on, if that is its own
 * @param leader dots fill it, if it is a gap
 */
record Decor(boolean underlined, boolean struck, Optional<Colour> highlight, boolean leader) {
  static final Decor NONE = new Decor(false, false, Optional.empty());

  /** What is drawn about a letter. */
  Decor(boolean underlined, boolean struck, Optional<Colour> highlight) {
    this(underlined, struck, highlight, false);
  }

  /** This for a gap that dots fill. */
  Decor dotted() {
    return new Decor(underlined, struck, highlight, true);
  }

  /** All that either of two is. */
  Decor and(Decor other) {
    return new Decor(
        underlined || other.underlined,
        struck || other.struck,
        other.highlight.isPresent() ? other.highlight : highlight);
  }

  /** What two neighbours have both. */
  Decor shared(Decor other) {
    return equals(other)
        ? this
        : new Decor(
            underlined && other.underlined,
            struck && other.struck,
            highlight.equals(other.highlight) ? highlight : Optional.empty());
  }
}
