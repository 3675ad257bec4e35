package decant.paint;

import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.picture.PixelPicture;
import decant.picture.VectorPicture;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.lang.ref.SoftReference;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** Decodes pictures and scales them well, remembering both while memory lasts. */
public final class ScaledPictures {
  private record Scaled(MediaId id, int width, int height) {}

  private final Map<MediaId, SoftReference<BufferedImage>> decoded = new ConcurrentHashMap<>();
  private final Map<MediaId, Optional<VectorPicture>> vectors = new ConcurrentHashMap<>();
  private final Set<MediaId> undecodable = ConcurrentHashMap.newKeySet();
  private final Map<Scaled, SoftReference<BufferedImage>> scaled = new ConcurrentHashMap<>();

  /**
   * The picture in its own size; empty if it is of a kind that cannot be decoded, damaged, or far
   * too large.
   */
  Optional<BufferedImage> image(Media media) {
    SoftReference<BufferedImage> known = decoded.get(media.id());
    BufferedImage image = known == null ? null : known.get();
    if (image != null || undecodable.contains(media.id())) {
      return Optional.ofNullable(image);
    }
    Optional<BufferedImage> made = PixelPicture.decode(media.bytes());
    made.ifPresentOrElse(
        m -> decoded.put(media.id(), new SoftReference<>(m)), () -> undecodable.add(media.id()));
    return made;
  }

  /** The picture as a drawing; empty if it is none, or damaged. */
  Optional<VectorPicture> vector(Media media) {
    return vectors.computeIfAbsent(media.id(), id -> VectorPicture.of(media));
  }

  /** The picture in a size in pixels. */
  Optional<BufferedImage> image(Media media, int width, int height) {
    var key = new Scaled(media.id(), width, height);
    SoftReference<BufferedImage> known = scaled.get(key);
    BufferedImage image = known == null ? null : known.get();
    if (image != null) {
      return Optional.of(image);
    }
    Optional<BufferedImage> made = image(media).map(full -> scale(full, width, height));
    made.ifPresent(m -> scaled.put(key, new SoftReference<>(m)));
    return made;
  }

  private static BufferedImage scale(BufferedImage full, int width, int height) {
    BufferedImage now = full;
    // Halve until less than twice too large: a single step would drop pixels.
    while (now.getWidth() >= width * 2 && now.getHeight() >= height * 2) {
      now = drawn(now, Math.max(width, now.getWidth() / 2), Math.max(height, now.getHeight() / 2));
    }
    return drawn(now, width, height);
  }

  private static BufferedImage drawn(BufferedImage from, int width, int height) {
    var to = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB_PRE);
    Graphics2D g = to.createGraphics();
    boolean larger = width > from.getWidth() || height > from.getHeight();
    g.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION,
        larger
            ? RenderingHints.VALUE_INTERPOLATION_BICUBIC
            : RenderingHints.VALUE_INTERPOLATION_BILINEAR);
    g.drawImage(from, 0, 0, width, height, null);
    g.dispose();
    return to;
  }
}
