package decant.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import decant.Samples;
import decant.reading.Limits;
import decant.reading.ReadProblem;
import decant.reading.ReadProblem.Kind;
import decant.reading.ReadRequest;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Whatever a person hands over is taken in, or is told to be what it is. */
class IntakeTest {
  @TempDir Path folder;

  private ReadProblem refused(Path file) {
    return catchThrowableOfType(ReadProblem.class, () -> Intake.take(ReadRequest.of(file)));
  }

  private Path file(String name, String content) throws IOException {
    return Files.write(folder.resolve(name), content.getBytes(StandardCharsets.ISO_8859_1));
  }

  private Path zip(String entry, String content) throws IOException {
    Path file = folder.resolve("some.zip");
    try (var zip = new ZipOutputStream(Files.newOutputStream(file))) {
      zip.putNextEntry(new ZipEntry(entry));
      zip.write(content.getBytes(StandardCharsets.UTF_8));
    }
    return file;
  }

  @Test
  void whatIsNoFileIsTold() throws IOException {
    assertThat(refused(folder.resolve("gone.pdf")).kind()).isEqualTo(Kind.NOT_FOUND);
    assertThat(refused(folder).kind()).isEqualTo(Kind.NOT_A_DOCUMENT);
    assertThat(refused(file("empty.pdf", "")).kind()).isEqualTo(Kind.EMPTY);
  }

  /** The name says one thing, the content another: the content holds. */
  @Test
  void theContentDecides() throws IOException, ReadProblem {
    Path named = folder.resolve("notice.pdf");
    Files.copy(Samples.DEMO.resolve("Winter storage notice.docx"), named);
    assertThat(Intake.take(ReadRequest.of(named)).origin().format()).isEqualTo("docx");
    assertThat(refused(file("picture.docx", "\u0089PNG\r\n\u001a\n")).kind())
        .isEqualTo(Kind.NOT_A_DOCUMENT);
    assertThat(refused(file("words.pdf", "plain words")).kind()).isEqualTo(Kind.NOT_A_DOCUMENT);
    assertThat(refused(zip("readme.txt", "x")).kind()).isEqualTo(Kind.NOT_A_DOCUMENT);
  }

  /** Documents of other kinds are named, so that the person knows what they hold. */
  @Test
  void otherDocumentsAreNamed() throws IOException {
    ReadProblem sheet = refused(zip("xl/workbook.xml", "<workbook/>"));
    assertThat(sheet.kind()).isEqualTo(Kind.NOT_SERVED);
    assertThat(sheet.getMessage()).contains("an XLSX workbook");
    assertThat(refused(zip("ppt/presentation.xml", "<p/>")).getMessage())
        .contains("a PPTX presentation");
    assertThat(
            refused(zip("mimetype", "application/vnd.oasis.opendocument.spreadsheet")).getMessage())
        .contains("an ODS workbook");
  }

  @Test
  void binaryDocumentsAreToldFromLockedOnes() throws IOException {
    Path old = folder.resolve("old.doc");
    Path locked = folder.resolve("locked.docx");
    for (Path p : new Path[] {old, locked}) {
      try (var fs = new POIFSFileSystem();
          OutputStream out = Files.newOutputStream(p)) {
        fs.createDocument(
            new java.io.ByteArrayInputStream(new byte[5000]),
            p == old ? "WordDocument" : "EncryptedPackage");
        fs.writeFilesystem(out);
      }
    }
    assertThat(refused(old).kind()).isEqualTo(Kind.NOT_SERVED);
    assertThat(refused(locked).kind()).isEqualTo(Kind.ENCRYPTED);
  }

  @Test
  void aFileThatIsTooLargeSaysHowLarge() throws IOException {
    Path file = Files.write(folder.resolve("large.pdf"), new byte[3_000_000]);
    Limits few = new Limits(2_000_000, 2L << 30, 400, 20_000, 400, 20_000);
    ReadProblem p =
        catchThrowableOfType(
            ReadProblem.class, () -> Intake.take(ReadRequest.of(file).withLimits(few)));
    assertThat(p.kind()).isEqualTo(Kind.TOO_LARGE);
    assertThat(p.getMessage()).contains("3").contains("2");
  }

  @Test
  void damagedFilesAreToldAndNeverThrown() throws IOException {
    byte[] whole = Files.readAllBytes(Samples.DEMO.resolve("Winter storage notice.docx"));
    for (int share = 1; share < 8; share++) {
      Path cut =
          Files.write(
              folder.resolve("cut" + share + ".docx"),
              java.util.Arrays.copyOf(whole, whole.length * share / 8));
      assertThat(refused(cut)).as("cut at " + share + "/8").isNotNull();
    }
    assertThat(refused(file("cut.pdf", "%PDF-1.7\n1 0 obj"))).isNotNull();
  }
}
