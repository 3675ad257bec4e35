package decant.reading;

import decant.work.Deadline;
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
 * @param deadline when it is over, reading ends with {@link ReadProblem.Kind#TOO_SLOW}
 * @param firstPages how many pages of a PDF are read, from its first
 */
public record ReadRequest(
    Path file,
    Optional<String> password,
    Limits limits,
    Optional<Recogniser> recogniser,
    Progress progress,
    BooleanSupplier cancelled,
    Deadline deadline,
    int firstPages) {
  /** Told how much of a piece of work is done. */
  @FunctionalInterface
  public interface Progress {
    void at(int done, int all);
  }

  public static ReadRequest of(Path file) {
    return new ReadRequest(
        file,
        Optional.empty(),
        Limits.DEFAULT,
        Optional.empty(),
        (d, a) -> {},
        () -> false,
        Deadline.NEVER,
        Integer.MAX_VALUE);
  }

  /** The same of another file. */
  public ReadRequest withFile(Path other) {
    return new ReadRequest(
        other, password, limits, recogniser, progress, cancelled, deadline, firstPages);
  }

  public ReadRequest withPassword(String other) {
    return new ReadRequest(
        file, Optional.of(other), limits, recogniser, progress, cancelled, deadline, firstPages);
  }

  public ReadRequest withLimits(Limits other) {
    return new ReadRequest(
        file, password, other, recogniser, progress, cancelled, deadline, firstPages);
  }

  public ReadRequest watched(Progress p, BooleanSupplier c) {
    return new ReadRequest(file, password, limits, recogniser, p, c, deadline, firstPages);
  }

  public ReadRequest by(Deadline other) {
    return new ReadRequest(
        file, password, limits, recogniser, progress, cancelled, other, firstPages);
  }

  public ReadRequest withRecogniser(Recogniser other) {
    return new ReadRequest(
        file, password, limits, Optional.of(other), progress, cancelled, deadline, firstPages);
  }

  /** Only the first pages, to show something while the whole is read. */
  public ReadRequest onlyFirst(int pages) {
    return new ReadRequest(
        file, password, limits, recogniser, progress, cancelled, deadline, pages);
  }

  /**
   * @throws ReadProblem if reading was cancelled, or takes longer than it may
   */
  public void checkpoint() throws ReadProblem {
    if (deadline.isOver()) {
      throw ReadProblem.tooSlow(deadline.allowed());
    }
    if (cancelled.getAsBoolean()) {
      throw ReadProblem.cancelled();
    }
  }
}
