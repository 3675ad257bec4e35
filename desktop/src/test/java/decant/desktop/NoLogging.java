package decant.desktop;

/** Keeps what libraries say of odd files out of the test report. */
public final class NoLogging {
  public NoLogging() {
    java.util.logging.LogManager.getLogManager().reset();
  }
}
