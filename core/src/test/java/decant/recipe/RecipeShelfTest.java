package decant.recipe;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.io.WriteProblem;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class RecipeShelfTest {
  @TempDir Path folder;

  private static Recipe recipe(String name, String about) {
    return new Recipe(name, about, List.of(Output.Pdf.DEFAULT.withNaming("{stem} board")));
  }

  private RecipeShelf shelf() {
    return new RecipeShelf(folder.resolve("recipes"));
  }

  @Test
  void whatIsKeptIsThereForTheNextStart() throws RecipeProblem, WriteProblem {
    Recipe board = recipe("Notice board", "One page for the board");
    shelf().keep(board);
    shelf().keep(recipe("Archive of minutes", ""));
    assertThat(shelf().own())
        .extracting(Recipe::name)
        .containsExactly("Archive of minutes", "Notice board");
    assertThat(shelf().own().getLast()).isEqualTo(board);
    assertThat(shelf().all()).containsAll(RecipeBook.shipped()).contains(board);
  }

  @Test
  void keepingAgainReplaces() throws RecipeProblem, WriteProblem {
    shelf().keep(recipe("Notice board", "first"));
    shelf().keep(recipe("Notice board", "second"));
    assertThat(shelf().own()).extracting(Recipe::purpose).containsExactly("second");
  }

  /** Signs that files cannot have, and names alike but for them. */
  @Test
  void anyNameCanBeKept() throws RecipeProblem, WriteProblem {
    List<String> names = List.of("a/b", "a:b", "a b", "../a", "Übersicht", "港", "a\\b", "CON", ".");
    for (String n : names) {
      shelf().keep(recipe(n, ""));
    }
    assertThat(shelf().own()).extracting(Recipe::name).containsExactlyInAnyOrderElementsOf(names);
    assertThat(folder.resolve("a")).doesNotExist();
    for (String n : names) {
      shelf().forget(n);
    }
    assertThat(shelf().own()).isEmpty();
  }

  @Test
  void whatShipsStays() {
    String shipped = RecipeBook.counterCopy().name();
    assertThatThrownBy(() -> shelf().keep(recipe(shipped.toUpperCase(java.util.Locale.ROOT), "")))
        .isInstanceOf(RecipeProblem.class)
        .hasMessageContaining(shipped.toUpperCase(java.util.Locale.ROOT));
    assertThat(shelf().own()).isEmpty();
  }

  @Test
  void aFileThatIsNoRecipeHarmsNoOtherAndStays() throws RecipeProblem, WriteProblem, IOException {
    shelf().keep(recipe("Notice board", ""));
    Path damaged = Files.writeString(folder.resolve("recipes/damaged.json"), "{\"version\": 4,");
    Files.writeString(folder.resolve("recipes/readme.txt"), "no recipe");
    assertThat(shelf().own()).extracting(Recipe::name).containsExactly("Notice board");
    assertThat(damaged).hasContent("{\"version\": 4,");
    assertThat(shelf().contents().unread())
        .singleElement(org.assertj.core.api.InstanceOfAssertFactories.STRING)
        .contains("“damaged.json” is not valid JSON", "stays where it is");
  }

  @Test
  void whereAllCanBeReadNothingIsTold() throws RecipeProblem, WriteProblem {
    assertThat(shelf().contents().unread()).isEmpty();
    shelf().keep(recipe("Notice board", ""));
    assertThat(shelf().contents().unread()).isEmpty();
  }

  @Test
  void forgettingWhatIsNotThereDoesNothing() throws WriteProblem {
    shelf().forget("Notice board");
    assertThat(shelf().own()).isEmpty();
  }

  @Test
  void aFolderThatCannotBeMadeIsTold() throws IOException {
    Files.writeString(folder.resolve("file"), "x");
    var shelf = new RecipeShelf(folder.resolve("file/recipes"));
    assertThatThrownBy(() -> shelf.keep(recipe("Notice board", "")))
        .isInstanceOf(WriteProblem.class)
        .hasMessageContaining(folder.resolve("file").toString());
  }

  @Test
  void aFreeNameIsNobodysWhateverItsCase() throws RecipeProblem, WriteProblem {
    shelf().keep(recipe("Notice board", ""));
    shelf().keep(recipe("Notice board 2", ""));
    assertThat(shelf().freeName("notice BOARD")).isEqualTo("notice BOARD 3");
    assertThat(shelf().freeName("Tides")).isEqualTo("Tides");
  }
}
