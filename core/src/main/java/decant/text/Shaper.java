package decant.text;

/** Turns characters of one face and one direction into positioned glyphs. */
public interface Shaper {
  /**
   * Shapes text.
   *
   * @param text at least one character, none of them controls
   * @param rightToLeft the direction the characters run in
   * @param joins which optional adjustments are applied
   */
  Glyphs shape(FontFace face, String text, boolean rightToLeft, Joins joins);
}
