package decant.run.log;

import decant.run.Run;
import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/** The log as comma-separated values (RFC 4180, in UTF-8): a line for each file of the run. */
public final class Csv {
  /** The first line, by which a log is known as one of ours. */
  public static final String HEAD =
      "source,kind,outcome,reason,results,bytes,result bytes,pages,findings,losses,replaced,seconds";

  private static final String END = "\r\n";

  private Csv() {}

  /**
   * Writes all rows; several results of one file stand in one field, a line each.
   *
   * @throws IOException if the stream cannot be written
   */
  public static void write(Run run, OutputStream to) throws IOException {
    Writer out = new BufferedWriter(new OutputStreamWriter(to, StandardCharsets.UTF_8));
    out.write(HEAD + END);
    try {
      run.each(r -> {
        try {
          out.write(line(Entry.of(run, r)));
        } catch (IOException e) {
          throw new UncheckedIOException(e);
        }
      });
    } catch (UncheckedIOException e) {
      throw e.getCause();
    }
    out.flush();
  }

  private static String line(Entry e) {
    return List.of(
                e.source().toString(),
                e.kind(),
                e.outcome(),
                e.reason(),
                e.results().stream().map(Object::toString).collect(Collectors.joining("\n")),
                Long.toString(e.bytes()),
                Long.toString(e.resultBytes()),
                Integer.toString(e.pages()),
                Integer.toString(e.findings()),
                Integer.toString(e.losses()),
                Integer.toString(e.replaced()),
                String.format(Locale.ROOT, "%.3f", e.seconds()))
            .stream()
            .map(Csv::field)
            .collect(Collectors.joining(","))
        + END;
  }

  private static String field(String s) {
    return s.matches("[^\",\\r\\n]*") ? s : '"' + s.replace("\"", "\"\"") + '"';
  }
}
