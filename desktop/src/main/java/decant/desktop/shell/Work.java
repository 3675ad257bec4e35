package decant.desktop.shell;

import decant.format.Formats;
import decant.io.AtomicFile;
import decant.layout.Layout;
import decant.model.Document;
import decant.model.Selection;
import decant.model.edit.History;
import decant.model.edit.Revision;
import decant.model.finding.Finding;
import decant.paint.PagePainter;
import decant.pdf.choices.Conflict;
import decant.pdf.choices.Passwords;
import decant.publish.Receipt;
import decant.reading.TakenIn;
import decant.recipe.Output;
import decant.recipe.Recipe;
import decant.recipe.RecipeBook;
import decant.recovery.SavedCopy;
import java.nio.file.Path;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;

/** One document in work: where it came from, its revision, its pages. Knows no controls. */
public final class Work {
  private double seen;

  /**
   * What the Publish stage is about to do.
   *
   * @param recipe as it is followed now
   * @param kept the recipe that it was before it was changed
   * @param output which output is looked at
   * @param folder where the files go
   * @param stem the name that they share
   */
  public record Draft(
      Recipe recipe, Recipe kept, int output, Path folder, String stem, Passwords passwords) {
    /** Whether the recipe was changed since it was picked. */
    public boolean changed() {
      return !recipe.equals(kept);
    }

    public Draft with(Recipe other) {
      return new Draft(
          other, kept, Math.min(output, other.outputs().size() - 1), folder, stem, passwords);
    }

    /** Another recipe, as it is kept. */
    public Draft picked(Recipe other) {
      return new Draft(other, other, 0, folder, stem, passwords);
    }

    public Draft looking(int at) {
      return new Draft(recipe, kept, at, folder, stem, passwords);
    }

    public Draft to(Path otherFolder, String otherStem) {
      return new Draft(recipe, kept, output, otherFolder, otherStem, passwords);
    }

    public Draft with(Passwords others) {
      return new Draft(recipe, kept, output, folder, stem, others);
    }

    /** The output that is looked at. */
    public Output shown() {
      return recipe.outputs().get(output);
    }
  }

  /** Whether the pages were held against those of the source. */
  public enum Judged {
    NOT,
    AT_WORK,
    DONE
  }

  private final Path source;
  private final String password;
  private TakenIn taken;
  private final LayoutRunner layouts;
  private final PagePainter painter = new PagePainter();
  private final ReadOnlyObjectWrapper<Revision> revision;
  private final ObjectProperty<Optional<Finding>> shownFinding =
      new SimpleObjectProperty<>(Optional.empty());
  private final ReadOnlyObjectWrapper<Set<Finding>> settled = new ReadOnlyObjectWrapper<>(Set.of());
  private final Set<Finding> left = new LinkedHashSet<>();
  private final Map<Finding, History.Change> mended = new LinkedHashMap<>();
  private final ObjectProperty<Optional<Finding.Kind>> filter =
      new SimpleObjectProperty<>(Optional.empty());
  private final ObjectProperty<Draft> draft;
  private final ObjectProperty<Optional<Receipt>> receipt =
      new SimpleObjectProperty<>(Optional.empty());
  private final ObjectProperty<Optional<Conflict>> toMend =
      new SimpleObjectProperty<>(Optional.empty());
  private Optional<SavedCopy> copy = Optional.empty();
  private final ReadOnlyObjectWrapper<Optional<Document>> saved;
  private boolean recovered;
  private final ObjectProperty<Judged> judging = new SimpleObjectProperty<>(Judged.NOT);
  private final Proofing proofing = new Proofing(this);
  private Runnable closed = () -> {};

  Work(Path source, String password, TakenIn taken, Layout firstPages, LayoutRunner layouts) {
    this.source = source;
    this.password = password;
    this.taken = taken;
    this.layouts = layouts;
    this.revision = new ReadOnlyObjectWrapper<>(Revision.of(taken.document()));
    this.saved = new ReadOnlyObjectWrapper<>(Optional.of(taken.document()));
    layouts.begin(firstPages);
    Recipe usual = RecipeBook.counterCopy();
    this.draft =
        new SimpleObjectProperty<>(
            new Draft(
                usual, usual, 0, AtomicFile.folderOf(source), freeStem(source), Passwords.NONE));
  }

  /** A stem beside the source under which nothing is published yet. */
  private String freeStem(Path file) {
    String end = "." + Formats.pages().extension();
    String name =
        AtomicFile.freeName(file.resolveSibling(stem() + " published" + end))
            .getFileName()
            .toString();
    return name.substring(0, name.length() - end.length());
  }

  /** The file it came from, which is never written to. */
  public Path source() {
    return source;
  }

  /** What differs from the source. */
  public Proofing proofing() {
    return proofing;
  }

  /** What opens the source; empty if it is not locked. */
  public String password() {
    return password;
  }

  public TakenIn taken() {
    return taken;
  }

  /** The source's name without its extension. */
  public String stem() {
    String name = source.getFileName().toString();
    int dot = name.lastIndexOf('.');
    return dot > 0 ? name.substring(0, dot) : name;
  }

  public ReadOnlyObjectProperty<Revision> revisionProperty() {
    return revision.getReadOnlyProperty();
  }

  public Revision revision() {
    return revision.get();
  }

  /**
   * The pages as far as they are made. While a large change is being laid out, those of the version
   * before but for the ones in sight.
   */
  public Layout layout() {
    return layouts.layoutProperty().get();
  }

  public ReadOnlyObjectProperty<Layout> layoutProperty() {
    return layouts.layoutProperty();
  }

  /** Tells which pages come first when all must be made anew. */
  public void watch(Supplier<PagesInView> seen) {
    layouts.watch(seen);
  }

  public PagePainter painter() {
    return painter;
  }

  public ObjectProperty<Optional<Finding>> shownFindingProperty() {
    return shownFinding;
  }

  /** The findings that were put right, or left as they are on purpose. */
  public ReadOnlyObjectProperty<Set<Finding>> settledProperty() {
    return settled.getReadOnlyProperty();
  }

  /** Leaves a finding as it is. */
  public void settle(Finding f) {
    left.add(f);
    settled();
  }

  /** Makes a change that puts findings right: they are settled for as long as it is not undone. */
  public void mend(List<Finding> findings, UnaryOperator<Revision> change) {
    Revision before = revision.get();
    apply(change);
    if (revision.get().document() != before.document()) {
      History.Change made = revision.get().history().lastDone().orElseThrow();
      findings.forEach(f -> mended.put(f, made));
      settled();
    }
  }

  public ObjectProperty<Judged> judgingProperty() {
    return judging;
  }

  /** Told once it is no longer open. */
  void whenClosed(Runnable run) {
    closed = run;
  }

  /**
   * Tells of its layout in the background.
   *
   * @param begun is told that it has begun, and gives what is told when it has ended
   */
  void whenLayingOut(Supplier<Runnable> begun) {
    Runnable[] end = {layouts.busyProperty().get() ? begun.get() : () -> {}};
    layouts
        .busyProperty()
        .addListener((o, was, is) -> {
          end[0].run();
          end[0] = is ? begun.get() : () -> {};
        });
  }

  /**
   * The pages were held against those of the source.
   *
   * @param with this with pages pinned, where nothing has been changed yet
   * @param told what is told instead where something has
   */
  void judged(TakenIn with, List<Finding> told) {
    boolean untouched = revision.get().document() == taken.document();
    judging.set(Judged.DONE);
    if (!untouched) {
      taken = taken.withFindings(told);
    } else if (with.document() != taken.document()) {
      boolean wasSaved = !unsaved();
      taken = with;
      layouts.request(with.document());
      revision.set(Revision.of(with.document()));
      if (wasSaved) {
        saved.set(Optional.of(with.document()));
      }
    } else {
      taken = with;
    }
    settled.set(java.util.Collections.unmodifiableSet(new LinkedHashSet<>(settled.get())));
  }

  /** There is more to tell of it. */
  void told(List<Finding> more) {
    taken = taken.withFindings(more);
    settled.set(java.util.Collections.unmodifiableSet(new LinkedHashSet<>(settled.get())));
  }

  /** Ends its layout in the background; it is no longer open. */
  void close() {
    closed.run();
    layouts.close();
  }

  private void settled() {
    var all = new LinkedHashSet<>(left);
    if (!mended.isEmpty()) {
      Set<History.Change> inForce = java.util.Collections.newSetFromMap(new IdentityHashMap<>());
      for (History.Entry e = revision.get().history().done(); e != null; e = e.earlier()) {
        inForce.add(e.change());
      }
      mended.forEach((f, c) -> {
        if (inForce.contains(c)) {
          all.add(f);
        }
      });
    }
    if (!all.equals(settled.get())) {
      settled.set(java.util.Collections.unmodifiableSet(all));
    }
  }

  /** The kind of findings that is looked at; empty for all. */
  public ObjectProperty<Optional<Finding.Kind>> filterProperty() {
    return filter;
  }

  /** The findings that are not settled. */
  public List<Finding> openFindings() {
    return taken.findings().stream().filter(f -> !settled.get().contains(f)).toList();
  }

  public ObjectProperty<Draft> draftProperty() {
    return draft;
  }

  /** What stood in the way of publishing and is to be mended first. */
  public ObjectProperty<Optional<Conflict>> toMendProperty() {
    return toMend;
  }

  public ObjectProperty<Optional<Receipt>> receiptProperty() {
    return receipt;
  }

  /** The working copy, as it was when it was saved or opened last. */
  public Optional<SavedCopy> savedCopy() {
    return copy;
  }

  /** The file that saving goes to; empty as long as nothing was saved. */
  public Optional<Path> workingCopy() {
    return copy.map(SavedCopy::file);
  }

  /** Whether the file that it was taken in from is its working copy. */
  public boolean isItsOwnCopy() {
    return workingCopy().filter(source::equals).isPresent();
  }

  /** What it was taken in from is a working copy of Decant's own, and is saved to again. */
  void isCopy(SavedCopy file) {
    copy = Optional.of(file);
  }

  /** Changes the revision; a changed document is laid out again. */
  public void apply(UnaryOperator<Revision> change) {
    Revision next = change.apply(revision.get());
    boolean changed = next.document() != revision.get().document();
    if (changed) {
      layouts.request(next.document());
    }
    boolean undone = next.history().undone() != null || revision.get().history().undone() != null;
    revision.set(next);
    if (undone && !mended.isEmpty()) {
      settled();
    }
  }

  public void select(Selection selection) {
    revision.set(revision.get().withSelection(selection));
  }

  /** Whether there is something that no working copy holds yet. */
  public boolean unsaved() {
    return saved.get().isEmpty() || revision.get().document() != saved.get().get();
  }

  /** Changes when a version was saved. */
  public ReadOnlyObjectProperty<Optional<Document>> savedProperty() {
    return saved.getReadOnlyProperty();
  }

  /** Whether it is what an earlier run of the program had left unsaved. */
  public boolean recovered() {
    return recovered;
  }

  /**
   * Says that no file holds this document, whatever it was taken in from.
   *
   * @param before the working copy that an earlier version was saved to
   */
  void neverSaved(Optional<SavedCopy> before) {
    recovered = true;
    copy = before;
    saved.set(Optional.empty());
  }

  void savedAs(SavedCopy file, Document version) {
    recovered = false;
    copy = Optional.of(file);
    saved.set(Optional.of(version));
  }

  /** Where the person had scrolled to in the source while it was taken in, as a share of all. */
  public double seen() {
    return seen;
  }

  void see(double share) {
    seen = share;
  }
}
