package decant.io;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * The files of one call that are never written over, whatever names and links lead to them: its
 * inputs, and what was made in it already. Files are told by the key that the file system has for
 * them, where it has one. Not safe for several threads.
 */
public final class Untouchable {
  private final Set<Object> inputs = new HashSet<>();
  private final Set<Object> made = new HashSet<>();

  private Untouchable() {}

  /** Of a call with these inputs; those that are not there are no matter. */
  public static Untouchable inputs(Collection<Path> files) {
    var out = new Untouchable();
    files.forEach(f -> out.inputs.addAll(keys(f)));
    return out;
  }

  /** Notes a file that was made. */
  public void made(Path file) {
    made.addAll(keys(file));
  }

  /** Whether writing to a name would write over an input. */
  public boolean isInput(Path target) {
    return keys(target).stream().anyMatch(inputs::contains);
  }

  /** Whether writing to a name would write over what was made before. */
  public boolean isMade(Path target) {
    return keys(target).stream().anyMatch(made::contains);
  }

  /** Its place after links are followed, and the file system's own key for it. */
  private static List<Object> keys(Path file) {
    Path whole = file.toAbsolutePath().normalize();
    try {
      Path real = whole.toRealPath();
      Object key =
          Files.readAttributes(real, java.nio.file.attribute.BasicFileAttributes.class).fileKey();
      return key == null ? List.of(real) : List.of(real, key);
    } catch (IOException e) {
      return List.of(whole); // not there yet
    }
  }
}
