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

  /** The most that it may take: as it is said, or else what a file of its size can earn. */
  Duration of(Path file) {
    return seconds == null ? Deadline.atMost(file) : Duration.ofSeconds(Math.max(1, seconds));
  }

  /** When work on a file must have ended that begins now. */
  Deadline begin(Path file) {
    return seconds == null ? Deadline.of(file) : Deadline.in(of(file));
  }
}
