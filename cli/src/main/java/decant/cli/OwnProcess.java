package decant.cli;

import decant.reading.ReadProblem;
import java.time.Duration;
import java.util.function.IntSupplier;
import java.util.function.Supplier;
import java.util.function.ToIntFunction;

/**
 * A process that a command has for itself, and may end when its one file does not come to an end:
 * no other file is harmed by that, and a second process need not be started.
 */
final class OwnProcess {
  private static final ScopedValue<Boolean> OURS = ScopedValue.newInstance();

  /** So long the process may take to end. */
  private static final Duration ENDING = Duration.ofSeconds(3);

  /** Work that takes no longer is not watched at all. */
  private static final Duration EARLY = Duration.ofSeconds(1);

  /** Kept free for telling, in bytes. */
  private static final int RESERVE = 8 << 20;

  private static final int UNTOLD = 1;

  @SuppressWarnings("UnusedVariable") // held, not read
  private static volatile byte[] reserve = {};

  private OwnProcess() {}

  /** Does something with the process as its own. */
  static int with(IntSupplier work) {
    return ScopedValue.where(OURS, true).call(work::getAsInt);
  }

  static boolean isOurs() {
    return OURS.isBound();
  }

  /**
   * Gives what comes of some work, or ends the process.
   *
   * @param why it has not ended in time: asked for early, while there is memory for it
   * @param late tells it, and gives the status to end with
   */
  static int within(
      Duration allowed,
      IntSupplier work,
      Supplier<ReadProblem> why,
      ToIntFunction<ReadProblem> late) {
    Thread watch =
        Thread.ofPlatform().daemon().name("watch").start(() -> watch(allowed, why, late));
    try {
      return work.getAsInt();
    } finally {
      watch.interrupt();
    }
  }

  private static void watch(
      Duration allowed, Supplier<ReadProblem> why, ToIntFunction<ReadProblem> late) {
    ReadProblem problem;
    try {
      Duration first = allowed.compareTo(EARLY) < 0 ? allowed : EARLY;
      Thread.sleep(first);
      problem = why.get();
      reserve = new byte[RESERVE];
      Thread.sleep(allowed.minus(first));
    } catch (InterruptedException e) {
      return;
    }
    reserve = new byte[0]; // a file that fills all memory must not keep this from being told
    Thread.ofPlatform().daemon().name("end").start(() -> haltSoon(UNTOLD));
    System.exit(late.applyAsInt(problem)); // takes what is half-written with it
  }

  /** What ends with the process may hang as well. */
  private static void haltSoon(int status) {
    try {
      Thread.sleep(ENDING);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    Runtime.getRuntime().halt(status);
  }
}
