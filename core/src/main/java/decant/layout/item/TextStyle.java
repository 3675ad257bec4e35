package decant.layout.item;

import decant.model.look.Colour;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.model.look.TextTraits.UnderlineKind;
import decant.text.FontBook;
import decant.text.FontFace;
import decant.text.FontTables;
import decant.text.Joins;
import java.util.Optional;

/**
 * The text traits in force, all decided and the font served. Sizes and rises in points.
 *
 * @param face what the glyphs come from
 * @param line the face whose line height counts: that of the font asked for, also where another
 *     steps in for single characters
 * @param size of the glyphs
 * @param fullSize of the text's line: that of the text before it was raised or made small capitals
 */
public record TextStyle(
    FontFace face,
    FontFace line,
    double size,
    double fullSize,
    double rise,
    Shaping shaping,
    Ink ink,
    Letters letters,
    Meaning meaning) {
  /** Size of raised and lowered text, and how far it is moved, as common practice has it. */
  private static final double SMALL = 0.65;

  private static final double SUPER_RISE = 0.33;
  private static final double SUB_RISE = -0.12;

  /** Size of small capitals, as common practice has it. */
  private static final double SMALL_CAPITAL = 0.8;

  /**
   * How characters become glyphs.
   *
   * @param letterSpacing between them, in points
   * @param language BCP 47
   */
  public record Shaping(Joins joins, double letterSpacing, String language) {}

  /**
   * What is painted.
   *
   * @param highlight behind the text; white for none
   */
  public record Ink(Colour colour, Colour highlight, Decoration decoration) {
    Ink without() {
      return decoration == Decoration.NONE ? this : new Ink(colour, highlight, Decoration.NONE);
    }
  }

  /** Which letters stand for those of the text. */
  public record Letters(boolean allCaps, boolean smallCaps, boolean hidden) {}

  /** Lines under and through text. */
  public record Decoration(
      Optional<UnderlineKind> underline, boolean strike, boolean doubleStrike) {
    static final Decoration NONE = new Decoration(Optional.empty(), false, false);

    public boolean isNone() {
      return underline.isEmpty() && !strike && !doubleStrike;
    }
  }

  public static TextStyle of(Look look, FontBook fonts) {
    double full = Math.clamp(look.value(TextTraits.SIZE), 1, 1638);
    TextTraits.Raise raise = look.value(TextTraits.RAISE);
    double moved =
        switch (raise) {
          case NONE -> 0;
          case SUPERSCRIPT -> full * SUPER_RISE;
          case SUBSCRIPT -> full * SUB_RISE;
        };
    FontFace face =
        fonts
            .serve(
                look.value(TextTraits.FAMILY),
                look.value(TextTraits.BOLD),
                look.value(TextTraits.ITALIC))
            .face();
    var decoration =
        new Decoration(
            look.value(TextTraits.UNDERLINE)
                ? Optional.of(look.value(TextTraits.UNDERLINE_KIND))
                : Optional.empty(),
            look.value(TextTraits.STRIKE),
            look.value(TextTraits.DOUBLE_STRIKE));
    return new TextStyle(
        face,
        face,
        raise == TextTraits.Raise.NONE ? full : full * SMALL,
        full,
        moved + look.value(TextTraits.SHIFT),
        new Shaping(
            Joins.of(
                full >= look.value(TextTraits.KERNING),
                look.value(TextTraits.LIGATURES) && look.value(TextTraits.LETTER_SPACING) == 0),
            look.value(TextTraits.LETTER_SPACING),
            look.value(TextTraits.LANGUAGE)),
        new Ink(
            look.value(TextTraits.COLOUR),
            look.value(TextTraits.HIGHLIGHT),
            decoration.isNone() ? Decoration.NONE : decoration),
        new Letters(
            look.value(TextTraits.ALL_CAPS),
            look.value(TextTraits.SMALL_CAPS),
            look.value(TextTraits.HIDDEN)),
        Meaning.of(look));
  }

  private TextStyle with(FontFace newFace, double newSize, double newRise, Ink newInk) {
    return new TextStyle(
        newFace, line, newSize, fullSize, newRise, shaping, newInk, letters, meaning);
  }

  /** This style shown by another face; the line keeps its pitch. */
  public TextStyle in(FontFace other) {
    return other == face ? this : with(other, size, rise, ink);
  }

  /** This style for the capitals that stand for lower-case letters. */
  public TextStyle smallCapital() {
    return with(face, size * SMALL_CAPITAL, rise, ink);
  }

  public TextStyle raised() {
    return with(face, fullSize * SMALL, fullSize * SUPER_RISE, ink.without());
  }

  /** This style for a list's label: nothing of it links or is underlined. */
  public TextStyle forLabel() {
    return new TextStyle(
        face,
        line,
        size,
        fullSize,
        rise,
        shaping,
        new Ink(ink.colour(), Colour.WHITE, Decoration.NONE),
        new Letters(letters.allCaps(), false, false),
        Meaning.NONE);
  }

  /** Height of this text's line above the baseline. */
  public double ascent() {
    FontTables t = line.tables();
    return (t.ascent() + t.lineGap()) * fullSize / t.unitsPerEm() + Math.max(0, rise - usualRise());
  }

  /** Depth of this text's line below the baseline. */
  public double descent() {
    FontTables t = line.tables();
    return t.descent() * fullSize / t.unitsPerEm() + Math.max(0, -(rise - usualRise()));
  }

  /** Raised and lowered text of the smaller size stays within its line. */
  private double usualRise() {
    return size < fullSize ? rise : 0;
  }
}
