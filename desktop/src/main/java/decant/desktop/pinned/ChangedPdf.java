package decant.desktop.pinned;

import decant.desktop.shell.Desk;
import decant.desktop.shell.Work;
import decant.format.Formats;
import decant.io.AtomicFile;
import decant.model.Document;
import decant.pin.ChangedFile;
import decant.publication.KeptPage;
import decant.words.Telling;
import decant.words.Words;
import decant.work.Faults;
import java.nio.file.Path;
import java.util.Optional;
import javafx.application.Platform;

/**
 * Writes the PDF that a document came from with its changed pages, while nobody waits for it, where
 * the document is published.
 */
final class ChangedPdf {
  private static final Words WORDS = Words.of(ChangedPdf.class);

  private final Desk desk;
  private final Work work;
  private boolean writing;

  ChangedPdf(Desk desk, Work work) {
    this.desk = desk;
    this.work = work;
  }

  /** Why it cannot be, in the person's words; empty if it can. */
  Optional<String> hindrance() {
    return ChangedFile.hindrance(work.revision().document(), work.taken().origin().pages());
  }

  /**
   * @param old whether the edition before stays inside
   */
  void write(boolean old) {
    Optional<String> why = hindrance();
    if (why.isPresent() || writing) {
      desk.tell(why.orElseGet(() -> WORDS.say("changed-pdf.at-work")));
      return;
    }
    writing = true;
    desk.tell(WORDS.say("changed-pdf.writing"));
    Document d = work.revision().document();
    var source = new KeptPage.InFile(work.source(), work.password());
    String name = WORDS.say("changed-pdf.name", work.stem(), Formats.pages().extension());
    Path target = work.draftProperty().get().folder().resolve(name);
    Thread.ofVirtual()
        .start(() -> {
          String what = written(d, source, AtomicFile.freeName(target), old);
          Platform.runLater(() -> {
            writing = false;
            desk.tell(what);
          });
        });
  }

  private static String written(Document d, KeptPage.InFile source, Path target, boolean old) {
    try {
      ChangedFile.Written w = ChangedFile.write(d, source, target, false, old);
      var said =
          new StringBuilder(
              w.pages() == 0
                  ? WORDS.say("changed-pdf.as-it-was", w.file())
                  : WORDS.count("changed-pdf.written", w.pages(), w.file()));
      if (old) {
        said.append(' ').append(WORDS.say("changed-pdf.old-inside"));
      }
      w.told().forEach(t -> said.append(' ').append(t));
      return said.toString();
    } catch (Telling e) {
      return e.getMessage();
    } catch (RuntimeException | StackOverflowError | OutOfMemoryError e) {
      return WORDS.say("changed-pdf.fault", Faults.note("writing a changed PDF", e));
    }
  }
}
