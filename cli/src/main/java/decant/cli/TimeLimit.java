package decant.cli;

import decant.work.Deadline;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;

/** How long one file may take. */
final class TimeLimit {
  @Option(names = "--time-limit", paramLabel = "SECONDS", descriptionKey = "time-limit.seconds")
  private @Nullable Integer seconds;

  /**
   * The most that it may take: as it is said, or else what a file of its kind and size can earn.
   */
  Duration of(Path file) {
    if (seconds != null) {
      return Duration.ofSeconds(Math.max(1, seconds));
    }
    return earns(file) ? Deadline.atMost(file) : Deadline.usual(file);
  }

  /** When work on a file must have ended that begins now. */
  Deadline begin(Path file) {
    return seconds == null && earns(file) ? Deadline.of(file) : Deadline.in(of(file));
  }

  /** Whether a file has pages, each of which shows that work goes on. */
  private static boolean earns(Path file) {
    try (InputStream in = Files.newInputStream(file)) {
      return new String(in.readNBytes(HEAD), StandardCharsets.ISO_8859_1).contains("%PDF-");
    } catch (IOException e) {
      return false;
    }
  }

  /** Bytes in which a PDF says that it is one (ISO 32000-2 §7.5.2, and common practice). */
  private static final int HEAD = 1024;
}
