package decant.pdf.read.page;

import java.util.Locale;
import java.util.regex.Pattern;

/** Texts made alike that a person takes for the same: without case, punctuation and odd spaces. */
public final class Folding {
  private static final Pattern NO_LETTERS = Pattern.compile("[^\\p{L}\\p{N}]+");

  /** Where spaces are a matter of setting, not of words: "第 2 节" is "第2节". */
  private static final Pattern BESIDE_IDEOGRAPHS =
      Pattern.compile(
          "(?<=[\\p{IsHan}\\p{IsHiragana}\\p{IsKatakana}]) | (?=[\\p{IsHan}\\p{IsHiragana}\\p{IsKatakana}])");

  private Folding() {}

  public static String fold(String s) {
    String words = NO_LETTERS.matcher(s.toLowerCase(Locale.ROOT)).replaceAll(" ").strip();
    return BESIDE_IDEOGRAPHS.matcher(words).replaceAll("");
  }
}
