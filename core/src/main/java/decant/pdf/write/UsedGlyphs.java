package decant.pdf.write;

import java.util.LinkedHashSet;
import java.util.Set;

/** Notes which glyphs are shown for which texts, before any of them has a code. */
final class UsedGlyphs implements Coder {
  /** A glyph and what it shows. */
  record Pair(int glyph, String text) {}

  private final Set<Pair> pairs = new LinkedHashSet<>();

  Set<Pair> pairs() {
    return pairs;
  }

  @Override
  public String font(int glyph, String text) {
    return "";
  }

  @Override
  public int code(int glyph, String text) {
    pairs.add(new Pair(glyph, text));
    return 0;
  }

  @Override
  public boolean twoBytes() {
    return true;
  }

  @Override
  public double width(int glyph, String text) {
    return 0;
  }

  @Override
  public int blankGlyph() {
    return BLANK;
  }

  /** Stands for the blank glyph, whose number the font knows. */
  static final int BLANK = -1;
}
