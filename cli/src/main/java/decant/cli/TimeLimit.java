package decant.cli;

import decant.work.Deadline;
import java.nio.file.Path;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;

/** How long one file may take. */
final class TimeLimit {
  @Option(names = "--time-limit", paramLabel = "SECONDS", descriptionKey = "time-limit.seconds")
  private @Nullable Integer seconds;

  /** As it is said, or else as is usual for a file of its size. */
  Duration of(Path file) {
    return seconds == null ? Deadline.usual(file) : Duration.ofSeconds(Math.max(1, seconds));
  }
}
