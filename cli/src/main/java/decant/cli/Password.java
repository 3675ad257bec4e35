package decant.cli;

import decant.reading.ReadRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;

/**
 * Where the password of locked files comes from; never from the command line itself, which others
 * can see.
 */
final class Password {
  @Option(
      names = "--password-file",
      paramLabel = "FILE",
      description = "Opens locked files with the first line of FILE.")
  private @Nullable Path file;

  @Option(
      names = "--password-env",
      paramLabel = "NAME",
      description = "Opens locked files with the environment variable NAME.")
  private @Nullable String variable;

  ReadRequest request(Path document) throws IOException {
    Optional<String> password = password();
    ReadRequest request = ReadRequest.of(document);
    return password.map(request::withPassword).orElse(request);
  }

  private Optional<String> password() throws IOException {
    if (file != null) {
      return Files.readAllLines(file).stream().findFirst();
    }
    return variable == null ? Optional.empty() : Optional.ofNullable(System.getenv(variable));
  }
}
