package decant.io;

import decant.words.Telling;

/** Why a file could not be written, in the person's words, and what else to try. */
public final class WriteProblem extends Telling {
  private static final long serialVersionUID = 1;

  /** What stands in the way. */
  public enum Kind {
    FOLDER_GONE,
    READ_ONLY,
    DISK_FULL,
    NAME_TAKEN,
    IS_SOURCE,
    /** Made in the same call already, from another source. */
    MADE_BEFORE,
    OTHER
  }

  private final Kind kind;

  public WriteProblem(Kind kind, String message) {
    super(message);
    this.kind = kind;
  }

  public WriteProblem(Kind kind, String message, Throwable cause) {
    super(message, cause);
    this.kind = kind;
  }

  public Kind kind() {
    return kind;
  }
}
