package decant.pdf.read.lines;

/**
 * Lines and columns: where one thing ends and another begins. Lengths are in ems of the text at
 * hand, shares are of what is named, and points are said to be such.
 */
final class LineThresholds {
  private LineThresholds() {}

  /** Of {@link decant.pdf.read.lines.DrawnMarks}. */
  static final class DrawnMarks {
    private DrawnMarks() {}

    /** Points; smaller shapes are specks. */
    static final double LEAST = 1;

    /** Points; the marks of large print are no larger. */
    static final double MOST_POINTS = 20;

    /** Points; the length of a drawn dash. */
    static final double SHORTEST_DASH = 2.5;

    /** Points; longer lines are rules. */
    static final double LONGEST_DASH = 9;

    /** How much wider than high a mark is at most, or higher than wide. */
    static final double EVEN = 1.7;

    /** Of the size of the text: boxes to tick are larger. */
    static final double LARGEST = 0.6;

    /** How far above the baseline the middle of a mark stands at most. */
    static final double HIGHEST = 0.6;

    /** Between a mark and its text at least. */
    static final double NEAREST = 0.1;

    /** Between a mark and its text at most. */
    static final double FARTHEST = 2.5;

    /** Of a page; so many small shapes are a drawing's. */
    static final int MOST = 400;
  }

  /** Of {@link decant.pdf.read.lines.HardBreaks}. */
  static final class HardBreaks {
    private HardBreaks() {}

    /** So many different letters tell whether a face's are all as wide. */
    static final int LETTERS = 8;

    /** Of the lines of verse, so many could have gone on further. */
    static final double SHORT_SHARE = 0.3;

    /** Verse leaves this share of the width free beside its longest line. */
    static final double FREE = 0.15;

    /** How far the widths of a typewriter font differ. */
    static final double EVEN = 0.012;

    /** The narrowest typewriter font; 0.6 is usual. */
    static final double NARROWEST = 0.3;

    /** The widest. */
    static final double WIDEST = 0.9;

    /** Between baselines of lines that go on. */
    static final double FOLLOWS = 1.6;

    /** How much room a line must leave beside the next word to have been broken on purpose. */
    static final double ROOM = 1.3;
  }

  /** Of {@link decant.pdf.read.lines.Leaders}. */
  static final class Leaders {
    private Leaders() {}

    static final int MIN = 4;
  }

  /** Of {@link decant.pdf.read.lines.Lines}. */
  static final class Lines {
    private Lines() {}

    /** So many letters of a line at most are set in above or below it. */
    static final int SET_IN_LETTERS = 12;

    /** How far a letter that is set in is from those beside it. */
    static final double SET_IN = 0.3;

    /** How far it stands above or below them. */
    static final double SHIFTED = 0.4;

    /** Of the usual size of a page: letters of a stamp across it join no lines of the text. */
    static final double LARGEST = 1.2;

    /** Gap between words, as a share of the size; common practice. */
    static final double WORD_GAP = 0.17;

    /** The same in a line whose letters stand evenly. */
    static final double TIGHT_WORD_GAP = 0.1;

    /** Of the gaps between letters that tell whether they stand evenly. */
    static final double NEARLY_ALL = 0.95;

    /** The widest gap between letters that stand evenly: kerning is less. */
    static final double UNEVEN = 0.05;

    /** So many gaps between letters tell how a line is spaced. */
    static final int TRACKED = 5;

    /** Of the letters of a line that is spaced; formulas have more signs. */
    static final double LETTERS = 0.8;

    /** How far the gaps of letters that are spaced evenly differ. */
    static final double EVEN = 0.08;

    /** Of the gaps of a line that are even where it is spaced. */
    static final double ALIKE = 0.7;

    /** Letters of an exponent or a mark. */
    static final int MARK_LETTERS = 3;

    /** Of the size of the letter before it: an exponent is smaller. */
    static final double SMALLER = 0.95;

    /** How far an exponent stands from the letter before it. */
    static final double RIGHT_AFTER = 0.12;

    /** Of a space that text is drawn over. */
    static final double COVERED = 0.5;

    /** Gap that ends a piece of a line. */
    static final double PIECE_GAP = 1.6;

    /** Times the smaller: text of another size. */
    static final double OTHER_SIZE = 1.2;

    /** Gap that ends a piece where text of another size follows; spaces are narrower. */
    static final double OTHER_SIZE_GAP = 0.45;

    /** So many letters are words rather than a mark. */
    static final int WORDS = 6;

    /** So many letters over others are no accident: accents and signs made of several are fewer. */
    static final int LETTERS_OVER = 6;

    /** The same where two runs of letters are seen to cross. */
    static final int LETTERS_CROSSED = 3;

    /** How far the pen goes back to begin another run of letters on the same line. */
    static final double BACK = 1;

    /** How far two runs of letters stand in one place. */
    static final double CROSSED = 2;

    /** Of the narrower glyph: more is one text over another, not kerning. */
    static final double OVERLAP = 0.3;

    /**
     * Of the usual size of a page: smaller glyphs may be raised or lowered, and join a line
     * afterwards.
     */
    static final double RAISED = 0.8;

    /** How far baselines of one line may differ. */
    static final double SAME_LINE = 0.25;

    /** The same for small glyphs. */
    static final double SMALL_LINE = 0.3;

    /** How far below its line something lowered stands. */
    static final double LOWERED = 0.35;

    /** How far above its line something raised stands. */
    static final double HIGHEST = 0.7;

    /** How far above its line the mark of a note stands at most. */
    static final double HIGHEST_MARK = 1;

    /** How far the mark of a note stands before it. */
    static final double AFTER_LABEL = 0.6;

    /** How far from its neighbours something raised or lowered stands. */
    static final double TOUCHES = 0.35;

    /** How far apart a letter is drawn again to look bold. */
    static final double TWICE = 0.08;

    /** Narrower glyphs stand twice beside each other by right. */
    static final double NARROW = 0.15;
  }

  /** Of {@link decant.pdf.read.lines.PageColumns}. */
  static final class PageColumns {
    private PageColumns() {}

    /** Of the pieces beside a gutter that are of a table where no prose is. */
    static final double OF_TABLE = 0.8;

    static final double SAME_EDGE = 2.5;

    /** The least gutter, as a share of the size of the text beside it. */
    static final double MIN_GUTTER = 0.55;

    /** A gap within a line that may be a gutter; spaces are narrower. */
    static final double GAP = 0.7;

    /** Of the size of the text: titles may cross columns. */
    static final double TITLE = 1.15;

    /** Between the lines of one title. */
    static final double TITLE_PITCH = 1.6;

    /** Of the shorter column that must stand beside the other. */
    static final double BESIDE = 0.4;

    /** Of the width of a column: lines of prose reach so far. */
    static final double FULL = 0.7;

    /** Of the lines of a column that are full where it holds prose. */
    static final double PROSE = 0.35;

    /** Of the lines of one side that stand on baselines of the other where both are rows. */
    static final double ROWS = 0.8;

    /** Of the text of a side, by width, that runs on below where it is prose. */
    static final double RUNS_ON = 0.4;
  }

  /** Of {@link decant.pdf.read.lines.Flow}. */
  static final class Flow {
    private Flow() {}

    /** The usual space between words: a line had no room for the next word and it. */
    static final double SPACE = 0.28;

    /** Between lines of one text. */
    static final double PITCH = 1.9;

    /** Lines of one text begin no further from one another. */
    static final double INDENT = 2;
  }

  /** Of {@link decant.pdf.read.lines.Regions}. */
  static final class Regions {
    private Regions() {}

    /** Of the lines, from the narrowest: the width of the full ones but for what sticks out. */
    static final double FULL = 0.9;

    /** How far baselines of one row may differ. */
    static final double SAME_ROW = 0.25;

    /** A gap that is a tab rather than a space. */
    static final double TAB = 2.5;
  }

  /** Of {@link decant.pdf.read.lines.FramedTexts}. */
  static final class FramedTexts {
    private FramedTexts() {}

    /** Points that frames beside one another stand apart at least. */
    static final double APART = 4;

    /** Of the lower of two frames: so much of its height stands beside the other. */
    static final double BESIDE = 0.5;
  }

  /** Of {@link decant.pdf.read.lines.MarginalNotes}. */
  static final class MarginalNotes {
    private MarginalNotes() {}

    /** Pages with fewer lines have no edge that text keeps. */
    static final int MIN_LINES = 6;

    /** Of the usual width: wider lines show where the edges of the text are. */
    static final double FULL = 0.7;

    /** A note keeps off the text at least. */
    static final double OFF = 0.5;

    /** A note may begin so much above the text of its page, or end below it. */
    static final double REACH = 4;

    /** Of the letters of the text: more beyond its edge are a column. */
    static final double MOST = 0.3;

    /** Between the baselines of a note's lines at most. */
    static final double PITCH = 1.7;

    /** Of the shorter of two lines: so much of it stands below the other. */
    static final double SHARED = 0.6;

    /** Of the width of the text: a note is narrower. */
    static final double WIDEST = 0.5;
  }

  /** Of {@link decant.pdf.read.lines.Frames}. */
  static final class Frames {
    private Frames() {}

    /** More lines than this on one page frame no stamp. */
    static final int MAX_RULES = 200;

    /** Points that the ends of a frame's lines stand apart at most. */
    static final double NEAR = 2.5;

    /** Points: a lower or narrower frame holds no line. */
    static final double LOWEST = 12;

    /** Of the width of a page. */
    static final double WIDEST = 0.6;

    /** Of its height. */
    static final double HIGHEST = 0.3;
  }

  /** Of {@link decant.pdf.read.lines.ApartText}. */
  static final class ApartText {
    private ApartText() {}

    /** Between the baselines of lines that belong together. */
    static final double FOLLOWS = 2.2;
  }

  /** Of {@link decant.pdf.read.lines.SideTexts}. */
  static final class SideTexts {
    private SideTexts() {}

    /** Times as many letters stand upright as beside them. */
    static final double UPRIGHT = 2;
  }

  /** Of {@link decant.pdf.read.lines.TextArea}. */
  static final class TextArea {
    private TextArea() {}

    /** So small a share of the lines may stand out. */
    static final double OUTLIERS = 0.02;

    /** Lines that stand out by less do not matter. */
    static final double LITTLE = 6;
  }

  /** Of {@link decant.pdf.read.lines.TextColumns}. */
  static final class TextColumns {
    private TextColumns() {}

    /** Of the width of a column: its left edge is the same on two pages but for so much. */
    static final double SAME_EDGE = 0.015;

    static final double MAX_COLUMNS = 4;

    /** Columns differ in width by less than this share, or they are a layout of another kind. */
    static final double ALIKE = 0.15;
  }

  /** Of {@link decant.pdf.read.lines.Typewriter}. */
  static final class Typewriter {
    private Typewriter() {}

    /** of an em */
    static final double SAME = 0.02;

    static final int ENOUGH = 5;

    /** Of the letters in a typewriter font where the document is typewritten. */
    static final double MOSTLY = 0.8;
  }
}
