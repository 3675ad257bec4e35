package decant.run.log;

import decant.format.Formats;
import decant.format.Ledger;
import decant.run.Row;
import decant.run.Run;
import decant.words.Figures;
import decant.words.Words;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * The log of a run as a document: its totals, what failed, and a table for each kind of file with
 * every original beside its results.
 */
public final class RunLog {
  private static final Words WORDS = Words.of(RunLog.class);
  private static final DateTimeFormatter WHEN =
      DateTimeFormatter.ofPattern("d MMMM uuuu, HH:mm", Locale.ENGLISH);

  private final Run run;
  private final Path folder;

  private RunLog(Run run, Path folder) {
    this.run = run;
    this.folder = folder;
  }

  /** The extension of logs where nobody says otherwise, without the dot. */
  public static String extension() {
    return Formats.ledgers().getFirst().extension();
  }

  /** Whether logs are written into files of this name. */
  public static boolean isServed(Path name) {
    return Formats.ledger(name.getFileName().toString()).isPresent();
  }

  /**
   * Writes the log.
   *
   * @param name of its file, which says in what format it is, and what its links are relative to
   * @throws IOException if the stream cannot be written
   */
  public static void write(Run run, Path name, OutputStream to) throws IOException {
    var log = new RunLog(run, decant.io.AtomicFile.folderOf(name));
    String title = WORDS.say("run-log.title", run.order().source().getFileName());
    try (Ledger out =
        Formats.ledger(name.getFileName().toString()).orElseThrow().begin(title, to)) {
      log.write(title, out);
    } catch (UncheckedIOException e) {
      throw e.getCause();
    }
  }

  /** What is counted of a kind. */
  private static final class Sum {
    long files;
    long done;
    long failed;
    long leftOut;
    long pages;
    long bytes;
    long made;
    double seconds;

    void add(Row.State state, Entry e) {
      files++;
      switch (state) {
        case DONE -> done++;
        case FAILED -> failed++;
        case LEFT_OUT, PLANNED, AT_WORK -> leftOut++;
      }
      pages += e.pages();
      bytes += e.bytes();
      made += e.resultBytes();
      seconds += e.seconds();
    }
  }

  private void write(String title, Ledger out) throws IOException {
    Map<String, Sum> kinds = new TreeMap<>();
    var all = new Sum();
    run.each(r -> {
      Entry e = Entry.of(run, r);
      kinds.computeIfAbsent(r.kind(), k -> new Sum()).add(r.state(), e);
      all.add(r.state(), e);
    });
    out.heading(1, title);
    out.paragraph(
        WORDS.say(
            "run-log.what",
            run.order().source().toAbsolutePath(),
            run.order().destination().toAbsolutePath(),
            run.order().treatment().recipe().name(),
            LocalDateTime.now().format(WHEN)));
    out.heading(2, WORDS.say("run-log.totals"));
    totals(out, kinds, all);
    if (all.failed > 0) {
      out.heading(2, WORDS.say("run-log.failed"));
      table(out, r -> r.state() == Row.State.FAILED);
    }
    for (String kind : kinds.keySet()) {
      out.heading(2, Entry.kind(kind));
      table(out, r -> r.kind().equals(kind));
    }
  }

  private static void totals(Ledger out, Map<String, Sum> kinds, Sum all) throws IOException {
    out.table(
        List.of(
            new Ledger.Column(WORDS.say("run-log.kind"), 3, false),
            number("run-log.files"),
            number("run-log.done"),
            number("run-log.failed-files"),
            number("run-log.left-out"),
            number("run-log.pages"),
            number("run-log.bytes"),
            number("run-log.made"),
            number("run-log.seconds")));
    for (Map.Entry<String, Sum> e : kinds.entrySet()) {
      out.row(sum(Entry.kind(e.getKey()), e.getValue()));
    }
    out.row(sum(WORDS.say("run-log.all"), all));
    out.endTable();
  }

  private static Ledger.Column number(String head) {
    return new Ledger.Column(WORDS.say(head), 1.3, true);
  }

  private static List<List<Ledger.Line>> sum(String name, Sum s) {
    return cells(
        name,
        Figures.number(s.files),
        Figures.number(s.done),
        Figures.number(s.failed),
        Figures.number(s.leftOut),
        Figures.number(s.pages),
        Figures.number(s.bytes),
        Figures.number(s.made),
        Figures.decimal(s.seconds, 1));
  }

  private static List<List<Ledger.Line>> cells(String... texts) {
    return java.util.Arrays.stream(texts).map(t -> List.of(Ledger.Line.of(t))).toList();
  }

  private void table(Ledger out, java.util.function.Predicate<Row> which) throws IOException {
    out.table(
        List.of(
            new Ledger.Column(WORDS.say("run-log.original"), 4.2, false),
            new Ledger.Column(WORDS.say("run-log.results"), 4.2, false),
            new Ledger.Column(WORDS.say("run-log.outcome"), 3.4, false),
            number("run-log.bytes"),
            number("run-log.made"),
            number("run-log.pages"),
            number("run-log.findings"),
            number("run-log.replaced"),
            number("run-log.seconds")));
    run.each(r -> {
      if (which.test(r)) {
        row(out, Entry.of(run, r), r);
      }
    });
    out.endTable();
  }

  private void row(Ledger out, Entry e, Row r) {
    var results = new ArrayList<Ledger.Line>();
    for (int k = 0; k < e.results().size(); k++) {
      results.add(link(e.results().get(k), r.results().get(k).file()));
    }
    String outcome =
        e.reason().isEmpty()
            ? e.outcome()
            : WORDS.say("run-log.outcome-why", e.outcome(), e.reason());
    try {
      out.row(
          List.of(
              List.of(link(e.source(), r.path())),
              results,
              List.of(Ledger.Line.of(outcome)),
              line(e.bytes()),
              line(e.resultBytes()),
              line(e.pages()),
              line(e.findings()),
              line(e.replaced()),
              List.of(Ledger.Line.of(Figures.decimal(e.seconds(), 1)))));
    } catch (IOException x) {
      throw new UncheckedIOException(x);
    }
  }

  private static List<Ledger.Line> line(long n) {
    return List.of(Ledger.Line.of(Figures.number(n)));
  }

  private Ledger.Line link(Path file, String shown) {
    return new Ledger.Line(shown, Optional.of(Links.reference(folder, file)));
  }
}
