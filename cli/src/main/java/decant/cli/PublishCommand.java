package decant.cli;

import decant.convert.Changes;
import decant.convert.Conversion;
import decant.format.Format;
import decant.format.Formats;
import decant.io.AtomicFile;
import decant.io.Untouchable;
import decant.io.WriteProblem;
import decant.model.finding.Finding;
import decant.pdf.choices.Passwords;
import decant.publish.Exposure;
import decant.publish.Receipt;
import decant.publish.ReceiptJson;
import decant.reading.ReadProblem;
import decant.recipe.Output;
import decant.recipe.PageChoice;
import decant.recipe.PublishProblem;
import decant.recipe.Recipe;
import decant.recipe.RecipeBook;
import decant.verify.Check;
import decant.words.Figures;
import decant.words.Words;
import decant.work.Deadline;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Publishes files by a recipe. */
@Command(name = "publish", mixinStandardHelpOptions = true, resourceBundle = "decant.cli.words")
final class PublishCommand implements Callable<Integer> {
  private static final Words WORDS = Words.of(PublishCommand.class);

  @Parameters(arity = "1..*", paramLabel = "FILE", descriptionKey = "publish-command.files")
  private List<Path> files = List.of();

  @Option(
      names = "--to",
      paramLabel = "FORMAT",
      converter = TargetFormat.class,
      completionCandidates = TargetFormat.class,
      descriptionKey = "publish-command.one-of")
  private @Nullable Format to;

  @Option(
      names = "--pages",
      paramLabel = "RANGE",
      descriptionKey = "publish-command.which-pages-of-every-pdf")
  private @Nullable String pages;

  @Option(
      names = "--out",
      paramLabel = "PATH",
      descriptionKey = "publish-command.the-file-to-write-or")
  private @Nullable Path out;

  @Option(names = "--overwrite", descriptionKey = "publish-command.writes-over-files-that-are")
  private boolean overwrite;

  @Option(names = "--receipt", descriptionKey = "publish-command.prints-what-was-made-and")
  private boolean receipt;

  @Mixin private RecipeChoice choice = new RecipeChoice();
  @Mixin private Opening opening = new Opening();
  @Mixin private Locking locking = new Locking();
  @Mixin private EachFile each = new EachFile();
  @Spec private @Nullable CommandSpec spec;

  @Override
  public Integer call() throws IOException {
    boolean intoFolder = out != null && Files.isDirectory(out);
    Recipe chosen = recipe();
    if (out != null && files.size() > 1 && !intoFolder) {
      throw wrong(WORDS.say("publish-command.out-must-be-a-folder"));
    }
    if (out != null && !intoFolder && chosen.outputs().size() > 1) {
      throw wrong(WORDS.say("publish-command.out-must-be-a-folder-2"));
    }
    boolean anyPdf = chosen.outputs().stream().anyMatch(Output.Pdf.class::isInstance);
    if (pages != null && !anyPdf) {
      throw wrong(WORDS.say("publish-command.pages-goes-with-pdf-only"));
    }
    Passwords passwords = locking.passwords(chosen);
    Optional<String> exposed = Exposure.of(chosen);
    if (!Call.isWorker()) {
      exposed.ifPresent(System.err::println);
    }
    return each.run(files, f -> publish(f, chosen, intoFolder, passwords), EachFile::tell);
  }

  private int publish(Path file, Recipe chosen, boolean intoFolder, Passwords passwords) {
    Call call = Call.current(files);
    try {
      Receipt r = publish(file, chosen, intoFolder, passwords, call.files());
      r.files().forEach(m -> call.made(m.file()));
      return tell(r);
    } catch (ReadProblem e) {
      EachFile.tell(file, e);
    } catch (WriteProblem | PublishProblem e) {
      System.err.println(WORDS.say("each-file.problem", file, e.getMessage()));
    } catch (IOException e) {
      EachFile.tell(file, ReadProblem.fault(e));
    }
    return 1;
  }

  private RuntimeException wrong(String message) {
    return Usage.wrong(spec, message);
  }

  private Recipe recipe() {
    Recipe r = choice.over(named());
    if (pages == null) {
      return r;
    }
    var outputs = new ArrayList<Output>();
    for (Output o : r.outputs()) {
      outputs.add(
          o instanceof Output.Pdf p
              ? p.with(new PageChoice(pages, List.of(), p.pages().split()))
              : o);
    }
    return r.withOutputs(outputs);
  }

  /** With a password to open, the one document that is asked for opens only with it. */
  private Recipe locked(Recipe r) {
    return locking.opens() && r.outputs().getFirst() instanceof Output.Office d
        ? r.with(0, d.withPassword(true))
        : r;
  }

  private Recipe named() {
    Optional<Recipe> recipe = choice.named();
    if (recipe.isPresent() && to != null) {
      throw wrong(WORDS.say("publish-command.recipe-says-what-is-made"));
    }
    return recipe.orElseGet(() -> locked(RecipeBook.copyAs(to == null ? Formats.pages() : to)));
  }

  private Receipt publish(
      Path file, Recipe asked, boolean intoFolder, Passwords passwords, Untouchable untouchable)
      throws ReadProblem, WriteProblem, PublishProblem, IOException {
    Deadline deadline = each.begin(file);
    Conversion ready =
        Conversion.of(
            new Conversion.Order(opening.request(file), asked, choice.asksForPages(), Changes.NONE),
            deadline);
    tell(file, ready);
    Recipe chosen = ready.recipe();
    Path source = file.toAbsolutePath();
    Path folder = AtomicFile.folderOf(source);
    String stem = stem(file);
    if (intoFolder && out != null) {
      folder = out;
    } else if (out != null) {
      folder = AtomicFile.folderOf(out);
      stem = stem(out);
    } else if (chosen.outputs().stream().anyMatch(o -> named(o, stem(file)).equals(name(file)))) {
      // A PDF published as PDF beside itself gets a name of its own.
      String published = stem + " published";
      String free = stem(AtomicFile.freeName(source.resolveSibling(published + extension(file))));
      stem = overwrite ? published : free;
    }
    for (int n = 2; ; n++) {
      try {
        return ready.publish(
            new Conversion.Place(folder, stem, source, overwrite, untouchable),
            passwords,
            deadline);
      } catch (WriteProblem e) {
        if (e.kind() != WriteProblem.Kind.MADE_BEFORE) {
          throw e;
        }
        // Of sources that give one name each after the first gets a number.
        stem = (n == 2 ? stem : stem.substring(0, stem.lastIndexOf(" ("))) + " (" + n + ")";
      }
    }
  }

  /** How many losses of a file are told one by one; {@code describe} has them all. */
  private static final int MAX_TOLD = 10;

  /** What of a file is not in what is published of it, and what else is to be said. */
  private static void tell(Path file, Conversion ready) {
    List<Finding> lost = ready.losses();
    lost.stream()
        .limit(MAX_TOLD)
        .forEach(f -> System.err.println(WORDS.say("each-file.problem", file, f.message())));
    if (lost.size() > MAX_TOLD) {
      System.err.println(
          WORDS.say(
              "each-file.problem",
              file,
              WORDS.count("publish-command.more-losses", lost.size() - MAX_TOLD)));
    }
    ready.told().forEach(t -> System.err.println(WORDS.say("each-file.problem", file, t)));
  }

  private static String named(Output o, String stem) {
    return o.naming().replace("{stem}", stem) + "." + o.extension();
  }

  private static String name(Path file) {
    return file.getFileName().toString();
  }

  private static String stem(Path file) {
    String name = name(file);
    int dot = name.lastIndexOf('.');
    return dot > 0 ? name.substring(0, dot) : name;
  }

  private static String extension(Path file) {
    return name(file).substring(stem(file).length());
  }

  private int tell(Receipt r) {
    if (receipt) {
      System.out.println(ReceiptJson.write(r));
    }
    for (Receipt.Made m : r.files()) {
      String count = m.pages() == 0 ? "" : ", " + WORDS.count("publish-command.pages", m.pages());
      if (!receipt) {
        System.out.println(
            WORDS.say(
                m.verified() ? "publish-command.verified" : "publish-command.not-verified",
                m.file(),
                Figures.bytes(m.bytes()),
                count));
      }
      m.remark().ifPresent(said -> System.err.println("  " + said));
      for (Check c : m.checks()) {
        if (!c.passed()) {
          System.err.println("  " + c.name() + ": " + c.detail());
        }
      }
    }
    return r.verified() ? 0 : 1;
  }
}
