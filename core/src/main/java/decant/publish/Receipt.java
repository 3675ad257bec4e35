package decant.publish;

import decant.format.Written;
import decant.model.finding.Finding;
import decant.verify.Check;
import decant.words.Words;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * What a publish made and verified.
 *
 * @param recipe the name of the recipe that was followed; empty for a working copy
 * @param source the file that the document came from
 * @param made when it was done
 * @param took how long all of it took, and {@code verifying} how much of that went into checks
 * @param lacking what of the source the files do not have, as far as it is known
 */
public record Receipt(
    String recipe,
    Path source,
    Instant made,
    List<Made> files,
    Duration took,
    Duration verifying,
    Optional<List<String>> lacking) {
  private static final Words WORDS = Words.of(Receipt.class);

  /**
   * One file.
   *
   * @param file where it is; beside its name, and called so, if a check failed
   * @param sha256 of the file, in hexadecimal
   * @param pages how many pages it has; 0 for formats without
   * @param written what became of the file that the document came in
   */
  public record Made(
      Path file,
      String format,
      long bytes,
      String sha256,
      int pages,
      List<Check> checks,
      Written written) {
    public Made {
      checks = List.copyOf(checks);
    }

    /** What is to be known of it beside the checks. */
    public Optional<String> remark() {
      return switch (written) {
        case WHOLE -> Optional.empty();
        case ANEW -> Optional.of(WORDS.say("receipt.anew", file.getFileName()));
      };
    }

    /** The first check that did not pass. */
    public Optional<Check> failed() {
      return checks.stream().filter(c -> !c.passed()).findFirst();
    }

    /** Whether every check passed. */
    public boolean verified() {
      return checks.stream().allMatch(Check::passed);
    }
  }

  public Receipt {
    files = List.copyOf(files);
  }

  /** The same, with what of the source was lost on the way. */
  public Receipt lacking(List<Finding> losses) {
    List<String> said = losses.stream().map(Finding::message).distinct().toList();
    return new Receipt(recipe, source, made, files, took, verifying, Optional.of(said));
  }

  /** Whether every check of every file passed. */
  public boolean verified() {
    return files.stream().allMatch(Made::verified);
  }

  public long bytes() {
    return files.stream().mapToLong(Made::bytes).sum();
  }

  public int pages() {
    return files.stream().mapToInt(Made::pages).sum();
  }
}
