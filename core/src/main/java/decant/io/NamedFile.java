package decant.io;

import java.nio.file.Path;
import java.util.Locale;

/** Files of things that the person gave names to. */
public final class NamedFile {
  private NamedFile() {}

  /** The file of something by its name, whatever characters that has. */
  public static Path in(Path folder, String name) {
    String safe = name.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "-");
    // Two names may be alike but for signs that files cannot have.
    return folder.resolve(safe + "-" + Integer.toHexString(name.hashCode()) + ".json");
  }
}
