package decant.work;

import java.util.HexFormat;
import java.util.concurrent.ThreadLocalRandom;

/** Faults of our own: each gets an id, which a person can tell and the log explains. */
public final class Faults {
  private static final System.Logger LOG = System.getLogger("decant.faults");

  private Faults() {}

  /**
   * Notes what was thrown, and gives the id under which the log has it. The log holds class names
   * and places in the code, no text of a document.
   */
  public static String note(String doing, Throwable thrown) {
    String id = HexFormat.of().toHexDigits(ThreadLocalRandom.current().nextInt());
    LOG.log(System.Logger.Level.ERROR, id + " while " + doing, thrown);
    return id;
  }
}
