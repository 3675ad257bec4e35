package decant.run.log;

import decant.run.Row;
import decant.run.Run;
import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;

/**
 * The SHA-256 of every result that is known to be whole, a line each as the usual programs check
 * them: the hash, two spaces, and the path from the manifest's folder.
 */
public final class Manifest {
  private Manifest() {}

  /**
   * Writes the hashes of what this run made, and of what it left as it was made before.
   *
   * @param folder of the manifest
   * @throws IOException if the stream cannot be written
   */
  public static void write(Run run, Path folder, OutputStream to) throws IOException {
    Writer out = new BufferedWriter(new OutputStreamWriter(to, StandardCharsets.UTF_8));
    Path base = folder.toAbsolutePath().normalize();
    try {
      run.each(r -> {
        if (r.state() == Row.State.DONE || r.why() == Row.Why.DONE_BEFORE) {
          for (Row.Result x : r.results()) {
            Path file = run.file(r, x).toAbsolutePath().normalize();
            write(out, x.sha256(), Links.path(base, file));
          }
        }
      });
    } catch (UncheckedIOException e) {
      throw e.getCause();
    }
    out.flush();
  }

  /** A name with a backslash or an end of line is written as GNU coreutils do. */
  private static void write(Writer out, String sha256, String name) {
    boolean odd = name.indexOf('\\') >= 0 || name.indexOf('\n') >= 0;
    String n = odd ? name.replace("\\", "\\\\").replace("\n", "\\n") : name;
    try {
      out.write((odd ? "\\" : "") + sha256 + "  " + n + "\n");
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
