package decant.run;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import decant.convert.Conversion;
import decant.convert.Ready;
import decant.io.AtomicFile;
import decant.io.FileHash;
import decant.io.StateFolder;
import decant.io.Untouchable;
import decant.io.WriteProblem;
import decant.pdf.choices.Passwords;
import decant.pdf.merge.MergedPdf;
import decant.process.Answering;
import decant.publish.Receipt;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.Recogniser;
import decant.reading.Tesseract;
import decant.recipe.PublishProblem;
import decant.recipe.RecipeFile;
import decant.recipe.RecipeProblem;
import decant.verify.Check;
import decant.words.Words;
import decant.work.Deadline;
import decant.work.Log;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Publishes one file of a run after another, in a process of its own. */
public final class JobWorker {
  private static final Words WORDS = Words.of(JobWorker.class);
  private static final ObjectMapper JSON = new ObjectMapper();

  private JobWorker() {}

  public static void main(String[] args) throws InterruptedException {
    System.setProperty("java.awt.headless", "true");
    Log.into(StateFolder.usual(false));
    Thread.ofPlatform().daemon().name("ready").start(Ready::make);
    Answering.serve(JobWorker::answered);
  }

  private static String answered(String job) {
    try {
      JsonNode told = JSON.readTree(job);
      return JSON.writeValueAsString(
          told.has("merged")
              ? merged(JSON.treeToValue(told, MergeJob.class))
              : answer(JSON.treeToValue(told, Job.class)));
    } catch (JsonProcessingException e) {
      throw new UncheckedIOException(e); // the process ends, and the run says so
    }
  }

  private static Job.Answer answer(Job job) {
    try {
      return published(job);
    } catch (ReadProblem e) {
      return Job.Answer.problem(why(e.kind()), e.getMessage());
    } catch (PublishProblem | RecipeProblem e) {
      return Job.Answer.problem(Row.Why.CHOICES, e.getMessage());
    } catch (WriteProblem e) {
      return new Job.Answer(
          e.kind() == WriteProblem.Kind.NAME_TAKEN ? Row.Why.NAME_TAKEN : Row.Why.NOT_WRITTEN,
          e.getMessage(),
          e.kind() == WriteProblem.Kind.DISK_FULL,
          "",
          List.of(),
          0,
          Row.Work.NONE);
    } catch (IOException | RuntimeException | StackOverflowError | LinkageError e) {
      return Job.Answer.problem(Row.Why.FAULT, ReadProblem.fault(e).getMessage());
    }
  }

  private static Job.Answer merged(MergeJob job) {
    Path file = Path.of(job.file());
    List<MergedPdf.Part> parts =
        job.merged().stream().map(p -> new MergedPdf.Part(p.title(), Path.of(p.file()))).toList();
    try {
      AtomicFile.Pending pending =
          AtomicFile.prepare(
              file, job.overwrite(), out -> MergedPdf.write(parts, job.title(), out));
      Optional<Check> failed =
          MergedPdf.verify(pending.file(), parts).stream().filter(c -> !c.passed()).findFirst();
      if (failed.isPresent()) {
        pending.discard();
        return Job.Answer.problem(
            Row.Why.NOT_VERIFIED,
            WORDS.say("job.merge-not-verified", failed.get().name(), failed.get().detail()));
      }
      pending.commit();
      String sha256 = FileHash.of(file);
      return new Job.Answer(
          Row.Why.NONE,
          "",
          false,
          sha256,
          List.of(
              new Row.Result(
                  file.toString(), Files.size(file), sha256, MergedPdf.pages(file), true)),
          0,
          Row.Work.NONE);
    } catch (WriteProblem e) {
      return Job.Answer.problem(Row.Why.NOT_WRITTEN, e.getMessage());
    } catch (IOException | RuntimeException e) {
      return Job.Answer.problem(Row.Why.FAULT, ReadProblem.fault(e).getMessage());
    }
  }

  private static Row.Why why(ReadProblem.Kind kind) {
    return switch (kind) {
      case NOT_FOUND, UNREADABLE, CANCELLED -> Row.Why.UNREADABLE;
      case EMPTY -> Row.Why.EMPTY;
      case NOT_A_DOCUMENT, NOT_SERVED -> Row.Why.NO_DOCUMENT;
      case ENCRYPTED, CANNOT_UNLOCK, WRONG_PASSWORD -> Row.Why.LOCKED;
      case DAMAGED -> Row.Why.DAMAGED;
      case TOO_LARGE -> Row.Why.TOO_LARGE;
      case TOO_SLOW -> Row.Why.TOO_SLOW;
      case FAULT -> Row.Why.FAULT;
    };
  }

  private static Job.Answer published(Job job)
      throws ReadProblem, PublishProblem, RecipeProblem, WriteProblem, IOException {
    long start = System.nanoTime();
    Path source = Path.of(job.source());
    Deadline deadline = Deadline.in(Duration.ofMillis(job.millis()));
    String sha256 = FileHash.of(source);
    Conversion ready =
        Conversion.of(
            new Conversion.Order(
                request(job, source),
                RecipeFile.read(job.recipe(), source.toString()),
                job.pagesKept(),
                job.changes()),
            deadline);
    Path folder = made(job);
    var passwords = new Passwords(job.open(), job.change());
    if (job.known() != null) {
      refuseUnknown(ready.names(job.stem(), source, passwords), folder, job.known());
    }
    Receipt receipt =
        ready.publish(
            new Conversion.Place(
                folder, job.stem(), source, job.overwrite(), Untouchable.inputs(List.of(source))),
            passwords,
            deadline);
    var results = new ArrayList<Row.Result>();
    for (Receipt.Made m : receipt.files()) {
      if (job.keepTimes()) {
        Files.setLastModifiedTime(m.file(), Files.getLastModifiedTime(source));
      }
      results.add(
          new Row.Result(m.file().toString(), m.bytes(), m.sha256(), m.pages(), m.verified()));
    }
    Optional<Check> failed = receipt.files().stream().flatMap(m -> m.failed().stream()).findFirst();
    var work =
        new Row.Work(
            ready.findings().size(),
            ready.losses().size(),
            ready.replaced(),
            new Row.Times(
                (System.nanoTime() - start) / 1_000_000,
                ready.reading().toMillis(),
                ready.layout().toMillis(),
                receipt.took().minus(receipt.verifying()).toMillis(),
                receipt.verifying().toMillis()));
    return new Job.Answer(
        failed.isPresent() ? Row.Why.NOT_VERIFIED : Row.Why.NONE,
        failed.map(c -> WORDS.say("job.not-verified", c.name(), c.detail())).orElse(""),
        false,
        sha256,
        results,
        ready.sourcePages(),
        work);
  }

  private static ReadRequest request(Job job, Path source) {
    ReadRequest plain = ReadRequest.of(source);
    ReadRequest open = job.password().isEmpty() ? plain : plain.withPassword(job.password());
    Optional<Recogniser> recogniser =
        job.languages().isEmpty()
            ? Optional.empty()
            : Tesseract.installed().map(p -> Tesseract.of(p, job.languages()));
    return recogniser.map(open::withRecogniser).orElse(open);
  }

  /** The folder that the results go to; it may have become a link since the plan was made. */
  private static Path made(Job job) throws WriteProblem {
    Path folder = Path.of(job.folder());
    try {
      if (!Places.leadsOut(Path.of(job.root()), folder)) {
        return Files.createDirectories(folder);
      }
    } catch (IOException e) {
      throw new WriteProblem(
          WriteProblem.Kind.OTHER, WORDS.say("job.folder-cannot-be-made", folder), e);
    }
    throw new WriteProblem(WriteProblem.Kind.OTHER, WORDS.say("job.leads-out", folder));
  }

  private static void refuseUnknown(List<String> names, Path folder, List<String> known)
      throws WriteProblem {
    for (String n : names) {
      if (Files.exists(folder.resolve(n)) && !known.contains(n)) {
        throw new WriteProblem(WriteProblem.Kind.NAME_TAKEN, WORDS.say("job.name-taken", n));
      }
    }
  }
}
