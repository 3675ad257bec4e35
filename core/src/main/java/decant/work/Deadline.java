package decant.work;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.concurrent.atomic.AtomicLong;

/** When work on a file must have ended, by the clock that only goes forward. */
public final class Deadline {
  private static final Duration FIRST_MEGABYTE = Duration.ofSeconds(30);
  private static final Duration EACH_MORE = Duration.ofSeconds(1);

  /** What pages that are read may add for each megabyte: a dense manual has 250 in one. */
  private static final Duration EARNED = Duration.ofSeconds(30);

  private static final Duration MOST = Duration.ofMinutes(15);

  /** Work that may take as long as it likes: somebody waits for it and can stop it. */
  public static final Deadline NEVER = new Deadline(0, Duration.ZERO, Duration.ZERO);

  private final long start;

  /** In nanoseconds, as all times that are asked for again and again. */
  private final long most;

  private final AtomicLong allowed;

  private Deadline(long start, Duration usual, Duration most) {
    this.start = start;
    this.most = most.toNanos();
    this.allowed = new AtomicLong(usual.toNanos());
  }

  /** So long from now. */
  public static Deadline in(Duration time) {
    return new Deadline(System.nanoTime(), time, time);
  }

  /** What a file may take from now on if nobody says otherwise; what is read of it earns more. */
  public static Deadline of(Path file) {
    return new Deadline(System.nanoTime(), usual(file), atMost(file));
  }

  /** How long the work was allowed to take; zero for any time. */
  public Duration allowed() {
    return Duration.ofNanos(allowed.get());
  }

  /** Something came of the work, which may go on for so much longer, up to what it may at most. */
  public void earn(Duration more) {
    allowed.accumulateAndGet(more.toNanos(), (was, by) -> Math.min(most, was + by));
  }

  /** How long a file may take if nobody says otherwise: 30 s up to 1 MB, 1 s for each further. */
  public static Duration usual(Path file) {
    return FIRST_MEGABYTE.plus(EACH_MORE.multipliedBy(Math.max(0, (bytes(file) - 1) / MEGABYTE)));
  }

  /** The same with all that it can earn: 30 s for each megabyte, 15 minutes in all. */
  public static Duration atMost(Path file) {
    Duration usual = usual(file);
    Duration all = usual.plus(EARNED.multipliedBy(bytes(file)).dividedBy(MEGABYTE));
    return all.compareTo(MOST) < 0 ? all : usual.compareTo(MOST) > 0 ? usual : MOST;
  }

  private static final long MEGABYTE = 1_000_000;

  private static long bytes(Path file) {
    try {
      return Files.size(file);
    } catch (IOException e) {
      return 0;
    }
  }

  public boolean isOver() {
    return this != NEVER && System.nanoTime() - start > allowed.get();
  }

  /** What is left of it; zero once it is over. */
  public Duration left() {
    return this == NEVER
        ? Duration.ZERO
        : Duration.ofNanos(Math.max(0, allowed.get() - (System.nanoTime() - start)));
  }
}
