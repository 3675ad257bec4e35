package decant.bench;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * Runs over folders, by the command as a person starts it: a tree of ten thousand files of all
 * kinds, a thousand documents by one worker and by two, and runs that are killed and gone on with.
 */
final class Runs {
  private static final ObjectMapper JSON = new ObjectMapper();
  private static final Path DECANT = Path.of("decant").toAbsolutePath();

  private Runs() {}

  /**
   * @param args what to measure ({@code hard}, {@code plain} or {@code killed}), and how many
   *     files, or how often
   */
  public static void main(String[] args) throws Exception {
    Path folder = Files.createTempDirectory("decant-runs");
    try {
      int n = args.length > 1 ? Integer.parseInt(args[1]) : 0;
      switch (args[0]) {
        case "hard" -> hard(folder, n == 0 ? 10_000 : n);
        case "plain" -> plain(folder, n == 0 ? 1000 : n);
        case "killed" -> killed(folder, n == 0 ? 50 : n);
        default -> throw new IllegalArgumentException(args[0]);
      }
    } finally {
      remove(folder);
    }
  }

  /** What came of a run. */
  private record Ran(int status, List<JsonNode> events, long own, long workers, double seconds) {
    JsonNode end() {
      return events.getLast();
    }

    List<JsonNode> files() {
      return events.stream().filter(e -> e.path("event").asText().equals("file")).toList();
    }
  }

  private static Process start(Path source, Path to, Path out, String... options)
      throws IOException {
    var command =
        new ArrayList<>(
            List.of(DECANT.toString(), "run", source.toString(), to.toString(), "--json"));
    command.addAll(List.of(options));
    return new ProcessBuilder(command)
        .redirectOutput(out.toFile())
        .redirectError(out.resolveSibling("err").toFile())
        .start();
  }

  private static Ran run(Path source, Path to, String... options) throws Exception {
    Path out = to.resolveSibling("events");
    long begun = System.nanoTime();
    Process p = start(source, to, out, options);
    long own = 0;
    long workers = 0;
    while (p.isAlive()) {
      own = Math.max(own, peak(p.pid()));
      for (ProcessHandle h : p.descendants().toList()) {
        workers = Math.max(workers, peak(h.pid()));
      }
      Thread.sleep(100);
    }
    var events = new ArrayList<JsonNode>();
    for (String l : Files.readAllLines(out)) {
      events.add(JSON.readTree(l));
    }
    return new Ran(p.exitValue(), events, own, workers, (System.nanoTime() - begun) / 1e9);
  }

  /** The most memory that a process has had at a time, in MiB (VmHWM of proc(5)). */
  private static long peak(long pid) {
    try (Stream<String> lines = Files.lines(Path.of("/proc", Long.toString(pid), "status"))) {
      return lines
          .filter(l -> l.startsWith("VmHWM"))
          .mapToLong(l -> Long.parseLong(l.replaceAll("\\D+", "")) >> 10)
          .findFirst()
          .orElse(0);
    } catch (IOException | java.io.UncheckedIOException e) {
      return 0; // it has just ended
    }
  }

  private static void hard(Path folder, int files) throws Exception {
    Path source = Files.createDirectories(folder.resolve("source"));
    RunTrees.hard(source, RunTrees.documents(folder.resolve("made"), 1, 3), files);
    Map<String, Long> before = sizes(source);
    long met = met(source);
    Set<String> around = names(folder);
    Path to = folder.resolve("results");
    Ran r = run(source, to);
    say("%d files met; exit %d in %.0f s", met, r.status(), r.seconds());
    say("end: %s", r.end());
    Map<String, Integer> why = new TreeMap<>();
    r.files().stream()
        .filter(e -> !e.path("outcome").asText().equals("done"))
        .forEach(e ->
            why.merge(
                e.path("outcome").asText()
                    + ": "
                    + e.path("reason").asText().replaceAll("[\u201C(\\[:].*|[\\d]+", ""),
                1,
                Integer::sum));
    why.forEach((k, v) -> say("  %5d  %s", v, k));
    say(
        "peak resident: the command %d MiB (bar 256), a worker %d MiB (bar 1024)",
        r.own(), r.workers());
    Set<String> made = new HashSet<>(names(folder));
    made.removeAll(around);
    made.removeAll(Set.of("results", ".results.decant-run", "events", "err"));
    long results = r.files().stream().mapToLong(e -> e.path("results").size()).sum();
    check("one event for each file", r.files().size() == met);
    check(
        "no source twice",
        r.files().stream().map(e -> e.path("source").asText()).distinct().count() == met);
    check(
        "counts add up",
        r.end().path("files").asLong() == met
            && r.end().path("done").asLong()
                    + r.end().path("failed").asLong()
                    + r.end().path("left_out").asLong()
                == met);
    check("sources as they were", sizes(source).equals(before));
    check("nothing beside the destination but its journal: " + made, made.isEmpty());
    check("as many files as results: " + results, met(to) == results);
  }

  private static void plain(Path folder, int files) throws Exception {
    Path source = Files.createDirectories(folder.resolve("source"));
    RunTrees.plain(source, RunTrees.documents(folder.resolve("made"), 1, 20), files);
    double one = 0;
    for (int workers : new int[] {1, 2}) {
      Ran r = run(source, folder.resolve("by" + workers), "--workers", Integer.toString(workers));
      double seconds = r.end().path("seconds").asDouble();
      one = workers == 1 ? seconds : one;
      say(
          "%d worker(s): %d done in %.1f s, %.2f files/s, %.1f pages/s; %.2f times one",
          workers,
          r.end().path("done").asInt(),
          seconds,
          r.end().path("done").asInt() / seconds,
          r.end().path("pages").asInt() / seconds,
          one / seconds);
      Map<String, Double> parts = new TreeMap<>();
      for (JsonNode e : r.files()) {
        e.path("times")
            .properties()
            .forEach(x -> parts.merge(x.getKey(), x.getValue().asDouble(), Double::sum));
      }
      double all = parts.values().stream().mapToDouble(x -> x).sum();
      parts.forEach((k, v) -> say("  %s %.0f %%", k, 100 * v / all));
    }
  }

  private static void killed(Path folder, int times) throws Exception {
    Path source = Files.createDirectories(folder.resolve("source"));
    RunTrees.plain(source, RunTrees.documents(folder.resolve("made"), 1, 3), 60);
    Path recipe = folder.resolve("recipe.json");
    Files.writeString(
        recipe,
        """
        {"decant-recipe":5,"name":"t","outputs":[{"kind":"office","format":"txt"},
         {"kind":"pdf","pages":{"split":"each-page"}}]}
        """);
    String[] options = {"--recipe", recipe.toString()};
    Path whole = folder.resolve("whole");
    run(source, whole, options);
    Map<String, Long> expected = sizes(whole);
    var random = new Random(5);
    for (boolean workers : new boolean[] {false, true}) {
      int kills = 0;
      int runs = 0;
      while (kills < times) {
        Path to = folder.resolve("k" + runs++ + workers);
        Path out = folder.resolve("events");
        Process p = start(source, to, out, options);
        while (true) {
          if (kills >= times) {
            p.waitFor(); // the last one comes to its end
          } else {
            Thread.sleep(600 + random.nextInt(5000));
          }
          if (!p.isAlive()) {
            break;
          }
          if (workers) {
            List<ProcessHandle> all = p.descendants().toList();
            if (!all.isEmpty()) {
              all.get(random.nextInt(all.size())).destroyForcibly();
              kills++;
            }
          } else {
            p.toHandle().destroyForcibly();
            p.waitFor();
            kills++;
            p = start(source, to, out, "--resume", options[0], options[1]);
          }
        }
        if (workers) {
          start(source, to, out, options).waitFor(); // what was killed too often is tried again
        }
        check("the same tree, run " + runs, alike(expected, sizes(to)));
      }
      say("%s killed %d times in %d runs", workers ? "workers" : "the command", kills, runs);
    }
  }

  /** The same names, and sizes but for dates and identities, which are packed in PDFs. */
  private static boolean alike(Map<String, Long> a, Map<String, Long> b) {
    if (!a.keySet().equals(b.keySet())) {
      var left = new HashSet<>(a.keySet());
      left.removeAll(b.keySet());
      var more = new HashSet<>(b.keySet());
      more.removeAll(a.keySet());
      say("missing %s, too many %s", left, more);
      return false;
    }
    return a.entrySet().stream()
        .allMatch(e ->
            Math.abs(e.getValue() - b.getOrDefault(e.getKey(), -1L))
                <= (e.getKey().endsWith(".pdf") ? 16 : 0));
  }

  private static Map<String, Long> sizes(Path root) throws IOException {
    var out = new HashMap<String, Long>();
    try (Stream<Path> all = Files.walk(root)) {
      for (Path p : all.toList()) {
        boolean file = Files.isRegularFile(p, LinkOption.NOFOLLOW_LINKS);
        out.put(root.relativize(p).toString(), file ? Files.size(p) : -1L);
      }
    }
    return out;
  }

  /** Regular files and links. */
  private static long met(Path root) throws IOException {
    try (Stream<Path> all = Files.walk(root)) {
      return all.filter(
              p -> Files.isRegularFile(p, LinkOption.NOFOLLOW_LINKS) || Files.isSymbolicLink(p))
          .count();
    }
  }

  private static Set<String> names(Path folder) throws IOException {
    try (Stream<Path> all = Files.list(folder)) {
      return new HashSet<>(all.map(p -> p.getFileName().toString()).toList());
    }
  }

  private static void check(String what, boolean holds) {
    say("%s  %s", holds ? "holds" : "FAILS", what);
  }

  private static void remove(Path tree) throws IOException {
    try (Stream<Path> all = Files.walk(tree)) {
      for (Path p : all.sorted(java.util.Comparator.reverseOrder()).toList()) {
        Files.delete(p);
      }
    }
  }

  private static void say(String format, Object... about) {
    System.out.println(String.format(Locale.ROOT, format, about));
  }
}
