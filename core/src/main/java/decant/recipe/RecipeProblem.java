package decant.recipe;

import decant.words.Telling;

/** A recipe file that cannot be used, with the place and the reason in the person's words. */
public final class RecipeProblem extends Telling {
  private static final long serialVersionUID = 1;

  public RecipeProblem(String message) {
    super(message);
  }

  RecipeProblem(String message, Throwable cause) {
    super(message, cause);
  }
}
