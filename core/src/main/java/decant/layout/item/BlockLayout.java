package decant.layout.item;

import decant.model.Block;

/** A block set to a width. */
public sealed interface BlockLayout permits ParagraphLayout, TableLayout {
  Block source();

  double spaceBefore();

  double spaceAfter();

  boolean keepWithNext();

  double height();

  /** How many parts a page break can fall between: lines or rows. */
  int parts();

  /** What ends with a part besides a line: a page or a column that the text asks for. */
  Line.Ends ends(int part);

  /** Height of the parts from one to another. */
  double height(int from, int to);

  /** The fewest first parts that may stand at the end of a page. */
  int leastHead();
}
