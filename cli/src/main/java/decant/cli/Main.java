package decant.cli;

import decant.convert.Ready;
import decant.io.StateFolder;
import decant.words.Product;
import decant.words.Words;
import decant.work.Log;
import java.util.Set;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** The {@code decant} command. Exit status: 0 all well, 1 some file failed, 2 wrong usage. */
@Command(
    name = "decant",
    mixinStandardHelpOptions = true,
    version = Product.NAME + " " + Product.VERSION,
    resourceBundle = "decant.cli.words",
    subcommands = {
      PublishCommand.class,
      DescribeCommand.class,
      CompareCommand.class,
      AmendCommand.class,
      RunCommand.class
    })
public final class Main implements Runnable {
  private static final Words WORDS = Words.of(Main.class);

  /** Commands that work on files themselves, while a run only hands them on. */
  private static final Set<String> ONE_BY_ONE = Set.of("publish", "describe", "compare", "amend");

  @CommandLine.Spec private CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  public static void main(String[] args) {
    Log.into(StateFolder.usual(false));
    if (args.length > 1 && ONE_BY_ONE.contains(args[0])) {
      Thread.ofPlatform().daemon().name("ready").start(Ready::make);
    }
    System.exit(OwnProcess.with(() -> run(args)));
  }

  /** Runs a command and gives its exit status. */
  public static int run(String... args) {
    System.setProperty("java.awt.headless", "true");
    return line().execute(args);
  }

  private static CommandLine line() {
    var line = new CommandLine(new Main()).setCaseInsensitiveEnumValuesAllowed(true);
    withFormats(line);
    line.getSubcommands().values().forEach(Main::withFormats);
    return line;
  }

  /** Has commands understood sooner when the first one comes. */
  static void ready() {
    line();
  }

  /** The help of every command ends with the formats that are served. */
  private static void withFormats(CommandLine line) {
    line.getCommandSpec()
        .usageMessage()
        .footerHeading(WORDS.say("target-format.heading"))
        .footer(TargetFormat.lines());
  }

  @Override
  public void run() {
    if (spec != null) {
      throw new CommandLine.ParameterException(
          spec.commandLine(), WORDS.say("main.what-is-to-be-done"));
    }
  }
}
