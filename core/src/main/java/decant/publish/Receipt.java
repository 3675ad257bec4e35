package decant.publish;

import decant.pdf.verify.Check;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;

/**
 * What a publish made and verified.
 *
 * @param sha256 of the file, in hexadecimal
 * @param pages how many pages the file has
 */
public record Receipt(
    Path file,
    String format,
    long bytes,
    String sha256,
    int pages,
    List<Check> checks,
    Duration took) {
  public Receipt {
    checks = List.copyOf(checks);
  }

  /** Whether every check passed. */
  public boolean verified() {
    return checks.stream().allMatch(Check::passed);
  }
}
