package decant.desktop.runs;

import decant.convert.Changes;
import decant.format.Format;
import decant.model.Metadata;
import decant.recipe.Recipe;
import decant.run.Patterns;
import decant.run.RunOrder;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
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
    List<Changes.Replacement> replacements,
    More more) {

  /**
   * What is rarely asked for.
   *
   * @param patterns which files by their names
   * @param since files that were last changed before this day are left out
   * @param recipes other ones for folders, by their path from the source
   * @param particulars what all results say of themselves; what is empty their documents say
   * @param keepTimes whether results are given the time of their source
   * @param merged whether all PDFs become one besides
   */
  record More(
      Patterns patterns,
      Optional<LocalDate> since,
      Map<String, Recipe> recipes,
      Metadata particulars,
      boolean keepTimes,
      boolean merged,
      Optional<RunOrder.Templates> templates) {
    static final More NOTHING =
        new More(
            Patterns.ALL,
            Optional.empty(),
            Map.of(),
            Metadata.NONE,
            false,
            false,
            Optional.empty());

    More {
      recipes = Map.copyOf(recipes);
    }

    /** Another source has other folders. */
    More inOneWay() {
      return new More(patterns, since, Map.of(), particulars, keepTimes, merged, templates);
    }

    More by(String folder, Optional<Recipe> own) {
      var all = new HashMap<>(recipes);
      all.remove(folder);
      own.ifPresent(r -> all.put(folder, r));
      return new More(patterns, since, all, particulars, keepTimes, merged, templates);
    }
  }

  RunDraft {
    kinds = Set.copyOf(kinds);
    replacements = List.copyOf(replacements);
  }

  RunDraft from(Path folder) {
    boolean same = source.equals(Optional.of(folder));
    return new RunDraft(
        Optional.of(folder),
        destination,
        subfolders,
        kinds,
        recipe,
        clash,
        replacements,
        same ? more : more.inOneWay());
  }

  RunDraft into(Path folder) {
    return new RunDraft(
        source, Optional.of(folder), subfolders, kinds, recipe, clash, replacements, more);
  }

  RunDraft subfolders(boolean on) {
    return new RunDraft(source, destination, on, kinds, recipe, clash, replacements, more);
  }

  RunDraft kinds(Set<Format> some) {
    return new RunDraft(source, destination, subfolders, some, recipe, clash, replacements, more);
  }

  RunDraft by(Recipe other) {
    return new RunDraft(source, destination, subfolders, kinds, other, clash, replacements, more);
  }

  RunDraft clash(RunOrder.Clash other) {
    return new RunDraft(source, destination, subfolders, kinds, recipe, other, replacements, more);
  }

  RunDraft replacing(List<Changes.Replacement> some) {
    return new RunDraft(source, destination, subfolders, kinds, recipe, clash, some, more);
  }

  RunDraft with(More other) {
    return new RunDraft(source, destination, subfolders, kinds, recipe, clash, replacements, other);
  }

  /** What is asked for; empty while a folder is missing. */
  Optional<RunOrder> order(RunOrder.Choices choices) {
    return source.flatMap(from -> destination.map(to -> order(from, to, choices)));
  }

  private RunOrder order(Path from, Path to, RunOrder.Choices choices) {
    Optional<Instant> day =
        more.since().map(d -> d.atStartOfDay(ZoneId.systemDefault()).toInstant());
    var changes = new Changes(replacements, more.particulars());
    RunOrder o =
        RunOrder.of(from, to, recipe)
            .with(new RunOrder.Filter(subfolders, kinds, more.patterns(), day))
            .with(
                new RunOrder.Treatment(
                    recipe, more.recipes(), false, changes, more.keepTimes(), "", Optional.empty()))
            .with(clash)
            .with(choices);
    return more.templates().map(o::with).orElse(o);
  }
}
