package decant.cli;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import decant.run.Merging;
import decant.run.Row;
import decant.run.Run;
import decant.run.Totals;
import decant.words.Words;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;

/** Tells of a run by one JSON object a line. */
final class JsonTelling implements RunTelling {
  private static final Words WORDS = Words.of(JsonTelling.class);
  private static final ObjectMapper JSON = new ObjectMapper();

  private final PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);

  @Override
  public void planning(long files) {}

  @Override
  public void planned(Run run, int workers, boolean whole) {
    for (Path p : run.closed()) {
      print(
          event("folder")
              .put("source", p.toString())
              .put("reason", WORDS.say("run.closed-folder")));
    }
    if (whole) {
      run.each(r -> print(row(event("planned"), run, r)));
    }
  }

  @Override
  public Run.Listener listener(Run run) {
    return r -> {
      print(row(event("file"), run, r).put("seconds", r.work().times().all() / 1000.0));
    };
  }

  private static ObjectNode row(ObjectNode e, Run run, Row r) {
    e.put("source", run.source(r).toString())
        .put("outcome", r.state().code())
        .put("reason", r.message().isEmpty() ? null : r.message());
    boolean planned = r.state() == Row.State.PLANNED;
    ArrayNode results = e.putArray("results");
    if (planned
        || r.state() == Row.State.DONE
        || r.results().stream().anyMatch(Row.Result::verified)
        || r.why() == Row.Why.NOT_VERIFIED) {
      for (Row.Result x : r.results()) {
        ObjectNode o = results.addObject().put("file", run.file(r, x).toString());
        if (!planned) {
          o.put("bytes", x.bytes()).put("pages", x.pages()).put("verified", x.verified());
        }
      }
    }
    if (r.state() == Row.State.DONE) {
      e.put("findings", r.work().findings())
          .put("losses", r.work().losses())
          .put("replaced", r.work().replaced());
      Row.Times t = r.work().times();
      e.putObject("times")
          .put("reading", t.reading() / 1000.0)
          .put("layout", t.layout() / 1000.0)
          .put("writing", t.writing() / 1000.0)
          .put("verifying", t.verifying() / 1000.0);
    }
    return e;
  }

  @Override
  public void merged(Merging.Merged whole) {
    print(
        event("merged")
            .put("file", whole.file().toString())
            .put("parts", whole.parts())
            .put("bytes", whole.bytes())
            .put("pages", whole.pages())
            .put("verified", whole.problem().isEmpty())
            .put("reason", whole.problem().orElse(null)));
  }

  @Override
  public void end(Run run) {
    Totals.Now t = run.totals();
    ObjectNode e =
        event("end")
            .put("files", t.ended())
            .put("done", t.done())
            .put("failed", t.failed())
            .put("left_out", t.leftOut())
            .put("pages", t.pages())
            .put("seconds", t.millis() / 1000.0);
    run.stopped().ifPresent(s -> e.put("stopped", s));
    print(e);
  }

  private static ObjectNode event(String name) {
    return JSON.createObjectNode().put("event", name);
  }

  private synchronized void print(ObjectNode e) {
    try {
      out.println(JSON.writeValueAsString(e));
    } catch (JsonProcessingException x) {
      throw new IllegalStateException("a tree of strings and numbers can always be written", x);
    }
  }
}
