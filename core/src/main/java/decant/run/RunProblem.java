package decant.run;

import decant.words.Telling;

/** Why a run cannot start, in the person's words, and what to do. */
public final class RunProblem extends Telling {
  private static final long serialVersionUID = 1;

  /** What stands in the way. */
  public enum Kind {
    /** The order contradicts itself: a tree within the other, say. */
    WRONG_ORDER,
    /** A folder is missing, or may not be read or written. */
    FOLDER,
    /** An earlier run into the destination was stopped, and nobody asked to go on with it. */
    UNFINISHED,
    /** Another run works there now. */
    AT_WORK,
    /** What was remembered cannot be read or kept. */
    JOURNAL
  }

  private final Kind kind;

  public RunProblem(Kind kind, String message) {
    super(message);
    this.kind = kind;
  }

  public RunProblem(Kind kind, String message, Throwable cause) {
    super(message, cause);
    this.kind = kind;
  }

  public Kind kind() {
    return kind;
  }
}
