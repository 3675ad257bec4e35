package decant.pdf.amend.line;

import java.text.Normalizer;

/** Text as it is searched for: letters joined in one sign apart, one kind of space. */
public final class Plain {
  private Plain() {}

  public static String of(String text) {
    boolean plain = true;
    for (int k = 0; k < text.length() && plain; k++) {
      char c = text.charAt(k);
      plain = c > ' ' && c < 0x7F || c == ' ';
    }
    if (plain) {
      return text;
    }
    String apart =
        text.codePoints().anyMatch(Plain::isJoined)
            ? Normalizer.normalize(text, Normalizer.Form.NFKC)
            : Normalizer.normalize(text, Normalizer.Form.NFC);
    var out = new StringBuilder();
    apart
        .codePoints()
        .forEach(c -> {
          if (Character.isSpaceChar(c) || c == '\t') {
            out.append(' ');
          } else if (c == 0x2010 || c == 0x2011) {
            out.append('-');
          } else if (!Character.isISOControl(c) && c != 0x200B && c != 0xFEFF) {
            out.appendCodePoint(c);
          }
        });
    return out.toString();
  }

  /** Ligatures for the eye (Alphabetic Presentation Forms). */
  private static boolean isJoined(int c) {
    return c >= 0xFB00 && c <= 0xFB06;
  }

  /** Letters, digits and what belongs to them: a word goes on there. */
  public static boolean isOfWord(int c) {
    return Character.isLetterOrDigit(c)
        || c == '_'
        || Character.getType(c) == Character.NON_SPACING_MARK
        || Character.getType(c) == Character.COMBINING_SPACING_MARK;
  }
}
