package decant.publish;

import decant.words.Words;
import java.util.Optional;

/** Whether a recipe protects one file of a document and leaves another one of it open. */
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

  private static boolean isLocked(Output o) {
    return o instanceof Output.Pdf p && p.rights().isLocked();
  }

  private static boolean asksToOpen(Output o) {
    return isLocked(o) && o instanceof Output.Pdf p && p.rights().askToOpen();
  }
}
