package decant.desktop.shell;

import decant.model.edit.Revision;
import decant.words.Telling;
import decant.words.Words;
import decant.work.Faults;
import java.io.IOException;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Platform;

/** Changes of a document that take long, made beside what goes on, each as one act. */
public final class LongChange {
  private static final Words WORDS = Words.of(LongChange.class);

  private LongChange() {}

  /** What a document becomes. */
  @FunctionalInterface
  public interface Change {
    /** Empty if it cannot be; what goes wrong is told, and the document stays as it is. */
    Optional<Revision> of(Revision before) throws Telling, IOException;
  }

  /**
   * Makes a change, and applies it unless the document was changed meanwhile.
   *
   * @param told takes what is to be said if it does not come to that
   * @param applied called after it was applied
   * @param refused called if it cannot be
   */
  public static void start(
      Work work, Change change, Consumer<String> told, Runnable applied, Runnable refused) {
    Revision before = work.revision();
    Thread.ofVirtual()
        .start(() -> {
          try {
            Optional<Revision> after = change.of(before);
            Platform.runLater(() -> came(work, before, after, told, applied, refused));
          } catch (Telling e) {
            Platform.runLater(() -> told.accept(e.getMessage()));
          } catch (IOException | RuntimeException | StackOverflowError e) {
            String id = Faults.note("a long change", e);
            Platform.runLater(() -> told.accept(WORDS.say("long-change.fault", id)));
          }
        });
  }

  private static void came(
      Work work,
      Revision before,
      Optional<Revision> after,
      Consumer<String> told,
      Runnable applied,
      Runnable refused) {
    if (work.revision().document() != before.document()) {
      told.accept(WORDS.say("long-change.meanwhile"));
    } else if (after.isEmpty()) {
      refused.run();
    } else {
      work.apply(now -> after.get());
      applied.run();
    }
  }
}
