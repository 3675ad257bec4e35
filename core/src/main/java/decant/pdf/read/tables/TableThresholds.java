package decant.pdf.read.tables;

/**
 * Tables: where one thing ends and another begins. Lengths are in ems of the text at hand, shares
 * are of what is named, and points are said to be such.
 */
final class TableThresholds {
  private TableThresholds() {}

  /** Of {@link decant.pdf.read.tables.AlignedTables}. */
  static final class AlignedTables {
    private AlignedTables() {}

    /** Of the pitch of lines that go on in a cell: those that stand no farther apart do too. */
    static final double SAME_PITCH = 1.05;

    /** A column of titles in a list of contents; those of tables are narrower. */
    static final double WIDE = 20;

    /** How far the page numbers of a list of contents are off their edge. */
    static final double FLUSH = 0.4;

    static final int MIN_ROWS = 3;

    static final int MAX_COLUMNS = 30;

    /** Between rows: a wider gap ends a table. */
    static final double ENDS = 3.2;

    /** Of the size: rows of another size are another table's, or a title. */
    static final double OTHER_SIZE = 0.25;

    /** Between rows: a line on its own that is further away is not of the table. */
    static final double LONE = 1.5;

    /** Lines on their own, one after another, that may stand in a table. */
    static final int LONE_LINES = 6;

    /** Of the usual pitch of a stretch of rows: a wider gap may part two tables. */
    static final double APART = 1.8;

    /** The narrowest column of prose. */
    static final double PROSE_WIDTH = 11;

    /** Of the text of a column, by width, that runs on below where it holds prose. */
    static final double PROSE = 0.5;

    /** Of the columns of a table that a part of it may leave empty. */
    static final double EMPTY = 0.25;

    /** Of the rows that begin with a mark of an item where two columns are a list. */
    static final double MARKED = 0.7;

    /** Letters of a text that a clause begins with its number; units have fewer. */
    static final int LETTERS = 10;

    /** So many titles with growing numbers are contents though no dots lead to these. */
    static final int BARE_CONTENTS = 5;

    /** Of the rows that end with a number where they are a list of contents. */
    static final double NUMBERS = 0.9;

    /** How far above the baseline of a row the rule over it stands at least. */
    static final double RULE_ABOVE = 0.5;

    /** Of the width of a table that rules must cover to divide its rows. */
    static final double COVERED = 0.6;
  }

  /** Of {@link decant.pdf.read.tables.WhiteColumns}. */
  static final class WhiteColumns {
    private WhiteColumns() {}

    /** A gap that parts columns at least; spaces between words are narrower. */
    static final double GAP = 0.4;

    /** A gap that parts cells of what is known to be a table, where most gaps may be such. */
    static final double BETWEEN_CELLS = 0.55;

    /** A gap that parts cells where most gaps are such, and none tells how wide spaces are. */
    static final double SURELY = 0.8;

    /** The same, over the usual gap between words of the lines at hand. */
    static final double OVER_USUAL = 1.45;

    /** The least corridor that lines leave white together. */
    static final double LEAST = 0.15;

    /** Of the lines beside a corridor that may reach across it. */
    static final double ACROSS = 0.15;

    /** How far a cell begins from the edge of its column. */
    static final double EDGE = 0.4;

    /** A gap within a line that parts columns even where one line alone has it. */
    static final double ALONE = 1.6;
  }

  /** Of {@link decant.pdf.read.tables.TightRows}. */
  static final class TightRows {
    private TightRows() {}

    /** How far a cell may begin or end from where others of its column do. */
    static final double EDGE = 0.12;
  }

  /** Of {@link decant.pdf.read.tables.LogicalRows}. */
  static final class LogicalRows {
    private LogicalRows() {}

    /**
     * Between baselines: nearer lines stand beside one another in one row, as a cell does in the
     * middle of two lines one and a half apart.
     */
    static final double BESIDE = 0.751;

    /** By how much the pitch of rows is over that of lines within a cell, where it tells. */
    static final double TELLS = 0.08;

    /** By how much the pitch of rows is over that of lines where no line has one between. */
    static final double CLEAR = 0.3;

    /** The widest pitch of lines of a text. */
    static final double TEXT = 1.45;

    /** The same where none of the lines that stand so is in all the columns of the one above. */
    static final double TEXT_OF_CELLS = 1.65;

    /** Of the lines whose pitch may say otherwise than what stands in them. */
    static final double ODD = 0.15;

    /** How far a line further to the left is of another cell. */
    static final double OUTDENT = 0.5;

    /** Of the rows that have a rule over them where rules divide them all. */
    static final double RULED = 0.8;
  }

  /** Of {@link decant.pdf.read.tables.NarrowGaps}. */
  static final class NarrowGaps {
    /** So wide spaces between words are at most, in ems; a wide one is of 0.33. */
    static final double SPACE = 0.6;

    private NarrowGaps() {}

    /** Lines with a wide gap before what is in line; fewer may be so by chance. */
    static final int IN_LINE = 5;

    /** Between columns whose rows are known: more than there is between words. */
    static final double OF_ROWS = 0.28;
  }

  /** Of {@link decant.pdf.read.tables.OpenRows}. */
  static final class OpenRows {
    private OpenRows() {}

    /** Of what stands in a column, where it is one of numbers; its title is none. */
    static final double OF_NUMBERS = 0.75;
  }

  /** Of {@link decant.pdf.read.tables.NarrowTables}. */
  static final class NarrowTables {
    private NarrowTables() {}

    /** Between the baselines of rows. */
    static final double PITCH = 2.5;
  }

  /** Of {@link decant.pdf.read.tables.RuledTables}. */
  static final class RuledTables {
    private RuledTables() {}

    /** Points that a column without a line at its side is wide at least. */
    static final double OPEN_COLUMN = 18;

    /** The same for the height of a row. */
    static final double OPEN_ROW = 7;

    /** Of the height of a page: a row without lines at all its sides is not as tall. */
    static final double TALLEST = 0.3;

    static final double NEAR = 3;
  }

  /** Of {@link decant.pdf.read.tables.RowBands}. */
  static final class RowBands {
    private RowBands() {}

    /** Lines that a row may leave empty at its foot. */
    static final double LINES_BELOW = 4;

    /** Points that edges of one row are apart at most. */
    static final double NEAR = 3;

    /** Of the width of rows: a wider line above or below them is of a text. */
    static final double PROSE = 0.8;

    /** Points: what is thicker is a bar. */
    static final double LINE = 3;

    /** Of the height of a page: rows are not as tall. */
    static final double TALLEST = 0.3;

    /** Of the room that rows have above and below their text: with more it is no row. */
    static final double ROOM = 1.5;

    /** Between the lines of a cell, from middle to middle. */
    static final double PITCH = 1.6;
  }

  /** Of {@link decant.pdf.read.tables.WhiteBands}. */
  static final class WhiteBands {
    private WhiteBands() {}

    /** Between lines that may be of one text. */
    static final double LINES = 2.5;

    /** Of the pitch of lines: farther apart are those of two rows. */
    static final double PARTED = 1.1;

    /** One distance between lines in so many is that of lines of a text. */
    static final int SEVERAL = 20;

    /** So many heads of groups follow one another at most. */
    static final int BETWEEN = 2;

    /** Of the rows that have a cell on no line of the tallest one. */
    static final double MIDDLE = 0.2;

    /** Of the pitch: as far is a cell off the middle of its row at most. */
    static final double OFF = 0.15;

    /** Of the rows: in so many all cells stand in the middle. */
    static final double ALL = 0.9;
  }

  /** Of {@link decant.pdf.read.tables.BandedTables}. */
  static final class BandedTables {
    private BandedTables() {}

    /** One row in so many may look like a group of rows. */
    static final int GROUPS = 3;
  }

  /** Of {@link decant.pdf.read.tables.Registers}. */
  static final class Registers {
    private Registers() {}

    /** Fewer are as often columns of prose. */
    static final int COLUMNS = 3;

    /** Between lines of one text. */
    static final double PITCH = 1.6;

    /** Lines of a row with text in several columns, at most, over a table. */
    static final int LINES = 4;

    /** Of the rows of a table that may look as if they went on from the one before. */
    static final double RUNS_OVER = 0.2;
  }

  /** Of {@link decant.pdf.read.tables.RuleBounds}. */
  static final class RuleBounds {
    private RuleBounds() {}

    /** Of the lines of a table that may reach across its columns. */
    static final double ACROSS = 0.3;
  }
}
