package decant.cli;

import decant.format.Intake;
import decant.layout.Layout;
import decant.layout.Layouter;
import decant.pdf.verify.Check;
import decant.publish.AtomicFile;
import decant.publish.Output;
import decant.publish.PageChoice;
import decant.publish.PublishProblem;
import decant.publish.Publisher;
import decant.publish.Receipt;
import decant.publish.ReceiptJson;
import decant.publish.Recipe;
import decant.publish.RecipeBook;
import decant.publish.RecipeFile;
import decant.publish.RecipeProblem;
import decant.publish.WriteProblem;
import decant.reading.ReadProblem;
import decant.reading.TakenIn;
import decant.text.FontBook;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Publishes files by a recipe. */
@Command(
    name = "publish",
    mixinStandardHelpOptions = true,
    description = "Publishes each file by a recipe: as PDF, as DOCX, or as several files.")
final class PublishCommand implements Callable<Integer> {
  /** What can be published without naming a recipe. */
  enum Target {
    pdf,
    docx
  }

  @Parameters(arity = "1..*", paramLabel = "FILE", description = "PDF or DOCX files.")
  private List<Path> files = List.of();

  @Option(
      names = "--recipe",
      paramLabel = "NAME|FILE",
      description = "A shipped recipe by its name, or the file of one. Counter copy if not given.")
  private @Nullable String recipe;

  @Option(
      names = "--to",
      paramLabel = "FORMAT",
      description = "pdf (as usual) or docx, where no recipe is named.")
  private @Nullable Target to;

  @Option(
      names = "--pages",
      paramLabel = "RANGE",
      description =
          "Which pages of every PDF, such as 1-4,7,12- or odd or last 3; as the recipe says if not given.")
  private @Nullable String pages;

  @Option(
      names = "--out",
      paramLabel = "PATH",
      description = "The file to write, or the folder for several. Beside the source if not given.")
  private @Nullable Path out;

  @Option(
      names = "--overwrite",
      description = "Writes over files that are there already; never over a source.")
  private boolean overwrite;

  @Option(
      names = "--receipt",
      description = "Prints what was made and verified as JSON, one object a file.")
  private boolean receipt;

  @Mixin private Opening opening = new Opening();
  @Mixin private Locking locking = new Locking();
  @Spec private @Nullable CommandSpec spec;

  @Override
  public Integer call() throws IOException {
    boolean intoFolder = out != null && Files.isDirectory(out);
    Recipe chosen = recipe();
    if (out != null && files.size() > 1 && !intoFolder) {
      throw wrong("--out must be a folder that is there when several files are published.");
    }
    if (out != null && !intoFolder && chosen.outputs().size() > 1) {
      throw wrong("--out must be a folder that is there: the recipe makes several files.");
    }
    boolean anyPdf = chosen.outputs().stream().anyMatch(Output.Pdf.class::isInstance);
    if (pages != null && !anyPdf) {
      throw wrong("--pages goes with PDF only.");
    }
    int status = 0;
    for (Path file : files) {
      try {
        Receipt r = publish(file, chosen, intoFolder);
        status = Math.max(status, tell(r));
      } catch (ReadProblem | WriteProblem | PublishProblem e) {
        System.err.println(file + ": " + e.getMessage());
        status = 1;
      }
    }
    return status;
  }

  private RuntimeException wrong(String message) {
    return spec == null
        ? new IllegalStateException(message)
        : new CommandLine.ParameterException(spec.commandLine(), message);
  }

  private Recipe recipe() {
    Recipe r = named();
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

  private Recipe named() {
    List<Recipe> shipped = RecipeBook.shipped();
    if (recipe == null) {
      String name = to == Target.docx ? "Office copy" : "Counter copy";
      return shipped.stream().filter(r -> r.name().equals(name)).findFirst().orElseThrow();
    }
    if (to != null) {
      throw wrong("--recipe says what is made; leave out --to.");
    }
    String name = recipe;
    for (Recipe r : shipped) {
      if (r.name().equalsIgnoreCase(name)) {
        return r;
      }
    }
    if (!Files.exists(Path.of(name)) && !name.endsWith(".json")) {
      throw wrong(
          "There is no recipe “"
              + name
              + "”. Shipped are: "
              + shipped.stream().map(Recipe::name).collect(Collectors.joining(", "))
              + "; others are named by their file.");
    }
    try {
      return RecipeFile.read(Path.of(name));
    } catch (RecipeProblem e) {
      throw wrong(e.getMessage());
    }
  }

  private Receipt publish(Path file, Recipe chosen, boolean intoFolder)
      throws ReadProblem, WriteProblem, PublishProblem, IOException {
    TakenIn taken = Intake.take(opening.request(file));
    Layout layout = new Layouter(FontBook.shipped()).layout(taken.document());
    Path source = file.toAbsolutePath();
    Path folder = source.getParent();
    String stem = stem(file);
    if (intoFolder && out != null) {
      folder = out;
    } else if (out != null) {
      folder = out.toAbsolutePath().getParent();
      stem = stem(out);
    } else if (chosen.outputs().stream().anyMatch(o -> named(o, stem(file)).equals(name(file)))) {
      // A PDF published as PDF beside itself gets a name of its own.
      String published = stem + " published";
      String free = stem(AtomicFile.freeName(source.resolveSibling(published + extension(file))));
      stem = overwrite ? published : free;
    }
    return Publisher.publish(
        new Publisher.Order(layout, chosen, folder, stem, source, overwrite, locking.passwords()),
        (name, done) -> {},
        () -> false);
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
      String count = m.pages() == 0 ? "" : ", " + m.pages() + (m.pages() == 1 ? " page" : " pages");
      if (!receipt) {
        System.out.println(
            m.file()
                + ": "
                + m.bytes()
                + " bytes"
                + count
                + (m.verified() ? ", verified" : ", NOT VERIFIED"));
      }
      for (Check c : m.checks()) {
        if (!c.passed()) {
          System.err.println("  " + c.name() + ": " + c.detail());
        }
      }
    }
    return r.verified() ? 0 : 1;
  }
}
