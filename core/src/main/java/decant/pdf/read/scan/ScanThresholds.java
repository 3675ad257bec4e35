package decant.pdf.read.scan;

/**
 * What a page shows: where one thing ends and another begins. Lengths are in ems of the text at
 * hand, shares are of what is named, and points are said to be such.
 */
final class ScanThresholds {
  private ScanThresholds() {}

  /** Of {@link decant.pdf.read.scan.Decorations}. */
  static final class Decorations {
    private Decorations() {}

    /** How far a marker may reach over its letters, in points. */
    static final double REACH = 1.2;

    /** How far below the baseline an underline stands; 0.1 to 0.15 is usual. */
    static final double UNDER = 0.22;

    /** The share of an underline that has letters above it, at least. */
    static final double WRITTEN = 0.5;

    /** How far above the baseline a line through text stands at least; 0.25 to 0.3 is usual. */
    static final double STRIKE_LEAST = 0.12;

    /** And at most. */
    static final double STRIKE_MOST = 0.42;

    /** The thickest line through text. */
    static final double THICKEST = 0.12;

    /** Points that a long underline begins and ends off its words at most: a space. */
    static final double ENDS = 4;

    /** Of the page: longer lines belong to it, if they do not end with its words. */
    static final double LONGEST = 0.6;

    /** Of the page: a wider area is its background. */
    static final double WIDEST = 0.95;

    /** How far apart the baselines on one marked area may be. */
    static final double LEVEL = 0.5;

    /** How high the area behind marked text is at most: a line with its leading. */
    static final double HIGHEST = 1.7;

    /** And at least. */
    static final double LOWEST = 0.85;

    /** How far the area behind marked text reaches beyond it: a space. */
    static final double BEYOND = 0.34;
  }

  /** Of {@link decant.pdf.read.scan.DetectedComments}. */
  static final class DetectedComments {
    private DetectedComments() {}

    /** a gap between words, in ems */
    static final double APART = 0.25;
  }

  /** Of {@link decant.pdf.read.scan.PaintedOver}. */
  static final class PaintedOver {
    private PaintedOver() {}

    /** What is narrower or lower covers no letter, in points. */
    static final double LEAST = 3;

    /** Fewer letters under areas are where things touch, rather than what was to be hidden. */
    static final int FEW = 3;
  }

  /** Of {@link decant.pdf.read.scan.PageAnnotations}. */
  static final class PageAnnotations {
    private PageAnnotations() {}

    /** How wide the signs are that stand for blanks, in ems. */
    static final double LINE_SIGN = 0.556;

    static final double BOX_SIGN = 0.9;

    /** How far below the baseline a sign for a box reaches. */
    static final double DESCENT = 0.15;

    /** Of the height of a field that the letters in it take. */
    static final double TEXT = 0.6;

    /** Of the height of a field below the baseline of its one line. */
    static final double BELOW = 0.3;

    /** The width of a space in a usual font. */
    static final double SPACE = 0.28;

    /** The mean width of its letters. */
    static final double LETTER = 0.52;
  }

  /** Of {@link decant.pdf.read.scan.PageScan}. */
  static final class PageScan {
    private PageScan() {}

    /** Degrees; sheets are scanned askew by less. */
    static final double ASKEW = 2;

    /** A picture that covers more of a page makes it a scan. */
    static final double SCANNED = 0.6;

    /** How far the top of a vertical letter's place is above its origin, as is usual, in ems. */
    static final double ABOVE_ORIGIN = 0.88;

    /** How far below the middle of a line its letters stand, in ems. */
    static final double UPRIGHT = 0.38;

    static final int MIN_LINE_SIGNS = 3;

    /** How far the baselines of a stamp and the text under it differ where one hides the other. */
    static final double ON_LINE = 0.5;

    /** The middle of a vertical letter's place. */
    static final double HALF = 0.5;

    /** Points: smaller letters cannot be seen. */
    static final double SMALLEST = 0.5;
  }

  /** Of {@link decant.pdf.read.scan.Accents}. */
  static final class Accents {
    private Accents() {}

    /** Of an em: narrower marks are made to be set over what stands before them. */
    static final double OWN_WIDTH = 0.1;

    /** Of an em: what is narrower takes no room. */
    static final double NO_WIDTH = 0.01;

    /** Of the width of its letter, where a mark without a width is read. */
    static final double WITHIN = 0.9;

    /** Of an em that a sign is read before the letter that it stands over. */
    static final double JUST_BEFORE = 0.01;

    /** Of an em that a mark without a width may begin beside its letter. */
    static final double REACH = 0.6;

    /** Of an em that a mark may begin beside the end of its letter. */
    static final double BESIDE = 0.25;

    /** Of a letter's width at each side: an accent stands over what is between. */
    static final double INSET = 0.1;

    /** Of an em that accents are raised by for capitals at most. */
    static final double RAISED = 0.5;

    /** So many times larger or smaller, a sign is no accent of a letter. */
    static final double SAME_SIZE = 1.2;
  }

  /** Of {@link decant.pdf.read.scan.PathRules}. */
  static final class PathRules {
    private PathRules() {}

    static final double STRAIGHT = 0.7;

    static final double THICKEST_FRAME = 6;

    static final double THICKEST_RULE = 3;

    /** Points that the thinnest lines show as. */
    static final double HAIR = 0.25;

    /** A dash so many times as long as the line is wide is a dot. */
    static final double DOT = 2;

    /** Points: a dash that is longer shows as a whole line. */
    static final double ENDLESS = 72;

    /** Of an outline that is free where it is a frame rather than a filled shape. */
    static final double FREE = 0.4;
  }

  /** Of {@link decant.pdf.read.scan.PictureAreas}. */
  static final class PictureAreas {
    private PictureAreas() {}

    /** A cell with this share of dark pixels has ink. */
    static final double INK = 0.06;

    /** By so much darker than the paper, of 255, is ink: light tints too, the paper's grain not. */
    static final int DARKER = 12;

    static final double MIN_WIDTH = 54;

    static final double MIN_HEIGHT = 36;

    /** Less of its cells with ink is a frame or a scatter of specks. */
    static final double FILLED = 0.3;
  }

  /** Of {@link decant.pdf.read.scan.RecognisedPages}. */
  static final class RecognisedPages {
    private RecognisedPages() {}

    /** A page with fewer words is a picture with a word in it. */
    static final int MIN_WORDS = 3;

    /**
     * Words less sure than this are specks and strokes; signs of one character sooner than words.
     */
    static final int NO_WORD = 8;

    static final int NO_SIGN = 25;

    /** Words less sure than this should be read over. */
    static final int UNSURE = 65;

    /** Sizes nearer than this to that of most letters are the same, as a share. */
    static final double SAME_SIZE = 0.14;

    /** Heights of letters in ems, as in most text faces; common practice. */
    static final double TALL = 0.69;

    static final double LOW = 0.46;

    static final double BELOW = 0.21;

    /** The height of the box of a word that was recognised. */
    static final double BOX = 1.25;
  }

  /** Of {@link decant.pdf.read.scan.RuledFields}. */
  static final class RuledFields {
    private RuledFields() {}

    /** How far below the baseline of its label a line to write on stands. */
    static final double UNDER = 0.5;

    /** How far letters reach over a rule that they stand on or before. */
    static final double ON_RULE = 0.15;

    /** Of the width of a page: a line to write on is no shorter. */
    static final double SHORTEST = 0.067;

    /** A line begins so near after what it is for. */
    static final double NEAR = 1.4;

    /** Larger letters are a title, not the name of a blank. */
    static final double LARGEST = 24;

    /** How wide the sign of a line is, in ems. */
    static final double SIGN = 0.5;

    /** Of the page: longer rules divide it. */
    static final double LONGEST = 0.75;

    /** How far above a rule the text on it stands. */
    static final double ABOVE = 1.3;
  }
}
