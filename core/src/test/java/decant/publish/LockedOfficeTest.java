package decant.publish;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.Samples;
import decant.format.Format;
import decant.format.Formats;
import decant.format.Intake;
import decant.io.Untouchable;
import decant.model.Document;
import decant.model.finding.Finding;
import decant.office.Everything;
import decant.pdf.choices.Passwords;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.recipe.Output;
import decant.recipe.PublishProblem;
import decant.recipe.Recipe;
import decant.verify.Check;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.zip.ZipFile;
import org.apache.poi.poifs.crypt.EncryptionInfo;
import org.apache.poi.poifs.crypt.EncryptionMode;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Editable documents that open only with a password. */
class LockedOfficeTest {
  private static final String PASSWORD = "high tide, 6 ö'clock";

  @TempDir Path folder;

  private final Document document = Everything.document();

  private Receipt publish(String format, String password) throws Exception {
    Output.Office o = new Output.Office(Formats.of(format).orElseThrow()).withPassword(true);
    return Publisher.publish(
        new Publisher.Order(
            Samples.layout(document),
            new Recipe("Locked", "", List.of(o)),
            folder,
            "charges",
            folder.resolve("source"),
            false,
            new Passwords(password, ""),
            Untouchable.inputs(List.of())),
        (file, done) -> {},
        () -> false);
  }

  private static TakenIn taken(Path file, String password) throws ReadProblem {
    return Intake.take(ReadRequest.of(file).withPassword(password));
  }

  @ParameterizedTest
  @ValueSource(strings = {"docx", "dotx", "odt", "ott"})
  void thePasswordOpensItAndNothingElse(String format) throws Exception {
    Receipt r = publish(format, PASSWORD);
    assertThat(r.verified()).isTrue();
    assertThat(r.files().getFirst().checks()).extracting(Check::name).contains("Lock", "Text");
    Path file = r.files().getFirst().file();
    assertThatThrownBy(() -> Intake.take(ReadRequest.of(file)))
        .isInstanceOfSatisfying(
            ReadProblem.class, p -> assertThat(p.kind()).isEqualTo(ReadProblem.Kind.ENCRYPTED));
    assertThatThrownBy(() -> taken(file, "low tide"))
        .isInstanceOfSatisfying(
            ReadProblem.class,
            p -> assertThat(p.kind()).isEqualTo(ReadProblem.Kind.WRONG_PASSWORD));
    TakenIn in = taken(file, PASSWORD);
    assertThat(Samples.text(in)).contains("Mooring charges", "goes on below");
    assertThat(in.findings()).anyMatch(f -> f.kind() == Finding.Kind.SOURCE_LOCKED);
    // No word of it is in the file.
    String bytes = new String(Files.readAllBytes(file), java.nio.charset.StandardCharsets.UTF_8);
    assertThat(bytes).doesNotContain("Mooring").doesNotContain("Harbour");
  }

  /**
   * ODF 1.3 part 2, §3.4: all parts but the type and the manifest are encrypted, none is packed.
   */
  @Test
  void partsOfAnOdtAreEachLocked() throws Exception {
    Path file = publish("odt", PASSWORD).files().getFirst().file();
    try (var zip = new ZipFile(file.toFile())) {
      assertThat(zip.stream().findFirst().orElseThrow().getName()).isEqualTo("mimetype");
      assertThat(zip.stream()).allMatch(e -> e.getMethod() == java.util.zip.ZipEntry.STORED);
      String manifest =
          new String(
              zip.getInputStream(zip.getEntry("META-INF/manifest.xml")).readAllBytes(),
              java.nio.charset.StandardCharsets.UTF_8);
      assertThat(manifest)
          .contains("aes256-cbc", "PBKDF2", "manifest:full-path=\"content.xml\"")
          .containsPattern("full-path=\"content.xml\"[^>]*manifest:size=\"\\d+\"");
      long parts = zip.stream().filter(e -> !e.getName().startsWith("META-INF/")).count() - 1;
      assertThat(manifest.split("<manifest:encryption-data", -1)).hasSize((int) parts + 1);
    }
  }

  /** What [MS-OFFCRYPTO] 2.3.4.5 has besides the way it is written in. */
  @Test
  void theOlderWayToLockIsOpenedToo() throws Exception {
    Path plain = folder.resolve("plain.docx");
    try (OutputStream out = Files.newOutputStream(plain)) {
      Formats.writer(Formats.working()).write(document, out);
    }
    Path locked = folder.resolve("older.docx");
    var info = new EncryptionInfo(EncryptionMode.standard);
    info.getEncryptor().confirmPassword(PASSWORD);
    try (var whole = new POIFSFileSystem();
        OutputStream out = Files.newOutputStream(locked)) {
      try (OutputStream in = info.getEncryptor().getDataStream(whole)) {
        Files.copy(plain, in);
      }
      whole.writeFilesystem(out);
    }
    assertThat(Samples.text(taken(locked, PASSWORD))).contains("Mooring charges");
    assertThatThrownBy(() -> taken(locked, "x"))
        .isInstanceOfSatisfying(
            ReadProblem.class,
            p -> assertThat(p.kind()).isEqualTo(ReadProblem.Kind.WRONG_PASSWORD));
  }

  /** A package that says how it is locked, and lies. */
  @Test
  void whatIsLockedOtherwiseIsTold() throws Exception {
    Path file = folder.resolve("lies.docx");
    try (var whole = new POIFSFileSystem();
        OutputStream out = Files.newOutputStream(file)) {
      byte[] said = new byte[400];
      said[0] = 4;
      said[2] = 4;
      said[4] = 0x40;
      whole.createDocument(new java.io.ByteArrayInputStream(said), "EncryptionInfo");
      whole.createDocument(new java.io.ByteArrayInputStream(new byte[5000]), "EncryptedPackage");
      whole.writeFilesystem(out);
    }
    assertThatThrownBy(() -> taken(file, PASSWORD))
        .isInstanceOfSatisfying(
            ReadProblem.class, p -> assertThat(p.kind()).isEqualTo(ReadProblem.Kind.CANNOT_UNLOCK));
  }

  @Test
  void aLockedWorkbookIsSaidToBeOneWhenItIsOpen() throws Exception {
    Path plain = folder.resolve("plain.xlsx");
    try (var zip = new java.util.zip.ZipOutputStream(Files.newOutputStream(plain))) {
      zip.putNextEntry(new java.util.zip.ZipEntry("xl/workbook.xml"));
      zip.write("<x/>".getBytes(java.nio.charset.StandardCharsets.UTF_8));
    }
    Path file = folder.resolve("locked.xlsx");
    try (OutputStream out = Files.newOutputStream(file)) {
      Formats.locker(Formats.working()).orElseThrow().lock(plain, PASSWORD, out);
    }
    assertThatThrownBy(() -> taken(file, PASSWORD)).hasMessageContaining("XLSX");
  }

  @ParameterizedTest
  @ValueSource(strings = {"doc", "rtf", "html", "txt"})
  void whatCannotBeLockedIsRefused(String format) {
    Format f = Formats.of(format).orElseThrow();
    assertThatThrownBy(() -> publish(format, PASSWORD))
        .isInstanceOf(PublishProblem.class)
        .hasMessageContaining(f.name())
        .hasMessageContaining("DOCX, ODT, DOTX and OTT can");
    assertThat(folder).isEmptyDirectory();
  }

  @Test
  void aLockNeedsAPassword() {
    assertThatThrownBy(() -> publish("docx", ""))
        .isInstanceOf(PublishProblem.class)
        .hasMessageContaining("No password was given");
    assertThat(folder).isEmptyDirectory();
  }

  @Test
  void nothingPlainIsLeftBehind() throws Exception {
    Path temporary = Path.of(System.getProperty("java.io.tmpdir"));
    long before = plain(temporary);
    publish("docx", PASSWORD);
    assertThat(plain(temporary)).isEqualTo(before);
  }

  private static long plain(Path folder) throws Exception {
    try (var all = Files.list(folder)) {
      return all.filter(f -> f.getFileName().toString().endsWith(".plain")).count();
    }
  }
}
