package decant.pdf.choices;

import decant.words.Words;

/** What a recipient may do with a protected file (ISO 32000-2 table 22). */
public enum Permission {
  PRINT(3, "permission.print-if-only-coarsely"),
  PRINT_SHARP(12, "permission.print-at-full-sharpness"),
  CHANGE(4, "permission.change-the-content"),
  COPY(5, "permission.copy-text-and-pictures"),
  COMMENT(6, "permission.add-comments-and-fill-in"),
  FILL(9, "permission.fill-in-forms"),
  READ_ALOUD(10, "permission.let-aids-read-it-aloud"),
  ASSEMBLE(11, "permission.insert-turn-and-take-out");
  private static final Words WORDS = Words.of(Permission.class);

  private final int bit;
  private final String words;

  Permission(int bit, String words) {
    this.bit = bit;
    this.words = words;
  }

  /** The position of its bit, counted from 1 as the standard does. */
  public int bit() {
    return bit;
  }

  /** In plain words. */
  public String words() {
    return WORDS.say(words);
  }
}
