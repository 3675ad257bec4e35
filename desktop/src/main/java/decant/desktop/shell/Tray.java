package decant.desktop.shell;

import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import decant.publish.AtomicFile;
import decant.publish.WriteProblem;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;

/** The documents that lie ready, the latest first; remembered between runs. Knows no controls. */
public final class Tray {
  private static final int MOST = 40;
  private static final ObjectMapper JSON = new ObjectMapper();

  private final Path store;
  private final ObservableList<Path> documents = FXCollections.observableArrayList();

  public Tray(Path store) {
    this.store = store;
    load();
  }

  public ObservableList<Path> documents() {
    return documents;
  }

  /** Notes that a document was taken in, saved or published. */
  public void used(Path file) {
    Path whole = file.toAbsolutePath().normalize();
    documents.remove(whole);
    documents.addFirst(whole);
    while (documents.size() > MOST) {
      documents.removeLast();
    }
    save();
  }

  /** Lays the documents of a folder into the tray, below those that lie there. */
  public void showFolder(Path folder) {
    try (Stream<Path> files = Files.list(folder)) {
      files
          .filter(f -> f.getFileName().toString().matches("(?i).*\\.(pdf|docx)"))
          .map(f -> f.toAbsolutePath().normalize())
          .sorted()
          .filter(f -> !documents.contains(f))
          .forEach(documents::add);
    } catch (IOException e) {
      return; // a folder that cannot be read lays nothing into the tray
    }
  }

  /** Takes a document out of the tray; the file itself stays. */
  public void remove(Path file) {
    documents.remove(file);
    save();
  }

  private void load() {
    if (!Files.exists(store)) {
      return;
    }
    try {
      List<String> names = JSON.readValue(store.toFile(), new TypeReference<List<String>>() {});
      List<Path> there = new ArrayList<>();
      for (String n : names) {
        Path p = Path.of(n);
        if (Files.exists(p)) {
          there.add(p);
        }
      }
      documents.setAll(there);
    } catch (IOException | RuntimeException e) {
      documents.clear(); // a damaged list of recent files is no loss
    }
  }

  private void save() {
    try {
      Files.createDirectories(store.toAbsolutePath().getParent());
      byte[] bytes = JSON.writeValueAsBytes(documents.stream().map(Path::toString).toList());
      AtomicFile.write(store, true, out -> out.write(bytes));
    } catch (IOException | WriteProblem e) {
      return; // the tray is a convenience; work goes on without it
    }
  }
}
