package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.finding.Finding;
import decant.reading.ReadProblem;
import decant.reading.TakenIn;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Text that a page holds but does not show (ISO 32000-1 §9.3.6, text rendering mode 3). */
class HiddenTextTest {
  @TempDir Path folder;

  private static BufferedImage scan() {
    return new BufferedImage(400, 560, BufferedImage.TYPE_BYTE_GRAY);
  }

  @Test
  void theTextOfAScanStaysBesideAStampThatShows() throws IOException, ReadProblem {
    TakenIn t =
        new DrawnPdf()
            .picture(scan(), 0, 0, 595, 842)
            .invisible(72, 200, "The charge for a berth is EUR 9300 a season.")
            .invisible(72, 214, "It is due on the first of March.")
            .text(400, 60, "RECEIVED")
            .takenIn(folder);
    assertThat(Samples.text(t))
        .contains("EUR 9300 a season")
        .contains("first of March", "RECEIVED");
    assertThat(t.findings())
        .extracting(Finding::kind)
        .doesNotContain(Finding.Kind.CONTENT_LEFT_OUT);
  }

  @Test
  void whatStandsInBothIsKeptOnce() throws IOException, ReadProblem {
    TakenIn t =
        new DrawnPdf()
            .picture(scan(), 0, 0, 595, 842)
            .invisible(72, 200, "The charge for a berth is due on the first of March.")
            .text(72, 201, "The charge for a berth is due on the first of March.")
            .takenIn(folder);
    assertThat(Samples.text(t).replace("\uFFFC", "").strip())
        .isEqualTo("The charge for a berth is due on the first of March.");
  }

  @Test
  void whatAPageHidesWithoutAPictureIsLeftOutAndTold() throws IOException, ReadProblem {
    TakenIn t =
        new DrawnPdf()
            .text(72, 100, "Berth holders keep the quay clear.")
            .invisible(72, 300, "hidden")
            .takenIn(folder);
    assertThat(Samples.text(t)).contains("quay clear").doesNotContain("hidden");
    assertThat(t.findings())
        .filteredOn(f -> f.kind() == Finding.Kind.CONTENT_LEFT_OUT)
        .singleElement()
        .satisfies(f -> assertThat(f.message()).contains("6 invisible", "page 1"));
  }
}
