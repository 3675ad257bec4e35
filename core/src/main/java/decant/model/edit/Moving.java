package decant.model.edit;

import decant.model.Document;
import decant.model.Position;
import decant.model.Selection;
import java.util.Optional;

/** What is selected goes, or is put a second time, to another place of the document. */
public final class Moving {
  private Moving() {}

  /**
   * Moves or copies what is selected; it is selected at its new place. Nothing changes where the
   * place lies in what is selected, or where cells are selected.
   */
  public static Revision to(Revision r, Position target, boolean copy) {
    Document d = r.document();
    Optional<Fragment> what = Copying.of(d, r.selection());
    Range range = Range.of(d, r.selection());
    boolean pinned = d.isPinned(target.paragraph()) || d.isPinned(range.start().paragraph());
    if (what.isEmpty()
        || pinned
        || range.cells(d).isPresent()
        || d.paragraph(target.paragraph()).isEmpty()
        || isWithin(d, range, target)) {
      return r;
    }
    if (copy) {
      return pasted(r.withSelection(Selection.at(target)), what.get(), false);
    }
    Revision without = Commands.deleteBackward(r);
    Optional<History.Change> deletion = without.history().lastDone();
    if (deletion.isEmpty()) {
      return r;
    }
    Position mapped = deletion.get().edit().map(target);
    if (without.document().paragraph(mapped.paragraph()).isEmpty()) {
      return r;
    }
    return pasted(without.withSelection(Selection.at(mapped)), what.get(), true);
  }

  private static Revision pasted(Revision r, Fragment what, boolean goesOn) {
    Position from = r.selection().caret();
    Revision after = Pasting.paste(r, what, goesOn);
    return after.withSelection(new Selection(from, after.selection().caret()));
  }

  private static boolean isWithin(Document d, Range range, Position at) {
    return d.index().sameText(range.start().paragraph(), at.paragraph())
        && Range.compare(d, range.start(), at) <= 0
        && Range.compare(d, at, range.end()) <= 0;
  }
}
