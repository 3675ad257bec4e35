package decant.cli;

import decant.format.Intake;
import decant.layout.Layout;
import decant.layout.Layouter;
import decant.pdf.verify.Check;
import decant.publish.AtomicFile;
import decant.publish.PageRange;
import decant.publish.Publisher;
import decant.publish.Receipt;
import decant.publish.WriteProblem;
import decant.reading.ReadProblem;
import decant.reading.TakenIn;
import decant.text.FontBook;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Publishes files as PDF or DOCX. */
@Command(
    name = "publish",
    mixinStandardHelpOptions = true,
    description = "Publishes each file as PDF with bookmarks from its headings, or as DOCX.")
final class PublishCommand implements Callable<Integer> {
  /** What can be published. */
  enum Target {
    pdf,
    docx
  }

  @Parameters(arity = "1..*", paramLabel = "FILE", description = "PDF or DOCX files.")
  private List<Path> files = List.of();

  @Option(names = "--to", paramLabel = "FORMAT", description = "pdf (as usual) or docx.")
  private Target to = Target.pdf;

  @Option(
      names = "--pages",
      paramLabel = "RANGE",
      description = "Which pages, such as 1-4,7,12-; all if not given.")
  private String pages = "";

  @Option(
      names = "--out",
      paramLabel = "PATH",
      description = "The file to write, or the folder for several. Beside the source if not given.")
  private @Nullable Path out;

  @Option(
      names = "--overwrite",
      description = "Writes over files that are there already; never over a source.")
  private boolean overwrite;

  @Mixin private Opening opening = new Opening();
  @Spec private @Nullable CommandSpec spec;

  @Override
  public Integer call() throws IOException {
    boolean intoFolder = out != null && Files.isDirectory(out);
    if (spec != null && out != null && files.size() > 1 && !intoFolder) {
      throw new CommandLine.ParameterException(
          spec.commandLine(),
          "--out must be a folder that is there when several files are published.");
    }
    if (spec != null && to == Target.docx && !pages.isBlank()) {
      throw new CommandLine.ParameterException(
          spec.commandLine(), "--pages goes with --to pdf only.");
    }
    int status = 0;
    for (Path file : files) {
      try {
        Receipt r = publish(file, target(file, intoFolder));
        status = Math.max(status, tell(r));
      } catch (ReadProblem | WriteProblem | PageRange.Problem e) {
        System.err.println(file + ": " + e.getMessage());
        status = 1;
      }
    }
    return status;
  }

  private Path target(Path file, boolean intoFolder) {
    String name = file.getFileName().toString();
    int dot = name.lastIndexOf('.');
    String stem = dot > 0 ? name.substring(0, dot) : name;
    if (out != null) {
      return intoFolder ? out.resolve(stem + "." + to) : out;
    }
    Path beside = file.toAbsolutePath().resolveSibling(stem + "." + to);
    // A PDF published as PDF beside itself gets a name of its own.
    boolean same = name.equalsIgnoreCase(stem + "." + to);
    return same
        ? AtomicFile.freeName(file.toAbsolutePath().resolveSibling(stem + " published." + to))
        : beside;
  }

  private Receipt publish(Path file, Path target)
      throws ReadProblem, WriteProblem, PageRange.Problem, IOException {
    TakenIn taken = Intake.take(opening.request(file));
    if (to == Target.docx) {
      return Publisher.docx(taken.document(), target, overwrite, file);
    }
    Layout layout = new Layouter(FontBook.shipped()).layout(taken.document());
    var order =
        new Publisher.Order(
            layout,
            target,
            overwrite,
            file,
            new PageRange(pages),
            true,
            taken.document().particulars());
    return Publisher.pdf(order, n -> {}, () -> false);
  }

  private static int tell(Receipt r) {
    String pages = r.pages() == 0 ? "" : ", " + r.pages() + (r.pages() == 1 ? " page" : " pages");
    System.out.println(
        r.file()
            + ": "
            + r.bytes()
            + " bytes"
            + pages
            + (r.verified() ? ", verified" : ", NOT VERIFIED"));
    for (Check c : r.checks()) {
      if (!c.passed()) {
        System.err.println("  " + c.name() + ": " + c.detail());
      }
    }
    return r.verified() ? 0 : 1;
  }
}
