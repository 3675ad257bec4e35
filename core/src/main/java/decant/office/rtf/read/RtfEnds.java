package decant.office.rtf.read;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Where a file ends: with the group that all stands in. What comes after that is none of it; where
 * it breaks off before, the groups that are open are ended.
 *
 * @param rtf whole, as far as it goes
 * @param broken whether it broke off
 */
record RtfEnds(String rtf, boolean broken) {
  private static final Pattern BINARY = Pattern.compile("\\\\bin(\\d{1,9}) ?");

  static RtfEnds of(String rtf) {
    Matcher binary = BINARY.matcher(rtf);
    int depth = 0;
    int k = 0;
    while (k < rtf.length()) {
      switch (rtf.charAt(k)) {
        case '{' -> depth++;
        case '}' -> {
          depth--;
          if (depth == 0) {
            return new RtfEnds(rtf.substring(0, k + 1), false);
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
    return new RtfEnds(rtf + "}".repeat(Math.max(0, depth)), true);
  }
}
