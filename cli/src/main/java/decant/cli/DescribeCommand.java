package decant.cli;

import decant.convert.Judging;
import decant.convert.Pages;
import decant.describe.Describer;
import decant.format.Formats;
import decant.format.Intake;
import decant.layout.Layout;
import decant.layout.pages.Page;
import decant.model.finding.Finding;
import decant.pin.PinnedPages;
import decant.proof.OffSheet;
import decant.reading.ReadProblem;
import decant.reading.TakenIn;
import decant.work.Deadline;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Prints what files are taken for, one JSON object on one line for each. */
@Command(name = "describe", mixinStandardHelpOptions = true, resourceBundle = "decant.cli.words")
final class DescribeCommand implements Callable<Integer> {
  @Parameters(arity = "1..*", paramLabel = "FILE", descriptionKey = "describe-command.files")
  private List<Path> files = List.of();

  @Option(
      names = "--json",
      required = true,
      descriptionKey = "describe-command.one-json-object-a-file")
  private boolean json;

  @Mixin private Opening opening = new Opening();
  @Mixin private EachFile each = new EachFile();

  @Override
  public Integer call() throws IOException {
    int status =
        each.run(files, this::print, (f, e) -> out().println(Describer.problem(f.toString(), e)));
    return json ? status : 2;
  }

  private static PrintStream out() {
    return new PrintStream(System.out, true, StandardCharsets.UTF_8);
  }

  private int print(Path file) {
    try {
      out().println(describe(file));
      return 0;
    } catch (ReadProblem e) {
      out().println(Describer.problem(file.toString(), e));
      return 1;
    } catch (IOException e) {
      out().println(Describer.problem(file.toString(), ReadProblem.fault(e)));
      return 1;
    }
  }

  private String describe(Path file) throws ReadProblem, IOException {
    Deadline deadline = each.begin(file);
    TakenIn taken = Intake.take(opening.request(file).by(deadline));
    if (Formats.hasPages(taken.origin().format())) {
      var places = taken.origin().places();
      TakenIn judged = Judging.of(opening.request(file), taken, deadline);
      return Describer.describe(
          file.toString(),
          taken.with(judged.findings()),
          taken.origin().pages(),
          PinnedPages.numbers(judged.document()),
          id -> Optional.ofNullable(places.get(id)).map(Finding.SourcePlace::page).map(p -> p + 1));
    }
    Layout layout = Pages.of(taken.document(), deadline);
    return Describer.describe(
        file.toString(),
        taken.withFindings(OffSheet.findings(layout, Map.of())),
        layout.pages().size(),
        List.of(),
        id -> layout.pagesOf(id).stream().findFirst().map(Page::number));
  }
}
