package decant.office.rtf.read;

import decant.model.look.Look;

/**
 * What a group of RTF hands on to those within it (Rich Text Format 1.9.1, “Formal Syntax”).
 *
 * @param goal where its characters go
 * @param text the look of its characters
 * @param paragraph the look of the paragraph that ends in it
 * @param list the number of the list that the paragraph is an item of; 0 for none
 * @param depth how deep in that list
 * @param inTable whether the paragraph stands in a table
 * @param level of a heading, from 1; 0 for body text
 * @param hidden whether its characters are not shown
 */
record RtfState(
    Goal goal,
    Look text,
    Look paragraph,
    int list,
    int depth,
    boolean inTable,
    int level,
    boolean hidden) {
  /** Where characters go. */
  enum Goal {
    TEXT,
    FONTS,
    COLOURS,
    LABEL,
    INSTRUCTION,
    STYLES,
    PICTURE,
    SAID,
    SKIPPED
  }

  static final RtfState FIRST =
      new RtfState(Goal.TEXT, Look.PLAIN, Look.PLAIN, 0, 0, false, 0, false);

  RtfState to(Goal other) {
    return new RtfState(other, text, paragraph, list, depth, inTable, level, hidden);
  }

  RtfState withText(Look look) {
    return new RtfState(goal, look, paragraph, list, depth, inTable, level, hidden);
  }

  RtfState withParagraph(Look look) {
    return new RtfState(goal, text, look, list, depth, inTable, level, hidden);
  }

  RtfState withList(int number, int at) {
    return new RtfState(goal, text, paragraph, number, at, inTable, level, hidden);
  }

  RtfState inTable(boolean in) {
    return new RtfState(goal, text, paragraph, list, depth, in, level, hidden);
  }

  RtfState withLevel(int heading) {
    return new RtfState(goal, text, paragraph, list, depth, inTable, heading, hidden);
  }

  RtfState hiding(boolean is) {
    return new RtfState(goal, text, paragraph, list, depth, inTable, level, is);
  }

  /** After {@code \\pard}: nothing of the paragraph before. */
  RtfState bareParagraph() {
    return new RtfState(goal, text, Look.PLAIN, 0, 0, false, 0, hidden);
  }
}
