package decant.picture;

import decant.model.look.Media;
import java.nio.charset.StandardCharsets;
import java.util.Set;

/** What kind of picture bytes are, by what they begin with: files declare types as they please. */
public final class PictureTypes {
  private static final Set<String> DRAWN =
      Set.of(
          "image/png",
          "image/jpeg",
          "image/gif",
          "image/bmp",
          "image/tiff",
          "image/x-emf",
          "image/emf",
          "image/x-wmf",
          "image/wmf",
          "image/svg+xml");

  private PictureTypes() {}

  /** Whether pictures of a type are drawn. */
  public static boolean isDrawn(String type) {
    return DRAWN.contains(type);
  }

  /** Whether a picture of a type that is drawn can be, as its head, or its records, tell. */
  public static boolean isWhole(Media m) {
    return VectorPicture.isVector(m.type())
        ? VectorPicture.of(m).isPresent()
        : PixelPicture.size(m.bytes()).isPresent();
  }

  /**
   * @param declared what their file says, which holds if they tell nothing
   */
  public static String type(byte[] b, String declared) {
    if (starts(b, 0x89, 'P', 'N', 'G')) {
      return "image/png";
    }
    if (starts(b, 0xFF, 0xD8, 0xFF)) {
      return "image/jpeg";
    }
    if (starts(b, 'G', 'I', 'F', '8')) {
      return "image/gif";
    }
    if (starts(b, 'R', 'I', 'F', 'F') && b.length > 12 && b[8] == 'W' && b[11] == 'P') {
      return "image/webp";
    }
    if (starts(b, 'B', 'M')) {
      return "image/bmp";
    }
    if (starts(b, 'I', 'I', 42, 0) || starts(b, 'M', 'M', 0, 42)) {
      return "image/tiff";
    }
    if (starts(b, 1, 0, 0, 0) && b.length > 44 && b[40] == ' ' && b[41] == 'E' && b[42] == 'M') {
      return "image/x-emf";
    }
    if (starts(b, 0xD7, 0xCD, 0xC6, 0x9A) || starts(b, 1, 0, 9, 0) || starts(b, 2, 0, 9, 0)) {
      return "image/x-wmf";
    }
    if (starts(b, 0x1F, 0x8B)) {
      // A metafile packed by itself, as some writers store them.
      return declared.contains("emf") || declared.contains("wmf") ? declared : "image/svg+xml";
    }
    String head = new String(b, 0, Math.min(b.length, 400), StandardCharsets.ISO_8859_1);
    return head.contains("<svg") ? "image/svg+xml" : declared;
  }

  private static boolean starts(byte[] b, int... first) {
    if (b.length < first.length) {
      return false;
    }
    for (int k = 0; k < first.length; k++) {
      if ((b[k] & 0xFF) != first[k]) {
        return false;
      }
    }
    return true;
  }
}
