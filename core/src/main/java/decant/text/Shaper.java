package decant.text;

/** Turns characters of one face and one direction into positioned glyphs. */
public interface Shaper {
  /**
   * Shapes text with kerning and standard ligatures.
   *
   * @param text at least one character, none of them controls
   * @param rightToLeft the direction the characters run in
   */
  Glyphs shape(FontFace face, String text, boolean rightToLeft);
}
