package decant.desktop.shell;

import decant.format.Formats;
import decant.io.AtomicFile;
import decant.io.WriteProblem;
import decant.model.Document;
import decant.publish.Publisher;
import decant.publish.Receipt;
import decant.verify.Check;
import decant.words.Words;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Executor;
import javafx.application.Platform;

/** Saving the working copy: under its name, or another where that cannot be. */
public final class Saving {
  private static final Words WORDS = Words.of(Saving.class);
  private static final System.Logger LOG = System.getLogger(Saving.class.getName());

  private final Desk desk;
  private final Executor worker;
  private final Recovery recovery;

  Saving(Desk desk, Executor worker, Recovery recovery) {
    this.desk = desk;
    this.worker = worker;
    this.recovery = recovery;
  }

  /**
   * The name proposed for a working copy: where it was saved before, else a free name beside the
   * source.
   */
  public Path proposedCopy() {
    return proposedCopy(desk.workProperty().get().orElseThrow());
  }

  static Path proposedCopy(Work w) {
    return w.workingCopyProperty()
        .get()
        .orElseGet(() ->
            AtomicFile.freeName(
                w.source().resolveSibling(w.stem() + " revised." + Formats.working().extension())));
  }

  /** Saves the working copy under its name, or under the proposed one the first time. */
  public void save() {
    desk.workProperty().get().ifPresent(w -> save(w, proposedCopy(w), Desk.isSaved(w), () -> {}));
  }

  /**
   * Saves the working copy. A name that is taken is asked about; a target that cannot be written
   * gets another proposed.
   */
  public void save(Path target, boolean overwrite, Runnable then) {
    save(desk.workProperty().get().orElseThrow(), target, overwrite, then);
  }

  void save(Work w, Path target, boolean overwrite, Runnable then) {
    Document version = w.revision().document();
    desk.dismiss();
    worker.execute(() -> {
      try {
        Receipt.Made r = Publisher.workingCopy(version, target, overwrite, w.source());
        Platform.runLater(() -> saved(w, target, version, r, then));
      } catch (WriteProblem e) {
        Platform.runLater(() -> notSaved(w, target, e, then));
      } catch (RuntimeException | StackOverflowError e) {
        LOG.log(System.Logger.Level.ERROR, "the working copy cannot be written", e);
        Platform.runLater(() ->
            notSaved(
                w,
                target,
                new WriteProblem(
                    WriteProblem.Kind.OTHER, WORDS.say("saving.not-written", target.getFileName())),
                then));
      }
    });
  }

  private void saved(Work w, Path target, Document version, Receipt.Made made, Runnable then) {
    if (!made.verified()) {
      // The work goes on as unsaved, and what is kept for a crash stays.
      desk.noticeProperty()
          .set(
              Optional.of(
                  Notice.problem(
                      WORDS.say(
                          "saving.saved-otherwise",
                          made.file().getFileName(),
                          made.failed().map(Check::detail).orElse("")))));
      return;
    }
    desk.tray().used(target);
    w.savedAs(target, version);
    recovery.forget(w);
    desk.tell(WORDS.say("saving.saved", target.getFileName(), AtomicFile.folderOf(target)));
    then.run();
  }

  private void notSaved(Work w, Path target, WriteProblem e, Runnable then) {
    Path free =
        switch (e.kind()) {
          case NAME_TAKEN, IS_SOURCE, MADE_BEFORE, OTHER -> AtomicFile.freeName(target);
          case READ_ONLY, FOLDER_GONE, DISK_FULL ->
              AtomicFile.freeName(
                  Path.of(System.getProperty("user.home")).resolve(target.getFileName()));
        };
    Notice.Answer elsewhere =
        Notice.Answer.of(
            sameFolder(free, target)
                ? WORDS.say("saving.save-as", free.getFileName())
                : WORDS.say("saving.save-as-in", free.getFileName(), AtomicFile.folderOf(free)),
            () -> save(w, free, false, then));
    Notice told =
        Notice.notWritten(
            e,
            WORDS.say("saving.still-here", e.getMessage()),
            elsewhere,
            () -> save(w, target, true, then),
            desk::dismiss);
    desk.noticeProperty().set(Optional.of(told));
  }

  private static boolean sameFolder(Path a, Path b) {
    return Optional.ofNullable(a.getParent()).equals(Optional.ofNullable(b.getParent()));
  }
}
