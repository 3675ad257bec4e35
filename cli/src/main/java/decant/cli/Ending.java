package decant.cli;

import decant.run.Run;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;

/**
 * What happens when INT or TERM ends the program in the midst of a run: the run is stopped, says
 * how far it came, and only then the process ends, with the status of the signal.
 */
final class Ending implements AutoCloseable {
  private static final int PATIENCE = 10;

  private final CountDownLatch told = new CountDownLatch(1);
  private final Thread hook = new Thread(this::end);
  private volatile boolean asked;
  private volatile @Nullable Run run;

  Ending() {
    Runtime.getRuntime().addShutdownHook(hook);
  }

  private void end() {
    asked = true;
    Optional.ofNullable(run).ifPresent(Run::cancel);
    try {
      told.await(PATIENCE, TimeUnit.SECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  boolean isAsked() {
    return asked;
  }

  /** The run that is ended; at once, if that was asked for before. */
  void of(Run begun) {
    run = begun;
    if (asked) {
      begun.cancel();
    }
  }

  /** The run has said how far it came. */
  void told() {
    told.countDown();
    if (asked) {
      awaitEnd();
    }
  }

  /** The end has begun, and gives the status; who asks for another one here waits for ever. */
  private static void awaitEnd() {
    try {
      new CountDownLatch(1).await();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  @Override
  public void close() {
    told.countDown();
    if (!asked) {
      try {
        Runtime.getRuntime().removeShutdownHook(hook);
      } catch (IllegalStateException e) {
        awaitEnd(); // it began in this very moment
      }
    }
  }
}
