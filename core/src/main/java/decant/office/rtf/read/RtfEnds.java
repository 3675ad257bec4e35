package decant.office.rtf.read;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Where a file ends: with the group that all stands in. Where it breaks off before, the groups that
 * are open are ended. Where that group ends and more markup comes, a brace is lacking or too many,
 * and what comes is read as the file is.
 *
 * @param rtf whole, as far as it goes
 * @param broken whether it broke off
 * @param uneven whether its groups ended too early
 */
record RtfEnds(String rtf, boolean broken, boolean uneven) {
  private static final Pattern BINARY = Pattern.compile("\\\\bin(\\d{1,9}) ?");

  private static final Pattern HEAD =
      Pattern.compile("\\{\\\\rtf\\d* ?(?:\\\\(?:ansi|mac|pc|pca|ansicpg|deff|uc)\\d* ?)*");

  /** A file whose groups end more often than this is not one that lacks braces. */
  private static final int MOST_ENDS = 50;

  static RtfEnds of(String rtf) {
    Matcher binary = BINARY.matcher(rtf);
    Matcher head = HEAD.matcher(rtf);
    String again = head.lookingAt() ? head.group() : "{";
    int lastMarkup = lastMarkup(rtf);
    var out = new StringBuilder();
    int ends = 0;
    int from = 0;
    int depth = 0;
    int k = 0;
    while (k < rtf.length()) {
      switch (rtf.charAt(k)) {
        case '{' -> depth++;
        case '}' -> {
          depth--;
          if (depth == 0) {
            out.append(rtf, from, k + 1);
            boolean last = k >= lastMarkup && !areWords(rtf, k + 1);
            if (last || ++ends > MOST_ENDS) {
              return new RtfEnds(out.toString(), false, ends > 0);
            }
            out.append(again);
            from = k + 1;
            depth = 1;
          }
        }
        case '\\' -> {
          if (rtf.startsWith("\\bin", k) && binary.region(k, rtf.length()).lookingAt()) {
            k = (int) Math.min(rtf.length(), binary.end() + Long.parseLong(binary.group(1)));
            continue;
          }
          k++; // whatever it is, it is no brace
        }
        default -> {}
      }
      k++;
    }
    out.append(rtf, from, rtf.length()).append("}".repeat(Math.max(0, depth)));
    return new RtfEnds(out.toString(), true, ends > 0);
  }

  /** Whether words come, and nothing else: programs leave other bytes after the end. */
  private static boolean areWords(String rtf, int from) {
    int letters = 0;
    for (int k = from; k < rtf.length(); k++) {
      char c = rtf.charAt(k);
      if (c > '~' || c < ' ' && !Character.isWhitespace(c) && c != 0) {
        return false;
      }
      letters += Character.isLetter(c) ? 1 : 0;
    }
    return letters > 1;
  }

  /** Where the last word of markup begins. */
  private static int lastMarkup(String rtf) {
    int k = rtf.lastIndexOf('\\');
    while (k > 0 && !(k + 1 < rtf.length() && Character.isLetter(rtf.charAt(k + 1)))) {
      k = rtf.lastIndexOf('\\', k - 1);
    }
    return k;
  }
}
