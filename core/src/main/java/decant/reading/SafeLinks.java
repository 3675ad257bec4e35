package decant.reading;

import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Which links are carried on: those to the web, to mail and to telephones, and to places inside.
 * Whatever else a link may name (scripts, programs, files beside the document, of one machine or of
 * a network) acts, or tells of machines, where it is published.
 */
public final class SafeLinks {
  private static final Set<String> SCHEMES = Set.of("http", "https", "mailto", "tel");

  /** A scheme as RFC 3986 §3.1 has it, which browsers find through blanks and breaks too. */
  private static final Pattern SCHEME = Pattern.compile("^([a-z][a-z0-9+.-]*):");

  private SafeLinks() {}

  /** Whether a link to an address is carried on. */
  public static boolean carries(String uri) {
    String plain = uri.replaceAll("[\\p{Cntrl}\\s]", "").toLowerCase(Locale.ROOT);
    if (plain.contains("\\") || plain.startsWith("//")) {
      return false;
    }
    Matcher m = SCHEME.matcher(plain);
    return m.find()
        ? SCHEMES.contains(m.group(1))
        : plain.startsWith("#") || plain.startsWith("www.");
  }

  /** An address that is short enough to be told. */
  public static String told(String uri) {
    String plain = uri.replaceAll("\\p{Cntrl}", " ").strip();
    return plain.length() <= 80 ? plain : plain.substring(0, 79) + "…";
  }
}
