package decant.desktop.runs;

import decant.format.Formats;
import decant.io.AtomicFile;
import decant.io.WriteProblem;
import decant.pdf.choices.Passwords;
import decant.recipe.Recipe;
import decant.recipe.RecipeBook;
import decant.run.Merging;
import decant.run.Row;
import decant.run.Run;
import decant.run.RunOrder;
import decant.run.RunProblem;
import decant.run.Secrets;
import decant.run.Totals;
import decant.run.log.Csv;
import decant.run.log.RunLog;
import decant.words.Words;
import decant.work.Faults;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Queue;
import java.util.Set;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;

/**
 * The run that is thought of, or goes on. Everything is called on the interface thread; the
 * planning and the work are done elsewhere, and what they bring is taken over by {@link #update}.
 */
public final class RunState {
  private static final Words WORDS = Words.of(RunState.class);

  /** Where a run is. */
  public enum Phase {
    /** Folders are missing, or nothing was planned yet. */
    THOUGHT_OF,
    PLANNING,
    PLANNED,
    AT_WORK,
    PAUSED,
    /** It is being stopped. */
    STOPPING,
    STOPPED,
    ENDED
  }

  /** What stands in the way of a plan. */
  record Hindrance(RunProblem.Kind kind, String message) {}

  private final Executor background;
  private final Executor interfaceThread;
  private final ObjectProperty<RunDraft> draft;
  private final ReadOnlyObjectWrapper<Phase> phase = new ReadOnlyObjectWrapper<>(Phase.THOUGHT_OF);
  private final ReadOnlyObjectWrapper<Optional<Hindrance>> hindrance =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final ReadOnlyIntegerWrapper changes = new ReadOnlyIntegerWrapper();
  private final Queue<Row> news = new ConcurrentLinkedQueue<>();
  private final Map<Path, String> passwords = new HashMap<>();
  private final Set<Path> leftOut = new HashSet<>();
  private final Map<Path, RunOrder.Clash> clashes = new HashMap<>();
  private List<Row> rows = List.of();
  private final int[] counts = new int[Row.State.values().length];
  private Optional<Run> run = Optional.empty();
  private String needed = "";
  private Optional<Merging.Merged> merged = Optional.empty();
  private volatile long met;
  private volatile boolean planCancelled;

  /**
   * @param background does what takes long
   * @param interfaceThread does what follows from it
   */
  RunState(Executor background, Executor interfaceThread) {
    this.background = background;
    this.interfaceThread = interfaceThread;
    this.draft =
        new SimpleObjectProperty<>(
            new RunDraft(
                Optional.empty(),
                Optional.empty(),
                true,
                Set.of(),
                RecipeBook.counterCopy(),
                RunOrder.Clash.LEAVE,
                List.of(),
                RunDraft.More.NOTHING));
    draft.addListener(o -> forget());
  }

  ObjectProperty<RunDraft> draftProperty() {
    return draft;
  }

  RunDraft draft() {
    return draft.get();
  }

  ReadOnlyObjectProperty<Phase> phaseProperty() {
    return phase.getReadOnlyProperty();
  }

  Phase phase() {
    return phase.get();
  }

  ReadOnlyObjectProperty<Optional<Hindrance>> hindranceProperty() {
    return hindrance.getReadOnlyProperty();
  }

  /** Counts up whenever rows have changed. */
  ReadOnlyIntegerProperty changesProperty() {
    return changes.getReadOnlyProperty();
  }

  /** All rows in the order of the plan. */
  List<Row> rows() {
    return rows;
  }

  /** How many rows are in a state. */
  int count(Row.State s) {
    return counts[s.ordinal()];
  }

  private void take(List<Row> all) {
    rows = all;
    Arrays.fill(counts, 0);
    all.forEach(r -> counts[r.state().ordinal()]++);
  }

  private void set(Row r) {
    Row was = rows.set((int) r.number() - 1, r);
    counts[was.state().ordinal()]--;
    counts[r.state().ordinal()]++;
  }

  Optional<Run> run() {
    return run;
  }

  /** What the plan comes to, in a line. */
  String needed() {
    return needed;
  }

  /** What all PDFs became besides, if that was asked for. */
  Optional<Merging.Merged> merged() {
    return merged;
  }

  /** How many files have been met while planning. */
  long met() {
    return met;
  }

  /** Whether a run is being worked on, paused or not. */
  boolean isAtWork() {
    return phase() == Phase.AT_WORK || phase() == Phase.PAUSED || phase() == Phase.STOPPING;
  }

  /** A plan for another order is none for this one. */
  private void forget() {
    if (!isAtWork() && phase() != Phase.PLANNING) {
      letGo();
      take(List.of());
      phase.set(Phase.THOUGHT_OF);
      hindrance.set(Optional.empty());
      changed();
    }
  }

  private void letGo() {
    run.ifPresent(Run::close);
    run = Optional.empty();
  }

  private void changed() {
    changes.set(changes.get() + 1);
  }

  /**
   * Plans what the draft says.
   *
   * @param resume whether a run that was stopped is gone on with
   */
  void plan(boolean resume) {
    Optional<RunOrder> order = draft().order(new RunOrder.Choices(leftOut, clashes));
    if (order.isEmpty() || isAtWork() || phase() == Phase.PLANNING) {
      return;
    }
    letGo();
    met = 0;
    planCancelled = false;
    hindrance.set(Optional.empty());
    phase.set(Phase.PLANNING);
    var secrets = new Secrets("", passwords, Passwords.NONE);
    background.execute(() -> {
      try {
        Run made =
            Run.plan(
                order.get(),
                resume ? Run.Start.RESUME : Run.Start.NEW,
                secrets,
                n -> met = n,
                () -> planCancelled);
        var all = new ArrayList<Row>();
        made.each(all::add);
        String needs = RunFigures.planned(made);
        interfaceThread.execute(() -> planned(made, all, needs));
      } catch (RunProblem e) {
        interfaceThread.execute(() -> hindered(new Hindrance(e.kind(), e.getMessage())));
      } catch (RuntimeException e) {
        String fault = Faults.note("planning a run", e);
        interfaceThread.execute(() ->
            hindered(
                new Hindrance(RunProblem.Kind.JOURNAL, WORDS.say("run-state.plan-failed", fault))));
      }
    });
  }

  /** Makes something where no key waits for it, and takes it over. */
  <T> void elsewhere(Supplier<T> making, Consumer<T> taking) {
    background.execute(() -> {
      T made = making.get();
      interfaceThread.execute(() -> taking.accept(made));
    });
  }

  private void planned(Run made, List<Row> all, String needs) {
    needed = needs;
    if (planCancelled) {
      made.close();
      phase.set(Phase.THOUGHT_OF);
      return;
    }
    run = Optional.of(made);
    take(all);
    phase.set(Phase.PLANNED);
    changed();
  }

  private void hindered(Hindrance by) {
    take(List.of());
    hindrance.set(Optional.of(by));
    phase.set(Phase.THOUGHT_OF);
    changed();
  }

  /** Works through the plan. */
  void start() {
    if (phase() != Phase.PLANNED || run.isEmpty()) {
      return;
    }
    Run now = run.get();
    boolean merging = draft().more().merged();
    List<Row> plan = List.copyOf(rows);
    phase.set(Phase.AT_WORK);
    now.giveWay();
    background.execute(() -> {
      var planned = new BitSet();
      plan.stream()
          .filter(r -> r.state() == Row.State.PLANNED)
          .forEach(r -> planned.set((int) r.number()));
      now.work(
          Runtime.getRuntime().availableProcessors(),
          new Run.Listener() {
            @Override
            public void begun(Row row) {
              news.add(row);
            }

            @Override
            public void ended(Row row) {
              if (planned.get((int) row.number())) {
                news.add(row); // what became of the others stands in the plan
              }
            }
          });
      Optional<Merging.Merged> whole =
          merging && !now.isCancelled() && now.stopped().isEmpty() ? merge(now) : Optional.empty();
      interfaceThread.execute(() -> {
        while (!update().isEmpty()) {
          continue;
        }
        merged = whole;
        phase.set(now.isCancelled() || now.stopped().isPresent() ? Phase.STOPPED : Phase.ENDED);
        changed();
      });
    });
  }

  /** One PDF of all, beside the destination. */
  private static Optional<Merging.Merged> merge(Run run) {
    Path to = run.order().destination().toAbsolutePath().normalize();
    Path file =
        to.resolveSibling(
            WORDS.say("run-state.merged-name", to.getFileName())
                + "."
                + Formats.pages().extension());
    try {
      return Merging.merge(run, run.mayWrite(file) ? file : AtomicFile.freeName(file));
    } catch (IOException e) {
      return Optional.of(
          new Merging.Merged(
              file,
              0,
              0,
              0,
              Optional.of(WORDS.say("run-state.not-merged", Faults.note("merging a run", e)))));
    }
  }

  /** So many rows are taken over at a time, so that no key has to wait. */
  private static final int AT_ONCE = 1000;

  /**
   * Takes over what was done since it was last called; gives the places of the rows it was done to.
   */
  List<Integer> update() {
    var places = new ArrayList<Integer>();
    for (Row r = news.poll(); r != null; r = places.size() < AT_ONCE ? news.poll() : null) {
      set(r);
      places.add((int) r.number() - 1);
    }
    return places;
  }

  void pause() {
    if (phase() == Phase.AT_WORK) {
      run.ifPresent(Run::pause);
      phase.set(Phase.PAUSED);
    }
  }

  void goOn() {
    if (phase() == Phase.PAUSED) {
      run.ifPresent(Run::goOn);
      phase.set(Phase.AT_WORK);
    }
  }

  /** Stops what goes on; what is done stays done, and the rest can be gone on with. */
  void stop() {
    if (phase() == Phase.PLANNING) {
      planCancelled = true;
    } else if (isAtWork()) {
      phase.set(Phase.STOPPING);
      run.ifPresent(Run::cancel);
    }
  }

  Optional<Totals.Now> totals() {
    return run.map(Run::totals);
  }

  private Path whole(Row r) {
    return run.orElseThrow().source(r).toAbsolutePath().normalize();
  }

  /** Leaves planned files out. */
  void leaveOut(List<Row> some) {
    for (Row r : some) {
      if (phase() == Phase.PLANNED && r.state() == Row.State.PLANNED) {
        leftOut.add(whole(r));
        set(run.orElseThrow().leaveOut(r));
      }
    }
    changed();
  }

  /** Plans again with files that were left out by hand. */
  void takeBack(List<Row> some) {
    some.forEach(r -> leftOut.remove(whole(r)));
    plan(false);
  }

  /** Plans again with a recipe of its own for a folder, or with that of the folder above. */
  void recipeFor(String folder, Optional<Recipe> own) {
    draft.set(draft().with(draft().more().by(folder, own)));
    plan(false);
  }

  /** Plans again with another choice for files whose names are taken. */
  void clash(List<Row> some, RunOrder.Clash choice) {
    some.forEach(r -> clashes.put(whole(r), choice));
    plan(false);
  }

  /** Plans again with a password for files that are locked; it is kept in memory only. */
  void password(List<Row> some, String password) {
    some.forEach(r -> passwords.put(whole(r), password));
    plan(false);
  }

  /**
   * Saves the log as a document, and beside it as values.
   *
   * @throws WriteProblem if it cannot be written
   */
  void saveLog(Path file) throws WriteProblem {
    Run now = run.orElseThrow();
    AtomicFile.write(file, true, out -> RunLog.write(now, file, out));
    String name = file.getFileName().toString();
    Path csv = file.resolveSibling(name.substring(0, name.lastIndexOf('.')) + ".csv");
    AtomicFile.write(csv, true, out -> Csv.write(now, out));
    try {
      now.wrote(file);
      now.wrote(csv);
    } catch (IOException e) {
      Faults.mended("noting a log", e); // the next one asks before it writes over this one
    }
  }

  /** Ends what goes on, for the window closes. */
  void close() {
    if (isAtWork()) {
      run.ifPresent(Run::cancel);
    } else {
      letGo();
    }
  }
}
