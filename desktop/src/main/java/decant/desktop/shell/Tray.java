package decant.desktop.shell;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import decant.io.AtomicFile;
import decant.io.WriteProblem;
import decant.work.Faults;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.SequencedSet;
import java.util.stream.Stream;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;

/**
 * The documents that lie ready and, apart from them, the files that were published, the latest
 * first; remembered between runs. Knows no controls.
 */
public final class Tray {
  private static final int MAX = 200;
  private static final int MAX_COPIES = 5_000;
  private static final ObjectMapper JSON = new ObjectMapper();

  private final Path store;
  private final ObservableList<Path> documents = FXCollections.observableArrayList();
  private final ObservableList<Path> published = FXCollections.observableArrayList();

  /** Working copies, the latest last. */
  private final SequencedSet<Path> copies = new LinkedHashSet<>();

  public Tray(Path store) {
    this.store = store;
    load();
  }

  /** What can be worked on: sources and working copies. */
  public ObservableList<Path> documents() {
    return documents;
  }

  /** What was published. */
  public ObservableList<Path> published() {
    return published;
  }

  /** Notes that a document was taken in or saved. */
  public void used(Path file) {
    first(documents, file);
    save();
  }

  /** Notes that a working copy was saved. */
  public void saved(Path copy) {
    Path whole = copy.toAbsolutePath().normalize();
    copies.remove(whole);
    copies.add(whole);
    while (copies.size() > MAX_COPIES) {
      copies.removeFirst();
    }
    used(copy);
  }

  /** Whether a file is a working copy that was saved from this tray. */
  public boolean isWorkingCopy(Path file) {
    return copies.contains(file.toAbsolutePath().normalize());
  }

  /** Notes which files were published in one go; they stand in their order. */
  public void published(List<Path> files) {
    files.reversed().forEach(f -> first(published, f));
    save();
  }

  private static void first(ObservableList<Path> list, Path file) {
    Path whole = file.toAbsolutePath().normalize();
    list.remove(whole);
    list.addFirst(whole);
    while (list.size() > MAX) {
      list.removeLast();
    }
  }

  /** Lays the documents of a folder into the tray, below those that lie there. */
  public void showFolder(Path folder) {
    try (Stream<Path> files = Files.list(folder)) {
      files
          .filter(Tray::canBeTakenIn)
          .map(f -> f.toAbsolutePath().normalize())
          .sorted()
          .filter(f -> !documents.contains(f))
          .forEach(documents::add);
    } catch (IOException e) {
      return; // a folder that cannot be read lays nothing into the tray
    }
  }

  /** Whether a file's name is that of a document which can be taken in. */
  public static boolean canBeTakenIn(Path file) {
    return file.getFileName().toString().matches("(?i).*\\.(pdf|docx)");
  }

  /** Takes a file out of the tray; the file itself stays. */
  public void remove(Path file) {
    documents.remove(file);
    published.remove(file);
    save();
  }

  private void load() {
    if (!Files.exists(store)) {
      return;
    }
    try {
      JsonNode root = JSON.readTree(store.toFile());
      // Before files that were published stood apart, the tray was a list of names.
      documents.setAll(paths(root.isArray() ? root : root.path("documents")));
      published.setAll(paths(root.path("published")));
      copies.addAll(paths(root.path("copies")));
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading recent files", e);
      documents.clear(); // a damaged list of recent files is no loss
    }
  }

  private static List<Path> paths(JsonNode names) {
    List<Path> out = new ArrayList<>();
    names.forEach(n -> out.add(Path.of(n.asText())));
    return out;
  }

  private void save() {
    try {
      Files.createDirectories(store.toAbsolutePath().getParent());
      byte[] bytes =
          JSON.writeValueAsBytes(
              Map.of(
                  "documents", names(documents),
                  "published", names(published),
                  "copies", names(copies)));
      AtomicFile.writeForOwner(store, out -> out.write(bytes));
    } catch (IOException | WriteProblem e) {
      return; // the tray is a convenience; work goes on without it
    }
  }

  private static List<String> names(Collection<Path> files) {
    return files.stream().map(Path::toString).toList();
  }
}
