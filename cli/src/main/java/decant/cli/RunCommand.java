package decant.cli;

import decant.convert.Changes;
import decant.format.Format;
import decant.format.Formats;
import decant.io.WriteProblem;
import decant.model.Metadata;
import decant.pdf.choices.Passwords;
import decant.publish.Exposure;
import decant.recipe.PagesKept;
import decant.recipe.Recipe;
import decant.recipe.RecipeBook;
import decant.run.Merging;
import decant.run.Patterns;
import decant.run.Run;
import decant.run.RunOrder;
import decant.run.RunProblem;
import decant.run.Secrets;
import decant.words.Words;
import java.io.IOException;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.regex.PatternSyntaxException;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Publishes whole folders by a recipe. */
@Command(name = "run", mixinStandardHelpOptions = true, resourceBundle = "decant.cli.words")
final class RunCommand implements Callable<Integer> {
  private static final Words WORDS = Words.of(RunCommand.class);

  private static final int SOME_FAILED = 1;
  private static final int NOT_STARTED = 3;

  @Parameters(index = "0", paramLabel = "SOURCE", descriptionKey = "run-command.source")
  private Path source = Path.of("");

  @Parameters(index = "1", paramLabel = "DEST", descriptionKey = "run-command.destination")
  private Path destination = Path.of("");

  @Option(
      names = "--recipe-for",
      paramLabel = "FOLDER=NAME|FILE",
      descriptionKey = "run-command.recipe-for")
  private Map<String, String> recipes = new LinkedHashMap<>();

  @Option(names = "--kinds", paramLabel = "KIND", split = ",", descriptionKey = "run-command.kinds")
  private List<String> kinds = List.of();

  @Option(
      names = "--templates",
      arity = "2",
      paramLabel = "DIR DEST",
      hideParamSyntax = true,
      descriptionKey = "run-command.templates")
  private List<Path> templates = List.of();

  @Option(names = "--no-subfolders", descriptionKey = "run-command.no-subfolders")
  private boolean noSubfolders;

  @Option(names = "--include", paramLabel = "GLOB", descriptionKey = "run-command.include")
  private List<String> include = List.of();

  @Option(names = "--exclude", paramLabel = "GLOB", descriptionKey = "run-command.exclude")
  private List<String> exclude = List.of();

  @Option(
      names = "--changed-since",
      paramLabel = "DATE",
      descriptionKey = "run-command.changed-since")
  private @Nullable String changedSince;

  @Option(
      names = "--clash",
      paramLabel = "keep|overwrite|leave",
      descriptionKey = "run-command.clash")
  private RunOrder.Clash clash = RunOrder.Clash.LEAVE;

  @Option(names = "--replace", paramLabel = "OLD=NEW", descriptionKey = "run-command.replace")
  private List<String> replace = List.of();

  @Option(names = "--set", paramLabel = "NAME=VALUE", descriptionKey = "run-command.set")
  private Map<String, String> set = new LinkedHashMap<>();

  @Option(names = "--keep-times", descriptionKey = "run-command.keep-times")
  private boolean keepTimes;

  @Option(names = "--plan", descriptionKey = "run-command.plan")
  private boolean planOnly;

  @Option(names = "--resume", descriptionKey = "run-command.resume")
  private boolean resume;

  @Option(names = "--workers", paramLabel = "N", descriptionKey = "run-command.workers")
  private int workers = Runtime.getRuntime().availableProcessors();

  @Option(names = "--log", paramLabel = "FILE", descriptionKey = "run-command.log")
  private @Nullable Path log;

  @Option(names = "--manifest", paramLabel = "FILE", descriptionKey = "run-command.manifest")
  private @Nullable Path manifest;

  @Option(names = "--merge", paramLabel = "FILE", descriptionKey = "run-command.merge")
  private @Nullable Path merge;

  @Option(names = "--time-limit", paramLabel = "SECONDS", descriptionKey = "run-command.time-limit")
  private @Nullable Integer seconds;

  @Option(names = "--json", descriptionKey = "run-command.json")
  private boolean json;

  @Mixin private RecipeChoice choice = new RecipeChoice();
  @Mixin private Opening opening = new Opening();
  @Mixin private Locking locking = new Locking();
  @Spec private @Nullable CommandSpec spec;

  @Override
  public Integer call() throws IOException {
    RunOrder order = order();
    Passwords results = locking.passwords(order.treatment().recipe());
    Exposure.of(order.treatment().recipe()).ifPresent(System.err::println);
    var secrets = new Secrets(opening.password().orElse(""), Map.of(), results);
    var logs = new RunLogs(order, log, manifest, merge, this::wrong);
    RunTelling teller = json ? new JsonTelling() : new PlainTelling();
    Run.Start start = planOnly ? Run.Start.PLAN_ONLY : resume ? Run.Start.RESUME : Run.Start.NEW;
    try (var ending = new Ending();
        Run run = Run.plan(order, start, secrets, teller::planning, ending::isAsked)) {
      ending.of(run);
      logs.check(run, this::wrong);
      teller.planned(run, workers, planOnly);
      if (planOnly) {
        return run.closed().isEmpty() ? 0 : SOME_FAILED;
      }
      run.work(workers, teller.listener(run));
      boolean logged = ending.isAsked() || merged(run, teller) && logged(logs, run);
      teller.end(run);
      ending.told();
      boolean all = run.totals().failed() == 0 && run.closed().isEmpty() && run.stopped().isEmpty();
      return all && logged ? 0 : SOME_FAILED;
    } catch (RunProblem e) {
      if (e.kind() == RunProblem.Kind.WRONG_ORDER) {
        throw wrong(e.getMessage());
      }
      System.err.println(e.getMessage());
      return NOT_STARTED;
    }
  }

  private boolean merged(Run run, RunTelling teller) {
    if (merge == null) {
      return true;
    }
    try {
      Optional<Merging.Merged> m = Merging.merge(run, merge);
      m.ifPresent(teller::merged);
      return m.isEmpty() || m.get().problem().isEmpty();
    } catch (IOException e) {
      System.err.println(e.getMessage());
      return false;
    }
  }

  private static boolean logged(RunLogs logs, Run run) {
    try {
      logs.write(run);
      return true;
    } catch (WriteProblem | IOException e) {
      System.err.println(e.getMessage());
      return false;
    }
  }

  private RunOrder order() {
    if (workers < 1) {
      throw wrong(WORDS.say("run-command.workers-at-least-one"));
    }
    Recipe chosen = chosen(choice.named().orElseGet(RecipeBook::counterCopy));
    var others = new LinkedHashMap<String, Recipe>();
    recipes.forEach((folder, name) -> {
      String at = Path.of(folder).normalize().toString().replace('\\', '/');
      others.put(at, chosen(choice.named(name)));
    });
    Patterns patterns;
    try {
      patterns = new Patterns(include, exclude);
    } catch (PatternSyntaxException e) {
      throw wrong(WORDS.say("run-command.no-pattern", e.getPattern()));
    }
    return new RunOrder(
        source,
        destination,
        templates.isEmpty()
            ? Optional.empty()
            : Optional.of(new RunOrder.Templates(templates.get(0), templates.get(1))),
        new RunOrder.Filter(!noSubfolders, kinds(), patterns, since()),
        new RunOrder.Treatment(
            chosen,
            others,
            choice.asksForPages(),
            changes(),
            keepTimes,
            opening.languages(),
            limit()),
        clash,
        RunOrder.Choices.NONE);
  }

  private Recipe chosen(Recipe named) {
    Recipe r = choice.over(named);
    if (r.pagesKept() == PagesKept.ALL && !replace.isEmpty()) {
      throw wrong(WORDS.say("run-command.kept-pages-stay"));
    }
    if (merge != null && !Merging.isServed(r)) {
      throw wrong(WORDS.say("run-command.nothing-to-merge", r.name()));
    }
    return r;
  }

  private Set<Format> kinds() {
    var out = new HashSet<Format>();
    for (String k : kinds) {
      out.add(
          Formats.opened().stream()
              .filter(f -> f.id().equalsIgnoreCase(k.strip()))
              .findFirst()
              .orElseThrow(() ->
                  wrong(
                      WORDS.say(
                          "run-command.no-kind",
                          k,
                          String.join(", ", Formats.opened().stream().map(Format::id).toList())))));
    }
    return out;
  }

  private Optional<Instant> since() {
    if (changedSince == null) {
      return Optional.empty();
    }
    String said = changedSince.strip();
    try {
      return Optional.of(
          said.contains("T")
              ? said.endsWith("Z")
                  ? Instant.parse(said)
                  : LocalDateTime.parse(said).atZone(ZoneId.systemDefault()).toInstant()
              : LocalDate.parse(said).atStartOfDay(ZoneId.systemDefault()).toInstant());
    } catch (DateTimeException e) {
      throw wrong(WORDS.say("run-command.no-date", said));
    }
  }

  private Optional<Duration> limit() {
    return Optional.ofNullable(seconds).map(s -> Duration.ofSeconds(Math.max(1, s)));
  }

  private Changes changes() {
    var all = new ArrayList<Changes.Replacement>();
    for (String r : replace) {
      int at = r.indexOf('=');
      if (at < 1) {
        throw wrong(WORDS.say("run-command.no-replacement", r));
      }
      all.add(new Changes.Replacement(r.substring(0, at), r.substring(at + 1)));
    }
    Set<String> known = Set.of("title", "subject", "author", "keywords", "language");
    for (String name : set.keySet()) {
      if (!known.contains(name)) {
        throw wrong(WORDS.say("run-command.no-particular", name));
      }
    }
    return new Changes(
        all,
        new Metadata(
            set.getOrDefault("title", ""),
            set.getOrDefault("subject", ""),
            set.getOrDefault("author", ""),
            set.getOrDefault("keywords", ""),
            set.getOrDefault("language", "")));
  }

  private RuntimeException wrong(String message) {
    return Usage.wrong(spec, message);
  }
}
