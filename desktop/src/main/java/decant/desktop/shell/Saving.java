package decant.desktop.shell;

import decant.format.Format;
import decant.format.Formats;
import decant.io.AtomicFile;
import decant.io.Untouchable;
import decant.io.WriteProblem;
import decant.model.Document;
import decant.preview.LeftOut;
import decant.publish.Publisher;
import decant.publish.Receipt;
import decant.recovery.SavedCopy;
import decant.verify.Check;
import decant.words.Words;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import javafx.application.Platform;

/** Saving the working copy: under its name, or another where that cannot be. */
public final class Saving {
  private static final Words WORDS = Words.of(Saving.class);
  private static final System.Logger LOG = System.getLogger(Saving.class.getName());

  /** What the name of a working copy ends with. */
  private static final String REVISED = " revised";

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
    return proposedCopy(desk.work().orElseThrow());
  }

  private Path proposedCopy(Work w) {
    String name = w.stem().endsWith(REVISED) ? w.stem() : w.stem() + REVISED;
    return w.workingCopy()
        .orElseGet(() ->
            AtomicFile.freeName(
                w.source().resolveSibling(name + "." + formatOfCopy(w).extension())));
  }

  /** That of its source; for one that is no office document, the one that was chosen last. */
  private Format formatOfCopy(Work w) {
    List<Format> all = Formats.ofCopies();
    String chosen = desk.memory().kept().copies();
    return Formats.of(w.taken().origin().format())
        .filter(all::contains)
        .or(() -> all.stream().filter(f -> f.extension().equals(chosen)).findFirst())
        .orElseGet(Formats::working);
  }

  /** The format of a copy was chosen: others of documents that are not of any are like it. */
  public void chosen(Path copy) {
    Work w = desk.work().orElseThrow();
    boolean own =
        Formats.ofCopies().stream().anyMatch(f -> f.id().equals(w.taken().origin().format()));
    if (!own) {
      desk.memory().change(k -> k.copiedAs(Formats.ofCopy(copy).extension()));
    }
  }

  /** Saves the working copy under its name, or under the proposed one the first time. */
  public void save() {
    desk.work().ifPresent(w -> save(w, () -> {}));
  }

  /**
   * Saves the working copy of a document under its name, or under the proposed one the first time.
   * Where others have changed the file meanwhile, that is asked about.
   */
  void save(Work w, Runnable then) {
    Path target = proposedCopy(w);
    if (w.savedCopy().filter(SavedCopy::isChanged).isEmpty()) {
      save(w, target, w.workingCopy().isPresent(), then);
      return;
    }
    Path free = AtomicFile.freeName(target);
    desk.ask(
        WORDS.say("saving.changed-by-others", target.getFileName()),
        Notice.Answer.of(
            WORDS.say("saving.save-as", free.getFileName()), () -> save(w, free, false, then)),
        Notice.Answer.of(WORDS.say("saving.replace-changed"), () -> save(w, target, true, then)),
        Notice.Answer.of(WORDS.say("saving.not-now"), desk::dismiss));
  }

  /**
   * Saves the working copy. A name that is taken is asked about; a target that cannot be written
   * gets another proposed.
   */
  public void save(Path target, boolean overwrite, Runnable then) {
    save(desk.work().orElseThrow(), target, overwrite, then);
  }

  private void save(Work w, Path target, boolean overwrite, Runnable then) {
    Document version = w.revision().document();
    desk.dismiss();
    worker.execute(() -> {
      try {
        Untouchable original =
            Untouchable.inputs(w.isItsOwnCopy() ? List.of() : List.of(w.source()));
        Receipt.Made r = Publisher.workingCopy(version, target, overwrite, original);
        SavedCopy copy = SavedCopy.of(r.file());
        Platform.runLater(() -> saved(w, copy, version, r, then));
      } catch (WriteProblem e) {
        Platform.runLater(() -> notSaved(w, target, e, then));
      } catch (IOException | RuntimeException | StackOverflowError | OutOfMemoryError e) {
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

  private void saved(Work w, SavedCopy copy, Document version, Receipt.Made made, Runnable then) {
    Path target = copy.file();
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
    desk.tray().saved(target);
    w.savedAs(copy, version);
    recovery.saved(w);
    Format format = Formats.ofCopy(target);
    List<String> without = LeftOut.of(version, format);
    String saved =
        without.isEmpty()
            ? WORDS.say("saving.saved", target.getFileName(), AtomicFile.folderOf(target))
            : WORDS.say(
                "saving.saved-without",
                target.getFileName(),
                AtomicFile.folderOf(target),
                format.name(),
                String.join(" ", without));
    if (without.isEmpty() && made.remark().isEmpty()) {
      desk.tell(saved);
    } else {
      String said = made.remark().map(r -> saved + " " + r).orElse(saved);
      desk.noticeProperty().set(Optional.of(Notice.problem(said)));
    }
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
