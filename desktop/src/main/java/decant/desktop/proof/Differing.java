package decant.desktop.proof;

import decant.compare.Comparison;
import decant.compare.Difference;
import decant.compare.Edition;
import decant.compare.Editions;
import decant.desktop.shell.Work;
import decant.format.Intake;
import decant.layout.Layout;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.work.Deadline;
import decant.work.Faults;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Platform;

/** Finds what differs while nobody waits for it; the last question is the one that is answered. */
final class Differing {
  private final Work work;
  private final Consumer<Optional<List<Listed>>> told;
  private long asked;

  /**
   * @param told takes what differs, in the order of the pages; nothing if it cannot be told
   */
  Differing(Work work, Consumer<Optional<List<Listed>>> told) {
    this.work = work;
    this.told = told;
  }

  /**
   * Compares what was taken in with the revision, or with a file that was published of it.
   *
   * @return false if the pages of the revision are not all made yet
   */
  boolean ask(Optional<Path> published, String password) {
    Layout layout = work.layout();
    if (!layout.complete()) {
      return false;
    }
    long now = ++asked;
    Thread.ofVirtual()
        .start(() -> {
          Optional<List<Listed>> found = found(layout, published, password);
          Platform.runLater(() -> {
            if (now == asked) {
              told.accept(found);
            }
          });
        });
    return true;
  }

  /** What was asked is of no interest any more. */
  void forget() {
    asked++;
  }

  private Optional<List<Listed>> found(Layout layout, Optional<Path> published, String password) {
    try {
      List<Difference> made = work.proofing().made(layout);
      if (published.isEmpty()) {
        return Optional.of(made.stream().map(d -> new Listed(d, true)).toList());
      }
      ReadRequest plain = ReadRequest.of(published.get());
      Deadline deadline = Deadline.in(Deadline.usual(published.get()));
      ReadRequest request = password.isEmpty() ? plain : plain.withPassword(password);
      Edition is = Editions.of(Intake.take(request.by(deadline)), deadline);
      return Optional.of(
          Comparison.of(work.proofing().source(), is).stream()
              .map(d -> new Listed(d, made.stream().anyMatch(d::says)))
              .toList());
    } catch (ReadProblem e) {
      return Optional.empty();
    } catch (RuntimeException | StackOverflowError e) {
      Faults.mended("comparing", e);
      return Optional.empty();
    }
  }
}
