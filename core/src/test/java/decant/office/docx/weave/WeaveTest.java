package decant.office.docx.weave;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Document;
import decant.model.edit.AnyEdit;
import decant.model.edit.Revision;
import decant.office.DocxSchemas;
import decant.office.Everything;
import decant.office.docx.write.DocxWriter;
import decant.office.source.Ways;
import decant.verify.office.DocxVerifier;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Random edits, woven into the package that the document came in. */
class WeaveTest {
  private static final int ROUNDS = 12;

  @TempDir Path folder;

  private Optional<Map<String, byte[]>> woven(Path source, Document d) throws IOException {
    return new Woven(
            new Ways(
                "docx",
                request -> Samples.taken(request.file()).document(),
                DocxWriter::write,
                DocxVerifier::verify),
            false)
        .into(Files.readAllBytes(source), d, DocxWriter.parts(d, false));
  }

  private Path everything() throws IOException {
    Path file = folder.resolve("everything.docx");
    try (OutputStream out = Files.newOutputStream(file)) {
      DocxWriter.write(Everything.document(), out);
    }
    return file;
  }

  /**
   * What is woven says the same as the document alone when it is read back, which {@link Woven}
   * sees to itself; here, that it hardly ever has to give the source up for it.
   */
  @ParameterizedTest
  @ValueSource(ints = {1, 2, 3})
  void nearlyAllThatCanBeDoneGoesIntoTheSource(int seed) throws IOException {
    int all = 0;
    int done = 0;
    for (Path source :
        new Path[] {Samples.DEMO.resolve("Winter storage notice.docx"), everything()}) {
      Document d = Samples.taken(source).document();
      var random = new Random(seed);
      for (int round = 0; round < ROUNDS; round++) {
        Revision r = Revision.of(d);
        for (int k = 0; k < 1 + round; k++) {
          r = AnyEdit.of(r, random);
        }
        Optional<Map<String, byte[]>> parts = woven(source, r.document());
        all++;
        if (parts.isPresent()) {
          done++;
          Path file = folder.resolve("woven.docx");
          try (OutputStream out = Files.newOutputStream(file)) {
            DocxWriter.pack(parts.get(), out);
          }
          assertThat(DocxSchemas.errors(file)).isEmpty();
        }
      }
    }
    assertThat(done).isGreaterThanOrEqualTo(all - 2);
  }

  @ParameterizedTest
  @ValueSource(strings = {"Winter storage notice.docx"})
  void whatWasNotTouchedIsTheSourceByteForByte(String name) throws IOException {
    Path source = Samples.DEMO.resolve(name);
    Map<String, byte[]> parts = woven(source, Samples.taken(source).document()).orElseThrow();
    try (var zip = new java.util.zip.ZipFile(source.toFile())) {
      for (var e : java.util.Collections.list(zip.entries())) {
        assertThat(parts.get(e.getName()))
            .as(e.getName())
            .isEqualTo(zip.getInputStream(e).readAllBytes());
      }
    }
  }
}
