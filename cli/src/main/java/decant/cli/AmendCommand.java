package decant.cli;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import decant.describe.Describer;
import decant.format.Format;
import decant.format.Formats;
import decant.format.Intake;
import decant.io.AtomicFile;
import decant.io.WriteProblem;
import decant.pdf.amend.AmendCheck;
import decant.pdf.amend.Amended;
import decant.pdf.amend.FileBefore;
import decant.pdf.amend.Left;
import decant.pdf.amend.PdfAmender;
import decant.pdf.amend.Replacement;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.recipe.PageRange;
import decant.words.Words;
import decant.work.Deadline;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
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

/**
 * Changes words of a PDF where they stand. Exit status: 0 all places were changed, 1 some or none,
 * 2 wrong usage, 3 the file cannot be read, or the changed one not be written.
 */
@Command(name = "amend", mixinStandardHelpOptions = true, resourceBundle = "decant.cli.words")
final class AmendCommand implements Callable<Integer> {
  private static final Words WORDS = Words.of(AmendCommand.class);
  private static final ObjectMapper JSON = new ObjectMapper();
  private static final int UNREADABLE = 3;

  @Parameters(index = "0", paramLabel = "FILE.pdf", descriptionKey = "amend-command.file")
  private Path file = Path.of("");

  @Option(
      names = "--replace",
      required = true,
      paramLabel = "OLD=NEW",
      descriptionKey = "amend-command.replace")
  private List<String> pairs = List.of();

  @Option(names = "--page", paramLabel = "RANGE", descriptionKey = "amend-command.page")
  private String range = "";

  @Option(names = "--out", paramLabel = "PATH", descriptionKey = "amend-command.out")
  private @Nullable Path out;

  @Option(names = "--keep-old", descriptionKey = "amend-command.keep-old")
  private boolean keep;

  @Option(names = "--json", descriptionKey = "amend-command.json")
  private boolean json;

  @Mixin private TimeLimit limit = new TimeLimit();

  @Mixin private Opening opening = new Opening();
  @Spec private @Nullable CommandSpec spec;

  /** Written beside its name, not yet moved there. */
  private record Prepared(Amended amended, FileBefore before, AtomicFile.@Nullable Pending file) {}

  @Override
  public Integer call() {
    List<Replacement> all = pairs.stream().map(this::pair).toList();
    if (out != null && isSource(out)) {
      throw Usage.wrong(spec, WORDS.say("amend-command.over-source"));
    }
    Duration allowed = limit.of(file);
    return OwnProcess.isOurs()
        ? OwnProcess.within(
            allowed, () -> amended(all, allowed), () -> told(ReadProblem.tooSlow(allowed)))
        : amended(all, allowed);
  }

  private boolean isSource(Path target) {
    try {
      return Files.isSameFile(target, file);
    } catch (java.io.IOException e) {
      return target.toAbsolutePath().normalize().equals(file.toAbsolutePath().normalize());
    }
  }

  /** The first = parts old and new; one that is meant stands after a backslash. */
  private Replacement pair(String text) {
    var old = new StringBuilder();
    int at = 0;
    while (at < text.length() && text.charAt(at) != '=') {
      if (text.startsWith("\\=", at)) {
        at++;
      }
      old.append(text.charAt(at++));
    }
    if (at >= text.length() || old.toString().isBlank()) {
      throw Usage.wrong(spec, WORDS.say("amend-command.no-pair", text));
    }
    return new Replacement(old.toString(), text.substring(at + 1).replace("\\=", "="));
  }

  private int amended(List<Replacement> all, Duration allowed) {
    ReadRequest request = opening.request(file).by(Deadline.in(allowed));
    AtomicFile.Pending pending = null;
    try {
      Format format = Intake.recognise(request);
      if (!format.equals(Formats.pages())) {
        String pages = Formats.pages().name();
        return told(
            new ReadProblem(
                ReadProblem.Kind.NOT_SERVED, WORDS.say("amend-command.not-pages", pages)));
      }
      Prepared p = PdfAmender.in(request, pdf -> prepared(pdf, all));
      pending = p.file;
      if (pending != null) {
        Optional<String> wrong =
            AmendCheck.problem(p.before, request.withFile(pending.file()), all, p.amended);
        if (wrong.isPresent()) {
          return told(new ReadProblem(ReadProblem.Kind.FAULT, wrong.get()));
        }
        tell(p.amended, pending.commit());
        pending = null;
      } else {
        tell(p.amended, null);
      }
      return p.amended.changed() > 0 && p.amended.left().isEmpty() ? 0 : 1;
    } catch (ReadProblem e) {
      return told(e);
    } catch (WriteProblem e) {
      return told(new ReadProblem(ReadProblem.Kind.UNREADABLE, e.getMessage(), e));
    } catch (OutOfMemoryError e) {
      return told(ReadProblem.tooLarge());
    } catch (RuntimeException | StackOverflowError e) {
      if (e instanceof picocli.CommandLine.ParameterException usage) {
        throw usage;
      }
      return told(ReadProblem.fault(e));
    } finally {
      if (pending != null) {
        pending.discard();
      }
    }
  }

  private Prepared prepared(PdfAmender pdf, List<Replacement> all)
      throws ReadProblem, java.io.IOException {
    List<Integer> on;
    try {
      on = new PageRange(range).select(pdf.pages());
    } catch (PageRange.Problem e) {
      throw Usage.wrong(spec, e.getMessage());
    }
    if (keep && !pdf.keepsVersions()) {
      throw new ReadProblem(ReadProblem.Kind.NOT_SERVED, WORDS.say("amend-command.keeps-none"));
    }
    FileBefore before = pdf.noted();
    Amended amended = pdf.replace(all, on);
    if (amended.changed() == 0) {
      return new Prepared(amended, before, null);
    }
    try {
      Path given = out;
      Path target = given != null ? given : AtomicFile.freeName(usualName());
      return new Prepared(
          amended, before, AtomicFile.prepare(target, given != null, to -> pdf.write(to, keep)));
    } catch (WriteProblem e) {
      throw new ReadProblem(ReadProblem.Kind.UNREADABLE, e.getMessage(), e);
    }
  }

  private Path usualName() {
    String name = String.valueOf(file.getFileName());
    int dot = name.lastIndexOf('.');
    return file.toAbsolutePath()
        .resolveSibling(WORDS.say("amend-command.name", dot > 0 ? name.substring(0, dot) : name));
  }

  private int told(ReadProblem e) {
    if (json) {
      out().println(Describer.problem(file.toString(), e));
    } else {
      EachFile.tell(file, e);
    }
    return UNREADABLE;
  }

  private void tell(Amended a, @Nullable Path written) {
    if (json) {
      ObjectNode o =
          JSON.createObjectNode()
              .put("file", file.toString())
              .put("out", written == null ? null : written.toString())
              .put("changed", a.changed());
      ArrayNode left = o.putArray("left");
      for (Left l : a.left()) {
        left.addObject()
            .put("page", l.page())
            .put("text", l.text())
            .put("reason", l.reason().words());
      }
      if (!a.told().isEmpty()) {
        ArrayNode told = o.putArray("told");
        a.told().forEach(told::add);
      }
      print(o);
      return;
    }
    var lines = new ArrayList<String>();
    for (Left l : a.left()) {
      lines.add(WORDS.say("amend-command.left", l.page(), l.text(), l.reason().words()));
    }
    lines.addAll(a.told());
    if (a.changed() == 0) {
      lines.add(
          WORDS.say(a.left().isEmpty() ? "amend-command.not-found" : "amend-command.nothing"));
    } else {
      lines.add(WORDS.count("amend-command.changed", a.changed(), String.valueOf(written)));
    }
    lines.forEach(out()::println);
  }

  private void print(ObjectNode o) {
    try {
      out().println(JSON.writeValueAsString(o));
    } catch (JsonProcessingException e) {
      throw new IllegalStateException(e);
    }
  }

  private static PrintStream out() {
    return new PrintStream(System.out, true, StandardCharsets.UTF_8);
  }
}
