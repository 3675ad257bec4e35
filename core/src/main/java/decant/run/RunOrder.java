package decant.run;

import decant.convert.Changes;
import decant.format.Format;
import decant.recipe.Recipe;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What a run is to do.
 *
 * @param source the folder whose files are published; never written to
 * @param destination the folder that their results go to, in the same tree
 * @param templates where templates are taken from and go to, if not with the others
 * @param clash what is done where a file is that no run has made
 * @param choices what a person chose for single files
 */
public record RunOrder(
    Path source,
    Path destination,
    Optional<Templates> templates,
    Filter filter,
    Treatment treatment,
    Clash clash,
    Choices choices) {

  /**
   * What a person chose for single files, by their whole paths.
   *
   * @param clashes what is done where a file is that no run has made, if not as with others
   */
  public record Choices(Set<Path> leftOut, Map<Path, Clash> clashes) {
    public static final Choices NONE = new Choices(Set.of(), Map.of());

    public Choices {
      leftOut = Set.copyOf(leftOut);
      clashes = Map.copyOf(clashes);
    }
  }

  /**
   * Which files are published.
   *
   * @param subfolders whether folders in folders are gone through
   * @param kinds by content; empty for all that can be taken in
   * @param patterns by name
   * @param changedSince files that were last changed before are left out
   */
  public record Filter(
      boolean subfolders, Set<Format> kinds, Patterns patterns, Optional<Instant> changedSince) {
    public static final Filter ALL = new Filter(true, Set.of(), Patterns.ALL, Optional.empty());

    public Filter {
      kinds = Set.copyOf(kinds);
    }
  }

  /**
   * What is done to each of them.
   *
   * @param recipe what is made of it
   * @param recipes others for subfolders, by their path from the source with slashes
   * @param pagesKept whether which pages of PDFs are kept was asked for, not only said by the
   *     recipe
   * @param keepTimes whether results are given the time at which their source was last changed
   * @param languages what text of scanned pages is recognised in; empty if it is not
   * @param limit how long one file may take; empty for what its size allows
   */
  public record Treatment(
      Recipe recipe,
      Map<String, Recipe> recipes,
      boolean pagesKept,
      Changes changes,
      boolean keepTimes,
      String languages,
      Optional<Duration> limit) {
    public Treatment {
      recipes = Map.copyOf(recipes);
    }

    /** A recipe, and nothing more. */
    public static Treatment by(Recipe recipe) {
      return new Treatment(recipe, Map.of(), false, Changes.NONE, false, "", Optional.empty());
    }

    /** This one with changes. */
    public Treatment with(Changes other) {
      return new Treatment(recipe, recipes, pagesKept, other, keepTimes, languages, limit);
    }
  }

  /** Templates with a folder of their own, and another that their results go to. */
  public record Templates(Path source, Path destination) {}

  /** What is done where a file is that no run has made. */
  public enum Clash {
    /** The result gets another name beside it. */
    KEEP,
    /** The result takes its place. */
    OVERWRITE,
    /** It stays, and the source is left out. */
    LEAVE
  }

  /** Everything in a folder by a recipe, and nothing more. */
  public static RunOrder of(Path source, Path destination, Recipe recipe) {
    return new RunOrder(
        source,
        destination,
        Optional.empty(),
        Filter.ALL,
        Treatment.by(recipe),
        Clash.LEAVE,
        Choices.NONE);
  }

  public RunOrder with(Filter other) {
    return new RunOrder(source, destination, templates, other, treatment, clash, choices);
  }

  public RunOrder with(Treatment other) {
    return new RunOrder(source, destination, templates, filter, other, clash, choices);
  }

  public RunOrder with(Clash other) {
    return new RunOrder(source, destination, templates, filter, treatment, other, choices);
  }

  public RunOrder with(Choices other) {
    return new RunOrder(source, destination, templates, filter, treatment, clash, other);
  }

  public RunOrder with(Templates other) {
    return new RunOrder(source, destination, Optional.of(other), filter, treatment, clash, choices);
  }

  /** A tree that is gone through, and the one that its results go to. */
  public record Part(Path source, Path destination, boolean templates) {}

  /** The trees: that of documents first. */
  public List<Part> parts() {
    var all = new Part(source, destination, false);
    return templates
        .map(t -> List.of(all, new Part(t.source(), t.destination(), true)))
        .orElseGet(() -> List.of(all));
  }

  /** Whether a file, which may not be there yet, lies in one of the sources. */
  public boolean isInSource(Path file) {
    return Places.isInSource(this, file);
  }

  /** The recipe for the files of a folder: that of the nearest folder above that has its own. */
  public Recipe recipeFor(String folder) {
    String at = folder;
    while (true) {
      Recipe own = treatment.recipes().get(at);
      if (own != null) {
        return own;
      }
      if (at.isEmpty()) {
        return treatment.recipe();
      }
      at = at.contains("/") ? at.substring(0, at.lastIndexOf('/')) : "";
    }
  }
}
