package decant.desktop.runs;

import decant.convert.Changes;
import decant.format.Format;
import decant.model.Metadata;
import decant.recipe.Recipe;
import decant.run.Patterns;
import decant.run.RunOrder;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** A run as it is being put together; without folders there is nothing to plan yet. */
record RunDraft(
    Optional<Path> source,
    Optional<Path> destination,
    boolean subfolders,
    Set<Format> kinds,
    Recipe recipe,
    RunOrder.Clash clash,
    List<Changes.Replacement> replacements) {
  RunDraft {
    kinds = Set.copyOf(kinds);
    replacements = List.copyOf(replacements);
  }

  RunDraft from(Path folder) {
    return new RunDraft(
        Optional.of(folder), destination, subfolders, kinds, recipe, clash, replacements);
  }

  RunDraft into(Path folder) {
    return new RunDraft(
        source, Optional.of(folder), subfolders, kinds, recipe, clash, replacements);
  }

  RunDraft subfolders(boolean on) {
    return new RunDraft(source, destination, on, kinds, recipe, clash, replacements);
  }

  RunDraft kinds(Set<Format> some) {
    return new RunDraft(source, destination, subfolders, some, recipe, clash, replacements);
  }

  RunDraft by(Recipe other) {
    return new RunDraft(source, destination, subfolders, kinds, other, clash, replacements);
  }

  RunDraft clash(RunOrder.Clash other) {
    return new RunDraft(source, destination, subfolders, kinds, recipe, other, replacements);
  }

  RunDraft replacing(List<Changes.Replacement> some) {
    return new RunDraft(source, destination, subfolders, kinds, recipe, clash, some);
  }

  /** What is asked for; empty while a folder is missing. */
  Optional<RunOrder> order(RunOrder.Choices choices) {
    return source.flatMap(from ->
        destination.map(to ->
            RunOrder.of(from, to, recipe)
                .with(new RunOrder.Filter(subfolders, kinds, Patterns.ALL, Optional.empty()))
                .with(RunOrder.Treatment.by(recipe).with(new Changes(replacements, Metadata.NONE)))
                .with(clash)
                .with(choices)));
  }
}
