package decant.pdf.read.form;

/**
 * What blanks are told by, in points unless said otherwise. Common practice of forms on paper, and
 * from memory.
 */
final class FormMeasures {
  /** So many typed underscores are a line to write on; so many dots. */
  static final int UNDERSCORES = 4;

  static final int DOTS = 10;

  /** A line that is drawn is one to write on from this length. */
  static final double LINE = 36;

  /** Pieces shorter than this make one line together, as rows of drawn underscores do. */
  static final double PIECE = 16;

  /** A line is thinner than this. */
  static final double THICK = 2;

  /** Words say what belongs on a line that is no further from them than this. */
  static final double BESIDE = 40;

  /** The same for a box: forms have their words in a column of their own. */
  static final double BESIDE_BOX = 160;

  /** A caption begins no further below its line, in sizes. */
  static final double BELOW = 1.6;

  /** A line with a caption below is no longer than this. */
  static final double CAPTIONED = 300;

  /** Sides of a box to tick. */
  static final double SMALLEST_BOX = 5;

  static final double LARGEST_BOX = 18;

  /** Sides of a box to write in: at least so wide, and so high. */
  static final double WIDE = 36;

  static final double HIGH = 9;

  static final double HIGHEST = 160;

  /** Written in by several lines from this height, in sizes. */
  static final double SEVERAL = 3;

  /** Edges are the same that are this near. */
  static final double EDGE = 3;

  /** A grid is to be filled in where so many of its rows are, and this share of them. */
  static final int ROWS = 2;

  static final double MOST_ROWS = 0.6;

  /** Cells for one letter each stand this near one another, so many of them. */
  static final double COMB = 3;

  static final int CELLS = 3;

  /** How high what is written on a line is, at least and in sizes. */
  static final double LEAST_HIGH = 10;

  static final double LETTERS = 1.3;

  /** The longest label that is kept, in characters. */
  static final int LABEL = 60;

  /** Words before a line that are longer than this are prose of another column. */
  static final int PROSE = 45;

  /** A page with more lines or shapes is a drawing, and each would be held against all others. */
  static final int MOST = 3_000;

  private FormMeasures() {}
}
