package decant.run;

import decant.io.AtomicFile;
import decant.io.FileHash;
import decant.io.StateFolder;
import decant.words.Words;
import decant.work.Faults;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.LongConsumer;
import java.util.stream.Collectors;

/**
 * A run over a folder: planned, then worked through by processes that can be ended, each file by
 * itself. What is done is in the journal at once, so that a run which was stopped, by whatever
 * means, goes on where it was.
 */
public final class Run implements AutoCloseable {
  private static final Words WORDS = Words.of(Run.class);
  private static final int AHEAD = 200;

  /** Is told what becomes of rows, by the threads that work on them. */
  public interface Listener {
    /** Work on a row begins. */
    default void begun(Row row) {}

    /** A row has come to its end: it is done, failed, or left out. */
    void ended(Row row);
  }

  /** How a run is started. */
  public enum Start {
    /** It begins; one that was stopped before is in the way. */
    NEW,
    /** It goes on with one that was stopped, if there is one. */
    RESUME,
    /** It is only planned; nothing is kept. */
    PLAN_ONLY
  }

  private final RunOrder order;
  private final Secrets secrets;
  private final Journal journal;
  private final List<Path> closed;
  private final long files;
  private final Speeds speeds;
  private final Totals totals;
  private final Deque<Row> ahead = new ArrayDeque<>();
  private final Set<Path> littered = new HashSet<>();

  /** Whoever cancels goes through them while work may still be beginning. */
  private final List<Thread> threads = new CopyOnWriteArrayList<>();

  private volatile boolean patient;
  private volatile boolean cancelled;
  private volatile Optional<String> stopped = Optional.empty();
  private boolean paused;
  private long next;

  private Run(RunOrder order, Secrets secrets, Journal journal, List<Path> closed, long files) {
    this.order = order;
    this.secrets = secrets;
    this.journal = journal;
    this.closed = List.copyOf(closed);
    this.files = files;
    this.speeds = Speeds.in(StateFolder.usual(false));
    this.totals = new Totals(files);
  }

  /**
   * Plans a run. Nothing is written but its journal, and not even that if it is only planned.
   *
   * @param secrets what opens locked files, and locks results
   * @param seen is told how many files were met
   * @throws RunProblem if it cannot start; nothing was written then
   */
  public static Run plan(
      RunOrder order, Start start, Secrets secrets, LongConsumer seen, BooleanSupplier cancelled)
      throws RunProblem {
    Places.check(order);
    Journal journal =
        start == Start.PLAN_ONLY
            ? Journal.copy(order.destination())
            : Journal.open(order.destination());
    boolean ready = false;
    try {
      boolean unfinished = journal.isUnfinished();
      if (unfinished && start == Start.NEW) {
        throw new RunProblem(RunProblem.Kind.UNFINISHED, WORDS.say("run.unfinished"));
      }
      List<Journal.InDoubt> inDoubt = journal.inDoubt();
      if (start != Start.PLAN_ONLY) {
        inDoubt.stream().map(d -> AtomicFile.folderOf(d.file())).distinct().forEach(Run::clean);
      }
      journal.clear();
      var counted = new long[1];
      var planner =
          new Planner(
              order,
              journal,
              secrets,
              inDoubt.stream().map(Journal.InDoubt::source).collect(Collectors.toSet()),
              n -> {
                counted[0] = n;
                seen.accept(n);
              },
              cancelled);
      List<Path> closed = planner.plan();
      ready = true;
      return new Run(order, secrets, journal, closed, counted[0]);
    } finally {
      if (!ready) {
        journal.close();
      }
    }
  }

  /** Takes away what a worker that was ended left half-written. */
  private static void clean(Path folder) {
    if (Files.isDirectory(folder)) {
      AtomicFile.removeParts(folder);
    }
  }

  public RunOrder order() {
    return order;
  }

  /** How many files were met. */
  public long files() {
    return files;
  }

  /** Folders that could not be looked into. */
  public List<Path> closed() {
    return closed;
  }

  /** Gives all rows in their order. */
  public void each(Consumer<Row> to) {
    journal.each(to);
  }

  /** The source of a row. */
  public Path source(Row r) {
    return order.parts().get(r.part()).source().resolve(r.path());
  }

  /** Where a result of a row is, or will be. */
  public Path file(Row r, Row.Result result) {
    return order.parts().get(r.part()).destination().resolve(result.file());
  }

  public Totals.Now totals() {
    return totals.now();
  }

  /** How far the files of each kind are while work goes on, as {@link #totals} has them all. */
  public List<Totals.OfKind> progressByKind() {
    return totals.byKind();
  }

  /**
   * How many files of a kind, or in a folder, become what.
   *
   * @param of the id of a format, or a folder from the source
   */
  public record Count(String of, Row.State state, long files, long bytes) {}

  public List<Count> byKind() {
    return counts(journal.byKind());
  }

  public List<Count> byFolder() {
    return counts(journal.byFolder());
  }

  private static List<Count> counts(List<Journal.Count> all) {
    return all.stream().map(c -> new Count(c.of(), c.state(), c.files(), c.bytes())).toList();
  }

  private List<Journal.Count> planned() {
    return journal.byKind().stream().filter(c -> c.state() == Row.State.PLANNED).toList();
  }

  /** The room that the results need as far as earlier runs tell, in bytes. */
  public OptionalLong roomNeeded() {
    return speeds.room(order.treatment().recipe().name(), planned());
  }

  /** The room that is free where they go, in bytes. */
  public OptionalLong roomFree() {
    try {
      return OptionalLong.of(
          Files.getFileStore(Places.existing(order.destination())).getUsableSpace());
    } catch (IOException e) {
      return OptionalLong.empty();
    }
  }

  /** How long the planned files take as far as earlier runs tell, in milliseconds. */
  public OptionalLong timeNeeded(int workers) {
    OptionalLong one = speeds.time(order.treatment().recipe().name(), planned());
    return one.isPresent() ? OptionalLong.of(one.getAsLong() / workers) : one;
  }

  /**
   * Whether a file about the run may be written: there is none of its name, or one that a run into
   * this destination wrote and nobody has changed.
   *
   * @throws IOException if what is there cannot be read
   */
  public boolean mayWrite(Path file) throws IOException {
    if (!Files.exists(file)) {
      return true;
    }
    Optional<String> made = journal.made(whole(file));
    return made.isPresent() && made.get().equals(FileHash.of(file));
  }

  /**
   * Notes that a file about the run was written.
   *
   * @throws IOException if it cannot be read back
   */
  public void wrote(Path file) throws IOException {
    journal.wrote(whole(file), FileHash.of(file));
  }

  private static Path whole(Path file) {
    return file.toAbsolutePath().normalize();
  }

  /** Leaves a planned file out. */
  public Row leaveOut(Row r) {
    Row left = r.with(Row.State.LEFT_OUT, Row.Why.BY_PERSON, WORDS.say("run.left-out-by-person"));
    journal.update(left);
    return left;
  }

  /**
   * Works through the plan, and returns when all rows have come to their end, or the run was
   * stopped.
   *
   * @param workers how many processes work at a time
   */
  public void work(int workers, Listener listener) {
    try {
      through(workers, listener);
    } catch (RuntimeException e) {
      lost(e);
    }
  }

  /** What cannot be noted must not be gone on with; the run stops, and says why. */
  void lost(RuntimeException e) {
    stop(WORDS.say("run.journal-lost", Faults.note("keeping the journal", e)));
  }

  private void through(int workers, Listener listener) {
    journal.begin(order.source(), order.treatment().recipe().name());
    totals.begin(journal.byKind());
    journal.each(r -> {
      if (r.state() != Row.State.PLANNED && !cancelled) {
        totals.ended(r);
        listener.ended(r);
      }
    });
    for (int k = 0; k < workers; k++) {
      var worker = new RunThread(this, journal, speeds, totals, secrets, listener);
      threads.add(Thread.ofPlatform().daemon().name("run-" + k).unstarted(worker));
    }
    threads.forEach(Thread::start);
    for (Thread t : threads) {
      join(t);
    }
    littered.forEach(Run::clean);
    speeds.keep();
    if (!cancelled && stopped.isEmpty()) {
      journal.end();
    }
  }

  private void join(Thread t) {
    while (t.isAlive()) {
      try {
        t.join();
      } catch (InterruptedException e) {
        cancel();
      }
    }
  }

  /** Lets the work give way to what people do meanwhile at the same machine. */
  public void giveWay() {
    patient = true;
  }

  boolean isPatient() {
    return patient;
  }

  /** The next row to be worked on; waits while the run is paused. Nothing when there is no more. */
  synchronized Optional<Row> next() {
    while (paused && !isStopped()) {
      try {
        wait();
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        return Optional.empty();
      }
    }
    if (isStopped()) {
      return Optional.empty();
    }
    if (ahead.isEmpty()) {
      ahead.addAll(journal.planned(next, AHEAD));
    }
    Optional<Row> r = Optional.ofNullable(ahead.poll());
    r.ifPresent(x -> next = x.number() + 1);
    return r;
  }

  /** A worker was ended in the midst of its work on a file of this folder. */
  synchronized void littered(Path folder) {
    littered.add(folder);
  }

  boolean isStopped() {
    return cancelled || stopped.isPresent();
  }

  public boolean isCancelled() {
    return cancelled;
  }

  /** Why the run stopped of itself before its end; empty if it did not. */
  public Optional<String> stopped() {
    return stopped;
  }

  /** Stops for a reason that would fail all files that are left. */
  void stop(String why) {
    stopped = Optional.of(why);
    synchronized (this) {
      notifyAll();
    }
  }

  /** Begins no more files until {@link #goOn}; those at work are finished. */
  public synchronized void pause() {
    paused = true;
    totals.rest(true);
  }

  public synchronized void goOn() {
    paused = false;
    totals.rest(false);
    notifyAll();
  }

  /** Ends the run at once; what is not done can be gone on with later. */
  public void cancel() {
    cancelled = true;
    synchronized (this) {
      notifyAll();
    }
    threads.forEach(Thread::interrupt);
  }

  @Override
  public void close() {
    journal.close();
  }
}
