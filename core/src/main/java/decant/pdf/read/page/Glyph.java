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
 * @param quarter how many quarter turns its line is turned clockwise
 * @param content number of the marked content it belongs to; -1 for none
 * @param artifact marked as no part of the text
 * @param decor what is drawn under, through and behind it
 */
public record Glyph(
    String text,
    double x,
    double baseline,
    double width,
    double size,
    SourceFace face,
    Colour colour,
    int quarter,
    int content,
    boolean artifact,
    Decor decor,
    Optional<Link> link) {
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
        face,
        Colour.BLACK,
        0,
        content,
        false,
        Decor.NONE,
        Optional.empty());
  }

  public double right() {
    return x + width;
  }

  public Glyph withDecor(Decor other) {
    return new Glyph(
        text, x, baseline, width, size, face, colour, quarter, content, artifact, other, link);
  }

  public Glyph withLink(Link to) {
    return new Glyph(
        text,
        x,
        baseline,
        width,
        size,
        face,
        colour,
        quarter,
        content,
        artifact,
        decor,
        Optional.of(to));
  }

  /** The glyph as if it stood upright at another place. */
  public Glyph upright(double newX, double newBaseline) {
    return new Glyph(
        text, newX, newBaseline, width, size, face, colour, 0, content, artifact, decor, link);
  }

  /** Another text in the look of this glyph, upright. */
  public Glyph like(String other, double newX, double newWidth) {
    return new Glyph(
        other, newX, baseline, newWidth, size, face, colour, 0, content, artifact, decor, link);
  }

  /** The gap from this glyph on, as a space or a tab, in the look of its text alone. */
  public Glyph gap(String sign, double wide) {
    return new Glyph(
        sign,
        right(),
        baseline,
        wide,
        size,
        face,
        colour,
        0,
        content,
        artifact,
        Decor.NONE,
        Optional.empty());
  }

  /** Whether its middle stands in a box. It has to be upright. */
  public boolean standsIn(Box b) {
    return b.contains(x + width / 2, baseline - size * 0.3);
  }

  public boolean isSpace() {
    return text.isBlank();
  }
}
