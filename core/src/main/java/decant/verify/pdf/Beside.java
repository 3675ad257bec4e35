package decant.verify.pdf;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;

/**
 * What is found out of a file on another thread, from the file opened once more: one that is open
 * serves one thread.
 */
final class Beside<T> implements AutoCloseable {
  /** What is to be found out. */
  interface Task<T> {
    T of(PDDocument pdf) throws IOException;
  }

  private final CompletableFuture<T> running;

  private Beside(CompletableFuture<T> running) {
    this.running = running;
  }

  static <T> Beside<T> begin(Path file, String password, Task<T> task) {
    return new Beside<>(
        CompletableFuture.supplyAsync(() -> {
          try (PDDocument pdf = Loader.loadPDF(file.toFile(), password)) {
            return task.of(pdf);
          } catch (IOException e) {
            throw new UncheckedIOException(e);
          }
        }));
  }

  /** What came of it. */
  T result() throws IOException {
    try {
      return running.join();
    } catch (CompletionException e) {
      if (e.getCause() instanceof UncheckedIOException io) {
        throw io.getCause();
      }
      throw e;
    }
  }

  /** The file is closed when this is over, however it went. */
  @Override
  public void close() {
    running.handle((x, e) -> true).join();
  }
}
