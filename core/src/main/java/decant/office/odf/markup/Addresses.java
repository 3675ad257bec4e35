package decant.office.odf.markup;

import java.nio.charset.StandardCharsets;

/**
 * Addresses as the format has them (ODF 1.3 part 2, §3.7): one without a scheme is told from inside
 * the package, so that a file beside it is one step up.
 */
public final class Addresses {
  private static final String UP = "../";

  private Addresses() {}

  /** An address as it is written. */
  public static String written(String uri) {
    String legal = legal(uri);
    return isRelative(legal) ? UP + legal : legal;
  }

  /** What a written one means, to a document in a package. */
  public static String read(String written) {
    return isRelative(written) && written.startsWith(UP) ? written.substring(UP.length()) : written;
  }

  private static boolean isRelative(String uri) {
    return !uri.matches("[A-Za-z][A-Za-z0-9+.-]*:.*")
        && !uri.startsWith("#")
        && !uri.startsWith("/");
  }

  /**
   * Characters that no address may have stand as their codes (RFC 3986, §2.1), a percent sign too
   * where it begins none.
   */
  private static String legal(String uri) {
    var b = new StringBuilder();
    byte[] all = uri.getBytes(StandardCharsets.UTF_8);
    for (int k = 0; k < all.length; k++) {
      byte c = all[k];
      boolean code = c == '%' && k + 2 < all.length && isHex(all[k + 1]) && isHex(all[k + 2]);
      boolean plain = code || c > ' ' && c < 0x7F && "\"<>\\^`{|}%".indexOf(c) < 0;
      b.append(plain ? Character.toString(c) : String.format("%%%02X", c & 0xFF));
    }
    return b.toString();
  }

  private static boolean isHex(byte c) {
    return Character.digit(c, 16) >= 0;
  }
}
