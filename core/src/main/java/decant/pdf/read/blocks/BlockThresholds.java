package decant.pdf.read.blocks;

/**
 * Blocks and headings: where one thing ends and another begins. Lengths are in ems of the text at
 * hand, shares are of what is named, and points are said to be such.
 */
final class BlockThresholds {
  private BlockThresholds() {}

  /** Of {@link decant.pdf.read.blocks.Blocks}. */
  static final class Blocks {
    private Blocks() {}

    /** How far apart things that stand in line with each other begin. */
    static final double IN_LINE = 0.4;

    /** How far the start of a line moves where it does at all. */
    static final double MOVED = 0.3;

    /** Between baselines of lines set solid, by the usual fonts. */
    static final double SINGLE = 1.15;

    /** Of the width of a region that full lines leave free at most. */
    static final double FULL_LINE = 0.2;

    /** Lines closer than that would touch. */
    static final double MIN_PITCH = 0.8;

    /** Lines further apart are double spaced at least, and may be paragraphs. */
    static final double MAX_PITCH = 2.2;

    /** Of the common size of a region: larger lines are titles. */
    static final double TITLE = 1.15;

    /** Between baselines of the lines of one title. */
    static final double TITLE_PITCH = 1.5;

    /** The least pitch that lines of a paragraph are taken to have. */
    static final double TIGHTEST = 1.05;

    /**
     * Of the usual pitch: more is space between paragraphs; programs add 0.5 of it and more, and
     * vary it by 0.1 within.
     */
    static final double NEW_PARAGRAPH = 1.28;

    /** The same below a line that ends a sentence. */
    static final double AFTER_SENTENCE = 1.2;

    /** Places are rounded by so much. */
    static final double ROUNDED = 0.05;

    /** Of the common size: such lines go on across a wider pitch. */
    static final double LARGE_TITLE = 1.3;

    /** The pitch of large titles. */
    static final double LARGE_TITLE_PITCH = 1.6;

    /** What the number of a clause stands off its text; a space is a quarter to a third. */
    static final double STANDS_OFF = 0.6;

    /** The least hanging indent; that of a bullet in usual fonts. */
    static final double HANGS = 0.5;

    /** An indent that shows; the least that typesetters use is one em, narrow ones 0.75. */
    static final double INDENT = 0.7;

    /** A space before the word that might have gone on the line; the widest in text fonts. */
    static final double SPACE = 0.35;

    /** Edges of lines are uneven by so much. */
    static final double UNEVEN = 0.15;

    /**
     * Of the width: a line that ends in a comma, or before a small letter, must be so much shorter
     * to end a paragraph.
     */
    static final double SHORT_COMMA = 0.45;

    /** Of the width: the last line of a paragraph in ragged text. */
    static final double SHORT = 0.25;
  }

  /** Of {@link decant.pdf.read.blocks.ContentsPages}. */
  static final class ContentsPages {
    private ContentsPages() {}

    static final int MIN = 3;

    /** Where no dots lead to the numbers. */
    static final int MIN_BARE = 4;

    /** Numbers of contents end at one edge. */
    static final double SAME_EDGE = 4;

    /** Starts that are no farther apart are one level's. */
    static final double SAME_START = 3;
  }

  /** Of {@link decant.pdf.read.blocks.ItemMarks}. */
  static final class ItemMarks {
    private ItemMarks() {}

    /** So many lines begin with a sign that marks items. */
    static final int LEAST = 2;

    /** Of all the places where such a sign stands; signs of prose stand within lines too. */
    static final double STARTS = 0.8;
  }

  /** Of {@link decant.pdf.read.blocks.Headings}. */
  static final class Headings {
    private Headings() {}

    /** Of the signs of a slanted line that are letters and figures in a heading at least. */
    static final double WORDS = 0.8;

    static final int LONGEST = 220;

    /** Paragraphs of more letters are text. */
    static final int LONG = 160;

    /** So many letters tell what a style is for. */
    static final int ENOUGH = 400;

    /** So many slanted lines that stand apart on both sides are headings. */
    static final int SLANTED = 3;

    /** So many headings of one look make it that of headings. */
    static final int SEVERAL = 4;

    /** For each line that only looks like one there are so many headings. */
    static final int FEW = 4;

    /** Numbered headings in bold may be so much smaller than the text. */
    static final double SMALLER = 0.85;

    /** Code counts as text where there is so many times as much of it. */
    static final double MOSTLY = 3;

    /** Space above a line of an address or a letterhead; headings have more. */
    static final double CLOSE = 0.6;

    /** Of the size of the text: a heading even where it ends like a sentence. */
    static final double MUCH_LARGER = 1.3;
  }

  /** Of {@link decant.pdf.read.blocks.Continuations}. */
  static final class Continuations {
    private Continuations() {}

    /** Rows that tell which columns have text in all. */
    static final int OTHERS = 4;

    /** Of the columns of a table that the part of it on a page may leave empty. */
    static final double EMPTY = 0.25;

    /** Text in less room is no prose that goes on: numbers, signs, labels. */
    static final double NARROWEST = 8;

    /**
     * Of the width of a table: its columns on the next page stand in the same place but for so
     * much.
     */
    static final double COLUMN = 0.05;

    /** The same for an edge of the text of a column, in ems. */
    static final double EDGE = 0.4;

    /** From the last row of a page to the head of a group below it, in ems, at most. */
    static final double ROW = 3.2;
  }
}
