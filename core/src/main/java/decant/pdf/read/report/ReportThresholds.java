package decant.pdf.read.report;

/**
 * What is told of a page: where one thing ends and another begins. Lengths are in ems of the text
 * at hand, shares are of what is named, and points are said to be such.
 */
final class ReportThresholds {
  private ReportThresholds() {}

  /** Of {@link decant.pdf.read.report.BlockDoubts}. */
  static final class BlockDoubts {
    private BlockDoubts() {}

    /** How far beside a heading the text below it begins. */
    static final double BELOW = 3;

    static final int LONGEST_HEADING = 90;

    /** A table without lines that is emptier than this may be none. */
    static final double EMPTY = 0.45;

    /** Of the narrower block: blocks that share more stand in each other's way. */
    static final double OVERLAP = 0.3;
  }

  /** Of {@link decant.pdf.read.report.Conservation}. */
  static final class Conservation {
    private Conservation() {}

    /** So few letters of a line are there or not by chance. */
    static final int BY_CHANCE = 2;

    /** How far letters of one row stand from one baseline, in their size. */
    static final double SAME_ROW = 0.3;
  }

  /** Of {@link decant.pdf.read.report.Letters}. */
  static final class Letters {
    private Letters() {}

    static final int GOES_ON = 2;

    static final int FOLLOWED = 2;

    /** One that begins a text and is followed by what follows is looked no further for. */
    static final int ENOUGH = 3;
  }

  /** Of {@link decant.pdf.read.report.PageDoubts}. */
  static final class PageDoubts {
    private PageDoubts() {}

    /**
     * Dots an inch below which a picture looks coarse in print; common practice asks for 150 to
     * 300.
     */
    static final double COARSE = 100;

    /** Fewer letters over others are a sign made of several. */
    static final int LETTERS_OVER = 4;

    /** Smaller pictures are ornaments, in points. */
    static final double ORNAMENT = 72;

    /** Of the lower one: texts that share more stand on one line. */
    static final double OVERLAP = 0.5;
  }

  /** Of {@link decant.pdf.read.report.DrawnLosses}. */
  static final class DrawnLosses {
    private DrawnLosses() {}

    /**
     * Of the box of a letter, as wide as its advance and as high as its size, that is ink in usual
     * fonts.
     */
    static final double LETTER_INK = 0.16;

    /** Of its area that a picture covers in ink, as photographs do. */
    static final double PICTURE_INK = 0.4;

    /** Points that the thinnest lines show as. */
    static final double HAIR = 0.4;

    /** Of its box that a shape of curves fills. */
    static final double FREE = 0.5;

    /** Of the ink of a page that is drawn and not carried: with it a page looks another one. */
    static final double MUCH = 0.3;

    /** Of the area of a page: less drawn ink is a line or two. */
    static final double LEAST = 0.0005;
  }
}
