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

  Filling(Work work) {
    this.work = work;
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
          PinnedBlanks.Filled filled;
          try {
            filled = PinnedBlanks.fill(before, values);
          } catch (ReadProblem | RuntimeException | StackOverflowError e) {
            Faults.mended("filling in fields of a page that stays", e);
            filled = new PinnedBlanks.Filled(before, List.copyOf(values.keySet()));
          }
          PinnedBlanks.Filled done = filled;
          Platform.runLater(() -> came(before, done, values, left));
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
