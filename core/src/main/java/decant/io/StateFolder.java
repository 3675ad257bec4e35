package decant.io;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFilePermissions;

/** Folders for what the program remembers, which only their owner may look into. */
public final class StateFolder {
  private StateFolder() {}

  /** Makes a folder, and those above it, if they are not there; others may not look into it. */
  public static Path make(Path folder) throws IOException {
    Path whole = folder.toAbsolutePath();
    Files.createDirectories(whole);
    if (Files.getFileStore(whole).supportsFileAttributeView(PosixFileAttributeView.class)) {
      Files.setPosixFilePermissions(whole, PosixFilePermissions.fromString("rwx------"));
    }
    return whole;
  }

  /**
   * Where the program remembers things: the folder that the XDG base directory specification names.
   */
  public static Path usual(boolean demo) {
    String base = System.getenv("XDG_STATE_HOME");
    Path root =
        base == null || base.isBlank()
            ? Path.of(System.getProperty("user.home"), ".local", "state")
            : Path.of(base);
    return root.resolve(demo ? "decant-demo" : "decant");
  }
}
