package decant.cli;

import decant.compare.About;
import decant.compare.Comparison;
import decant.compare.ComparisonJson;
import decant.compare.Difference;
import decant.compare.Edition;
import decant.compare.TakenApart;
import decant.compare.sheet.ProofSheet;
import decant.compare.sheet.SheetFile;
import decant.compare.sheet.SheetSide;
import decant.io.WriteProblem;
import decant.publication.KeptPage;
import decant.reading.ReadProblem;
import decant.words.Words;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/**
 * Lists what differs between two files. Exit status: 0 nothing, 1 something, 2 wrong usage, 3 one
 * of them cannot be read.
 */
@Command(name = "compare", mixinStandardHelpOptions = true, resourceBundle = "decant.cli.words")
final class CompareCommand implements Callable<Integer> {
  private static final Words WORDS = Words.of(CompareCommand.class);
  private static final int UNREADABLE = 3;

  /** For comparing, besides what taking in may take; thousands of pages are painted in it. */
  private static final Duration COMPARING = Duration.ofMinutes(5);

  @Parameters(index = "0", paramLabel = "A", descriptionKey = "compare-command.a")
  private Path a = Path.of("");

  @Parameters(index = "1", paramLabel = "B", descriptionKey = "compare-command.b")
  private Path b = Path.of("");

  @Option(names = "--json", descriptionKey = "compare-command.json")
  private boolean json;

  @Option(
      names = "--kinds",
      paramLabel = "KIND",
      split = ",",
      descriptionKey = "compare-command.kinds")
  private List<String> kinds = List.of();

  @Option(names = "--sheet", paramLabel = "PATH", descriptionKey = "compare-command.sheet")
  private @Nullable Path sheet;

  @Mixin private TimeLimit limit = new TimeLimit();

  @Mixin private Opening opening = new Opening();
  @Spec private @Nullable CommandSpec spec;

  /** One of the files cannot be read. */
  private static final class Unreadable extends Exception {
    private static final long serialVersionUID = 1;
    private final transient Path file;
    private final ReadProblem problem;

    private Unreadable(Path file, ReadProblem problem) {
      super(problem);
      this.file = file;
      this.problem = problem;
    }
  }

  @Override
  public Integer call() {
    List<String> known =
        Arrays.stream(Difference.Kind.values()).map(Difference.Kind::code).toList();
    kinds.stream()
        .filter(k -> !known.contains(k))
        .findFirst()
        .ifPresent(k -> {
          throw Usage.wrong(
              spec, WORDS.say("compare-command.no-kind", k, String.join(", ", known)));
        });
    if (sheet != null && (isSame(sheet, a) || isSame(sheet, b))) {
      throw Usage.wrong(spec, WORDS.say("compare-command.over-source"));
    }
    Duration whole = limit.of(a).plus(limit.of(b)).plus(COMPARING);
    return OwnProcess.isOurs()
        ? OwnProcess.within(whole, this::compared, () -> told(b, ReadProblem.tooSlow(whole)))
        : compared();
  }

  private static boolean isSame(Path target, Path file) {
    try {
      return Files.exists(target) && Files.isSameFile(target, file);
    } catch (IOException e) {
      return false; // the file cannot be read, which is told when it is
    }
  }

  private int compared() {
    try (TakenApart was = read(a);
        TakenApart is = read(b)) {
      List<Difference> all =
          differences(was, is).stream()
              .filter(d -> kinds.isEmpty() || kinds.contains(d.kind().code()))
              .toList();
      if (sheet != null) {
        write(sheet, was, is, all);
      }
      tell(was.edition(), is.edition(), all);
      return all.isEmpty() ? 0 : 1;
    } catch (Unreadable e) {
      return told(e.file, e.problem);
    } catch (WriteProblem e) {
      return told(b, new ReadProblem(ReadProblem.Kind.UNREADABLE, e.getMessage(), e));
    } catch (IOException e) {
      return told(b, ReadProblem.fault(e));
    }
  }

  private void write(Path target, TakenApart was, TakenApart is, List<Difference> all)
      throws IOException, WriteProblem {
    try (SheetSide first = side(a, was);
        SheetSide second = side(b, is)) {
      List<ProofSheet.Entry> entries =
          all.stream().map(d -> new ProofSheet.Entry(d, false, Optional.empty())).toList();
      SheetFile.write(ProofSheet.of(first, second, entries), target, true, () -> false);
    }
  }

  private SheetSide side(Path file, TakenApart version) throws IOException {
    String name = String.valueOf(file.getFileName());
    String password = opening.password().orElse("");
    return version.layout().isPresent()
        ? SheetSide.of(name, version.layout().get(), () -> false)
        : SheetSide.of(name, new KeptPage.InFile(file, password));
  }

  /** Pages are not painted for nothing. */
  private List<Difference> differences(TakenApart was, TakenApart is) throws IOException {
    boolean seen =
        kinds.isEmpty()
            || kinds.contains(Difference.Kind.DRAWING.code())
            || kinds.contains(Difference.Kind.PAGE.code());
    return seen ? Comparison.of(was, is) : Comparison.of(was.edition(), is.edition());
  }

  private TakenApart read(Path file) throws Unreadable {
    try {
      return TakenApart.of(opening.request(file), limit.begin(file));
    } catch (ReadProblem e) {
      throw new Unreadable(file, e);
    } catch (OutOfMemoryError e) {
      throw new Unreadable(file, ReadProblem.tooLarge());
    } catch (IOException | RuntimeException | StackOverflowError | LinkageError e) {
      throw new Unreadable(file, ReadProblem.fault(e));
    }
  }

  private int told(Path file, ReadProblem e) {
    if (json) {
      out().println(ComparisonJson.problem(a.toString(), b.toString(), file.toString(), e));
    } else {
      EachFile.tell(file, e);
    }
    return UNREADABLE;
  }

  private void tell(Edition was, Edition is, List<Difference> all) {
    if (json) {
      out().println(ComparisonJson.of(a.toString(), b.toString(), was.pages(), is.pages(), all));
      return;
    }
    for (Difference d : all) {
      out().println(line(d));
    }
    out()
        .println(
            all.isEmpty()
                ? WORDS.say(
                    kinds.isEmpty() ? "compare-command.alike" : "compare-command.alike-in-these")
                : WORDS.count("compare-command.differences", all.size(), counts(all)));
  }

  private static String counts(List<Difference> all) {
    return Arrays.stream(Difference.Kind.values())
        .map(k -> {
          long n = all.stream().filter(d -> d.kind() == k).count();
          return n == 0 ? "" : WORDS.say("compare-command.of-kind", k.code(), n);
        })
        .filter(s -> !s.isEmpty())
        .collect(Collectors.joining(", "));
  }

  private static String line(Difference d) {
    String where = pages(d);
    String what =
        switch (d.change()) {
          case CHANGED ->
              d.about().isEmpty() || !text(d.a()).equals(text(d.b()))
                  ? WORDS.say("compare-command.changed", d.kind().code(), text(d.a()), text(d.b()))
                  : WORDS.say(
                      "compare-command.changed-about",
                      d.kind().code(),
                      About.label(d.about()),
                      text(d.b()));
          case ADDED -> WORDS.say("compare-command.added", d.kind().code(), text(d.b()));
          case REMOVED -> WORDS.say("compare-command.removed", d.kind().code(), text(d.a()));
          case MOVED -> WORDS.say("compare-command.moved", d.kind().code(), text(d.b()));
        };
    return where + what;
  }

  private static String text(Optional<Difference.Side> side) {
    return side.map(Difference.Side::text).orElse("");
  }

  private static String pages(Difference d) {
    String was = d.a().map(s -> Integer.toString(s.page())).orElse("\u2013");
    String is = d.b().map(s -> Integer.toString(s.page())).orElse("\u2013");
    return WORDS.say("compare-command.pages", was, is);
  }

  private static PrintStream out() {
    return new PrintStream(System.out, true, StandardCharsets.UTF_8);
  }
}
