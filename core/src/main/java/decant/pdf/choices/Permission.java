package decant.pdf.choices;

/** What a recipient may do with a protected file (ISO 32000-2 table 22). */
public enum Permission {
  PRINT(3, "Print, if only coarsely"),
  PRINT_SHARP(12, "Print at full sharpness"),
  CHANGE(4, "Change the content"),
  COPY(5, "Copy text and pictures"),
  COMMENT(6, "Add comments and fill in forms"),
  FILL(9, "Fill in forms"),
  READ_ALOUD(10, "Let aids read it aloud"),
  ASSEMBLE(11, "Insert, turn and take out pages");

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
    return words;
  }
}
