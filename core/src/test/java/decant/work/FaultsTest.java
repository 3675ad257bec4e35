package decant.work;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.logging.Handler;
import java.util.logging.Level;
import java.util.logging.LogRecord;
import java.util.logging.Logger;
import org.junit.jupiter.api.Test;

class FaultsTest {
  private static final Logger LOG = Logger.getLogger("decant.faults");

  private static List<LogRecord> noted(Runnable work) {
    var out = new ArrayList<LogRecord>();
    var handler =
        new Handler() {
          @Override
          public void publish(LogRecord r) {
            out.add(r);
          }

          @Override
          public void flush() {}

          @Override
          public void close() {}
        };
    Level before = LOG.getLevel();
    LOG.setLevel(Level.ALL);
    LOG.addHandler(handler);
    try {
      work.run();
    } finally {
      LOG.removeHandler(handler);
      LOG.setLevel(before);
    }
    return out;
  }

  @Test
  void aFaultIsFoundInTheLogByItsId() {
    String[] id = {""};
    List<LogRecord> log =
        noted(() ->
            id[0] =
                Faults.note(
                    "taking in",
                    new IllegalStateException("secret", new IOException("secret text"))));
    assertThat(log)
        .singleElement()
        .satisfies(r -> {
          assertThat(r.getMessage()).contains(id[0], "taking in");
          var all = new StringWriter();
          r.getThrown().printStackTrace(new PrintWriter(all));
          assertThat(all.toString())
              .contains("IllegalStateException", "java.io.IOException", "FaultsTest")
              .doesNotContain("secret");
        });
  }

  /** A damaged font fails for each of its letters; the log says so, and says it a few times. */
  @Test
  void whatHappensAgainAndAgainIsNotedAFewTimes() {
    List<LogRecord> log =
        noted(() -> {
          for (int k = 0; k < 1000; k++) {
            Faults.mended("reading a font of a test", new IllegalStateException("secret text"));
          }
        });
    assertThat(log).hasSizeBetween(1, 5);
    assertThat(log)
        .allSatisfy(r -> {
          assertThat(r.getMessage()).contains("reading a font of a test");
          assertThat(r.getThrown().toString())
              .contains("IllegalState")
              .doesNotContain("secret text");
        });
  }
}
