package decant.run;

import java.util.EnumMap;
import java.util.Map;

/**
 * What became of the files of a run so far. Safe for several threads.
 *
 * <p>Every file counts once, when it has come to its end.
 */
public final class Totals {
  /**
   * The counts at one moment.
   *
   * @param pages of the sources of those that are done
   * @param bytes of all their results
   * @param planned how many there are in all
   * @param replaced how often a text was replaced
   */
  public record Now(
      long planned,
      long done,
      long failed,
      long leftOut,
      long atWork,
      long pages,
      long bytes,
      long replaced,
      long millis) {
    /** How many have come to their end. */
    public long ended() {
      return done + failed + leftOut;
    }
  }

  private final Map<Row.State, Long> files = new EnumMap<>(Row.State.class);
  private final long start = System.nanoTime();
  private final long planned;
  private long atWork;
  private long pages;
  private long bytes;
  private long replaced;

  Totals(long planned) {
    this.planned = planned;
  }

  synchronized void begun() {
    atWork++;
  }

  synchronized void stopped() {
    atWork--;
  }

  synchronized void ended(Row r) {
    files.merge(r.state(), 1L, Long::sum);
    if (r.state() == Row.State.DONE) {
      pages += r.pagesOrMade();
      bytes += r.results().stream().mapToLong(Row.Result::bytes).sum();
      replaced += r.work().replaced();
    }
  }

  public synchronized Now now() {
    return new Now(
        planned,
        files.getOrDefault(Row.State.DONE, 0L),
        files.getOrDefault(Row.State.FAILED, 0L),
        files.getOrDefault(Row.State.LEFT_OUT, 0L),
        atWork,
        pages,
        bytes,
        replaced,
        (System.nanoTime() - start) / 1_000_000);
  }
}
