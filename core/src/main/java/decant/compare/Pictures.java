package decant.compare;

import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.picture.PixelPicture;
import decant.picture.VectorPicture;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Which pictures show the same, though files store them each in their own way. */
final class Pictures {
  private static final int SIDE = 12;

  /** How far the mean of a field may be off, of 255, where a picture was compressed. */
  private static final int OFF = 14;

  private record Seen(int number, Optional<int[]> fields) {}

  private final Map<MediaId, Seen> known = new HashMap<>();
  private final List<Seen> kinds = new ArrayList<>();

  /** A number that all pictures have which show the same. */
  int number(Media m) {
    return seen(m).number();
  }

  private Seen seen(Media m) {
    Seen s = known.get(m.id());
    if (s == null) {
      Optional<int[]> fields = fields(m);
      int number =
          kinds.stream()
              .filter(k -> k.fields().isPresent() && fields.isPresent())
              .filter(k -> alike(k.fields().get(), fields.get()))
              .map(Seen::number)
              .findFirst()
              .orElse(kinds.size());
      s = new Seen(number, fields);
      kinds.add(s);
      known.put(m.id(), s);
    }
    return s;
  }

  /** How many pixels a picture has; 0 if it has none, being drawn. */
  static long pixels(Media m) {
    return VectorPicture.isVector(m.type())
        ? 0
        : PixelPicture.size(m.bytes()).map(d -> (long) d.width * d.height).orElse(0L);
  }

  private static boolean alike(int[] a, int[] b) {
    for (int k = 0; k < a.length; k++) {
      if (Math.abs(a[k] - b[k]) > OFF) {
        return false;
      }
    }
    return true;
  }

  /** The picture made very small, on white. */
  private static Optional<int[]> fields(Media m) {
    var small = new BufferedImage(SIDE * 8, SIDE * 8, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = small.createGraphics();
    try {
      g.setColor(java.awt.Color.WHITE);
      g.fillRect(0, 0, small.getWidth(), small.getHeight());
      g.setRenderingHint(
          RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
      if (!draw(m, g, small.getWidth())) {
        return Optional.empty();
      }
    } finally {
      g.dispose();
    }
    int[] out = new int[SIDE * SIDE * 3];
    for (int y = 0; y < small.getHeight(); y++) {
      for (int x = 0; x < small.getWidth(); x++) {
        int rgb = small.getRGB(x, y);
        int at = 3 * (y / 8 * SIDE + x / 8);
        out[at] += rgb >> 16 & 0xFF;
        out[at + 1] += rgb >> 8 & 0xFF;
        out[at + 2] += rgb & 0xFF;
      }
    }
    for (int k = 0; k < out.length; k++) {
      out[k] /= 64;
    }
    return Optional.of(out);
  }

  private static boolean draw(Media m, Graphics2D g, int side) {
    if (VectorPicture.isVector(m.type())) {
      return VectorPicture.of(m).map(v -> v.draw(g, 0, 0, side, side)).orElse(false);
    }
    Optional<BufferedImage> image = PixelPicture.decode(m.bytes());
    image.ifPresent(i -> shrunk(g, i, side));
    return image.isPresent();
  }

  /** By halves, so that every pixel counts. */
  private static void shrunk(Graphics2D g, BufferedImage image, int side) {
    BufferedImage at = image;
    while (at.getWidth() > 2 * side || at.getHeight() > 2 * side) {
      int w = Math.max(side, at.getWidth() / 2);
      int h = Math.max(side, at.getHeight() / 2);
      var half = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
      Graphics2D to = half.createGraphics();
      to.setColor(java.awt.Color.WHITE);
      to.fillRect(0, 0, w, h);
      to.setRenderingHint(
          RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
      to.drawImage(at, 0, 0, w, h, null);
      to.dispose();
      at = half;
    }
    g.drawImage(at, 0, 0, side, side, null);
  }
}
