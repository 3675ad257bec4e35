package decant.desktop.shell;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;

/**
 * The documents that are open, in the order in which they came, and the one that is in sight. Knows
 * no controls; on the interface thread.
 */
public final class OpenDocuments {
  private final ObservableList<Work> all = FXCollections.observableArrayList();
  private final ObservableList<Work> shown = FXCollections.unmodifiableObservableList(all);
  private final ReadOnlyObjectWrapper<Optional<Work>> current =
      new ReadOnlyObjectWrapper<>(Optional.empty());

  /** All of them; it changes with them. */
  public ObservableList<Work> all() {
    return shown;
  }

  /** The one in sight; empty if none is open. */
  public ReadOnlyObjectProperty<Optional<Work>> currentProperty() {
    return current.getReadOnlyProperty();
  }

  public Optional<Work> current() {
    return current.get();
  }

  /** The one that a file was taken in to or saved as. */
  public Optional<Work> of(Path file) {
    return all.stream()
        .filter(
            w -> same(w.source(), file) || w.workingCopy().filter(c -> same(c, file)).isPresent())
        .findFirst();
  }

  private static boolean same(Path a, Path b) {
    try {
      return a.toAbsolutePath().normalize().equals(b.toAbsolutePath().normalize())
          || Files.exists(a) && Files.exists(b) && Files.isSameFile(a, b);
    } catch (IOException e) {
      return false;
    }
  }

  /** Those with something that no file holds yet. */
  public List<Work> unsaved() {
    return all.stream().filter(Work::unsaved).toList();
  }

  /** The one so many places after the one in sight, round and round. */
  Optional<Work> after(int places) {
    return current.get().map(w -> all.get(Math.floorMod(all.indexOf(w) + places, all.size())));
  }

  void add(Work work) {
    all.add(work);
  }

  void show(Work work) {
    if (all.contains(work)) {
      current.set(Optional.of(work));
    }
  }

  /** Lets one go; its neighbour comes into sight. */
  void close(Work work) {
    int at = all.indexOf(work);
    if (at < 0) {
      return;
    }
    all.remove(at);
    if (current.get().filter(w -> w == work).isPresent()) {
      current.set(
          all.isEmpty() ? Optional.empty() : Optional.of(all.get(Math.min(at, all.size() - 1))));
    }
    work.close();
  }
}
