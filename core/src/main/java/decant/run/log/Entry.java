package decant.run.log;

import decant.format.Format;
import decant.format.Formats;
import decant.run.Row;
import decant.run.Run;
import decant.words.Words;
import java.nio.file.Path;
import java.util.List;

/** A row as both logs tell it, so that they agree. */
record Entry(
    Path source,
    String kind,
    String outcome,
    String reason,
    List<Path> results,
    long bytes,
    long resultBytes,
    int pages,
    int findings,
    int losses,
    int replaced,
    double seconds) {
  private static final Words WORDS = Words.of(Entry.class);

  static Entry of(Run run, Row r) {
    boolean made =
        r.state() == Row.State.DONE
            || r.why() == Row.Why.DONE_BEFORE
            || r.why() == Row.Why.NOT_VERIFIED;
    List<Row.Result> results = made ? r.results() : List.of();
    return new Entry(
        run.source(r),
        kind(r.kind()),
        outcome(r.state()),
        r.message(),
        results.stream().map(x -> run.file(r, x)).toList(),
        r.bytes(),
        results.stream().mapToLong(Row.Result::bytes).sum(),
        r.pagesOrMade(),
        r.work().findings(),
        r.work().losses(),
        r.work().replaced(),
        r.work().times().all() / 1000.0);
  }

  static String kind(String id) {
    return id.isEmpty()
        ? WORDS.say("entry.not-looked-at")
        : Formats.of(id).map(Format::name).orElseGet(() -> WORDS.say("entry.no-document"));
  }

  static String outcome(Row.State state) {
    return switch (state) {
      case DONE -> WORDS.say("entry.done");
      case FAILED -> WORDS.say("entry.failed");
      case LEFT_OUT -> WORDS.say("entry.left-out");
      case PLANNED, AT_WORK -> WORDS.say("entry.not-reached");
    };
  }
}
