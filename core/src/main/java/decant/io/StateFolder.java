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
}
