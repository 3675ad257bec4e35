package decant.cli;

import decant.recipe.Recipe;
import decant.recipe.RecipeBook;
import decant.recipe.RecipeFile;
import decant.recipe.RecipeProblem;
import decant.words.Words;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Model.CommandSpec;

/** A recipe by its name, if it comes with the program, or else from a file. */
final class NamedRecipe {
  private static final Words WORDS = Words.of(NamedRecipe.class);

  private NamedRecipe() {}

  static Recipe of(@Nullable CommandSpec spec, String name) {
    List<Recipe> shipped = RecipeBook.shipped();
    for (Recipe r : shipped) {
      if (r.name().equalsIgnoreCase(name)) {
        return r;
      }
    }
    if (!Files.exists(Path.of(name)) && !name.endsWith(".json")) {
      throw Usage.wrong(
          spec,
          WORDS.say(
              "named-recipe.there-is-none-shipped",
              name,
              shipped.stream().map(Recipe::name).collect(Collectors.joining(", "))));
    }
    try {
      return RecipeFile.read(Path.of(name));
    } catch (RecipeProblem e) {
      throw Usage.wrong(spec, e.getMessage());
    }
  }
}
