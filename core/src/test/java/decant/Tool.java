package decant;

import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;

/** Programs outside the project that published files are held against. ./check installs them. */
public final class Tool {
  /** What a program printed, and its exit status. */
  public record Answer(int status, String output) {}

  private Tool() {}

  /**
   * Skips a test for which something outside the project is not there; where all of it has to be,
   * as {@code .ci/run} asks, the test fails.
   */
  public static void needs(boolean there, String what) {
    if (!there && "all".equals(System.getenv("DECANT_ORACLES"))) {
      throw new AssertionError(what + " is missing, and no test is to be skipped");
    }
    assumeTrue(there, what + " is missing");
  }

  public static Answer run(String... command) {
    try {
      Process p = new ProcessBuilder(command).redirectErrorStream(true).start();
      byte[] out = p.getInputStream().readAllBytes();
      if (!p.waitFor(60, TimeUnit.SECONDS)) {
        p.destroyForcibly();
        throw new AssertionError(command[0] + " did not end");
      }
      return new Answer(p.exitValue(), new String(out, StandardCharsets.UTF_8));
    } catch (IOException e) {
      throw new AssertionError(
          command[0] + " is not installed; ./check installs what the tests need", e);
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
  }

  /**
   * A page as poppler paints it, one pixel a point, as much as is shown of it.
   *
   * @param page from 1
   */
  public static BufferedImage painted(Path pdf, int page) {
    try {
      Path to = Files.createTempFile("painted", "");
      run(
          "pdftoppm",
          "-r",
          "72",
          "-png",
          "-singlefile",
          "-cropbox",
          "-f",
          String.valueOf(page),
          pdf.toString(),
          to.toString());
      Path png = to.resolveSibling(to.getFileName() + ".png");
      BufferedImage out = ImageIO.read(png.toFile());
      Files.delete(png);
      Files.delete(to);
      return out;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
