package decant.model.edit;

import decant.model.Selection;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What was done and what was undone, without limit. Immutable: a longer history shares the shorter
 * one.
 *
 * @param done the latest change still in force
 * @param undone the change that redo would bring back
 */
public record History(@Nullable Entry done, @Nullable Entry undone) {
  public static final History EMPTY = new History(null, null);

  /** One change with the way back and the selections around it. */
  public record Change(Edit edit, Edit inverse, Selection before, Selection after) {}

  /** A link of the chain. */
  public record Entry(Change change, @Nullable Entry earlier) {}

  public Optional<Change> lastDone() {
    return Optional.ofNullable(done).map(Entry::change);
  }

  public Optional<Change> lastUndone() {
    return Optional.ofNullable(undone).map(Entry::change);
  }

  History with(Change change) {
    return new History(new Entry(change, done), null);
  }

  /** The same history with its last change replaced by a longer one. */
  History withLast(Change change) {
    if (done == null) {
      throw new IllegalStateException("nothing was done yet");
    }
    return new History(new Entry(change, done.earlier()), null);
  }

  History undo() {
    if (done == null) {
      throw new IllegalStateException("nothing to undo");
    }
    return new History(done.earlier(), new Entry(done.change(), undone));
  }

  History redo() {
    if (undone == null) {
      throw new IllegalStateException("nothing to redo");
    }
    return new History(new Entry(undone.change(), done), undone.earlier());
  }
}
