package decant.desktop.runs;

import decant.format.Format;
import decant.format.Formats;
import decant.run.Merging;
import decant.run.Row;
import decant.run.Run;
import decant.run.Totals;
import decant.words.Figures;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What a run needs, how far it is, and what came of it, in a line. */
final class RunFigures {
  private static final Words WORDS = Words.of(RunFigures.class);

  private RunFigures() {}

  /** What a plan needs, as far as earlier runs tell. */
  static String planned(Run run) {
    var kinds = new ArrayList<String>();
    for (Run.Count c : run.byKind()) {
      if (c.state() == Row.State.PLANNED) {
        String kind = Formats.of(c.of()).map(Format::name).orElse(c.of());
        kinds.add(WORDS.say("run-figures.of-kind", kind, c.files(), Figures.size(c.bytes())));
      }
    }
    String what = kinds.isEmpty() ? "" : String.join(", ", kinds) + ". ";
    String free = run.roomFree().isPresent() ? Figures.size(run.roomFree().getAsLong()) : "";
    String room =
        run.roomNeeded().isPresent()
            ? WORDS.say("run-figures.room", Figures.size(run.roomNeeded().getAsLong()), free)
            : WORDS.say("run-figures.room-free", free);
    int workers = Runtime.getRuntime().availableProcessors();
    return run.timeNeeded(workers).isPresent()
        ? what
            + room
            + " "
            + WORDS.say("run-figures.time", Figures.time(run.timeNeeded(workers).getAsLong()))
        : what + room;
  }

  static String atWork(Run run) {
    return progress("run-figures.at-work", run.totals()) + kinds(run);
  }

  static String paused(Run run) {
    return progress("run-figures.paused", run.totals()) + kinds(run);
  }

  /** How far the files of each kind are; nothing where there is only one kind. */
  private static String kinds(Run run) {
    List<String> kinds =
        run.progressByKind().stream()
            .filter(k -> k.left() + k.atWork() + k.done() + k.failed() > 0)
            .map(k -> {
              String name = Formats.of(k.kind()).map(Format::name).orElse(k.kind());
              long all = k.left() + k.atWork() + k.done() + k.failed();
              String done = Figures.number(k.done());
              return k.failed() == 0
                  ? WORDS.say("run-figures.kind-so-far", name, done, Figures.number(all))
                  : WORDS.say(
                      "run-figures.kind-failed",
                      name,
                      done,
                      Figures.number(all),
                      Figures.number(k.failed()));
            })
            .toList();
    return kinds.size() < 2 ? "" : "\n" + String.join(", ", kinds) + ".";
  }

  private static String progress(String key, Totals.Now t) {
    long left = t.planned() - t.ended();
    long worked = t.done() + t.failed();
    String when =
        worked < 3
            ? ""
            : WORDS.say("run-figures.left-time", Figures.time(t.millis() * left / worked));
    double seconds = Math.max(1, t.millis()) / 1000.0;
    return WORDS.say(
        key,
        Figures.number(t.done()),
        Figures.number(left),
        Figures.number(t.failed()),
        Figures.decimal(worked / seconds, 1),
        Figures.decimal(t.pages() / seconds, 1),
        when);
  }

  /** What came of it. */
  static String ended(Totals.Now t, Optional<Merging.Merged> merged) {
    String all =
        WORDS.say(
            "run-figures.ended",
            Figures.number(t.done()),
            Figures.number(t.failed()),
            Figures.number(t.leftOut()),
            Figures.size(t.bytes()),
            Figures.time(t.millis()));
    String replaced =
        t.replaced() == 0 ? all : all + " " + WORDS.count("run-figures.replaced", t.replaced());
    return merged
        .map(m ->
            replaced
                + " "
                + m.problem()
                    .orElseGet(
                        () -> WORDS.count("run-figures.merged", m.parts(), m.file().getFileName())))
        .orElse(replaced);
  }
}
