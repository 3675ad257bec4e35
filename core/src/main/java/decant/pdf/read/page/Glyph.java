package decant.pdf.read.page;

import decant.model.Box;
import decant.model.look.Colour;
import decant.model.look.Link;
import java.util.Optional;

/**
 * One glyph as it stands on a page.
 *
 * @param text its characters; empty if the file does not tell
 * @param x left edge
 * @param baseline height of its baseline
 * @param width its advance
 * @param size size of the font as shown
 * @param ink what it is drawn with
 * @param turn how far its line is turned clockwise, in degrees from 0 up to 360
 * @param marked what the file says it belongs to
 */
public record Glyph(
    String text,
    double x,
    double baseline,
    double width,
    double size,
    Ink ink,
    double turn,
    Marked marked,
    Optional<Link> link) {
  /**
   * What a glyph is drawn with.
   *
   * @param decor what is drawn under, through and behind it
   */
  public record Ink(SourceFace face, Colour colour, Decor decor) {
    Ink bare() {
      return decor == Decor.NONE ? this : new Ink(face, colour, Decor.NONE);
    }
  }

  /**
   * What a file says that a glyph belongs to.
   *
   * @param content number of its marked content; -1 for none
   * @param artifact whether it is marked as no part of the text
   * @param furniture whether it is marked as what pages have at their edges (ISO 32000-1
   *     §14.8.2.2.2)
   */
  public record Marked(int content, boolean artifact, boolean furniture) {
    public static final Marked NOT = new Marked(-1, false, false);
  }

  /**
   * A black, upright glyph that is not in the file's text: of a sign for a blank, of what was
   * recognised.
   */
  public static Glyph made(
      String text,
      double x,
      double baseline,
      double width,
      double size,
      SourceFace face,
      int content) {
    return new Glyph(
        text,
        x,
        baseline,
        width,
        size,
        new Ink(face, Colour.BLACK, Decor.NONE),
        0,
        content < 0 ? Marked.NOT : new Marked(content, false, false),
        Optional.empty());
  }

  /** The quarter of a line that is turned by no whole quarters. */
  public static final int SLANTED = 4;

  /** How many quarter turns its line is turned clockwise, or {@link #SLANTED}. */
  public int quarter() {
    if (turn == 0) {
      return 0; // nearly always
    }
    return turn % 90 == 0 ? (int) (turn / 90) % 4 : SLANTED;
  }

  public double right() {
    return x + width;
  }

  public Glyph withDecor(Decor other) {
    var i = new Ink(ink.face(), ink.colour(), other);
    return new Glyph(text, x, baseline, width, size, i, turn, marked, link);
  }

  public Glyph withFace(SourceFace other) {
    var i = new Ink(other, ink.colour(), ink.decor());
    return new Glyph(text, x, baseline, width, size, i, turn, marked, link);
  }

  public Glyph withLink(Link to) {
    return new Glyph(text, x, baseline, width, size, ink, turn, marked, Optional.of(to));
  }

  /** The glyph as if it stood upright at another place. */
  public Glyph upright(double newX, double newBaseline) {
    return new Glyph(text, newX, newBaseline, width, size, ink, 0, marked, link);
  }

  /** Another text in the look of this glyph, upright. */
  public Glyph like(String other, double newX, double newWidth) {
    return new Glyph(other, newX, baseline, newWidth, size, ink, 0, marked, link);
  }

  /** The gap from this glyph on, as a space or a tab, in the look of its text alone. */
  public Glyph gap(String sign, double wide) {
    return new Glyph(sign, right(), baseline, wide, size, ink.bare(), 0, marked, Optional.empty());
  }

  /** What it covers of the page, about, also where it is turned by quarters. */
  public Box place() {
    return switch (quarter()) {
      case 1 -> new Box(x - size * Anatomy.DESCENT, baseline, size, width);
      case 2 -> new Box(x - width, baseline - size * Anatomy.DESCENT, width, size);
      case 3 -> new Box(x - size * Anatomy.ASCENT, baseline - width, size, width);
      default -> new Box(x, baseline - size * Anatomy.ASCENT, width, size);
    };
  }

  /** Whether its middle stands in a box. It has to be upright. */
  public boolean standsIn(Box b) {
    return b.contains(x + width / 2, Anatomy.middle(baseline, size));
  }

  public boolean isSpace() {
    if (text.length() == 1) {
      char c = text.charAt(0);
      return c <= ' ' || c > '~' && text.isBlank(); // it is asked of every letter, many times
    }
    return text.isBlank();
  }
}
