package decant.layout;

import decant.model.Colour;
import decant.model.Link;
import decant.model.Look;
import decant.model.TextTraits;
import decant.text.FontBook;
import decant.text.FontFace;
import decant.text.FontTables;
import java.util.Optional;

/** The text traits in force, all decided and the font served. Sizes and rises in points. */
record TextStyle(
    FontFace face,
    double size,
    double fullSize,
    double rise,
    boolean underline,
    boolean strike,
    boolean allCaps,
    boolean hidden,
    Colour colour,
    Colour highlight,
    Optional<Link> link) {
  /** Size of raised and lowered text, and how far it is moved, as common practice has it. */
  private static final double SMALL = 0.65;

  private static final double SUPER_RISE = 0.33;
  private static final double SUB_RISE = -0.12;

  static TextStyle of(Look look, FontBook fonts) {
    double full = Math.clamp(look.value(TextTraits.SIZE), 1, 1638);
    TextTraits.Raise raise = look.value(TextTraits.RAISE);
    return new TextStyle(
        fonts
            .serve(
                look.value(TextTraits.FAMILY),
                look.value(TextTraits.BOLD),
                look.value(TextTraits.ITALIC))
            .face(),
        raise == TextTraits.Raise.NONE ? full : full * SMALL,
        full,
        switch (raise) {
          case NONE -> 0;
          case SUPERSCRIPT -> full * SUPER_RISE;
          case SUBSCRIPT -> full * SUB_RISE;
        },
        look.value(TextTraits.UNDERLINE),
        look.value(TextTraits.STRIKE),
        look.value(TextTraits.ALL_CAPS),
        look.value(TextTraits.HIDDEN),
        look.value(TextTraits.COLOUR),
        look.value(TextTraits.HIGHLIGHT),
        look.get(TextTraits.LINK));
  }

  /** This style shown by another face. */
  TextStyle in(FontFace other) {
    return other == face
        ? this
        : new TextStyle(
            other, size, fullSize, rise, underline, strike, allCaps, hidden, colour, highlight,
            link);
  }

  TextStyle raised() {
    return new TextStyle(
        face,
        fullSize * SMALL,
        fullSize,
        fullSize * SUPER_RISE,
        false,
        false,
        false,
        hidden,
        colour,
        highlight,
        link);
  }

  /** Height of this text's line above the baseline. */
  double ascent() {
    FontTables t = face.tables();
    return (t.ascent() + t.lineGap()) * fullSize / t.unitsPerEm();
  }

  /** Depth of this text's line below the baseline. */
  double descent() {
    FontTables t = face.tables();
    return t.descent() * fullSize / t.unitsPerEm();
  }
}
