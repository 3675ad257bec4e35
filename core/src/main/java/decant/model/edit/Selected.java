package decant.model.edit;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import java.util.List;

/** What kind of thing is selected; told by the two places of a {@link Selection}. */
public sealed interface Selected {
  /** Nothing: there is only the caret. */
  record Caret(Position at) implements Selected {}

  /** Text, from one place to another of the same text. */
  record Text(Range range) implements Selected {}

  /** More than one cell of a table. */
  record Cells(TableEdits.In table) implements Selected {}

  /**
   * One picture or shape and nothing else.
   *
   * @param at the place of the object in its paragraph
   */
  record OneObject(Position at, Inline object) implements Selected {}

  /** What a selection is of. */
  static Selected of(Document d, Selection s) {
    Range range = Range.of(d, s);
    if (range.isEmpty()) {
      return new Caret(range.start());
    }
    Position start = range.start();
    boolean onePlace =
        start.paragraph().equals(range.end().paragraph())
            && range.end().offset() == start.offset() + 1;
    if (onePlace) {
      Paragraph p = d.requireParagraph(start.paragraph());
      List<Inline> there = p.slice(start.offset(), start.offset() + 1);
      if (there.size() == 1 && isObject(there.getFirst())) {
        return new OneObject(start, there.getFirst());
      }
    }
    return range.cells(d).<Selected>map(Cells::new).orElseGet(() -> new Text(range));
  }

  static Selected of(Revision r) {
    return of(r.document(), r.selection());
  }

  private static boolean isObject(Inline i) {
    return i instanceof Inline.Picture || i instanceof Inline.Shape;
  }
}
