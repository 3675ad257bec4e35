package decant.run;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

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
   * @param millis how long work has gone on, without its rests
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

  /**
   * How far the files of a kind are.
   *
   * @param kind the id of a format; empty for what is none
   */
  public record OfKind(
      String kind, long planned, long done, long failed, long leftOut, long atWork) {
    /** How many have not been begun. */
    public long left() {
      return Math.max(0, planned - done - failed - leftOut - atWork); // one is both for a moment
    }

    private OfKind with(Row.State s, long more) {
      return switch (s) {
        case PLANNED -> new OfKind(kind, planned + more, done, failed, leftOut, atWork);
        case AT_WORK -> new OfKind(kind, planned, done, failed, leftOut, atWork + more);
        case DONE -> new OfKind(kind, planned, done + more, failed, leftOut, atWork);
        case FAILED -> new OfKind(kind, planned, done, failed + more, leftOut, atWork);
        case LEFT_OUT -> new OfKind(kind, planned, done, failed, leftOut + more, atWork);
      };
    }
  }

  private final Map<Row.State, Long> files = new EnumMap<>(Row.State.class);
  private final Map<String, OfKind> kinds = new TreeMap<>();
  private final long planned;
  private long start = System.nanoTime();
  private long restedFrom;
  private boolean rests;
  private long atWork;
  private long pages;
  private long bytes;
  private long replaced;

  Totals(long planned) {
    this.planned = planned;
  }

  /** Time counts from here: a plan may have been looked at for long before. */
  synchronized void begin(List<Journal.Count> plan) {
    start = System.nanoTime();
    restedFrom = start;
    plan.forEach(c -> count(c.of(), Row.State.PLANNED, c.files()));
  }

  /** While work rests, time does not count. */
  synchronized void rest(boolean now) {
    if (now && !rests) {
      restedFrom = System.nanoTime();
    } else if (!now && rests) {
      start += System.nanoTime() - restedFrom;
    }
    rests = now;
  }

  private void count(String kind, Row.State state, long more) {
    kinds.compute(
        kind, (k, of) -> (of == null ? new OfKind(k, 0, 0, 0, 0, 0) : of).with(state, more));
  }

  synchronized void begun(Row r) {
    atWork++;
    count(r.kind(), Row.State.AT_WORK, 1);
  }

  synchronized void stopped(Row r) {
    atWork--;
    count(r.kind(), Row.State.AT_WORK, -1);
  }

  synchronized List<OfKind> byKind() {
    return List.copyOf(kinds.values());
  }

  synchronized void ended(Row r) {
    files.merge(r.state(), 1L, Long::sum);
    count(r.kind(), r.state(), 1);
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
        ((rests ? restedFrom : System.nanoTime()) - start) / 1_000_000);
  }
}
