package decant.pdf.read.document;

/**
 * The looks of the document: where one thing ends and another begins. Lengths are in ems of the
 * text at hand, shares are of what is named, and points are said to be such.
 */
final class DocumentThresholds {
  private DocumentThresholds() {}

  /** Of {@link decant.pdf.read.document.DocumentMaker}. */
  static final class DocumentMaker {
    private DocumentMaker() {}

    /** A text of which so many words were divided is to be hyphenated. */
    static final int DIVIDED = 3;

    /** Points between paragraphs that are no rounding. */
    static final double LEAST_SPACE = 0.8;
  }

  /** Of {@link decant.pdf.read.document.FigureMaker}. */
  static final class FigureMaker {
    private FigureMaker() {}

    /**
     * Of the height of the text: a picture that fills a page leaves room for the line it stands on.
     */
    static final double TALLEST = 0.95;

    /** Points above a picture. */
    static final double SPACE = 6.0;
  }

  /** Of {@link decant.pdf.read.document.ParagraphLooks}. */
  static final class ParagraphLooks {
    private ParagraphLooks() {}

    /** A heading needs so much room below it, in points, to stand on a page. */
    static final double ROOM_BELOW_HEADING = 60;

    /** So much of a page is left empty before a heading or a text that begins a page on purpose. */
    static final double LEFT_BY_HEADING = 0.12;

    static final double LEFT_BY_TEXT = 0.4;

    /**
     * What stands between the lowest rule of a table and the top of the letters below it, and is no
     * space.
     */
    static final double BELOW_TABLE = 0.3;

    /** How far the middle of centred lines may be off. */
    static final double CENTRED = 0.3;

    /** Of the width that a line leaves free at its start to stand at the end. */
    static final double AT_END = 0.4;

    /** Points by which the ends of justified lines are off. */
    static final double FLUSH = 1.2;

    /** Points that a label of a list takes at most. */
    static final double LABEL = 18.0;
  }

  /** Of {@link decant.pdf.read.document.RunningStories}. */
  static final class RunningStories {
    private RunningStories() {}

    /**
     * Of the width of the text: the middle of what stands at the right tab rather than the centre
     * one.
     */
    static final double AT_RIGHT = 0.62;
  }

  /** Of {@link decant.pdf.read.document.StyleMaker}. */
  static final class StyleMaker {
    private StyleMaker() {}

    /** Of single spacing: closer lines would touch. */
    static final double LEAST_PITCH = 0.8;

    /** Wider than that nobody sets text. */
    static final double MOST_PITCH = 2.5;
  }

  /** Of {@link decant.pdf.read.document.TableMaker}. */
  static final class TableMaker {
    private TableMaker() {}

    static final double MOST_CELL_PADDING = 12;

    static final double CELL_PADDING = 4;

    /** How much wider a line may become in the font that serves it. */
    static final double WIDER = 1.16;
  }
}
