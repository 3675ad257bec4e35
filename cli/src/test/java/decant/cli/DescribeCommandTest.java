package decant.cli;

import static decant.cli.Called.DEMO;
import static decant.cli.Called.copy;
import static decant.cli.Called.run;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** {@code decant describe}: a line for each file, whatever becomes of it. */
class DescribeCommandTest {
  @TempDir Path folder;

  @Test
  void describePrintsOneLineAFileAndGoesOnAfterABadOne() throws IOException {
    Path bad = Files.writeString(folder.resolve("bad.pdf"), "nothing");
    Called r =
        run(
            "describe",
            DEMO.resolve("Winter storage notice.docx").toString(),
            bad.toString(),
            DEMO.resolve("Berth rules.pdf").toString(),
            "--json");
    assertThat(r.status()).isEqualTo(1);
    assertThat(r.out().lines()).hasSize(3);
    assertThat(r.out().lines().toList().get(1)).contains("\"error\"", "not-a-document");
    assertThat(r.out().lines().toList().get(2)).contains("\"pages\":15");
  }

  @Test
  void aFormIsDescribedWithWhatWasFilledIn() throws IOException {
    Called r = run("describe", copy("Berth application.pdf", folder).toString(), "--json");
    assertThat(r.status()).isZero();
    assertThat(r.out()).contains("Curlew", "\"kind\":\"form\"").containsPattern("owner _{10,}");
  }

  /** Tesseract is optional: with it a wrong language is named, without it that it is missing. */
  @Test
  void recognitionThatCannotBeIsWrongUsage() throws IOException {
    Path rules = copy("Berth rules.pdf", folder);
    Called r = run("describe", rules.toString(), "--json", "--recognise", "tlh");
    assertThat(r.status()).isEqualTo(2);
    assertThat(r.err())
        .containsAnyOf("has no language “tlh”", "Tesseract is not installed, or not on the path");
    assertThat(r.out()).isEmpty();
  }

  /**
   * A file on which work does not end in time is ended with its process; those before and after it
   * have their results, each one line, in their order.
   */
  @Test
  void aFileThatTakesTooLongHarmsNoOther() throws IOException {
    Path first = copy("Winter storage notice.docx", folder);
    Path endless = folder.resolve("endless.docx");
    try (var zip = new ZipOutputStream(Files.newOutputStream(endless))) {
      zip.putNextEntry(new ZipEntry("[Content_Types].xml"));
      zip.write(
          "<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\"/>"
              .getBytes(StandardCharsets.UTF_8));
      zip.putNextEntry(new ZipEntry("_rels/.rels"));
      zip.write(
          ("<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\">"
                  + "<Relationship Id=\"r\" Type=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument\""
                  + " Target=\"word/document.xml\"/></Relationships>")
              .getBytes(StandardCharsets.UTF_8));
      zip.putNextEntry(new ZipEntry("word/document.xml"));
      zip.write(
          "<w:document xmlns:w=\"http://schemas.openxmlformats.org/wordprocessingml/2006/main\"><w:body>"
              .getBytes(StandardCharsets.UTF_8));
      byte[] some =
          "<w:p><w:r><w:t>Keep the quay clear.</w:t></w:r></w:p>"
              .repeat(10_000)
              .getBytes(StandardCharsets.UTF_8);
      for (int k = 0; k < 90; k++) {
        zip.write(some);
      }
      zip.write("</w:body></w:document>".getBytes(StandardCharsets.UTF_8));
    }
    Path last = Files.copy(first, folder.resolve("Last notice.docx"));
    Called r =
        run(
            "describe",
            "--json",
            "--time-limit",
            "6",
            first.toString(),
            endless.toString(),
            last.toString());
    assertThat(r.status()).isEqualTo(1);
    List<String> lines = r.out().lines().toList();
    assertThat(lines).hasSize(3);
    assertThat(lines.get(0)).contains("Winter storage notice.docx").contains("\"blocks\"");
    assertThat(lines.get(1)).contains("endless.docx").contains("\"too-slow\"");
    assertThat(lines.get(2)).contains("Last notice.docx").contains("\"blocks\"");
  }
}
