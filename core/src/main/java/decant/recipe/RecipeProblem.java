package decant.recipe;

import java.util.Objects;

/** A recipe file that cannot be used, with the place and the reason in the person's words. */
public final class RecipeProblem extends Exception {
  private static final long serialVersionUID = 1;

  public RecipeProblem(String message) {
    super(message);
  }

  RecipeProblem(String message, Throwable cause) {
    super(message, cause);
  }

  /** There always is one. */
  @Override
  public String getMessage() {
    return Objects.requireNonNull(super.getMessage());
  }
}
