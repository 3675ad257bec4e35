package decant.desktop.shell;

import decant.io.AtomicFile;
import decant.io.WriteProblem;
import decant.model.Document;
import decant.office.docx.DocxWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * Keeps unsaved changes in a file of the program's own, so that a crash loses at most a few seconds
 * of work.
 */
final class Recovery {
  private static final int SECONDS = 10;

  /**
   * Changes that an earlier run left behind.
   *
   * @param origin the file that the document had come from
   */
  record Left(Path file, Path origin) {
    String name() {
      return stem(file);
    }
  }

  private final Path folder;
  private final ScheduledExecutorService timer =
      Executors.newSingleThreadScheduledExecutor(r -> {
        Thread t = new Thread(r, "recovery");
        t.setDaemon(true);
        return t;
      });
  private volatile Optional<Work> watched = Optional.empty();
  private volatile Optional<Document> kept = Optional.empty();

  Recovery(Path folder) {
    this.folder = folder;
    timer.scheduleWithFixedDelay(this::keep, SECONDS, SECONDS, TimeUnit.SECONDS);
  }

  void watch(Work work) {
    watched.ifPresent(this::forget);
    watched = Optional.of(work);
    kept = Optional.empty();
  }

  private Path file(Work work) {
    return folder.resolve(work.stem() + ".docx");
  }

  /** Where it is noted which file a kept document came from. */
  private static Path note(Path file) {
    return file.resolveSibling(stem(file) + ".origin");
  }

  private static String stem(Path file) {
    return file.getFileName().toString().replaceFirst("\\.docx$", "");
  }

  /** Keeps what is unsaved now; called every few seconds. */
  void keep() {
    Optional<Work> w = watched;
    if (w.isEmpty() || !w.get().unsaved()) {
      return;
    }
    Document d = w.get().revision().document();
    if (kept.isPresent() && kept.get() == d) {
      return;
    }
    try {
      Files.createDirectories(folder);
      AtomicFile.write(file(w.get()), true, out -> DocxWriter.write(d, out));
      Files.writeString(note(file(w.get())), w.get().source().toString());
      kept = Optional.of(d);
    } catch (IOException | WriteProblem | RuntimeException e) {
      kept =
          Optional.empty(); // tried again after the next change; the document itself is in memory
    }
  }

  void close() {
    timer.shutdown();
    watched = Optional.empty();
    kept = Optional.empty();
  }

  void forget(Work work) {
    try {
      Files.deleteIfExists(file(work));
      Files.deleteIfExists(note(file(work)));
    } catch (IOException e) {
      kept = Optional.empty();
    }
  }

  Optional<Left> found() {
    if (!Files.isDirectory(folder)) {
      return Optional.empty();
    }
    try (Stream<Path> files = Files.list(folder)) {
      return files
          .filter(f ->
              f.getFileName().toString().endsWith(".docx")
                  && !f.getFileName().toString().startsWith("."))
          .findFirst()
          .map(f -> new Left(f, origin(f)));
    } catch (IOException e) {
      return Optional.empty();
    }
  }

  private static Path origin(Path file) {
    try {
      return Path.of(Files.readString(note(file)).strip());
    } catch (IOException | RuntimeException e) {
      return Path.of(System.getProperty("user.home")).resolve(file.getFileName());
    }
  }

  void discard(Left left) {
    try {
      Files.deleteIfExists(left.file());
      Files.deleteIfExists(note(left.file()));
    } catch (IOException e) {
      kept = Optional.empty();
    }
  }
}
