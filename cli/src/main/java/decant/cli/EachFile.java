package decant.cli;

import decant.reading.ReadProblem;
import decant.words.Words;
import decant.work.Deadline;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.ToIntFunction;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Model.OptionSpec;
import picocli.CommandLine.Spec;

/**
 * Does a command to each of its files, so that no file harms another: one result a file, in their
 * order. Several are worked on in a process of its own that can be ended; one alone has that of the
 * command.
 */
final class EachFile {
  private static final Words WORDS = Words.of(EachFile.class);

  /** A file is told when its time is over, and mostly says so itself; so long it is waited for. */
  private static final Duration GRACE = Duration.ofSeconds(5);

  @Mixin private TimeLimit limit = new TimeLimit();

  @Spec(Spec.Target.MIXEE)
  private @Nullable CommandSpec spec;

  /**
   * @param here does it in this process, and gives the exit status
   * @param told prints why a file has no result
   */
  int run(List<Path> files, ToIntFunction<Path> here, BiConsumer<Path, ReadProblem> told) {
    if (Call.isWorker() || spec == null) {
      int worst = 0;
      for (Path f : files) {
        worst = Math.max(worst, guarded(f, here, told));
      }
      return worst;
    }
    if (OwnProcess.isOurs() && files.size() == 1) {
      Path f = files.getFirst();
      Duration allowed = limit.of(f);
      return OwnProcess.within(
          allowed.plus(GRACE),
          () -> guarded(f, here, told),
          () -> {
            told.accept(f, ReadProblem.tooSlow(allowed));
            return 1;
          });
    }
    PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
    PrintStream err = System.err;
    int worst = 0;
    var made = new ArrayList<String>();
    List<String> inputs = files.stream().map(Path::toString).toList();
    try (var workers = new Workers()) {
      for (Path f : files) {
        var args = new ArrayList<>(command(spec));
        args.add("--");
        args.add(f.toString());
        try {
          Worker.Answer a = workers.work(new Worker.Task(args, inputs, made), limit.of(f));
          out.print(a.out());
          err.print(a.err());
          made.addAll(a.made());
          worst = Math.max(worst, a.status());
        } catch (ReadProblem e) {
          told.accept(f, e);
          worst = Math.max(worst, 1);
        } catch (IOException e) {
          told.accept(f, ReadProblem.fault(e));
          worst = Math.max(worst, 1);
        }
      }
    }
    out.flush();
    return worst;
  }

  /** Whatever is thrown gives one result for the file that it is about. */
  private static int guarded(Path f, ToIntFunction<Path> here, BiConsumer<Path, ReadProblem> told) {
    try {
      return here.applyAsInt(f);
    } catch (picocli.CommandLine.ParameterException e) {
      throw e;
    } catch (OutOfMemoryError e) {
      told.accept(f, ReadProblem.tooLarge());
    } catch (RuntimeException | StackOverflowError | LinkageError e) {
      told.accept(f, ReadProblem.fault(e));
    }
    return 1;
  }

  /** When work on a file must have ended that begins now. */
  Deadline begin(Path file) {
    return limit.begin(file);
  }

  /** The command with its options as they were given, without its files. */
  private static List<String> command(CommandSpec spec) {
    var args = new ArrayList<String>();
    args.add(spec.name());
    for (OptionSpec o : spec.commandLine().getParseResult().matchedOptions()) {
      if (o.arity().max() == 0) {
        args.add(o.longestName());
      } else {
        o.originalStringValues().forEach(v -> args.add(o.longestName() + "=" + v));
      }
    }
    return args;
  }

  /** Says why a file has no result. */
  static void tell(Path file, ReadProblem e) {
    System.err.println(WORDS.say("each-file.problem", file, e.getMessage()));
  }
}
