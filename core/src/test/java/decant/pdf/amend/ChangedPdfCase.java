package decant.pdf.amend;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Tool;
import decant.reading.ReadProblem;
import java.awt.Rectangle;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.IntPredicate;
import org.junit.jupiter.api.io.TempDir;

/** PDFs that are changed, checked by qpdf and painted by poppler. */
abstract class ChangedPdfCase {
  @TempDir private Path folder;

  interface Change {
    void of(PdfAmender pdf) throws IOException, ReadProblem;
  }

  static byte[] changed(byte[] source, Change change) {
    try {
      return PdfAmender.in(
          source,
          pdf -> {
            change.of(pdf);
            var out = new ByteArrayOutputStream();
            pdf.writeOnly(0, out);
            return out.toByteArray();
          });
    } catch (ReadProblem e) {
      throw new AssertionError(e);
    }
  }

  /** By poppler, one pixel a point. */
  BufferedImage painted(byte[] pdf) {
    try {
      Path file = Files.write(folder.resolve("painted.pdf"), pdf);
      Tool.Answer checked = Tool.run("qpdf", "--check", file.toString());
      assertThat(checked.status()).as(checked.output()).isZero();
      return Tool.painted(file, 1);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  static Rectangle where(BufferedImage image, IntPredicate colour) {
    Rectangle out = null;
    for (int y = 0; y < image.getHeight(); y++) {
      for (int x = 0; x < image.getWidth(); x++) {
        if (colour.test(image.getRGB(x, y) & 0xFFFFFF)) {
          var one = new Rectangle(x, y, 1, 1);
          out = out == null ? one : out.union(one);
        }
      }
    }
    return out == null ? new Rectangle() : out;
  }
}
