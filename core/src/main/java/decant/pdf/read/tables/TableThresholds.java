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

    /** A column of titles in a list of contents; those of tables are narrower. */
    static final double WIDE = 20;

    /** How far the page numbers of a list of contents are off their edge. */
    static final double FLUSH = 0.4;

    static final int MIN_ROWS = 3;

    static final int MAX_COLUMNS = 14;

    /** How far baselines of one row may differ. */
    static final double SAME_ROW = 0.25;

    /** Between rows: a wider gap ends a table. */
    static final double ENDS = 3.2;

    /** Of the size: rows of another size are another table's, or a title. */
    static final double OTHER_SIZE = 0.25;

    /** Between rows: a line on its own that is further away is not of the table. */
    static final double LONE = 1.5;

    /** Of the pieces of a table that may stand in no column. */
    static final double ASTRAY = 0.05;

    /** Of the width of a column: lines of prose reach so far. */
    static final double FULL = 0.75;

    /** Of the lines of a column that are full where it holds prose. */
    static final double PROSE = 0.5;

    /** The narrowest column of prose. */
    static final int PROSE_WIDTH = 11;

    /** Of the rows that begin with a mark of an item where two columns are a list. */
    static final double MARKED = 0.7;

    /** Of the rows that end with a number where they are a list of contents. */
    static final double NUMBERS = 0.9;

    /** The pitch of lines within one cell. */
    static final double TIGHT = 1.45;

    /** Of the least pitch: where some are wider, those divide the rows. */
    static final double TWO_PITCHES = 1.22;

    /** A pitch that only rows have. */
    static final double ROW = 1.6;

    /** How far above the baseline of a row the rule over it stands at least. */
    static final double RULE_ABOVE = 0.5;

    /** Of the width of a table that rules must cover to divide its rows. */
    static final double COVERED = 0.6;
  }

  /** Of {@link decant.pdf.read.tables.RuledTables}. */
  static final class RuledTables {
    private RuledTables() {}

    static final double NEAR = 3;
  }
}
