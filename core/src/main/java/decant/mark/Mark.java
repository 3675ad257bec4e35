package decant.mark;

import decant.model.look.Media;
import decant.picture.PixelPicture;
import decant.picture.VectorPicture;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.util.Optional;

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

  /**
   * The mark as a picture with a clear ground.
   *
   * @param wide in pixels
   * @return empty if it cannot be painted
   */
  public Optional<BufferedImage> painted(int wide) {
    int high = Math.clamp(Math.round(wide * height / width), 1, 4 * wide);
    var out = new BufferedImage(wide, high, BufferedImage.TYPE_INT_ARGB);
    Graphics2D g = out.createGraphics();
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    g.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
    try {
      if (VectorPicture.isVector(picture.type())) {
        return VectorPicture.of(picture).filter(v -> v.draw(g, 0, 0, wide, high)).map(v -> out);
      }
      return PixelPicture.decode(picture.bytes())
          .filter(i -> g.drawImage(i, 0, 0, wide, high, null))
          .map(i -> out);
    } finally {
      g.dispose();
    }
  }
}
