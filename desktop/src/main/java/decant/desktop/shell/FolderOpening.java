package decant.desktop.shell;

import decant.words.Words;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Opens a folder in the system's own file manager. */
final class FolderOpening {
  private static final Words WORDS = Words.of(FolderOpening.class);

  private FolderOpening() {}

  /** What stood in the way, in the person's words; empty if nothing did. */
  static Optional<String> of(Path folder) {
    String system = System.getProperty("os.name").toLowerCase(Locale.ROOT);
    String program =
        system.contains("win") ? "explorer" : system.contains("mac") ? "open" : "xdg-open";
    try {
      new ProcessBuilder(List.of(program, folder.toString()))
          .redirectOutput(ProcessBuilder.Redirect.DISCARD)
          .redirectError(ProcessBuilder.Redirect.DISCARD)
          .start();
      return Optional.empty();
    } catch (IOException e) {
      return Optional.of(WORDS.say("folder-opening.none", folder));
    }
  }
}
