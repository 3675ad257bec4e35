package decant.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
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
                  Duration.ofMillis(args[0].equals("hang") ? 200 : 60_000),
                  () -> args[0].equals("hang") ? hang() : 7,
                  () -> {
                    System.err.println("It takes too long.");
                    return 5;
                  })));
    }

    private static int hang() {
      while (!Thread.currentThread().isInterrupted()) {
        Thread.onSpinWait();
      }
      return 0;
    }
  }

  private record Ended(int status, String told) {}

  private Ended run(String what) throws Exception {
    Path half = folder.resolve("half");
    Process p =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-cp",
                System.getProperty("java.class.path"),
                Working.class.getName(),
                what,
                half.toString())
            .redirectError(folder.resolve("told").toFile())
            .start();
    assertThat(p.waitFor(60, TimeUnit.SECONDS)).isTrue();
    assertThat(half).doesNotExist();
    return new Ended(p.exitValue(), Files.readString(folder.resolve("told")));
  }

  @Test
  void whatHangsEndsWithItsProcessAndIsTold() throws Exception {
    assertThat(run("hang")).isEqualTo(new Ended(5, "It takes too long.\n"));
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
