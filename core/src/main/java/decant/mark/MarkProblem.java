package decant.mark;

import decant.words.Telling;

/** Why a mark cannot be made, read or kept, in the person's words. */
public final class MarkProblem extends Telling {
  private static final long serialVersionUID = 1;

  MarkProblem(String message) {
    super(message);
  }

  MarkProblem(String message, Throwable cause) {
    super(message, cause);
  }
}
