package decant.recipe;

import decant.pdf.choices.Conflict;
import decant.words.Telling;
import java.util.List;
import java.util.stream.Collectors;

/** A recipe that cannot be followed for a document, with the reasons in the person's words. */
public final class PublishProblem extends Telling {
  private static final long serialVersionUID = 1;

  private final transient List<Conflict> conflicts;

  public PublishProblem(String message) {
    super(message);
    this.conflicts = List.of();
  }

  public PublishProblem(List<Conflict> conflicts) {
    super(conflicts.stream().map(Conflict::message).distinct().collect(Collectors.joining(" ")));
    this.conflicts = List.copyOf(conflicts);
  }

  public PublishProblem(String message, Throwable cause) {
    super(message, cause);
    this.conflicts = List.of();
  }

  /** The choices that cannot go together, if it is that. */
  public List<Conflict> conflicts() {
    return conflicts;
  }
}
