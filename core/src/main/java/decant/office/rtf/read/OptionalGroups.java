package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Groups that readers may pass over. */
final class OptionalGroups {
  private static final Pattern OPTIONAL = Pattern.compile("\\{\\s*\\\\\\*\\s*\\\\([a-z]+)");

  private OptionalGroups() {}

  /**
   * The text with groups that may be passed over, and that the parser has never heard of, named
   * after one that it has: it says nothing of them, and their characters would be taken for text.
   */
  static String skipping(String rtf) {
    return OPTIONAL
        .matcher(rtf)
        .replaceAll(m ->
            Matcher.quoteReplacement(
                Command.getInstance(m.group(1)) == null ? "{\\*\\generator" : m.group()));
  }
}
