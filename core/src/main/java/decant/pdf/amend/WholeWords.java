package decant.pdf.amend;

import decant.pdf.amend.line.Plain;
import java.util.function.Predicate;
import java.util.regex.Pattern;

/** Words that stand in a text as whole words, in exact case, as they are searched for on pages. */
public final class WholeWords {
  private WholeWords() {}

  /** Finds words where neither letter nor digit goes on beside them. */
  public static Pattern of(String words) {
    return Pattern.compile("(?<![\\p{L}\\p{N}_])" + Pattern.quote(words) + "(?![\\p{L}\\p{N}_])");
  }

  /** Whether a text says words, spelt in whichever way is searched for alike. */
  static Predicate<String> said(String words) {
    Pattern whole = of(Plain.of(words));
    return t -> whole.matcher(Plain.of(t)).find();
  }
}
