package decant.cli;

import decant.io.AtomicFile;
import decant.io.WriteProblem;
import decant.run.Run;
import decant.run.RunOrder;
import decant.run.log.Csv;
import decant.run.log.Manifest;
import decant.run.log.RunLog;
import decant.words.Words;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/** The files that a run writes besides its results, if they are asked for. */
final class RunLogs {
  private static final Words WORDS = Words.of(RunLogs.class);

  private final @Nullable Path log;
  private final @Nullable Path manifest;
  private final @Nullable Path merged;

  /**
   * @param wrong makes of a message what is thrown for wrong usage
   */
  RunLogs(
      RunOrder order,
      @Nullable Path log,
      @Nullable Path manifest,
      @Nullable Path merged,
      Function<String, RuntimeException> wrong) {
    this.log = log;
    this.manifest = manifest;
    this.merged = merged;
    if (log != null && !RunLog.isServed(log) && !isCsv(log)) {
      throw wrong.apply(WORDS.say("run-logs.by-name", log));
    }
    for (Path p : new Path[] {log, manifest, merged}) {
      if (p != null && order.isInSource(p)) {
        throw wrong.apply(WORDS.say("run-logs.in-source", p));
      }
    }
  }

  private static boolean isCsv(Path p) {
    return p.toString().toLowerCase(java.util.Locale.ROOT).endsWith(".csv");
  }

  /**
   * Refuses names at which files stand that no run wrote.
   *
   * @param wrong makes of a message what is thrown for wrong usage
   */
  void check(Run run, Function<String, RuntimeException> wrong) throws IOException {
    var all = new ArrayList<>(files());
    Optional.ofNullable(merged).ifPresent(all::add);
    for (Path p : all) {
      if (!run.mayWrite(p)) {
        throw wrong.apply(WORDS.say("run-logs.taken", p));
      }
    }
  }

  private List<Path> files() {
    var out = new ArrayList<Path>();
    if (log != null) {
      out.add(log);
      if (!isCsv(log)) {
        out.add(csv(log));
      }
    }
    if (manifest != null) {
      out.add(manifest);
    }
    return out;
  }

  /** Writes them; the log as a document and as values for programs, side by side. */
  void write(Run run) throws WriteProblem, IOException {
    if (log != null) {
      if (!isCsv(log)) {
        AtomicFile.write(log, true, out -> RunLog.write(run, log, out));
      }
      AtomicFile.write(csv(log), true, out -> Csv.write(run, out));
    }
    if (manifest != null) {
      Path folder = AtomicFile.folderOf(manifest);
      AtomicFile.write(manifest, true, out -> Manifest.write(run, folder, out));
    }
    for (Path p : files()) {
      run.wrote(p);
    }
  }

  private static Path csv(Path log) {
    String name = log.getFileName().toString();
    return isCsv(log) ? log : log.resolveSibling(name.substring(0, name.lastIndexOf('.')) + ".csv");
  }
}
