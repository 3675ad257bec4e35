package decant.office.emit;

import decant.model.look.Comment;

/** Writes what it is told in one format. */
public interface Sink {
  /** Events come in the order of the text; what begins also ends. */
  void take(Event e);

  /** Whether a comment that is met now can be written here. */
  boolean holds(Comment c);
}
