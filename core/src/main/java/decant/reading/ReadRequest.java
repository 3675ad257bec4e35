package decant.reading;

import java.nio.file.Path;
import java.util.Optional;
import java.util.function.BooleanSupplier;

/**
 * A file to be read.
 *
 * @param password to open it with; empty if none was given
 * @param progress told now and then how much is done
 * @param recogniser reads the text of pages that are pictures; empty to keep them as pictures
 * @param cancelled asked now and then; when true, reading ends with {@link
 *     ReadProblem.Kind#CANCELLED}
 */
public record ReadRequest(
    Path file,
    Optional<String> password,
    Limits limits,
    Optional<Recogniser> recogniser,
    Progress progress,
    BooleanSupplier cancelled) {
  /** Told how much of a piece of work is done. */
  @FunctionalInterface
  public interface Progress {
    void at(int done, int all);
  }

  public static ReadRequest of(Path file) {
    return new ReadRequest(
        file, Optional.empty(), Limits.USUAL, Optional.empty(), (d, a) -> {}, () -> false);
  }

  public ReadRequest withPassword(String other) {
    return new ReadRequest(file, Optional.of(other), limits, recogniser, progress, cancelled);
  }

  public ReadRequest withLimits(Limits other) {
    return new ReadRequest(file, password, other, recogniser, progress, cancelled);
  }

  public ReadRequest watched(Progress p, BooleanSupplier c) {
    return new ReadRequest(file, password, limits, recogniser, p, c);
  }

  public ReadRequest withRecogniser(Recogniser other) {
    return new ReadRequest(file, password, limits, Optional.of(other), progress, cancelled);
  }

  /**
   * @throws ReadProblem if reading was cancelled
   */
  public void checkpoint() throws ReadProblem {
    if (cancelled.getAsBoolean()) {
      throw ReadProblem.cancelled();
    }
  }
}
