package decant.cli;

import static decant.cli.Called.DEMO;
import static decant.cli.Called.run;
import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is published, held against its source by {@code decant compare}. */
class PublishedAlikeTest {
  @TempDir Path folder;

  /** What Decant publishes says what its source says, in every format that it publishes in. */
  @Test
  void aDocumentIsLikeWhatIsPublishedOfIt() throws Exception {
    try (var all = Files.walk(DEMO)) {
      for (Path f : all.filter(p -> p.toString().endsWith(".docx")).toList()) {
        for (String format : List.of("pdf", "odt", "docx")) {
          Path to = folder.resolve("made." + format);
          Called made =
              run("publish", "--to", format, "--overwrite", "--out", to.toString(), f.toString());
          assertThat(made.status()).as(made.err()).isZero();
          Called r = run("compare", f.toString(), to.toString(), "--json");
          assertThat(r.json().get("differences")).as(f + " as " + format).isEmpty();
          assertThat(r.status()).isZero();
        }
      }
    }
  }
}
