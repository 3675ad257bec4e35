package decant.mark;

import decant.model.look.Media;

/**
 * A signature, initials or a stamp that is placed on pages.
 *
 * @param name what the person calls it
 * @param picture an SVG; a PNG with a clear ground where its colours cannot be drawn
 * @param width that it is placed in, in points
 * @param height in points
 */
public record Mark(String name, Kind kind, Media picture, double width, double height) {
  /** What a mark is for. */
  public enum Kind {
    SIGNATURE,
    INITIALS,
    STAMP
  }

  static final String SVG = "image/svg+xml";

  static final String PNG = "image/png";

  public Mark {
    if (!(width > 0 && height > 0)) {
      throw new IllegalArgumentException("a mark has a size");
    }
  }

  /** This mark under a name, for a use, as wide as given. */
  public Mark as(String otherName, Kind otherKind, double otherWidth) {
    return new Mark(otherName, otherKind, picture, otherWidth, otherWidth * height / width);
  }
}
