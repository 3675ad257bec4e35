package decant.cli;

import java.util.concurrent.CountDownLatch;

/** What is done when a signal ends the program. */
final class Signals {
  private Signals() {}

  /** Waits for the end that a signal has begun, so that its status is the one that is given. */
  static void awaitEnd() {
    try {
      new CountDownLatch(1).await();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
