package decant.publish;

import java.util.List;

/** A recipe that cannot be followed for a document, with the reasons in the person's words. */
public final class PublishProblem extends Exception {
  private static final long serialVersionUID = 1;

  public PublishProblem(String message) {
    super(message);
  }

  public PublishProblem(List<String> messages) {
    super(String.join(" ", messages));
  }

  public PublishProblem(String message, Throwable cause) {
    super(message, cause);
  }
}
