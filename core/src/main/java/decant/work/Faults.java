package decant.work;

import java.util.HexFormat;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
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
    LOG.log(System.Logger.Level.ERROR, id + " while " + doing, bare(thrown));
    return id;
  }

  /** What happens again and again, as with a damaged font, is noted a few times only. */
  private static final int OFTEN = 3;

  private static final Map<String, Integer> SEEN = new ConcurrentHashMap<>();

  /**
   * Notes what was thrown where the work goes on without what failed: of a damaged part of a file,
   * or by a fault of a library or of ours.
   */
  public static void mended(String doing, Throwable thrown) {
    StackTraceElement[] at = thrown.getStackTrace();
    String kind = doing + " " + thrown.getClass().getName() + (at.length == 0 ? "" : " " + at[0]);
    if (SEEN.size() < MAX_KINDS && SEEN.merge(kind, 1, Integer::sum) <= OFTEN) {
      LOG.log(System.Logger.Level.INFO, "went on after a failure while " + doing, bare(thrown));
    }
  }

  private static final int MAX_KINDS = 1000;

  private static final int CAUSES = 10;

  /** Without messages, which may quote a document. */
  private static Throwable bare(Throwable thrown) {
    Throwable first = bareAlone(thrown);
    Throwable last = first;
    Throwable cause = thrown.getCause();
    for (int k = 0; k < CAUSES && cause != null; k++) {
      Throwable next = bareAlone(cause);
      last.initCause(next);
      last = next;
      cause = cause.getCause();
    }
    return first;
  }

  private static Throwable bareAlone(Throwable t) {
    var out = new Throwable(t.getClass().getName());
    out.setStackTrace(t.getStackTrace());
    return out;
  }
}
