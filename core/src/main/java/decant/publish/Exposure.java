package decant.publish;

import decant.model.finding.Finding;
import decant.recipe.Output;
import decant.recipe.Recipe;
import decant.words.Words;
import java.util.List;
import java.util.Optional;

/**
 * Whether a recipe protects one file of a document and leaves another one of it open, or publishes
 * openly what its source protected.
 */
public final class Exposure {
  private static final Words WORDS = Words.of(Exposure.class);

  private Exposure() {}

  /** What is to be said of it; empty if all its files are protected alike. */
  public static Optional<String> of(Recipe r) {
    long asking = r.outputs().stream().filter(Exposure::asksToOpen).count();
    if (asking > 0 && asking < r.outputs().size()) {
      return Optional.of(WORDS.say("exposure.open-beside-locked"));
    }
    long locked = r.outputs().stream().filter(Exposure::isLocked).count();
    return locked > 0 && locked < r.outputs().size()
        ? Optional.of(WORDS.say("exposure.free-beside-limited"))
        : Optional.empty();
  }

  /**
   * What is to be said of outputs that protect less than the source did.
   *
   * @param findings those of the source
   */
  public static Optional<String> ofSource(Recipe r, List<Finding> findings) {
    if (has(findings, Finding.Kind.SOURCE_LOCKED)
        && !r.outputs().stream().allMatch(Exposure::asksToOpen)) {
      return Optional.of(WORDS.say("exposure.source-was-locked"));
    }
    return has(findings, Finding.Kind.SOURCE_LIMITED)
            && !r.outputs().stream().allMatch(Exposure::isLocked)
        ? Optional.of(WORDS.say("exposure.source-was-limited"))
        : Optional.empty();
  }

  private static boolean has(List<Finding> findings, Finding.Kind kind) {
    return findings.stream().anyMatch(f -> f.kind() == kind);
  }

  private static boolean isLocked(Output o) {
    return switch (o) {
      case Output.Pdf p -> p.settings().security().isLocked();
      case Output.Office d -> d.password();
    };
  }

  private static boolean asksToOpen(Output o) {
    return switch (o) {
      case Output.Pdf p -> isLocked(p) && p.settings().security().askToOpen();
      case Output.Office d -> d.password();
    };
  }
}
