package decant.model.look;

import java.util.regex.Pattern;

/**
 * Something a reader did not understand, kept where it stood so that the writer of the same format
 * can put it back.
 *
 * @param format the format it came from, such as {@code docx}
 * @param source the thing itself in that format's own terms, such as an XML element
 */
public record Kept(String format, String source) {
  private static final Pattern ELSEWHERE =
      Pattern.compile("\\s[\\w.]+:(id|embed|link|href|pict|dm|lo|qs|cs)=\"");

  /** Whether it refers to no other part of its file, so that it can stand in another one. */
  public boolean standsAlone() {
    return !ELSEWHERE.matcher(source).find();
  }
}
