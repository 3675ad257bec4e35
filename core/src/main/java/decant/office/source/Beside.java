package decant.office.source;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;

/** Work with files that is done on another processor meanwhile. */
final class Beside<T> {
  /** The work. */
  @FunctionalInterface
  interface Work<T> {
    T done() throws IOException;
  }

  private final CompletableFuture<T> result;

  private Beside(CompletableFuture<T> result) {
    this.result = result;
  }

  static <T> Beside<T> of(Work<T> work) {
    return new Beside<>(
        CompletableFuture.supplyAsync(() -> {
          try {
            return work.done();
          } catch (IOException e) {
            throw new UncheckedIOException(e);
          }
        }));
  }

  /** What came of it; what was thrown there is thrown here. */
  T join() throws IOException {
    try {
      return result.join();
    } catch (CompletionException e) {
      if (e.getCause() instanceof UncheckedIOException io) {
        throw io.getCause();
      }
      if (e.getCause() instanceof RuntimeException fault) {
        throw fault;
      }
      if (e.getCause() instanceof Error fault) {
        throw fault;
      }
      throw e;
    }
  }
}
