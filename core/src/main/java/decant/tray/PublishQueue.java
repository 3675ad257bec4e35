package decant.tray;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import decant.format.Formats;
import decant.io.AtomicFile;
import decant.io.WriteProblem;
import decant.model.Document;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.recipe.Recipe;
import decant.recipe.RecipeFile;
import decant.recipe.RecipeProblem;
import decant.recovery.UnsavedWork;
import decant.recovery.WorkFile;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Documents to be published later, each as it was when it was queued, with its recipe. Recipes that
 * ask for passwords cannot be queued, since passwords are never stored.
 */
public final class PublishQueue {
  private static final ObjectMapper JSON = new ObjectMapper();

  /**
   * One publish.
   *
   * @param id tells it apart; in order of queueing
   * @param folder where its files go
   * @param stem the name that they share
   * @param source the file that the document came from
   */
  public record Queued(String id, Path folder, String stem, Path source, Recipe recipe) {}

  /** How the names of kept documents end. */
  private static final String WORK = ".work";

  /** How they ended before pages could be pinned, for which the working format has no place. */
  private static final String DOCUMENT = "." + Formats.working().extension();

  private final Path folder;

  /**
   * @param folder of the queue; made when it is first needed
   */
  public PublishQueue(Path folder) {
    this.folder = folder;
  }

  /**
   * Queues a publish.
   *
   * @throws WriteProblem if it cannot be kept
   * @throws RecipeProblem if the recipe asks for passwords
   */
  public void add(Document document, Recipe recipe, Path target, String stem, Path source)
      throws WriteProblem, RecipeProblem {
    if (recipe.asksForPasswords()) {
      throw new RecipeProblem(
          "“" + recipe.name() + "” asks for a password, which is never stored. Publish it now.");
    }
    try {
      Files.createDirectories(folder);
      String id = "%020d".formatted(System.currentTimeMillis()) + "-" + next();
      WorkFile.write(
          folder.resolve(id + WORK), new UnsavedWork(source, work(document), Optional.empty()), "");
      var note = JSON.createObjectNode();
      note.put("folder", target.toAbsolutePath().toString())
          .put("stem", stem)
          .put("source", source.toAbsolutePath().toString())
          .put("recipe", RecipeFile.write(recipe));
      byte[] bytes = note.toString().getBytes(StandardCharsets.UTF_8);
      // The note last: what has none is no whole entry.
      AtomicFile.writeForOwner(folder.resolve(id + ".json"), out -> out.write(bytes));
    } catch (IOException e) {
      throw new WriteProblem(
          WriteProblem.Kind.OTHER, "The queue cannot be kept in " + folder + ".", e);
    }
  }

  /** A document alone, of whose source nothing more is asked. */
  private static TakenIn work(Document document) {
    return new TakenIn(
        document,
        List.of(),
        new TakenIn.Origin(Formats.working().id(), 0, Map.of(), List.of(), Map.of(), List.of()));
  }

  private int next() {
    return all().size() + 1;
  }

  /** What waits, the first queued first; entries that are damaged are passed over. */
  public List<Queued> all() {
    var out = new ArrayList<Queued>();
    if (!Files.isDirectory(folder)) {
      return out;
    }
    try (Stream<Path> files = Files.list(folder)) {
      for (Path f : files.filter(p -> p.toString().endsWith(".json")).sorted().toList()) {
        try {
          JsonNode n = JSON.readTree(f.toFile());
          String name = f.getFileName().toString();
          out.add(
              new Queued(
                  name.substring(0, name.length() - ".json".length()),
                  Path.of(n.path("folder").asText()),
                  n.path("stem").asText(),
                  Path.of(n.path("source").asText()),
                  RecipeFile.read(n.path("recipe").asText(), "the queue")));
        } catch (IOException | RecipeProblem | java.nio.file.InvalidPathException e) {
          continue; // one damaged entry does not hold up the others
        }
      }
    } catch (IOException e) {
      return out;
    }
    return out;
  }

  /** The document of an entry. @throws ReadProblem if it cannot be read */
  public Document document(Queued q) throws ReadProblem {
    Path work = folder.resolve(q.id() + WORK);
    if (Files.exists(work)) {
      try {
        return WorkFile.read(work, "").taken().document();
      } catch (IOException e) {
        throw ReadProblem.fault(e);
      }
    }
    ReadRequest request = ReadRequest.of(folder.resolve(q.id() + DOCUMENT));
    return Formats.reader(Formats.working()).orElseThrow().read(request).document();
  }

  /** Takes an entry out. @throws WriteProblem if its files cannot be removed */
  public void remove(Queued q) throws WriteProblem {
    try {
      Files.deleteIfExists(folder.resolve(q.id() + ".json"));
      Files.deleteIfExists(folder.resolve(q.id() + WORK));
      Files.deleteIfExists(folder.resolve(q.id() + DOCUMENT));
    } catch (IOException e) {
      throw new WriteProblem(
          WriteProblem.Kind.OTHER, "“" + q.stem() + "” cannot be taken out of the queue.", e);
    }
  }
}
