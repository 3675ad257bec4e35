package decant.pdf.read.document;

/**
 * The looks of the document: where one thing ends and another begins. Lengths are in ems of the
 * text at hand, shares are of what is named, and points are said to be such.
 */
final class DocumentThresholds {
  private DocumentThresholds() {}

  /** Of {@link decant.pdf.read.document.ApartStories}. */
  static final class ApartStories {
    private ApartStories() {}

    /** Points by which a watermark may stand elsewhere on another page. */
    static final double SAME_PLACE = 3;

    /** Of the width of the text: room at each side, so that another font breaks no line. */
    static final double ROOM = 0.1;
  }

  /** Of {@link decant.pdf.read.document.CellGrounds}. */
  static final class CellGrounds {
    private CellGrounds() {}

    /** Points that the ground of a cell reaches beyond the table. */
    static final double NEAR = 3;

    /** Areas of a page that are looked at; tables have fewer. */
    static final int MOST = 4_000;
  }

  /** Of {@link decant.pdf.read.document.CarriedAreas}. */
  static final class CarriedAreas {
    private CarriedAreas() {}

    /** Points that the head of a table takes up where it stands again on a page. */
    static final double HEAD = 60;

    /** Points around a table or a drawing that its outermost lines stand within. */
    static final double ABOUT_TABLE = 4;

    /** Points around a framed text that its frame stands within. */
    static final double ABOUT_FRAME = 24;

    /** Of an area that lies within a drawing where it is part of it. */
    static final double MOSTLY = 0.8;
  }

  /** Of {@link decant.pdf.read.document.DrawnShapes}. */
  static final class DrawnShapes {
    private DrawnShapes() {}

    /** More shapes than this on one page are a picture, not shapes to revise. */
    static final int MAX_ON_PAGE = 400;

    /** Points across of a ball that a number stands on; larger ones are drawings. */
    static final double BALL = 24;

    /** Points that the thinnest lines show as. */
    static final double HAIR = 0.4;

    /** Points: what is thinner is a line, and has no outline of its own. */
    static final double LINE = 2;

    /** Points that the line above the notes of a page may stand above the first of them. */
    static final double ABOVE_NOTES = 16;

    /** Points that a shape may begin above the paragraph that it is anchored to. */
    static final double BESIDE = 6;
  }

  /** Of {@link decant.pdf.read.document.DocumentMaker}. */
  static final class DocumentMaker {
    private DocumentMaker() {}

    /** A text of which so many words were divided is to be hyphenated. */
    static final int DIVIDED = 3;

    /** Between paragraphs; less is rounding. */
    static final double MIN_SPACE = 0.08;
  }

  /** Of {@link decant.pdf.read.document.FigureMaker}. */
  static final class FigureMaker {
    private FigureMaker() {}

    /** Points by which a picture across a page reaches beyond its margins. */
    static final double BEYOND = 4;

    /** Of the width and of the height of a page that is one picture. */
    static final double WHOLE_PAGE = 0.9;

    /** Of that width: how far from its edge a centred picture begins at least. */
    static final double INDENT = 0.018;

    /** Of that width: how far the middle of a centred picture is off. */
    static final double CENTRED = 0.033;

    /** Of the width of a column: how far before it a picture of it begins. */
    static final double BEFORE = 0.02;

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

    /** Ems of a heading that it needs below it to stand on a page. */
    static final double ROOM_BELOW_HEADING = 5;

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

    /** The ends of justified lines are off by so much. */
    static final double FLUSH = 0.12;

    /** A label of a list takes so much at most. */
    static final double LABEL = 1.8;
  }

  /** Of {@link decant.pdf.read.document.RunningStories}. */
  static final class RunningStories {
    private RunningStories() {}

    /** Of the width of the text: how far the middle of a centred header is off. */
    static final double CENTRED = 0.027;

    /** How far baselines of one line of a header differ. */
    static final double SAME_LINE = 0.2;

    /**
     * Of the width of the text: the middle of what stands at the right tab rather than the centre
     * one.
     */
    static final double AT_RIGHT = 0.62;

    /** Of the size: how far lines of usual fonts reach above and below the baseline. */
    static final double ABOVE = 0.905;

    static final double BELOW = 0.212;

    /** How much higher running texts may come out when they are set again. */
    static final double SET_AGAIN = 1.35;

    /** What is left between them and the text then, in points. */
    static final double APART = 8;

    /** Less is no indent, in points. */
    static final double INDENT = 0.5;
  }

  /** Of {@link decant.pdf.read.document.StyleMaker}. */
  static final class StyleMaker {
    private StyleMaker() {}

    /** Of single spacing: closer lines would touch. */
    static final double MIN_PITCH = 0.8;

    /** Wider than that nobody sets text. */
    static final double MAX_PITCH = 2.5;
  }

  /** Of {@link CellStanding}. */
  static final class CellStanding {
    private CellStanding() {}

    /** How far a cell is off the place where it stands. */
    static final double NEAR = 0.25;

    /** Of the cells that are lower than their rows. */
    static final double MOST = 0.8;

    static final int FEWEST = 3;
  }

  /** Of {@link decant.pdf.read.document.TableMaker}. */
  static final class CellAlignments {
    private CellAlignments() {}

    /** How far apart, in ems, edges stand that are at one place. */
    static final double SAME = 0.15;

    /** How many cells tell how their column is aligned. */
    static final int FEWEST = 3;

    /** The share of a column's cells that stand alike in one that is aligned so. */
    static final double MOST = 0.7;
  }

  static final class TableMaker {
    private TableMaker() {}

    /** Tables hang out of their column by no more, in points: by the padding of a cell. */
    static final double HANGING = 12;

    static final double MAX_CELL_PADDING = 12;

    static final double CELL_PADDING = 4;

    /** How much wider a line may become in the font that serves it. */
    static final double WIDER = 1.16;
  }
}
