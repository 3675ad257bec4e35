package decant.run;

import decant.pdf.choices.Passwords;
import java.nio.file.Path;
import java.util.Map;

/**
 * The passwords of a run, which are kept in memory only.
 *
 * @param all opens every locked source that has none of its own; empty for none
 * @param own those of single sources, by their whole paths
 * @param results what the results get
 */
public record Secrets(String all, Map<Path, String> own, Passwords results) {
  public static final Secrets NONE = new Secrets("", Map.of(), Passwords.NONE);

  public Secrets {
    own = Map.copyOf(own);
  }

  /** What opens a source; empty if nothing is known to. */
  String of(Path source) {
    return own.getOrDefault(source.toAbsolutePath().normalize(), all);
  }

  @Override
  public String toString() {
    return "passwords that are not shown";
  }
}
