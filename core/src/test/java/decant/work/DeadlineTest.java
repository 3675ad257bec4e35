package decant.work;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Path;
import java.time.Duration;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How long work on a file may take. */
class DeadlineTest {
  @TempDir Path folder;

  private Path file(long bytes) throws IOException {
    Path file = folder.resolve("file");
    try (var f = new RandomAccessFile(file.toFile(), "rw")) {
      f.setLength(bytes);
    }
    return file;
  }

  @ParameterizedTest
  @CsvSource({
    "10000, 30, 30.3",
    "700000, 30, 51",
    "1000000, 30, 60",
    "2800000, 32, 116",
    "40000000, 69, 900",
    "2000000000, 2029, 2029"
  })
  void largeFilesMayTakeLonger(long bytes, long usual, double most) throws IOException {
    Path file = file(bytes);
    assertThat(Deadline.usual(file)).isEqualTo(Duration.ofSeconds(usual));
    assertThat(Deadline.atMost(file)).isEqualTo(Duration.ofMillis(Math.round(most * 1000)));
  }

  /**
   * What is read earns time; a small file has little to earn, and a limit that was said is kept.
   */
  @Test
  void whatIsReadEarnsTime() throws IOException {
    Deadline large = Deadline.of(file(2_800_000));
    large.earn(Duration.ofSeconds(10));
    assertThat(large.allowed()).isEqualTo(Duration.ofSeconds(42));
    large.earn(Duration.ofSeconds(1000));
    assertThat(large.allowed()).isEqualTo(Duration.ofSeconds(116));
    Deadline small = Deadline.of(file(10_000));
    small.earn(Duration.ofSeconds(1000));
    assertThat(small.allowed()).isEqualTo(Duration.ofMillis(30_300));
    Deadline said = Deadline.in(Duration.ofSeconds(5));
    said.earn(Duration.ofSeconds(1000));
    assertThat(said.allowed()).isEqualTo(Duration.ofSeconds(5));
    assertThat(said.isOver()).isFalse();
    assertThat(Deadline.in(Duration.ZERO).left()).isZero();
  }

  @Test
  void somebodyWhoWaitsMayWaitForever() {
    Deadline.NEVER.earn(Duration.ofSeconds(1));
    assertThat(Deadline.NEVER.isOver()).isFalse();
  }
}
