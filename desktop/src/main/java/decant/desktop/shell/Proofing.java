package decant.desktop.shell;

import decant.compare.Comparison;
import decant.compare.Difference;
import decant.compare.Edition;
import decant.compare.Editions;
import decant.compare.Ticks;
import decant.layout.Layout;
import decant.reading.ReadProblem;
import decant.work.Deadline;
import decant.work.Faults;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;

/** What of a document differs from its source, and which of it a person has ticked. */
public final class Proofing {
  private final Work work;
  private final ObjectProperty<Ticks> ticks = new SimpleObjectProperty<>(Ticks.NONE);
  private final ReadOnlyObjectWrapper<Optional<List<Difference>>> made =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private Optional<Edition> source = Optional.empty();
  private Optional<Edition> before = Optional.empty();
  private Optional<Layout> asked = Optional.empty();

  Proofing(Work work) {
    this.work = work;
  }

  public ObjectProperty<Ticks> ticksProperty() {
    return ticks;
  }

  /** What differs, as it was last found; empty where it is not known yet. */
  public ReadOnlyObjectProperty<Optional<List<Difference>>> madeProperty() {
    return made.getReadOnlyProperty();
  }

  /** Finds what differs while nobody waits for it, once all pages are made. */
  public void ask() {
    Layout layout = work.layout();
    if (!layout.complete() || asked.filter(l -> l == layout).isPresent()) {
      return;
    }
    asked = Optional.of(layout);
    Thread.ofVirtual()
        .start(() -> {
          Optional<List<Difference>> found = found(layout);
          Platform.runLater(() -> {
            if (asked.filter(l -> l == layout).isPresent()) {
              made.set(found);
            }
          });
        });
  }

  private Optional<List<Difference>> found(Layout layout) {
    try {
      return Optional.of(made(layout));
    } catch (ReadProblem e) {
      return Optional.empty();
    } catch (RuntimeException | StackOverflowError e) {
      Faults.mended("comparing", e);
      return Optional.empty();
    }
  }

  /** What differs between the source and a revision. */
  public List<Difference> made(Layout layout) throws ReadProblem {
    return Comparison.of(before(), Editions.after(layout));
  }

  /** What was taken in, to be held against its revision. */
  private synchronized Edition before() throws ReadProblem {
    if (before.isEmpty()) {
      before = Optional.of(Editions.before(work.taken(), Deadline.NEVER));
    }
    return before.get();
  }

  /** What was taken in, to be held against other files. */
  public synchronized Edition source() throws ReadProblem {
    if (source.isEmpty()) {
      source = Optional.of(Editions.of(work.taken(), Deadline.NEVER));
    }
    return source.get();
  }
}
