package decant.run;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import decant.format.Format;
import decant.format.Formats;
import decant.io.FileHash;
import decant.process.WorkerProcess;
import decant.reading.ReadProblem;
import decant.recipe.Plan;
import decant.recipe.Recipe;
import decant.recipe.RecipeFile;
import decant.words.Words;
import decant.work.Deadline;
import decant.work.Faults;
import java.io.IOException;
import java.nio.file.DirectoryIteratorException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** Hands one row after another to a worker process of its own, and notes what became of it. */
final class RunThread implements Runnable {
  private static final Words WORDS = Words.of(RunThread.class);
  private static final ObjectMapper JSON = new ObjectMapper();

  /** The most that the heap of a worker takes, in MiB; with the rest it stays below 1 GiB. */
  private static final int MEMORY = 640;

  /** Nobody waits for one file of a run as for a file alone, and others are at work beside it. */
  private static final int PATIENCE = 3;

  /** So much longer than a file may take a worker is waited for, since it tells that itself. */
  private static final Duration GRACE = Duration.ofSeconds(3);

  /** So often a file is tried whose process ends without a word. */
  private static final int TRIES = 3;

  /** A signal to all processes of a terminal comes to the workers before it is known here. */
  private static final Duration SIGNAL = Duration.ofMillis(300);

  private final Run run;
  private final RunOrder order;
  private final Journal journal;
  private final Speeds speeds;
  private final Totals totals;
  private final Secrets secrets;
  private final Run.Listener listener;
  private final Map<Recipe, String> recipes = new IdentityHashMap<>();
  private final Doings doings;

  RunThread(
      Run run,
      Journal journal,
      Speeds speeds,
      Totals totals,
      Secrets secrets,
      Run.Listener listener) {
    this.run = run;
    this.order = run.order();
    this.doings = new Doings(order);
    this.journal = journal;
    this.speeds = speeds;
    this.totals = totals;
    this.secrets = secrets;
    this.listener = listener;
  }

  /**
   * A processor for each worker, and the quick compiler alone: a thousand documents of 1 to 20
   * pages took two workers 84 s so, 99 with the thorough one, which is long at work before it pays.
   */
  private static final List<String> OPTIONS =
      List.of("-XX:TieredStopAtLevel=1", "-XX:ActiveProcessorCount=1");

  private WorkerProcess worker() {
    return run.isPatient()
        ? WorkerProcess.patient(JobWorker.class, MEMORY, OPTIONS)
        : new WorkerProcess(JobWorker.class, MEMORY, OPTIONS);
  }

  @Override
  public void run() {
    try (var worker = worker()) {
      for (Optional<Row> r = run.next(); r.isPresent(); r = run.next()) {
        totals.begun(r.get());
        try {
          work(r.get(), worker);
        } finally {
          totals.stopped(r.get());
        }
      }
    } catch (RuntimeException e) {
      run.lost(e);
    }
  }

  private void work(Row planned, WorkerProcess worker) {
    Path source = run.source(planned);
    Doings.Doing doing = doings.of(planned.folder(), documents(planned));
    Recipe recipe = doing.recipe();
    Optional<Journal.Known> before = journal.known(source);
    before.filter(k -> !k.done()).ifPresent(k -> removeUnverified(planned, k));
    Row row = planned.with(Row.State.AT_WORK, Row.Why.NONE, "");
    journal.begin(row, source, files(row));
    listener.begun(row);
    Job.Answer a = asked(row, source, recipe, before, worker);
    if (run.isCancelled()) {
      return; // the row stays at work in the journal: what it made is known as ours
    }
    if (a.full()) {
      journal.update(planned);
      run.stop(a.message());
      return;
    }
    Row ended = ended(row, a);
    if (a.why() == Row.Why.NONE) {
      speeds.learn(order.treatment().recipe().name(), ended);
    }
    journal.done(ended, source, a.sha256(), doing.key(), files(ended));
    totals.ended(ended);
    listener.ended(ended);
  }

  private static Optional<Format> documents(Row r) {
    return Formats.of(r.kind()).map(Formats::documentsOf);
  }

  private List<Path> files(Row r) {
    return r.results().stream().map(x -> run.file(r, x)).toList();
  }

  /** What did not pass its check before, and was not changed since, makes room for another try. */
  private void removeUnverified(Row r, Journal.Known known) {
    for (Row.Result x : known.results()) {
      Path file = run.file(r, x);
      try {
        if (!x.verified() && Files.isRegularFile(file) && FileHash.of(file).equals(x.sha256())) {
          Files.delete(file);
        }
      } catch (IOException e) {
        Faults.mended("removing what was not verified", e);
      }
    }
  }

  private Job.Answer asked(
      Row row, Path source, Recipe recipe, Optional<Journal.Known> before, WorkerProcess worker) {
    Duration allowed =
        order.treatment().limit().orElseGet(() -> Deadline.usual(source).multipliedBy(PATIENCE));
    Path root = order.parts().get(row.part()).destination();
    Path folder = root.resolve(row.folder());
    try {
      boolean overwrite = row.named().overwrite();
      @Nullable List<String> known = known(row, recipe, before);
      Instant begun = Instant.now().minusSeconds(1); // times of files may lag behind the clock
      for (int tried = 1; ; tried++) {
        String job =
            JSON.writeValueAsString(
                new Job(
                    source.toAbsolutePath().toString(),
                    root.toAbsolutePath().toString(),
                    folder.toAbsolutePath().toString(),
                    row.named().stem(),
                    overwrite,
                    known,
                    recipe(row),
                    order.treatment().pagesKept(),
                    order.treatment().changes(),
                    order.treatment().languages(),
                    secrets.of(source),
                    secrets.results().open(),
                    secrets.results().change(),
                    allowed.toMillis(),
                    order.treatment().keepTimes()));
        try {
          return JSON.readValue(worker.ask(job, allowed.plus(GRACE)), Job.Answer.class);
        } catch (WorkerProcess.Died e) {
          run.littered(folder);
          // Whoever ended it may have meant the process and not the file, which is tried again.
          if (isCancelledSoon() || tried == TRIES) {
            return Job.Answer.problem(
                Row.Why.FAULT, WORDS.say("run.worker-died", Faults.note("a run", e)));
          }
          if (!overwrite || known != null) {
            known = with(known, madeSince(begun, folder, row.named().stem()));
            overwrite = true;
          }
        } catch (ReadProblem e) {
          run.littered(folder);
          return e.kind() == ReadProblem.Kind.TOO_SLOW
              ? Job.Answer.problem(Row.Why.TOO_SLOW, ReadProblem.tooSlow(allowed).getMessage())
              : Job.Answer.problem(Row.Why.TOO_LARGE, e.getMessage());
        }
      }
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("jobs and answers can always be written", e);
    } catch (IOException e) {
      return Job.Answer.problem(Row.Why.FAULT, ReadProblem.fault(e).getMessage());
    }
  }

  private String recipe(Row row) {
    return recipes.computeIfAbsent(order.recipeFor(row.folder()), RecipeFile::write);
  }

  /**
   * The names that may be written over where not all of them can be known before; null where the
   * plan has seen to it.
   */
  private @Nullable List<String> known(Row row, Recipe recipe, Optional<Journal.Known> before) {
    if (!row.named().overwrite() || Plan.hasKnownNames(recipe) || before.isEmpty()) {
      return null;
    }
    return before.get().results().stream()
        .map(x -> Path.of(x.file()).getFileName().toString())
        .toList();
  }

  /** Results that a process had made when it was ended: the next one may write over them. */
  private static List<String> madeSince(Instant begun, Path folder, String stem)
      throws IOException {
    if (!Files.isDirectory(folder)) {
      return List.of();
    }
    var made = new ArrayList<String>();
    try (DirectoryStream<Path> all = Files.newDirectoryStream(folder)) {
      for (Path p : all) {
        String name = p.getFileName().toString();
        BasicFileAttributes a = Files.readAttributes(p, BasicFileAttributes.class);
        boolean fresh =
            a.lastModifiedTime().toInstant().isAfter(begun)
                || a.creationTime().toInstant().isAfter(begun);
        if (fresh && a.isRegularFile() && name.contains(stem)) {
          made.add(name);
        }
      }
    } catch (DirectoryIteratorException e) {
      throw e.getCause();
    }
    return made;
  }

  private static List<String> with(@Nullable List<String> some, List<String> more) {
    return some == null ? more : Stream.concat(some.stream(), more.stream()).distinct().toList();
  }

  private boolean isCancelledSoon() {
    try {
      Thread.sleep(SIGNAL);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    return run.isCancelled();
  }

  private Row ended(Row row, Job.Answer a) {
    Path root = order.parts().get(row.part()).destination().toAbsolutePath();
    List<Row.Result> results =
        a.results().stream()
            .map(x ->
                new Row.Result(
                    root.relativize(Path.of(x.file())).toString().replace('\\', '/'),
                    x.bytes(),
                    x.sha256(),
                    x.pages(),
                    x.verified()))
            .toList();
    Row.State state =
        switch (a.why()) {
          case NONE -> Row.State.DONE;
          case EMPTY, NO_DOCUMENT, LOCKED, NAME_TAKEN -> Row.State.LEFT_OUT;
          default -> Row.State.FAILED;
        };
    return row.with(state, a.why(), a.message())
        .named(row.named().stem(), row.named().overwrite(), results)
        .worked(a.pages(), a.work());
  }
}
