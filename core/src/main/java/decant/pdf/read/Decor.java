package decant.pdf.read;

import decant.model.Colour;
import java.util.Optional;

/**
 * What is drawn about a glyph.
 *
 * @param underlined a line runs below it
 * @param struck a line runs through it
 * @param highlight the colour that it stands on, if that is its own
 */
record Decor(boolean underlined, boolean struck, Optional<Colour> highlight) {
  static final Decor NONE = new Decor(false, false, Optional.empty());

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
