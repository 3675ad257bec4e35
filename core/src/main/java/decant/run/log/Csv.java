package decant.run.log;

import decant.run.Run;
import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** The log as comma-separated values (RFC 4180, in UTF-8): a line for each file of the run. */
public final class Csv {
  private static final String[] COLUMNS = {
    "source",
    "kind",
    "outcome",
    "reason",
    "results",
    "bytes",
    "result bytes",
    "pages",
    "findings",
    "losses",
    "replaced",
    "seconds"
  };

  /** The first line, by which a log is known as one of ours. */
  public static final String HEAD = String.join(",", COLUMNS);

  private static final CSVFormat FORMAT = CSVFormat.RFC4180.builder().setHeader(COLUMNS).build();

  private Csv() {}

  /**
   * Writes all rows; several results of one file stand in one field, a line each.
   *
   * @throws IOException if the stream cannot be written
   */
  public static void write(Run run, OutputStream to) throws IOException {
    // Not closed: the stream is not ours.
    var out =
        new CSVPrinter(
            new BufferedWriter(new OutputStreamWriter(to, StandardCharsets.UTF_8)), FORMAT);
    try {
      run.each(r -> {
        try {
          out.printRecord(fields(Entry.of(run, r)));
        } catch (IOException e) {
          throw new UncheckedIOException(e);
        }
      });
    } catch (UncheckedIOException e) {
      throw e.getCause();
    }
    out.flush();
  }

  private static List<Object> fields(Entry e) {
    return List.of(
        e.source(),
        e.kind(),
        e.outcome(),
        e.reason(),
        e.results().stream().map(Object::toString).collect(Collectors.joining("\n")),
        e.bytes(),
        e.resultBytes(),
        e.pages(),
        e.findings(),
        e.losses(),
        e.replaced(),
        String.format(Locale.ROOT, "%.3f", e.seconds()));
  }
}
