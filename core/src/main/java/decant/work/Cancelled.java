package decant.work;

/** Work was stopped by the person. */
public final class Cancelled extends RuntimeException {
  private static final long serialVersionUID = 1;

  public Cancelled() {
    super("stopped by the person", null, false, false);
  }
}
