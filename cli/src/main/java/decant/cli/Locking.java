package decant.cli;

import decant.pdf.choices.Passwords;
import java.io.IOException;
import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;

/** The passwords that published files get. They never come from the command line itself. */
final class Locking {
  @Option(
      names = "--open-password-file",
      paramLabel = "FILE",
      descriptionKey = "locking.the-first-line-of-file")
  private @Nullable Path openFile;

  @Option(
      names = "--open-password-env",
      paramLabel = "NAME",
      descriptionKey = "locking.the-environment-variable-name-is")
  private @Nullable String openVariable;

  @Option(
      names = "--change-password-file",
      paramLabel = "FILE",
      descriptionKey = "locking.the-first-line-of-file-2")
  private @Nullable Path changeFile;

  @Option(
      names = "--change-password-env",
      paramLabel = "NAME",
      descriptionKey = "locking.the-environment-variable-name-is-2")
  private @Nullable String changeVariable;

  Passwords passwords() throws IOException {
    return new Passwords(
        Opening.secret(openFile, openVariable).orElse(""),
        Opening.secret(changeFile, changeVariable).orElse(""));
  }
}
