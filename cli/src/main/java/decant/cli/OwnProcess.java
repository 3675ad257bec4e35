package decant.cli;

import java.time.Duration;
import java.util.function.IntSupplier;

/**
 * A process that a command has for itself, and may end when its one file does not come to an end:
 * no other file is harmed by that, and a second process need not be started.
 */
final class OwnProcess {
  private static final ScopedValue<Boolean> OURS = ScopedValue.newInstance();

  /** So long the process may take to end. */
  private static final Duration ENDING = Duration.ofSeconds(3);

  /** Kept free for telling: so many parts of so many bytes, for which there is room anywhere. */
  private static final int PARTS = 128;

  private static final int PART = 64 << 10;

  private static final int UNTOLD = 1;

  private static final byte[][] NONE = {}; // not even this could be made when all is full

  @SuppressWarnings("UnusedVariable") // held, not read
  private static volatile byte[][] reserve = NONE;

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
   * @param late says why, when it has not ended in time, and gives the status to end with
   */
  static int within(Duration allowed, IntSupplier work, IntSupplier late) {
    reserve = new byte[PARTS][PART];
    Thread watch = Thread.ofPlatform().daemon().name("watch").start(() -> watch(allowed, late));
    try {
      return work.getAsInt();
    } finally {
      watch.interrupt();
    }
  }

  private static void watch(Duration allowed, IntSupplier late) {
    try {
      Thread.sleep(allowed);
    } catch (InterruptedException e) {
      return;
    }
    reserve = NONE; // a file that fills all memory must not keep this from being told
    try {
      int status = late.getAsInt();
      Thread.ofPlatform().daemon().name("end").start(() -> haltSoon(status));
      System.exit(status); // takes what is half-written with it
    } catch (Error | RuntimeException e) {
      Runtime.getRuntime().halt(UNTOLD); // there is no room even for telling
    }
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
