package decant.recipe;

import decant.io.AtomicFile;
import decant.io.NamedFile;
import decant.io.WriteProblem;
import decant.words.Words;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/** The recipes at hand: those that ship with the program, and the person's own in a folder. */
public final class RecipeShelf {
  private static final Words WORDS = Words.of(RecipeShelf.class);

  private final Path folder;

  /**
   * @param folder where own recipes are; made when the first is kept
   */
  public RecipeShelf(Path folder) {
    this.folder = folder;
  }

  /**
   * What the folder has.
   *
   * @param own the person's own recipes, by name
   * @param unread what is wrong with files that cannot be read; they stay to be mended
   */
  public record Contents(List<Recipe> own, List<String> unread) {
    public Contents {
      own = List.copyOf(own);
      unread = List.copyOf(unread);
    }

    /** All recipes: the shipped ones, then the own ones. */
    public List<Recipe> all() {
      return Stream.concat(RecipeBook.shipped().stream(), own.stream()).toList();
    }
  }

  /** All recipes: the shipped ones, then the own ones by name. */
  public List<Recipe> all() {
    return contents().all();
  }

  /** The person's own. */
  public List<Recipe> own() {
    return contents().own();
  }

  /** Reads the folder. */
  public Contents contents() {
    var own = new ArrayList<Recipe>();
    var unread = new ArrayList<String>();
    if (Files.isDirectory(folder)) {
      try (Stream<Path> files = Files.list(folder)) {
        for (Path f : files.filter(p -> p.toString().endsWith(".json")).sorted().toList()) {
          try {
            own.add(RecipeFile.read(f));
          } catch (RecipeProblem e) {
            unread.add(WORDS.say("recipe-shelf.not-listed", e.getMessage()));
          }
        }
      } catch (IOException e) {
        var problem = WORDS.say("recipe-shelf.recipes-cannot-be-read", folder);
        unread.add(WORDS.say("recipe-shelf.not-listed", problem));
      }
    }
    own.sort(Comparator.comparing(r -> r.name().toLowerCase(Locale.ROOT)));
    return new Contents(own, unread);
  }

  public boolean isShipped(String name) {
    return RecipeBook.shipped().stream().anyMatch(r -> r.name().equalsIgnoreCase(name));
  }

  /**
   * Keeps a recipe, over an own one of the same name.
   *
   * @throws RecipeProblem if the name belongs to a shipped one
   * @throws WriteProblem if it cannot be written
   */
  public void keep(Recipe r) throws RecipeProblem, WriteProblem {
    if (isShipped(r.name())) {
      throw new RecipeProblem(WORDS.say("recipe-shelf.ships-with-decant-and-stays", r.name()));
    }
    try {
      Files.createDirectories(folder);
    } catch (IOException e) {
      throw new WriteProblem(
          WriteProblem.Kind.READ_ONLY,
          WORDS.say("recipe-shelf.recipes-cannot-be-kept-in", folder),
          e);
    }
    AtomicFile.write(
        file(r.name()),
        true,
        out -> out.write(RecipeFile.write(r).getBytes(StandardCharsets.UTF_8)));
  }

  /** Lets an own recipe go. @throws WriteProblem if its file cannot be taken away */
  public void forget(String name) throws WriteProblem {
    try {
      Files.deleteIfExists(file(name));
    } catch (IOException e) {
      throw new WriteProblem(
          WriteProblem.Kind.READ_ONLY,
          WORDS.say("recipe-shelf.the-recipe-cannot-be-taken", name),
          e);
    }
  }

  private Path file(String name) {
    return NamedFile.in(folder, name);
  }

  /** A name that no recipe has. */
  public String freeName(String wanted) {
    List<String> taken = all().stream().map(Recipe::name).toList();
    return Naming.distinct(Stream.concat(taken.stream(), Stream.of(wanted)).toList()).getLast();
  }
}
