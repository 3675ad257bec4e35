package decant.pdf.read.beside;

/**
 * What stands beside the text: where one thing ends and another begins. Lengths are in ems of the
 * text at hand, shares are of what is named, and points are said to be such.
 */
final class BesideThresholds {
  private BesideThresholds() {}

  /** Of {@link decant.pdf.read.beside.BoxedNotes}. */
  static final class BoxedNotes {
    private BoxedNotes() {}

    /** Points by which strips of one area may overlap or stand apart. */
    static final double STRIPS = 1.5;

    /** Of its height: what is lower frames no line. */
    static final double LOWEST = 0.011;

    /** Of the width of a page: what is narrower frames no text. */
    static final double NARROWEST = 0.1;

    /** Sides nearer than this are one side, in points. */
    static final double SAME_SIDE = 3;

    /** Of the height of a page: what is taller is the page's own shade, not a box on it. */
    static final double TALLEST = 0.6;

    /** Of its width, likewise. */
    static final double WIDEST = 0.95;

    /** How far before its text the mark of an item stands at most; usual indents are 1 to 2 ems. */
    static final double MARKER = 1.2;

    /** Points of the line that only keeps the distance of a shade. */
    static final double SHADE_LINE = 0.25;

    /** Of the width of a box: a rule along it may be so much shorter. */
    static final double SIDE_LEAST = 0.9;

    /** Or so much longer. */
    static final double SIDE_MOST = 1.1;

    /** The same for its height, which is smaller, so that corners count for more. */
    static final double UPRIGHT_LEAST = 0.85;

    /** The same for its height. */
    static final double UPRIGHT_MOST = 1.15;
  }

  /** Of {@link decant.pdf.read.beside.FloatedPictures}. */
  static final class FloatedPictures {
    private FloatedPictures() {}

    /** How far the edge of a paragraph moves where it no longer stands beside a picture. */
    static final double SHIFTED = 0.3;

    static final int MIN_LINES = 2;

    /** A wider picture leaves no room for text beside it, as a share of the text's width. */
    static final double WIDEST = 0.7;

    /** Text keeps at most so far from a picture. */
    static final double FARTHEST = 4;

    /** Lines above and below a picture keep clear of it too. */
    static final double KEPT_CLEAR = 0.9;

    /** A line that ends so near the edge goes on below it, as a share of the text's width. */
    static final double FULL = 0.12;

    /** Between baselines of lines of one paragraph; common pitches are 1.1 to 1.4. */
    static final double FOLLOWS = 1.5;

    /** Of the pitch of a paragraph: its next line follows at no more. */
    static final double PITCH = 1.1;

    /** Points between lines of common text. */
    static final int LINE = 12;

    /** Of the height of a picture that lines must stand along to flow beside it. */
    static final double BESIDE = 0.4;
  }

  /** Of {@link decant.pdf.read.beside.Footnotes}. */
  static final class Footnotes {
    private Footnotes() {}

    /** How far from the left edge of the text the rule above notes begins. */
    static final double AT_LEFT = 0.6;

    /** Of the width of the text: a shorter rule is a dash. */
    static final double SHORTEST_RULE = 0.065;

    /** Notes stand in the lower part of a page. */
    static final double HIGHEST = 0.35;

    /**
     * Of the width of the text: the rule above notes is a third of it by default, a longer one
     * belongs to a table.
     */
    static final double LONGEST_RULE = 0.62;
  }

  /** Of {@link decant.pdf.read.beside.TablesAtEdges}. */
  static final class TablesAtEdges {
    private TablesAtEdges() {}

    /** Parts of a head; running texts have up to three, at most. */
    static final int PARTS = 3;

    /** Rows at the foot of a page, with the running text there, that its table may end with. */
    static final int ROWS = 4;
  }

  /** Of {@link decant.pdf.read.beside.RunningTexts}. */
  static final class RunningTexts {
    private RunningTexts() {}

    /** How far baselines of one line of a header differ. */
    static final double SAME_LINE = 0.2;

    /** How far from the edge of the page running texts are looked for, as a share of its height. */
    static final double ZONE = 0.13;

    /** Small texts on large pages have theirs farther in, well apart from the text. */
    static final double FARTHER = 0.25;

    /** How much of a page's height its edges are where a line may stand by itself. */
    static final double LONELY = 0.11;

    static final int LONGEST = 120;

    /**
     * Running texts stand off from the text by more than its lines do, in sizes of their letters.
     */
    static final double OFF = 1.9;

    /** Of the pages that a text repeats on at least: left and right pages of two sections. */
    static final double ON_PAGES = 0.25;

    /** Of the pages: what repeats on more does so as a header, whatever stands near it. */
    static final double ON_MOST = 0.6;

    /** Of the size of the text: running texts are no larger. */
    static final double LARGEST = 1.05;

    /** Of the pages of one side that something stands in the same place on. */
    static final double ON_SIDES = 0.5;

    /** Between a running text and the text; more than the pitch of any paragraph. */
    static final double APART = 2.2;

    /** The same where nothing but the distance tells it. */
    static final double ALONE = 3.5;

    /** Of the numbers in one place that must go up with the pages to be page numbers. */
    static final double COUNTS = 0.7;
  }

  /** Of {@link decant.pdf.read.beside.RunningTitles}. */
  static final class RunningTitles {
    private RunningTitles() {}

    /** How far baselines of headers on two pages differ where they take turns. */
    static final double SAME_LINE = 0.3;

    static final double SAME_PLACE = 0.8;
  }
}
