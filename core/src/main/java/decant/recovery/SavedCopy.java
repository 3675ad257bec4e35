package decant.recovery;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * A working copy as it was when it was saved or opened last, so that a change made to it by others
 * is noticed before it is written over.
 *
 * @param size in bytes
 * @param modified in milliseconds since 1970, by the file system
 */
public record SavedCopy(Path file, long size, long modified) {
  /** A file as it is now. @throws IOException if it cannot be looked at */
  public static SavedCopy of(Path file) throws IOException {
    return new SavedCopy(file, Files.size(file), Files.getLastModifiedTime(file).toMillis());
  }

  /** Whether the file is there, and is no longer what it was. */
  public boolean isChanged() {
    try {
      return Files.exists(file) && !of(file).equals(this);
    } catch (IOException e) {
      return true; // it is there and cannot be looked at: better asked about than written over
    }
  }
}
