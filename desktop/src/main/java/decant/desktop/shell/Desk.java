package decant.desktop.shell;

import decant.io.AtomicFile;
import decant.io.StateFolder;
import decant.layout.Layout;
import decant.model.Document;
import decant.model.Finding;
import decant.reading.ReadProblem;
import decant.reading.Recogniser;
import decant.reading.TakenIn;
import decant.recipe.RecipeShelf;
import decant.recovery.UnsavedWork;
import decant.words.Words;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.application.Platform;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;

/**
 * The state of the program and what can be done with it. Knows no controls; its methods run on the
 * interface thread.
 */
public final class Desk {
  private static final Words WORDS = Words.of(Desk.class);
  private static final System.Logger LOG = System.getLogger(Desk.class.getName());

  private final ObjectProperty<Optional<Work>> work = new SimpleObjectProperty<>(Optional.empty());
  private final ObjectProperty<StageName> step = new SimpleObjectProperty<>(StageName.TRAY);
  private final ObjectProperty<Optional<Notice>> notice =
      new SimpleObjectProperty<>(Optional.empty());
  private final ObjectProperty<Optional<Background>> background =
      new SimpleObjectProperty<>(Optional.empty());
  private final Tray tray;
  private final Memory memory;
  private final Recovery recovery;
  private final RecipeShelf recipes;
  private final Waiting waiting;
  private final Saving saving;
  private final Publishing publishing;

  /** The version of the present document whose unsaved changes may go. */
  private Optional<Document> letGo = Optional.empty();

  private Optional<Notice> recoveryOffer = Optional.empty();

  private final TakingIn takingIn = new TakingIn(this);

  private final ExecutorService worker =
      Executors.newSingleThreadExecutor(r -> {
        Thread t = new Thread(r, "desk");
        t.setDaemon(true);
        return t;
      });

  /**
   * @param state folder for what the program remembers
   */
  public Desk(Path state) {
    try {
      StateFolder.make(state);
    } catch (java.io.IOException e) {
      LOG.log(System.Logger.Level.WARNING, "the state folder cannot be made", e);
    }
    this.tray = new Tray(state.resolve("tray.json"));
    this.memory = new Memory(state.resolve("window.json"));
    this.recovery =
        new Recovery(
            state.resolve("recovery"),
            () ->
                Platform.runLater(
                    () -> notice.set(Optional.of(Notice.problem(WORDS.say("desk.not-kept"))))));
    this.recipes = new RecipeShelf(state.resolve("recipes"));
    this.waiting = new Waiting(this, worker, state);
    this.saving = new Saving(this, worker, recovery);
    this.publishing = new Publishing(this, worker);
  }

  /** What waits: published files to go out, and documents to be published. */
  public Waiting waiting() {
    return waiting;
  }

  /** Saving the working copy. */
  public Saving saving() {
    return saving;
  }

  /** Publishing what the Publish stage says. */
  public Publishing publishing() {
    return publishing;
  }

  /** The recipes at hand. */
  public RecipeShelf recipes() {
    return recipes;
  }

  public ObjectProperty<Optional<Work>> workProperty() {
    return work;
  }

  public Optional<Work> work() {
    return work.get();
  }

  public ObjectProperty<StageName> stepProperty() {
    return step;
  }

  public ObjectProperty<Optional<Notice>> noticeProperty() {
    return notice;
  }

  public ObjectProperty<Optional<Background>> backgroundProperty() {
    return background;
  }

  public Tray tray() {
    return tray;
  }

  /** What the window remembers between runs. */
  public Memory memory() {
    return memory;
  }

  /** Opens a stage; without a document only the tray can be. */
  public void go(StageName to) {
    takingIn.hide(); // the document in work is looked at again; the other is still waited for
    if (!to.ofDocument() || work.get().isPresent()) {
      step.set(to);
    }
  }

  /** Takes a file in. What is in work and not saved is asked about first. */
  public void takeIn(Path file) {
    unlessUnsaved(() -> read(file, ""));
  }

  /** Takes the source in again, and reads the text of its pages that are pictures. */
  public void recognise(Recogniser recogniser) {
    work.get()
        .ifPresent(
            w -> unlessUnsaved(() -> read(w.source(), w.password(), Optional.of(recogniser))));
  }

  private void unlessUnsaved(Runnable next) {
    Optional<Work> w = work.get().filter(Work::unsaved);
    if (w.isEmpty() || letGo.filter(d -> d == w.get().revision().document()).isPresent()) {
      next.run();
      return;
    }
    Work present = w.get();
    notice.set(
        Optional.of(
            Notice.ask(
                WORDS.say("desk.unsaved", present.stem()),
                Notice.Answer.of(
                    WORDS.say("desk.save-first"),
                    () ->
                        saving.save(present, Saving.proposedCopy(present), isSaved(present), next)),
                Notice.Answer.of(
                    WORDS.say("desk.discard"),
                    () -> {
                      letGo = Optional.of(present.revision().document());
                      dismiss();
                      next.run();
                    }),
                Notice.Answer.of(WORDS.say("desk.cancel"), this::dismiss))));
  }

  static boolean isSaved(Work w) {
    return w.workingCopyProperty().get().isPresent();
  }

  private void read(Path file, String password) {
    read(file, password, Optional.empty());
  }

  private void read(Path file, String password, Optional<Recogniser> recogniser) {
    dismiss();
    takingIn.begin(file, password, recogniser);
  }

  /** A file that is being taken in, while its first pages are shown. */
  public ObjectProperty<Optional<Arriving>> arrivingProperty() {
    return takingIn.arrivingProperty();
  }

  /**
   * Stops what goes on in the background. A file that is read is no longer waited for, even if its
   * reading does not end at once.
   */
  public void cancel() {
    Optional<Background> b = background.get();
    b.ifPresent(x -> {
      x.cancelled().set(true);
      if (takingIn.stopped(x.cancelled())) {
        background.set(Optional.empty());
        tell(WORDS.say("desk.taking-in-cancelled"));
      }
    });
  }

  void progress(String label, double share, AtomicBoolean cancelled) {
    if (background.get().filter(b -> b.cancelled() == cancelled).isPresent()) {
      background.set(Optional.of(new Background(label, share, cancelled)));
    }
  }

  /** What was read may come when the document before it has been worked on meanwhile. */
  void arrived(Path file, String password, TakenIn taken, Layout first, LayoutRunner layouts) {
    background.set(Optional.empty());
    double seen = takingIn.hide();
    unlessUnsaved(() -> {
      Work opened = open(file, password, taken, first, layouts);
      opened.see(seen);
      new Judging(this).begin(opened);
    });
  }

  private Work open(Path file, String password, TakenIn taken, Layout first, LayoutRunner layouts) {
    if (!notice.get().equals(recoveryOffer)) {
      dismiss(); // what was told or asked was about the document before
    }
    letGo = Optional.empty();
    work.get().ifPresent(Work::close);
    var next = new Work(file.toAbsolutePath(), password, taken, first, layouts);
    layouts.busyProperty().addListener((o, was, is) -> layoutBusy(is));
    work.set(Optional.of(next));
    tray.used(file);
    Optional.ofNullable(file.toAbsolutePath().getParent())
        .ifPresent(f -> memory.change(k -> k.in(f)));
    recovery.watch(next);
    // A conversion is looked over first; an office document only where something is wrong.
    boolean converted = !taken.origin().places().isEmpty() && !taken.findings().isEmpty();
    boolean look =
        converted || taken.findings().stream().anyMatch(f -> f.severity() != Finding.Severity.NOTE);
    step.set(look ? StageName.TAKE_IN : StageName.REVISE);
    return next;
  }

  private void layoutBusy(boolean busy) {
    background.set(
        busy
            ? Optional.of(new Background(WORDS.say("desk.laying-out"), -1, new AtomicBoolean()))
            : Optional.empty());
  }

  void refused(Path file, ReadProblem e) {
    background.set(Optional.empty());
    takingIn.hide();
    boolean locked =
        e.kind() == ReadProblem.Kind.WRONG_PASSWORD || e.kind() == ReadProblem.Kind.ENCRYPTED;
    String told = WORDS.say("desk.about-file", file.getFileName(), e.getMessage());
    if (locked) {
      notice.set(
          Optional.of(
              new Notice(
                  told,
                  Notice.Weight.QUESTION,
                  List.of(
                      new Notice.Answer(WORDS.say("desk.unlock"), typed -> read(file, typed)),
                      Notice.Answer.of(WORDS.say("desk.cancel"), this::dismiss)),
                  true)));
      return;
    }
    if (e.kind() != ReadProblem.Kind.CANCELLED) {
      notice.set(Optional.of(Notice.problem(told)));
    }
  }

  public void dismiss() {
    notice.set(Optional.empty());
  }

  public void tell(String message) {
    notice.set(Optional.of(Notice.tell(message)));
  }

  /** Shows the folder of a file in the system's own file manager. */
  public void showFolder(Path file) {
    worker.execute(() -> {
      Optional<String> problem = FolderOpening.of(AtomicFile.folderOf(file));
      problem.ifPresent(p -> Platform.runLater(() -> tell(p)));
    });
  }

  /** Whether the window may close; asks if something would be lost. */
  public boolean mayClose() {
    Optional<Work> w = work.get().filter(Work::unsaved);
    if (w.isEmpty()) {
      return true;
    }
    notice.set(
        Optional.of(
            Notice.ask(
                WORDS.say("desk.unsaved", w.get().stem()),
                Notice.Answer.of(
                    WORDS.say("desk.save-and-close"),
                    () ->
                        saving.save(
                            w.get(),
                            Saving.proposedCopy(w.get()),
                            isSaved(w.get()),
                            Platform::exit)),
                Notice.Answer.of(
                    WORDS.say("desk.close-without-saving"),
                    () -> {
                      recovery.forget(w.get());
                      Platform.exit();
                    }),
                Notice.Answer.of(WORDS.say("desk.cancel"), this::dismiss))));
    return false;
  }

  private void takeUp(Recovery.Left left, String password) {
    dismiss();
    worker.execute(() -> {
      try {
        UnsavedWork kept = Recovery.read(left, password);
        var layouts = new LayoutRunner();
        Layout first = layouts.firstPages(kept.taken().document(), () -> false);
        Platform.runLater(() ->
            unlessUnsaved(() -> {
              open(kept.source(), password, kept.taken(), first, layouts).neverSaved();
              step.set(StageName.REVISE);
              recovery.keep(); // it is this window's now
            }));
      } catch (ReadProblem e) {
        Platform.runLater(() -> offer(left, e.getMessage()));
      } catch (RuntimeException | StackOverflowError e) {
        ReadProblem fault = ReadProblem.fault(e);
        Platform.runLater(() -> offer(left, fault.getMessage()));
      }
    });
  }

  /** Ends what goes on in the background; nothing can be done with the desk any more. */
  public void close() {
    recovery.close();
    work.get().ifPresent(Work::close);
    worker.shutdown();
    memory.flush();
  }

  /** Keeps unsaved changes now rather than in a few seconds. */
  public void keepUnsaved() {
    recovery.keep();
  }

  /** Offers what an earlier run of the program left behind unsaved. */
  public void offerRecovery() {
    recovery
        .found()
        .ifPresent(left ->
            offer(
                left,
                left.source()
                    .map(p -> WORDS.say("desk.recovery", p.getFileName()))
                    .orElse(WORDS.say("desk.recovery-locked"))));
  }

  private void offer(Recovery.Left left, String message) {
    recoveryOffer =
        Optional.of(
            new Notice(
                message,
                Notice.Weight.QUESTION,
                List.of(
                    new Notice.Answer(WORDS.say("desk.recover"), typed -> takeUp(left, typed)),
                    Notice.Answer.of(
                        WORDS.say("desk.discard"),
                        () -> {
                          recovery.discard(left);
                          dismiss();
                        })),
                left.locked()));
    notice.set(recoveryOffer);
  }
}
