package decant.pdf.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assumptions.assumeThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.zip.InflaterInputStream;
import org.junit.jupiter.api.Test;

/** Against java.util.zip, which takes apart what was put together. */
class DeflatedTest {
  private static final List<Integer> SIZES = List.of(0, 1, 2, 300, 65_536, (1 << 20) + 1, 3 << 20);

  private static byte[] text(int size) {
    var b = new StringBuilder();
    var random = new Random(5);
    while (b.length() < size) {
      b.append("/F1 10 Tf ").append(random.nextInt(60_000)).append(" 0 Td [<0102>]TJ\n");
    }
    return b.substring(0, size).getBytes(StandardCharsets.US_ASCII);
  }

  private static byte[] noise(int size) {
    byte[] b = new byte[size];
    new Random(6).nextBytes(b);
    return b;
  }

  private static byte[] inflated(byte[] packed) {
    try (var in = new InflaterInputStream(new ByteArrayInputStream(packed))) {
      return in.readAllBytes();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  @Test
  void whatIsPackedIsWholeAgainAtEveryLevel() {
    for (int level : List.of(1, 6, 9)) {
      for (int size : SIZES) {
        assertThat(inflated(Deflated.bytes(text(size), level))).isEqualTo(text(size));
        assertThat(inflated(Deflated.bytes(noise(size), level))).isEqualTo(noise(size));
        assertThat(inflated(Deflated.byJava(text(size), level))).isEqualTo(text(size));
      }
    }
  }

  @Test
  void theLibraryPacksNoWorseThanTheVirtualMachine() {
    assumeThat(NativeDeflate.installed()).isPresent();
    byte[] plain = text(1 << 20);
    for (int level : List.of(6, 9)) {
      assertThat(Deflated.bytes(plain, level).length)
          .isLessThanOrEqualTo(Deflated.byJava(plain, level).length);
    }
  }

  @Test
  void theSameBytesComeFromAnyNumberOfThreads() {
    List<byte[]> pages = IntStream.range(0, 400).mapToObj(k -> text(3000 + 40 * k)).toList();
    List<byte[]> alone = pages.stream().map(p -> Deflated.bytes(p, 6)).toList();
    List<byte[]> together = pages.parallelStream().map(p -> Deflated.bytes(p, 6)).toList();
    for (int k = 0; k < pages.size(); k++) {
      assertThat(together.get(k)).isEqualTo(alone.get(k));
    }
  }
}
