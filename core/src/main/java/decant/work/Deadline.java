package decant.work;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;

/** When work on a file must have ended, by the clock that only goes forward. */
public final class Deadline {
  private static final Duration FIRST_MEGABYTE = Duration.ofSeconds(30);

  /** A dense manual has 250 pages in a megabyte, and takes a tenth of a second for each. */
  private static final Duration EACH_MORE = Duration.ofSeconds(30);

  private static final Duration MOST = Duration.ofMinutes(15);

  /** Work that may take as long as it likes: somebody waits for it and can stop it. */
  public static final Deadline NEVER = new Deadline(0, Duration.ZERO);

  private final long end;
  private final Duration allowed;

  private Deadline(long end, Duration allowed) {
    this.end = end;
    this.allowed = allowed;
  }

  /** So long from now. */
  public static Deadline in(Duration time) {
    return new Deadline(System.nanoTime() + time.toNanos(), time);
  }

  /** How long the work was allowed to take; zero for any time. */
  public Duration allowed() {
    return allowed;
  }

  /**
   * How long a file may take if nobody says otherwise: 30 s up to 1 MB, 30 s for each further, a
   * quarter of an hour at most.
   */
  public static Duration usual(Path file) {
    long bytes;
    try {
      bytes = Files.size(file);
    } catch (IOException e) {
      bytes = 0;
    }
    Duration usual =
        FIRST_MEGABYTE.plus(EACH_MORE.multipliedBy(Math.max(0, (bytes - 1) / 1_000_000)));
    return usual.compareTo(MOST) > 0 ? MOST : usual;
  }

  public boolean isOver() {
    return this != NEVER && System.nanoTime() - end > 0;
  }

  /** What is left of it; zero once it is over. */
  public Duration left() {
    return Duration.ofNanos(Math.max(0, end - System.nanoTime()));
  }
}
