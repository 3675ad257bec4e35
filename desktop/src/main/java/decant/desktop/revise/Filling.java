package decant.desktop.revise;

import decant.blanks.Blanks;
import decant.desktop.shell.Work;
import decant.model.Document;
import decant.pin.AmendedPages;
import decant.pin.PinnedBlanks;
import decant.reading.ReadProblem;
import decant.words.Words;
import decant.work.Faults;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import javafx.application.Platform;

/** Fills in the fields of a document; those of pinned pages beside what goes on. */
final class Filling {
  private static final Words WORDS = Words.of(Filling.class);

  private final Work work;
  private final Consumer<String> told;

  /**
   * @param told takes what is to be said of a fault
   */
  Filling(Work work, Consumer<String> told) {
    this.work = work;
    this.told = told;
  }

  /**
   * @param left told the names of fields that did not take their value
   */
  void fill(Map<String, String> values, Consumer<List<String>> left) {
    Document before = work.revision().document();
    if (!before.hasPinned()) {
      work.apply(r -> Blanks.fill(r, values));
      left.accept(List.of());
      return;
    }
    Thread.ofVirtual()
        .start(() -> {
          try {
            PinnedBlanks.Filled done = PinnedBlanks.fill(before, values);
            Platform.runLater(() -> came(before, done, values, left));
          } catch (ReadProblem | RuntimeException | StackOverflowError e) {
            String id = Faults.note("filling in fields of a page that stays", e);
            Platform.runLater(() -> told.accept(WORDS.say("filling.fault", id)));
          }
        });
  }

  private void came(
      Document before,
      PinnedBlanks.Filled done,
      Map<String, String> values,
      Consumer<List<String>> left) {
    if (work.revision().document() != before) {
      fill(values, left); // something else was changed meanwhile
      return;
    }
    if (done.document() != before) {
      work.apply(r -> AmendedPages.changed(r, WORDS.say("filling.fill"), done.document()));
    }
    left.accept(done.left());
  }
}
