package decant.run;

import java.nio.file.FileSystems;
import java.nio.file.Path;
import java.nio.file.PathMatcher;
import java.util.List;

/**
 * Which files a run takes by their names. A pattern is a glob of {@link
 * java.nio.file.FileSystem#getPathMatcher}: with a slash it is held against the whole path from the
 * source, without one against the file's name and those of the folders that it is in.
 *
 * @param include one of these must fit; none if all are to be taken
 * @param exclude none of these may fit
 */
public record Patterns(List<String> include, List<String> exclude) {
  public static final Patterns ALL = new Patterns(List.of(), List.of());

  /**
   * @throws java.util.regex.PatternSyntaxException if a pattern is none
   */
  public Patterns {
    include = List.copyOf(include);
    exclude = List.copyOf(exclude);
    include.forEach(Patterns::fitting);
    exclude.forEach(Patterns::fitting);
  }

  /** These ready to be asked often. */
  Matching matching() {
    return new Matching(
        include.stream().map(One::of).toList(), exclude.stream().map(One::of).toList());
  }

  record Matching(List<One> include, List<One> exclude) {
    /**
     * @param path from the source
     */
    boolean takes(Path path) {
      return (include.isEmpty() || include.stream().anyMatch(p -> p.fits(path)))
          && exclude.stream().noneMatch(p -> p.fits(path));
    }
  }

  /** A pattern. */
  record One(PathMatcher matcher, boolean whole) {
    static One of(String pattern) {
      return new One(fitting(pattern), pattern.contains("/"));
    }

    boolean fits(Path path) {
      if (whole) {
        return matcher.matches(path);
      }
      for (Path name : path) {
        if (matcher.matches(name)) {
          return true;
        }
      }
      return false;
    }
  }

  private static PathMatcher fitting(String pattern) {
    return FileSystems.getDefault().getPathMatcher("glob:" + pattern);
  }
}
