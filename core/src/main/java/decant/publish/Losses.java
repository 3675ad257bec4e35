package decant.publish;

import decant.model.finding.Finding;
import decant.reading.Active;
import decant.recipe.Recipe;
import java.util.List;

/** What of a source is not in what is published of it. */
public final class Losses {
  private Losses() {}

  /** What was found that is lost by a recipe: what acts, only where the recipe leaves it out. */
  public static List<Finding> of(Recipe recipe, List<Finding> findings) {
    return findings.stream()
        .filter(f -> f.severity() == Finding.Severity.LOSS)
        .filter(f -> f.kind() != Finding.Kind.ACTIVE_CONTENT || recipe.active() == Active.REMOVE)
        .toList();
  }

  /** What was found that can be said of pages that go out as they are too. */
  public static List<Finding> ofKeptPages(List<Finding> findings) {
    return findings.stream()
        .filter(
            f -> f.kind() == Finding.Kind.ACTIVE_CONTENT || f.kind() == Finding.Kind.FILE_DAMAGED)
        .toList();
  }
}
