package decant.cli;

import decant.format.Format;
import decant.format.Formats;
import decant.run.Merging;
import decant.run.Row;
import decant.run.Run;
import decant.run.Totals;
import decant.words.Figures;
import decant.words.Words;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Tells of a run to a person: a line that counts, what needs a look, and a summary. */
final class PlainTelling implements RunTelling {
  private static final Words WORDS = Words.of(PlainTelling.class);
  private static final int WIDTH = 110;

  private final boolean counts = System.console() != null && System.console().isTerminal();
  private boolean counting;
  private @Nullable Thread clock;

  @Override
  public void planning(long files) {
    line(WORDS.count("plain-telling.planning", files));
  }

  @Override
  public void planned(Run run, int workers, boolean whole) {
    clear();
    for (Path p : run.closed()) {
      System.err.println(WORDS.say("each-file.problem", p, WORDS.say("run.closed-folder")));
    }
    if (whole) {
      run.each(r -> System.out.println(planned(run, r)));
      System.out.println();
    }
    System.out.println(WORDS.say("plain-telling.by-kind"));
    tell(run.byKind(), PlainTelling::kind);
    if (whole) {
      System.out.println(WORDS.say("plain-telling.by-folder"));
      tell(run.byFolder(), f -> f.isEmpty() ? "." : f);
    }
    run.roomFree()
        .ifPresent(free ->
            System.out.println(
                run.roomNeeded().isPresent()
                    ? WORDS.say(
                        "plain-telling.room",
                        Figures.size(run.roomNeeded().getAsLong()),
                        Figures.size(free))
                    : WORDS.say("plain-telling.room-free", Figures.size(free))));
    run.timeNeeded(workers)
        .ifPresent(ms -> System.out.println(WORDS.say("plain-telling.time", Figures.time(ms))));
  }

  private static String planned(Run run, Row r) {
    if (r.state() == Row.State.PLANNED) {
      return run.source(r)
          + " -> "
          + r.results().stream()
              .map(x -> run.file(r, x).toString())
              .collect(Collectors.joining(", "));
    }
    return WORDS.say(
        r.state() == Row.State.FAILED ? "plain-telling.fails" : "plain-telling.left-out",
        run.source(r),
        r.message());
  }

  private static String kind(String id) {
    return id.isEmpty()
        ? WORDS.say("plain-telling.not-looked-at")
        : Formats.of(id).map(Format::name).orElseGet(() -> WORDS.say("plain-telling.no-document"));
  }

  /** A line for each kind or folder, those of one name in one. */
  private static void tell(List<Run.Count> counts, java.util.function.UnaryOperator<String> name) {
    Map<String, long[]> lines = new LinkedHashMap<>();
    for (Run.Count c : counts) {
      long[] l = lines.computeIfAbsent(name.apply(c.of()), k -> new long[4]);
      switch (c.state()) {
        case PLANNED, AT_WORK, DONE -> l[0] += c.files();
        case LEFT_OUT -> l[1] += c.files();
        case FAILED -> l[2] += c.files();
      }
      l[3] += c.bytes();
    }
    lines.forEach((n, l) ->
        System.out.println(
            WORDS.say(
                "plain-telling.counts",
                n,
                Figures.number(l[0]),
                Figures.number(l[1]),
                Figures.number(l[2]),
                Figures.size(l[3]))));
  }

  @Override
  public Run.Listener listener(Run run) {
    if (counts) {
      clock = Thread.ofPlatform().daemon().name("progress").start(() -> count(run));
    }
    return r -> {
      boolean news =
          r.state() == Row.State.FAILED
              || r.state() == Row.State.LEFT_OUT
                  && (r.why() == Row.Why.LOCKED || r.why() == Row.Why.NAME_TAKEN);
      if (news) {
        synchronized (this) {
          clear();
          System.err.println(WORDS.say("each-file.problem", run.source(r), r.message()));
        }
      }
    };
  }

  private void count(Run run) {
    try {
      while (true) {
        Thread.sleep(500);
        Totals.Now t = run.totals();
        double seconds = Math.max(1, t.millis()) / 1000.0;
        long left = t.planned() - t.ended();
        long worked = t.done() + t.failed();
        String when =
            worked < 5
                ? ""
                : WORDS.say("plain-telling.left", Figures.time(t.millis() * left / worked));
        line(
            WORDS.say(
                "plain-telling.progress",
                Figures.number(t.done()),
                Figures.number(left),
                Figures.number(t.failed()),
                Figures.number(t.leftOut()),
                Figures.decimal(worked / seconds, 1),
                Figures.decimal(t.pages() / seconds, 1),
                when));
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private synchronized void line(String s) {
    if (counts) {
      String cut = s.length() > WIDTH ? s.substring(0, WIDTH) : s;
      System.err.print("\r" + cut + " ".repeat(WIDTH - cut.length()) + "\r" + cut);
      counting = true;
    }
  }

  private synchronized void clear() {
    if (counting) {
      System.err.print("\r" + " ".repeat(WIDTH) + "\r");
      counting = false;
    }
  }

  @Override
  public void merged(Merging.Merged whole) {
    clear();
    if (whole.problem().isPresent()) {
      System.err.println(WORDS.say("each-file.problem", whole.file(), whole.problem().get()));
    } else {
      System.out.println(
          WORDS.say(
              "plain-telling.merged",
              whole.file(),
              WORDS.count("plain-telling.parts", whole.parts()),
              WORDS.count("plain-telling.pages", whole.pages()),
              Figures.size(whole.bytes())));
    }
  }

  @Override
  public void end(Run run) {
    if (clock != null) {
      clock.interrupt();
    }
    clear();
    Totals.Now t = run.totals();
    run.stopped().ifPresent(System.err::println);
    if (run.isCancelled()) {
      System.out.println(WORDS.say("plain-telling.stopped"));
    }
    System.out.println(
        WORDS.say(
            "plain-telling.end",
            Figures.number(t.done()),
            Figures.number(t.failed()),
            Figures.number(t.leftOut()),
            WORDS.count("plain-telling.pages", t.pages()),
            Figures.size(t.bytes()),
            Figures.time(t.millis())));
    if (t.replaced() > 0) {
      System.out.println(WORDS.count("plain-telling.replaced", t.replaced()));
    }
  }
}
