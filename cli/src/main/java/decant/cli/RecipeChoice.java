package decant.cli;

import decant.format.Formats;
import decant.reading.Active;
import decant.recipe.Output;
import decant.recipe.PagesKept;
import decant.recipe.Plan;
import decant.recipe.Recipe;
import decant.recipe.RecipeBook;
import decant.recipe.RecipeFile;
import decant.recipe.RecipeProblem;
import decant.words.Words;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** By which recipe files are published, and what is chosen over it. */
final class RecipeChoice {
  private static final Words WORDS = Words.of(RecipeChoice.class);

  @Option(
      names = "--recipe",
      paramLabel = "NAME|FILE",
      descriptionKey = "recipe-choice.a-shipped-recipe-by-its")
  private @Nullable String recipe;

  @Option(
      names = "--active",
      paramLabel = "keep|remove",
      descriptionKey = "recipe-choice.what-is-done-with-active")
  private @Nullable ActiveChoice active;

  @Option(
      names = "--pages-kept",
      paramLabel = "auto|all|none",
      descriptionKey = "recipe-choice.which-pages-are-kept")
  private @Nullable PagesKept pagesKept;

  @Spec(Spec.Target.MIXEE)
  private @Nullable CommandSpec spec;

  /** The recipe that was named; empty if none was. */
  Optional<Recipe> named() {
    return Optional.ofNullable(recipe).map(this::named);
  }

  /** A recipe by its name, if it comes with the program, or else from a file. */
  Recipe named(String name) {
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
              "recipe-choice.there-is-none-shipped",
              name,
              shipped.stream().map(Recipe::name).collect(Collectors.joining(", "))));
    }
    try {
      return RecipeFile.read(Path.of(name));
    } catch (RecipeProblem e) {
      throw Usage.wrong(spec, e.getMessage());
    }
  }

  /** A recipe with what was chosen over it; what cannot go together is refused. */
  Recipe over(Recipe named) {
    Recipe said = active == null ? named : named.with(active.active());
    Recipe r = pagesKept == null ? said : said.with(pagesKept);
    if (r.pagesKept() == PagesKept.ALL && r.active() == Active.KEEP) {
      throw Usage.wrong(spec, WORDS.say("recipe-choice.kept-pages-never-act"));
    }
    for (Output o : r.forSource(Optional.empty()).outputs()) {
      // A document that was meant to be locked does not go out unlocked.
      if (o instanceof Output.Office d && d.password() && Formats.locker(d.format()).isEmpty()) {
        throw Usage.wrong(
            spec, WORDS.say("recipe-choice.cannot-lock", Plan.cannotLock(d.format())));
      }
    }
    return r;
  }

  /** Whether which pages are kept was asked for, whatever the recipe says. */
  boolean asksForPages() {
    return pagesKept != null;
  }
}
