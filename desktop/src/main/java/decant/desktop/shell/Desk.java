package decant.desktop.shell;

import decant.io.AtomicFile;
import decant.io.StateFolder;
import decant.layout.Layout;
import decant.mark.MarkShelf;
import decant.model.finding.Finding;
import decant.reading.ReadProblem;
import decant.reading.Recogniser;
import decant.reading.TakenIn;
import decant.recipe.RecipeShelf;
import decant.recovery.SavedCopy;
import decant.words.Words;
import decant.work.Faults;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.WeakHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;

/**
 * The state of the program: the open documents and what is in sight of them, what is told, and
 * those who take in, save, publish and keep. Knows no controls; its methods run on the interface
 * thread.
 */
public final class Desk {
  private static final Words WORDS = Words.of(Desk.class);
  private static final System.Logger LOG = System.getLogger(Desk.class.getName());

  private final OpenDocuments documents = new OpenDocuments();
  private final ReadOnlyObjectWrapper<StageName> step = new ReadOnlyObjectWrapper<>(StageName.TRAY);
  private final ReadOnlyObjectWrapper<Place> place =
      new ReadOnlyObjectWrapper<>(new Place(Optional.empty(), StageName.TRAY));

  /** Where each document was left. */
  private final Map<Work, StageName> steps = new WeakHashMap<>();

  private final ObjectProperty<Optional<Notice>> notice =
      new SimpleObjectProperty<>(Optional.empty());
  private final Jobs jobs = new Jobs();
  private final Tray tray;
  private final Memory memory;
  private final Recovery recovery;
  private final RecipeShelf recipes;
  private final MarkShelf marks;
  private final Waiting waiting;
  private final Saving saving;
  private final Publishing publishing;
  private final Closing closing;
  private final Recovering recovering;
  private final TakingIn takingIn;

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
    } catch (IOException e) {
      LOG.log(System.Logger.Level.WARNING, "the state folder cannot be made", e);
    }
    this.tray = new Tray(state.resolve("tray.json"));
    this.memory = new Memory(state.resolve("window.json"));
    this.recovery =
        new Recovery(
            state.resolve("recovery"),
            () -> Platform.runLater(() -> problem(WORDS.say("desk.not-kept"))));
    this.recipes = new RecipeShelf(state.resolve("recipes"));
    this.marks = new MarkShelf(state.resolve("marks"));
    this.waiting = new Waiting(this, worker, state);
    this.saving = new Saving(this, worker, recovery);
    this.publishing = new Publishing(this, worker);
    this.closing = new Closing(this, recovery);
    this.recovering = new Recovering(this, worker, recovery);
    this.takingIn = new TakingIn(this);
    documents.currentProperty().addListener(o -> seeCurrent());
  }

  /** The documents that are open. */
  public OpenDocuments documents() {
    return documents;
  }

  /** What goes on in the background. */
  public Jobs jobs() {
    return jobs;
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

  /** Closing documents and the window. */
  public Closing closing() {
    return closing;
  }

  /** The recipes at hand. */
  public RecipeShelf recipes() {
    return recipes;
  }

  /** The marks that are kept. */
  public MarkShelf marks() {
    return marks;
  }

  public ReadOnlyObjectProperty<Optional<Work>> workProperty() {
    return documents.currentProperty();
  }

  /** The document in sight. */
  public Optional<Work> work() {
    return documents.current();
  }

  public ReadOnlyObjectProperty<StageName> stepProperty() {
    return step.getReadOnlyProperty();
  }

  /** What the window shows; it changes once where document and stage change together. */
  public ReadOnlyObjectProperty<Place> placeProperty() {
    return place.getReadOnlyProperty();
  }

  public ObjectProperty<Optional<Notice>> noticeProperty() {
    return notice;
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
    takingIn.leave(); // the document in work is looked at again; the other is still waited for
    see(to);
  }

  private void see(StageName to) {
    if (to.ofDocument() && work().isEmpty()) {
      return;
    }
    step.set(to);
    work().filter(w -> to.ofDocument()).ifPresent(w -> steps.put(w, to));
    place.set(new Place(work(), to));
  }

  /** Another document is in sight, or none: on the stage where it was left. */
  private void seeCurrent() {
    if (!recovering.isOffer(notice.get())) {
      dismiss(); // what was told or asked was about the document before
    }
    see(work().map(w -> steps.getOrDefault(w, StageName.REVISE)).orElse(StageName.TRAY));
  }

  /** Brings a document into sight, where it was left. */
  public void show(Work work) {
    takingIn.leave();
    if (work().filter(w -> w == work).isPresent()) {
      see(steps.getOrDefault(work, StageName.REVISE));
    } else {
      documents.show(work);
    }
  }

  /** Brings the document so many places further into sight. */
  public void showNext(int places) {
    documents.after(places).ifPresent(this::show);
  }

  /** Takes a file in; one that is open already is brought into sight. */
  public void takeIn(Path file) {
    Optional<Work> open = documents.of(file);
    if (open.isPresent()) {
      show(open.get());
      return;
    }
    dismiss();
    takingIn.begin(new TakingIn.Order(file, "", Optional.empty()));
  }

  /** Takes the source in again, and reads the text of its pages that are pictures. */
  public void recognise(Recogniser recogniser) {
    work()
        .ifPresent(w ->
            closing.unlessUnsaved(
                w,
                () -> {
                  dismiss();
                  takingIn.begin(
                      new TakingIn.Order(w.source(), w.password(), Optional.of(recogniser)));
                }));
  }

  /** A file that is being taken in, while its first pages are shown. */
  public ObjectProperty<Optional<Arriving>> arrivingProperty() {
    return takingIn.arrivingProperty();
  }

  /**
   * A file was read. Where it is open already, the new reading takes its place.
   *
   * @param wanted whether it comes into sight
   * @param seen where the person had scrolled to in its first pages, as a share of all
   */
  void arrived(
      TakingIn.Order order,
      TakenIn taken,
      Layout first,
      LayoutRunner layouts,
      boolean wanted,
      double seen) {
    Path file = order.file().toAbsolutePath();
    Optional<Work> before = documents.of(file);
    var next = new Work(file, order.password(), taken, first, layouts);
    next.see(seen);
    if (tray.isWorkingCopy(file)) {
      savedCopy(file).ifPresent(next::isCopy);
    }
    tray.used(file);
    Optional.ofNullable(file.getParent()).ifPresent(f -> memory.change(k -> k.in(f)));
    boolean elsewhere = recovery.watch(next);
    // A conversion is looked over first; an office document only where something is wrong.
    boolean converted = !taken.origin().places().isEmpty() && !taken.findings().isEmpty();
    boolean look =
        converted || taken.findings().stream().anyMatch(f -> f.severity() != Finding.Severity.NOTE);
    opened(next, look ? StageName.TAKE_IN : StageName.REVISE);
    new Judging(this).begin(next);
    if (wanted) {
      documents.show(next);
    } else {
      tell(WORDS.say("desk.arrived", next.stem()));
    }
    if (elsewhere) {
      tell(WORDS.say("desk.open-elsewhere", next.stem()));
    }
    before.ifPresent(closing::close);
  }

  private static Optional<SavedCopy> savedCopy(Path file) {
    try {
      return Optional.of(SavedCopy.of(file));
    } catch (IOException e) {
      Faults.mended("looking at a working copy", e);
      return Optional.empty();
    }
  }

  /** What an earlier run had left behind is open again. */
  void recovered(Work work) {
    opened(work, StageName.REVISE);
    documents.show(work);
  }

  private void opened(Work work, StageName at) {
    steps.put(work, at);
    work.whenLayingOut(() -> jobs.beginUnstoppable(WORDS.say("desk.laying-out"))::end);
    documents.add(work);
  }

  /** A file could not be taken in: it is said why, and asked for a password if that would help. */
  void refused(TakingIn.Order order, ReadProblem e) {
    if (e.isLocked()) {
      askPassword(
          order.file(),
          e,
          typed -> takingIn.begin(new TakingIn.Order(order.file(), typed, order.recogniser())));
    } else if (e.kind() != ReadProblem.Kind.CANCELLED) {
      problem(about(order.file(), e));
    }
  }

  private static String about(Path file, ReadProblem e) {
    return WORDS.say("desk.about-file", file.getFileName(), e.getMessage());
  }

  /** Asks for the password of a file that could not be read without it. */
  public void askPassword(Path file, ReadProblem e, Consumer<String> typed) {
    notice.set(
        Optional.of(
            new Notice(
                about(file, e),
                Notice.Weight.QUESTION,
                List.of(
                    new Notice.Answer(
                        WORDS.say("desk.unlock"),
                        text -> {
                          dismiss();
                          typed.accept(text);
                        }),
                    Notice.Answer.of(WORDS.say("desk.cancel"), this::dismiss)),
                true)));
  }

  public void dismiss() {
    notice.set(Optional.empty());
  }

  public void tell(String message) {
    notice.set(Optional.of(Notice.tell(message)));
  }

  /** Tells what came of its own, unless a question waits for its answer. */
  void mention(String message) {
    boolean asks = notice.get().filter(n -> n.weight() == Notice.Weight.QUESTION).isPresent();
    if (!asks) {
      tell(message);
    }
  }

  void problem(String message) {
    notice.set(Optional.of(Notice.problem(message)));
  }

  void ask(String message, Notice.Answer... answers) {
    notice.set(Optional.of(Notice.ask(message, answers)));
  }

  /** Shows the folder of a file in the system's own file manager. */
  public void showFolder(Path file) {
    worker.execute(() -> {
      Optional<String> problem = FolderOpening.of(AtomicFile.folderOf(file));
      problem.ifPresent(p -> Platform.runLater(() -> tell(p)));
    });
  }

  /** Ends what goes on in the background; nothing can be done with the desk any more. */
  public void close() {
    takingIn.close();
    recovery.close();
    documents.all().forEach(Work::close);
    worker.shutdown();
    memory.flush();
  }

  /** Keeps unsaved changes now rather than in a few seconds. */
  public void keepUnsaved() {
    recovery.keep();
  }

  /** Offers what an earlier run of the program left behind unsaved. */
  public void offerRecovery() {
    recovering.offer();
  }
}
