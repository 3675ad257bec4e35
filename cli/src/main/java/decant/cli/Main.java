package decant.cli;

import decant.words.Words;
import java.util.logging.Level;
import java.util.logging.LogManager;
import java.util.logging.Logger;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** The {@code decant} command. Exit status: 0 all well, 1 some file failed, 2 wrong usage. */
@Command(
    name = "decant",
    mixinStandardHelpOptions = true,
    version = "Decant 0.1.0",
    resourceBundle = "decant.cli.words",
    subcommands = {PublishCommand.class, DescribeCommand.class})
public final class Main implements Runnable {
  private static final Words WORDS = Words.of(Main.class);

  @CommandLine.Spec private CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  public static void main(String[] args) {
    System.exit(run(args));
  }

  /** Runs a command and gives its exit status. */
  public static int run(String... args) {
    quiet();
    return new CommandLine(new Main()).setCaseInsensitiveEnumValuesAllowed(true).execute(args);
  }

  /** Libraries tell of every oddity in a file; what matters to a person is in the findings. */
  private static void quiet() {
    System.setProperty("java.awt.headless", "true");
    LogManager.getLogManager().reset();
    Logger.getLogger("").setLevel(Level.OFF);
  }

  @Override
  public void run() {
    if (spec != null) {
      throw new CommandLine.ParameterException(
          spec.commandLine(), WORDS.say("main.what-is-to-be-done"));
    }
  }
}
