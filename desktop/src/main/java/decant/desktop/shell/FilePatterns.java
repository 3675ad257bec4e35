package decant.desktop.shell;

import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/** What a chooser of files shows, by extensions. */
public final class FilePatterns {
  private FilePatterns() {}

  /** In small and large letters, which some systems tell apart. */
  public static List<String> of(Stream<String> extensions) {
    return extensions.flatMap(e -> Stream.of("*." + e, "*." + e.toUpperCase(Locale.ROOT))).toList();
  }
}
