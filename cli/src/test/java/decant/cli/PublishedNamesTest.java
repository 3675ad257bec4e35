package decant.cli;

import static decant.cli.Called.DEMO;
import static decant.cli.Called.copy;
import static decant.cli.Called.run;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Where {@code decant publish} writes: never over what it reads, and each file under a name of its
 * own.
 */
class PublishedNamesTest {
  @TempDir Path folder;

  @Test
  void aPdfIsNeverPublishedOverItself() throws IOException {
    Path rules = copy("Berth rules.pdf", folder);
    byte[] before = Files.readAllBytes(rules);
    assertThat(run("publish", rules.toString(), "--pages", "2-3").status()).isZero();
    assertThat(folder.resolve("Berth rules published.pdf")).exists();
    assertThat(run("publish", rules.toString(), "--out", rules.toString(), "--overwrite").status())
        .isEqualTo(1);
    assertThat(Files.readAllBytes(rules)).isEqualTo(before);
  }

  private static String sha(Path file) throws IOException {
    try {
      return java.util.HexFormat.of()
          .formatHex(
              java.security.MessageDigest.getInstance("SHA-256").digest(Files.readAllBytes(file)));
    } catch (java.security.NoSuchAlgorithmException e) {
      throw new AssertionError(e);
    }
  }

  @Test
  void noInputOfACallIsEverWrittenOver() throws IOException {
    Path two = Files.createDirectories(folder.resolve("two"));
    Path pdf = Files.copy(DEMO.resolve("Berth rules.pdf"), two.resolve("letter.pdf"));
    Path docx = Files.copy(DEMO.resolve("Winter storage notice.docx"), two.resolve("letter.docx"));
    String pdfWas = sha(pdf);
    String docxWas = sha(docx);
    Called r = run("publish", pdf.toString(), docx.toString(), "--to", "docx", "--overwrite");
    assertThat(r.status()).isEqualTo(1);
    assertThat(r.err()).contains("letter.pdf: “letter.docx” is the original");
    assertThat(sha(docx)).isEqualTo(docxWas);
    assertThat(sha(pdf)).isEqualTo(pdfWas);
    // Nor through a link, whatever it is called.
    Path other = Files.createDirectories(folder.resolve("other"));
    Files.createSymbolicLink(other.resolve("letter.docx"), docx);
    Called linked =
        run(
            "publish",
            pdf.toString(),
            docx.toString(),
            "--to",
            "docx",
            "--overwrite",
            "--out",
            other.toString());
    assertThat(linked.status()).isEqualTo(1);
    assertThat(sha(docx)).isEqualTo(docxWas);
  }

  @Test
  void ofManySourcesThatGiveOneNameEachGetsItsNumber() throws IOException {
    Path out = Files.createDirectories(folder.resolve("out"));
    var call = new ArrayList<>(List.of("publish", "--to", "txt", "--out", out.toString()));
    for (String name : List.of("a", "b", "c", "d")) {
      Path in = Files.createDirectories(folder.resolve(name)).resolve("notice.html");
      call.add(Files.writeString(in, "<p>Pontoon " + name + " is closed.</p>").toString());
    }
    Called r = run(call.toArray(String[]::new));
    assertThat(r.status()).as(r.err()).isZero();
    assertThat(Files.readString(out.resolve("notice.txt"))).contains("Pontoon a");
    assertThat(Files.readString(out.resolve("notice (2).txt"))).contains("Pontoon b");
    assertThat(Files.readString(out.resolve("notice (3).txt"))).contains("Pontoon c");
    assertThat(Files.readString(out.resolve("notice (4).txt"))).contains("Pontoon d");
  }

  @Test
  void ofTwoSourcesThatGiveOneNameTheSecondGetsANumber() throws IOException {
    Path a = Files.createDirectories(folder.resolve("a"));
    Path b = Files.createDirectories(folder.resolve("b"));
    Path out = Files.createDirectories(folder.resolve("out"));
    Path first = Files.copy(DEMO.resolve("Winter storage notice.docx"), a.resolve("x.docx"));
    Path second = Files.copy(DEMO.resolve("Berth application.pdf"), b.resolve("x.pdf"));
    for (int k = 0; k < 2; k++) {
      Called r =
          run(
              "publish",
              first.toString(),
              second.toString(),
              "--out",
              out.toString(),
              "--overwrite");
      assertThat(r.err()).as("nothing is lost of either").isBlank();
      assertThat(r.status()).isZero();
      assertThat(r.out()).contains("x.pdf", "x (2).pdf");
    }
    try (var pdf = org.apache.pdfbox.Loader.loadPDF(out.resolve("x.pdf").toFile());
        var form = org.apache.pdfbox.Loader.loadPDF(out.resolve("x (2).pdf").toFile())) {
      assertThat(pdf.getDocumentCatalog().getAcroForm()).isNull();
      assertThat(form.getDocumentCatalog().getAcroForm()).as("in the order given").isNotNull();
    }
    try (var files = Files.list(out)) {
      assertThat(files).hasSize(2);
    }
  }
}
