package decant.text;

/**
 * Which of a font's optional adjustments shaping applies. What a script requires it always does.
 */
public enum Joins {
  NONE(false, false),
  KERNING(true, false),
  LIGATURES(false, true),
  ALL(true, true);

  private final boolean kerning;
  private final boolean ligatures;

  Joins(boolean kerning, boolean ligatures) {
    this.kerning = kerning;
    this.ligatures = ligatures;
  }

  public static Joins of(boolean kerning, boolean ligatures) {
    return kerning ? ligatures ? ALL : KERNING : ligatures ? LIGATURES : NONE;
  }

  /** Whether pairs of glyphs are moved together or apart. */
  public boolean kerning() {
    return kerning;
  }

  /** Whether neighbouring letters become one glyph. */
  public boolean ligatures() {
    return ligatures;
  }
}
