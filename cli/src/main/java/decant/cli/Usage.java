package decant.cli;

import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.ParameterException;

/** What is said of a command that was put together wrongly; it ends with status 2. */
final class Usage {
  private Usage() {}

  /**
   * @param spec the command, which the library has put in place by the time it runs
   */
  static RuntimeException wrong(@Nullable CommandSpec spec, String message) {
    return spec == null
        ? new IllegalStateException(message)
        : new ParameterException(spec.commandLine(), message);
  }
}
