package decant.tray;

import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import decant.io.AtomicFile;
import decant.io.WriteProblem;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Published files that wait to be sent or printed, the latest first. */
public final class OutTray {
  private static final int MAX = 500;
  private static final ObjectMapper JSON = new ObjectMapper();

  /**
   * A file.
   *
   * @param recipe by whose choices it was made
   * @param laid when it was laid here
   */
  public record Waiting(Path file, String recipe, Instant laid) {}

  private final Path store;
  private List<Waiting> files;

  /**
   * @param store the file that remembers; made when it is first needed
   */
  public OutTray(Path store) {
    this.store = store;
    this.files = load();
  }

  public List<Waiting> files() {
    return files;
  }

  /** Lays a file in. @throws WriteProblem if that cannot be remembered */
  public void lay(Path file, String recipe, Instant when) throws WriteProblem {
    Path whole = file.toAbsolutePath().normalize();
    var now = new ArrayList<Waiting>();
    now.add(new Waiting(whole, recipe, when));
    files.stream().filter(w -> !w.file().equals(whole)).limit(MAX - 1).forEach(now::add);
    save(now);
  }

  /** Takes a file out; the file itself stays. @throws WriteProblem if that cannot be remembered */
  public void take(Path file) throws WriteProblem {
    save(files.stream().filter(w -> !w.file().equals(file)).toList());
  }

  private void save(List<Waiting> now) throws WriteProblem {
    try {
      Files.createDirectories(store.toAbsolutePath().getParent());
      byte[] bytes =
          JSON.writeValueAsBytes(
              now.stream()
                  .map(w ->
                      Map.of(
                          "file",
                          w.file().toString(),
                          "recipe",
                          w.recipe(),
                          "laid",
                          w.laid().toString()))
                  .toList());
      AtomicFile.writeForOwner(store, out -> out.write(bytes));
      files = List.copyOf(now);
    } catch (IOException e) {
      throw new WriteProblem(
          WriteProblem.Kind.OTHER, "The Out-tray cannot be kept in " + store + ".", e);
    }
  }

  private List<Waiting> load() {
    var out = new ArrayList<Waiting>();
    if (!Files.exists(store)) {
      return out;
    }
    try {
      var all = JSON.readValue(store.toFile(), new TypeReference<List<Map<String, String>>>() {});
      for (Map<String, String> m : all) {
        out.add(
            new Waiting(
                Path.of(m.getOrDefault("file", "")),
                m.getOrDefault("recipe", ""),
                Instant.parse(m.getOrDefault("laid", "1970-01-01T00:00:00Z"))));
      }
      return List.copyOf(out);
    } catch (IOException | DateTimeParseException | java.nio.file.InvalidPathException e) {
      return List.of(); // the files themselves are where they were
    }
  }
}
