package decant.model.look;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/**
 * The bytes of a picture as they came, never re-encoded. The array is shared and must not be
 * written to.
 *
 * @param type media type, such as {@code image/png}
 */
public record Media(MediaId id, String type, byte[] bytes) {
  public static Media of(String type, byte[] bytes) {
    try {
      byte[] hash = MessageDigest.getInstance("SHA-256").digest(bytes);
      return new Media(new MediaId(HexFormat.of().formatHex(hash)), type, bytes);
    } catch (NoSuchAlgorithmException e) {
      throw new AssertionError("every Java runtime has SHA-256", e);
    }
  }

  @Override
  public boolean equals(Object o) {
    return o instanceof Media m && id.equals(m.id);
  }

  @Override
  public int hashCode() {
    return id.hashCode();
  }
}
