package decant.pdf.read.page;

import java.util.Locale;
import java.util.regex.Pattern;

/** Texts made alike that a person takes for the same: without case, punctuation and odd spaces. */
public final class Folding {
  private static final Pattern NO_LETTERS = Pattern.compile("[^\\p{L}\\p{N}]+");

  private Folding() {}

  public static String fold(String s) {
    return NO_LETTERS.matcher(s.toLowerCase(Locale.ROOT)).replaceAll(" ").strip();
  }
}
