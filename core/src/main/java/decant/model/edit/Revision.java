package decant.model.edit;

import decant.model.Document;
import decant.model.Position;
import decant.model.Selection;
import decant.model.look.Look;
import java.util.ArrayList;
import java.util.Optional;

/**
 * A document being revised: its present version, what is selected, what was done.
 *
 * @param pending traits chosen with nothing selected, which the next typed text takes on
 */
public record Revision(
    Document document, Selection selection, History history, Optional<Look> pending) {
  /** A fresh revision with the caret at the start of the first paragraph. */
  public static Revision of(Document document) {
    var first = document.index().order();
    if (first.isEmpty()) {
      throw new IllegalArgumentException("a document to revise has at least one paragraph");
    }
    return new Revision(
        document, Selection.at(new Position(first.getFirst(), 0)), History.EMPTY, Optional.empty());
  }

  public Revision withSelection(Selection other) {
    return new Revision(document, other, history, Optional.empty());
  }

  public Revision withPending(Look look) {
    return new Revision(document, selection, history, Optional.of(look));
  }

  /** An edit with what goes along with it, and what it comes to. */
  private record Made(Edit edit, Edit.Applied applied) {}

  /** With the mark of a note goes its text. */
  private Made made(Edit edit) {
    Edit.Applied a = edit.apply(document);
    Optional<Step.PutStories> tidied = Orphans.of(a.inverse(), a.document());
    if (tidied.isEmpty()) {
      return new Made(edit, a);
    }
    Step.Applied more = tidied.get().apply(a.document());
    var steps = new ArrayList<>(edit.steps());
    steps.add(tidied.get());
    var back = new ArrayList<Step>();
    back.add(more.inverse());
    back.addAll(a.inverse().steps());
    return new Made(
        new Edit(edit.name(), steps),
        new Edit.Applied(more.document(), new Edit(edit.name(), back)));
  }

  /** This revision after an edit, with what is selected then. */
  public Revision apply(Edit edit, Selection after) {
    Made made = made(edit);
    Edit.Applied a = made.applied();
    var change = new History.Change(made.edit(), a.inverse(), selection, after);
    return new Revision(a.document(), after, history.with(change), Optional.empty());
  }

  /** This revision after an edit, with what is selected moved along. */
  public Revision apply(Edit edit) {
    return apply(edit, new Selection(edit.map(selection.anchor()), edit.map(selection.caret())));
  }

  /**
   * Like {@link #apply(Edit, Selection)}, but one with the last change, so that both are undone in
   * one go.
   */
  public Revision extend(Edit edit, Selection after) {
    Optional<History.Change> last = history.lastDone();
    if (last.isEmpty()) {
      return apply(edit, after);
    }
    Made made = made(edit);
    Edit.Applied a = made.applied();
    var steps = new ArrayList<>(last.get().edit().steps());
    steps.addAll(made.edit().steps());
    var back = new ArrayList<>(a.inverse().steps());
    back.addAll(last.get().inverse().steps());
    var change =
        new History.Change(
            new Edit(edit.name(), steps), new Edit(edit.name(), back), last.get().before(), after);
    return new Revision(a.document(), after, history.withLast(change), Optional.empty());
  }

  public boolean canUndo() {
    return history.done() != null;
  }

  public boolean canRedo() {
    return history.undone() != null;
  }

  /** This revision with the last change taken back; itself if there is none. */
  public Revision undo() {
    return history
        .lastDone()
        .map(c ->
            new Revision(
                c.inverse().apply(document).document(),
                c.before(),
                history.undo(),
                Optional.empty()))
        .orElse(this);
  }

  /** This revision with the last undone change made again; itself if there is none. */
  public Revision redo() {
    return history
        .lastUndone()
        .map(c ->
            new Revision(
                c.edit().apply(document).document(), c.after(), history.redo(), Optional.empty()))
        .orElse(this);
  }
}
