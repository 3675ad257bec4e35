package decant.desktop.shell;

import decant.layout.Layout;
import decant.model.Document;
import decant.model.Finding;
import decant.model.Selection;
import decant.model.edit.Revision;
import decant.paint.PagePainter;
import decant.publish.PageRange;
import decant.publish.Receipt;
import decant.reading.TakenIn;
import java.nio.file.Path;
import java.util.LinkedHashSet;
import java.util.List;
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
  /** The choices of the Publish stage. */
  public record Draft(
      PageRange pages, boolean bookmarks, String title, String author, Path target) {}

  private final Path source;
  private final String password;
  private final TakenIn taken;
  private final LayoutRunner layouts;
  private final PagePainter painter = new PagePainter();
  private final ReadOnlyObjectWrapper<Revision> revision;
  private final ObjectProperty<Optional<Finding>> shownFinding =
      new SimpleObjectProperty<>(Optional.empty());
  private final ReadOnlyObjectWrapper<Set<Finding>> settled = new ReadOnlyObjectWrapper<>(Set.of());
  private final ObjectProperty<Draft> draft;
  private final ObjectProperty<Optional<Receipt>> receipt =
      new SimpleObjectProperty<>(Optional.empty());
  private final ObjectProperty<Optional<Path>> workingCopy =
      new SimpleObjectProperty<>(Optional.empty());
  private Optional<Document> saved;

  Work(Path source, String password, TakenIn taken, Layout firstPages, LayoutRunner layouts) {
    this.source = source;
    this.password = password;
    this.taken = taken;
    this.layouts = layouts;
    this.revision = new ReadOnlyObjectWrapper<>(Revision.of(taken.document()));
    this.saved = Optional.of(taken.document());
    layouts.begin(firstPages);
    Document d = taken.document();
    String title =
        d.particulars().title().isBlank() ? firstHeading(d).orElse("") : d.particulars().title();
    this.draft =
        new SimpleObjectProperty<>(
            new Draft(
                PageRange.ALL,
                true,
                title,
                d.particulars().author(),
                decant.publish.AtomicFile.freeName(
                    source.resolveSibling(stem() + " published.pdf"))));
  }

  private static Optional<String> firstHeading(Document d) {
    return decant.model.Outline.headings(d).stream()
        .findFirst()
        .map(decant.model.Outline.Heading::text);
  }

  /** The file it came from, which is never written to. */
  public Path source() {
    return source;
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

  public void settle(Finding f) {
    var all = new LinkedHashSet<>(settled.get());
    all.add(f);
    settled.set(Set.copyOf(all));
  }

  /** The findings that are not settled. */
  public List<Finding> openFindings() {
    return taken.findings().stream().filter(f -> !settled.get().contains(f)).toList();
  }

  public ObjectProperty<Draft> draftProperty() {
    return draft;
  }

  public ObjectProperty<Optional<Receipt>> receiptProperty() {
    return receipt;
  }

  public ObjectProperty<Optional<Path>> workingCopyProperty() {
    return workingCopy;
  }

  /** Changes the revision; a changed document is laid out again. */
  public void apply(UnaryOperator<Revision> change) {
    Revision next = change.apply(revision.get());
    boolean changed = next.document() != revision.get().document();
    if (changed) {
      layouts.request(next.document());
    }
    revision.set(next);
  }

  public void select(Selection selection) {
    revision.set(revision.get().withSelection(selection));
  }

  /** Whether there is something that no working copy holds yet. */
  public boolean unsaved() {
    return saved.isEmpty() || revision.get().document() != saved.get();
  }

  /** Says that no file holds this document, whatever it was taken in from. */
  void neverSaved() {
    saved = Optional.empty();
  }

  void savedAs(Path file, Document version) {
    saved = Optional.of(version);
    workingCopy.set(Optional.of(file));
  }
}
