package decant.cli;

import static org.assertj.core.api.Assertions.assertThat;

import decant.reading.ReadProblem;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Work in a process that it may end: a process of its own for each check. */
class OwnProcessTest {
  @TempDir Path folder;

  /** Works, or hangs, with a file half-written. */
  public static final class Working {
    private Working() {}

    public static void main(String[] args) throws IOException {
      Path half = Files.createFile(Path.of(args[1]));
      half.toFile().deleteOnExit();
      System.exit(
          OwnProcess.with(() ->
              OwnProcess.within(
                  Duration.ofMillis(
                      switch (args[0]) {
                        case "hang" -> 200;
                        case "fill" -> 4000;
                        default -> 60_000;
                      }),
                  () ->
                      switch (args[0]) {
                        case "hang" -> hang();
                        case "fill" -> fill();
                        default -> 7;
                      },
                  () -> {
                    System.err.println(ReadProblem.tooSlow(Duration.ofSeconds(30)).getMessage());
                    return 5;
                  })));
    }

    /** Fills all memory, and does not let go of it. */
    private static int fill() {
      var all = new ArrayList<long[]>();
      try {
        while (true) {
          all.add(new long[64]);
        }
      } catch (OutOfMemoryError e) {
        return hang() + all.size();
      }
    }

    private static int hang() {
      while (!Thread.currentThread().isInterrupted()) {
        Thread.onSpinWait();
      }
      return 0;
    }
  }

  private static final String LATE =
      ReadProblem.tooSlow(Duration.ofSeconds(30)).getMessage() + "\n";

  private record Ended(int status, String told) {}

  private Ended run(String what) throws Exception {
    Path half = folder.resolve("half");
    Process p =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-cp",
                System.getProperty("java.class.path"),
                "-Xmx96m",
                Working.class.getName(),
                what,
                half.toString())
            .redirectError(folder.resolve("told").toFile())
            .start();
    boolean ended = p.waitFor(60, TimeUnit.SECONDS);
    p.destroyForcibly(); // what hangs must not outlive the test
    assertThat(ended).isTrue();
    assertThat(half).doesNotExist();
    return new Ended(p.exitValue(), Files.readString(folder.resolve("told")));
  }

  @Test
  void whatHangsEndsWithItsProcessAndIsTold() throws Exception {
    assertThat(run("hang")).isEqualTo(new Ended(5, LATE));
  }

  /** Files made to do harm take all memory, and then it is still told why there is no result. */
  @Test
  void whatFillsAllMemoryEndsAndIsToldToo() throws Exception {
    assertThat(run("fill")).isEqualTo(new Ended(5, LATE));
  }

  @Test
  void whatEndsInTimeGivesItsOwnStatus() throws Exception {
    assertThat(run("work")).isEqualTo(new Ended(7, ""));
  }

  @Test
  void outsideOfItNothingIsOurs() {
    assertThat(OwnProcess.isOurs()).isFalse();
  }
}
