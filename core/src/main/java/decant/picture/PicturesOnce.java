package decant.picture;

import decant.model.look.Media;
import decant.model.look.MediaId;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/** Pictures of a package, each unpacked and looked into once however often it is shown. */
public final class PicturesOnce {
  /** Unpacks a picture. */
  public interface Reading<X extends Exception> {
    Optional<Media> read() throws X;
  }

  private final Map<String, Optional<Media>> known = new HashMap<>();
  private final Map<MediaId, Boolean> whole = new HashMap<>();

  /** The picture of a part, by the part's name and the type that is declared for it. */
  public <X extends Exception> Optional<Media> of(String part, String declared, Reading<X> reading)
      throws X {
    String key = part + "\n" + declared;
    Optional<Media> m = known.get(key);
    if (m == null) {
      m = reading.read();
      known.put(key, m);
    }
    return m;
  }

  /** Whether a picture can be drawn, as {@link PictureTypes#isWhole} tells it. */
  public boolean isWhole(Media m) {
    return whole.computeIfAbsent(m.id(), id -> PictureTypes.isWhole(m));
  }
}
