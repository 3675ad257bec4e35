package decant.pdf.read.fonts;

/**
 * Fonts and the shapes of their letters: where one thing ends and another begins. Lengths are in
 * ems of the text at hand, shares are of what is named, and points are said to be such.
 */
final class FontThresholds {
  private FontThresholds() {}

  /** Of {@link decant.pdf.read.fonts.BroughtFonts}. */
  static final class BroughtFonts {
    private BroughtFonts() {}

    static final int USUAL_SPACE = 250;
  }

  /** Of {@link decant.pdf.read.fonts.FontDoubts}. */
  static final class FontDoubts {
    private FontDoubts() {}

    /** So many letters of a font tell how wide it runs. */
    static final int ENOUGH = 3000;

    /** A difference in width that moves no line, as a share. */
    static final double SMALL = 0.004;
  }

  /** Of {@link decant.pdf.read.fonts.FontTexts}. */
  static final class FontTexts {
    private FontTexts() {}

    /** So many letters are looked at to tell whether a font's map can be trusted. */
    static final int SAMPLES = 12;

    /** So many that look like what they are said to be are enough. */
    static final int ENOUGH = 3;
  }

  /** Of {@link decant.pdf.read.fonts.GlyphShape}. */
  static final class GlyphShape {
    private GlyphShape() {}

    /** A shape of so much ink is a block or the frame that stands for a missing letter. */
    static final double BLOCK = 0.97;

    /** Each side of a frame has at least so much. */
    static final double SIDE_INK = 0.8;

    /** How much what is more than twice as wide, or an em higher, differs; found by trial. */
    static final double BY_ASPECT = 0.22;

    static final double BY_HEIGHT = 0.7;

    /** What is narrower or lower shows nothing. */
    static final double SPECK = 0.005;

    /** Letters that are lower are told by where they stand too: points, commas, quotes. */
    static final double LOW = 0.4;

    /** Of the height: what is filled and narrower is a bar, a letter l or a stroke. */
    static final double BAR = 0.45;
  }

  /** Of {@link decant.pdf.read.fonts.KnownShapes}. */
  static final class KnownShapes {
    private KnownShapes() {}

    /** A letter that its nearest known shape is further from than this is not told. */
    static final double NEAR = 0.19;

    /** So many of them come first where two look alike; the others only where they are clear. */
    static final int COMMON = 75;

    /** The letters among them, which come first. */
    static final int LETTERS = 52;

    /** So many families are enough to tell whether a letter is what it is said to be. */
    static final int COMMONEST = 2;

    static final double RARE = 0.05;

    /** A letter that is said to be what looks so unlike it is something else. */
    static final double FAR = 0.28;
  }

  /** Of {@link decant.pdf.read.fonts.ShownLetters}. */
  static final class ShownLetters {
    private ShownLetters() {}

    static final int LONGEST = 4;
  }

  /** Of {@link decant.pdf.read.fonts.Weights}. */
  static final class Weights {
    private Weights() {}

    /** Of the height of a tall letter: the strokes of no bold face are thinner. */
    static final double BOLD = 0.14;

    /**
     * Times the strokes of the text: between Regular and Bold of usual families it is 1.5 to 1.7.
     */
    static final double THICKER = 1.35;

    /** Of the height, to the right, more than the text: italics lean by 0.15 to 0.3. */
    static final double LEANS = 0.1;
  }
}
