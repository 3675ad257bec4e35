package decant.run;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import decant.format.Formats;
import decant.process.WorkerProcess;
import decant.reading.ReadProblem;
import decant.recipe.Output;
import decant.recipe.PageChoice;
import decant.recipe.Recipe;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What a run has published as one file, with a bookmark for each document. */
public final class Merging {
  private static final ObjectMapper JSON = new ObjectMapper();
  private static final Duration FIRST = Duration.ofSeconds(60);
  private static final Duration EACH = Duration.ofSeconds(2);

  /** The whole is larger than any of its parts. */
  private static final int MEMORY = 800;

  /**
   * What came of it.
   *
   * @param parts how many documents it has
   * @param problem why it was not made; empty if it was
   */
  public record Merged(Path file, int parts, long bytes, int pages, Optional<String> problem) {}

  private Merging() {}

  /** Whether what a recipe makes can be merged: whole PDFs that open for everyone. */
  public static boolean isServed(Recipe recipe) {
    return recipe.outputs().stream()
        .anyMatch(o ->
            o instanceof Output.Pdf p
                && p.pages().split() == PageChoice.Split.ONE_FILE
                && !p.settings().security().isLocked());
  }

  /**
   * Merges the results that a run has now, in the order of its plan; nothing if there are none.
   *
   * @param file must be free, or {@link Run#mayWrite}
   */
  public static Optional<Merged> merge(Run run, Path file) throws IOException {
    var parts = new ArrayList<MergeJob.Part>();
    run.each(r -> {
      if (r.state() == Row.State.DONE || r.why() == Row.Why.DONE_BEFORE) {
        r.results().stream()
            .filter(x -> x.file().endsWith("." + Formats.pages().extension()))
            .findFirst()
            .ifPresent(x ->
                parts.add(
                    new MergeJob.Part(
                        title(r.path()), run.file(r, x).toAbsolutePath().toString())));
      }
    });
    if (parts.isEmpty()) {
      return Optional.empty();
    }
    var job =
        new MergeJob(
            file.toAbsolutePath().toString(),
            String.valueOf(run.order().source().toAbsolutePath().normalize().getFileName()),
            true,
            parts);
    Job.Answer a = answer(job, FIRST.plus(EACH.multipliedBy(parts.size())));
    if (a.why() != Row.Why.NONE) {
      return Optional.of(new Merged(file, parts.size(), 0, 0, Optional.of(a.message())));
    }
    run.wrote(file);
    Row.Result made = a.results().getFirst();
    return Optional.of(
        new Merged(file, parts.size(), made.bytes(), made.pages(), Optional.empty()));
  }

  private static Job.Answer answer(MergeJob job, Duration allowed) throws IOException {
    try (var worker = new WorkerProcess(JobWorker.class, MEMORY, List.of())) {
      return JSON.readValue(worker.ask(JSON.writeValueAsString(job), allowed), Job.Answer.class);
    } catch (ReadProblem e) {
      return Job.Answer.problem(Row.Why.TOO_LARGE, e.getMessage());
    } catch (WorkerProcess.Died e) {
      return Job.Answer.problem(Row.Why.FAULT, ReadProblem.fault(e).getMessage());
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("jobs and answers can always be written", e);
    }
  }

  private static String title(String path) {
    int dot = path.lastIndexOf('.');
    return dot > path.lastIndexOf('/') + 1 ? path.substring(0, dot) : path;
  }
}
