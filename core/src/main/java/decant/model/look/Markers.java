package decant.model.look;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The marks that list items and numbered headings begin with. */
public final class Markers {
  private static final Pattern BULLET =
      Pattern.compile("^([•◦▪▫‣⁃∙●○■□–—\\-*·\u27A2\u2713\uF0B7\uF0A7])\\s+(?=\\S)");
  private static final Pattern NUMBER =
      Pattern.compile("^(\\(?(?:\\d{1,3}|[a-zA-Z]|[ivxIVX]{1,6})[.)])\\s+(?=\\S)");
  private static final Pattern SECTION =
      Pattern.compile("^(\\d{1,3}(?:\\.\\d{1,3}){0,5})\\.?\\s+(?=\\p{Lu}|\\p{Lo}|\\p{Ll}|\\d)");

  private Markers() {}

  /** The mark of a list item at the start of a text. */
  public static Optional<String> item(String text) {
    Matcher m = BULLET.matcher(text);
    if (m.find()) {
      return Optional.of(m.group(1));
    }
    m = NUMBER.matcher(text);
    return m.find() ? Optional.of(m.group(1)) : Optional.empty();
  }

  /** Whether a text is the mark of a list item and nothing else. */
  public static boolean isMark(String text) {
    return item(text + " -").filter(text::equals).isPresent();
  }

  /** Whether a marker is a sign that only the font of its source has, under a private code. */
  public static boolean isPrivate(String marker) {
    return marker.codePoints().anyMatch(c -> Character.getType(c) == Character.PRIVATE_USE);
  }

  public static boolean isBullet(String marker) {
    return !marker.isEmpty()
        && !Character.isLetterOrDigit(
            marker.charAt(marker.length() > 1 && marker.charAt(0) == '(' ? 1 : 0));
  }

  /** The number of a numbered heading such as "2.3" at the start of a text. */
  public static Optional<String> section(String text) {
    Matcher m = SECTION.matcher(text);
    return m.find() ? Optional.of(m.group(1)) : Optional.empty();
  }

  public static int depth(String number) {
    return (int) number.chars().filter(c -> c == '.').count() + 1;
  }
}
