package decant.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What compound files ([MS-CFB]) are told by: the streams at their top. */
class CompoundContentTest {
  @TempDir Path folder;

  private interface Making {
    void make(POIFSFileSystem into) throws IOException;
  }

  private FileContent made(Making making) throws IOException {
    Path file = folder.resolve("made.doc");
    try (var compound = new POIFSFileSystem()) {
      making.make(compound);
      try (var out = Files.newOutputStream(file)) {
        compound.writeFilesystem(out);
      }
    }
    return FileContent.of(file);
  }

  private static ByteArrayInputStream bytes(int n) {
    return new ByteArrayInputStream(new byte[n]);
  }

  /** The directory may stand after megabytes of content. */
  @Test
  void aStreamIsFoundWhereverTheDirectoryStands() throws IOException {
    FileContent c =
        made(into -> {
          into.createDocument(bytes(3 << 20), "Data");
          into.createDocument(bytes(10), "WordDocument");
        });
    assertThat(c.hasStream("WordDocument")).isTrue();
    assertThat(c.hasStream("Workbook")).isFalse();
  }

  /** [MS-CFB] 2.6.4: names differ by more than the case of their letters. */
  @Test
  void theCaseOfLettersDoesNotMatter() throws IOException {
    assertThat(
            made(into -> into.createDocument(bytes(10), "WORDDOCUMENT")).hasStream("WordDocument"))
        .isTrue();
  }

  /** A workbook that encloses a document is none. */
  @Test
  void whatIsEnclosedDoesNotCount() throws IOException {
    FileContent c =
        made(into -> {
          into.createDocument(bytes(10), "Workbook");
          into.createDirectory("MBD01").createDocument("WordDocument", bytes(10));
        });
    assertThat(c.hasStream("WordDocument")).isFalse();
  }

  @Test
  void aDamagedOneHasNone() throws IOException {
    Path file = folder.resolve("damaged.doc");
    made(into -> into.createDocument(bytes(10), "WordDocument"));
    Files.write(file, java.util.Arrays.copyOf(Files.readAllBytes(folder.resolve("made.doc")), 600));
    FileContent c = FileContent.of(file);
    assertThat(c.isCompound()).isTrue();
    assertThat(c.hasStream("WordDocument")).isFalse();
    assertThatThrownBy(() -> Intake.take(ReadRequest.of(file)))
        .isInstanceOfSatisfying(
            ReadProblem.class, p -> assertThat(p.kind()).isEqualTo(ReadProblem.Kind.DAMAGED));
  }
}
