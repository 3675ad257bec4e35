package decant.desktop.page;

import decant.model.Document;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.edit.Commands;
import decant.model.edit.Range;

/**
 * What the pointer selects from where it was pressed: letters, after two clicks whole words, after
 * three whole paragraphs.
 */
final class DragSelection {
  private Selection begun;
  private int clicks = 1;

  DragSelection(Selection begun) {
    this.begun = begun;
  }

  /** What a press selects. */
  Selection begin(Document d, Position at, int count) {
    clicks = Math.min(3, count);
    begun = around(d, at);
    return begun;
  }

  /** A press that lengthens what is selected already. */
  Selection lengthen(Selection now, Position to) {
    clicks = 1;
    begun = Selection.at(now.anchor());
    return new Selection(now.anchor(), to);
  }

  /** Where what is selected begins. */
  Position anchor() {
    return begun.anchor();
  }

  /** What is selected once the pointer is at a place of the same text. */
  Selection to(Document d, Position at) {
    if (clicks == 1) {
      return new Selection(begun.anchor(), at);
    }
    Selection there = around(d, at);
    return Range.compare(d, at, begun.anchor()) < 0
        ? new Selection(begun.caret(), there.anchor())
        : new Selection(begun.anchor(), there.caret());
  }

  private Selection around(Document d, Position at) {
    return switch (clicks) {
      case 1 -> Selection.at(at);
      case 2 -> Commands.wordAt(d, at);
      default -> {
        Paragraph p = d.requireParagraph(at.paragraph());
        yield new Selection(new Position(p.id(), 0), new Position(p.id(), p.length()));
      }
    };
  }
}
