package decant.cli;

import static decant.cli.Called.run;
import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** {@code decant compare}, by what it prints and the status it ends with. */
class CompareCommandTest {
  @TempDir Path folder;

  private static Called compare(Path a, Path b, String... more) {
    return run(List.of("compare", a.toString(), b.toString()), more);
  }

  private static String published(Path file, Path to) {
    Called r = run("publish", "--overwrite", "--out", to.toString(), file.toString());
    assertThat(r.status()).as(r.err()).isZero();
    return to.toString();
  }

  @Test
  void aProofSheetIsWrittenBesideWhatIsPrinted() throws Exception {
    Path a = Files.writeString(folder.resolve("a.txt"), "The berth is free.\n");
    Path b = folder.resolve("b.pdf");
    published(Files.writeString(folder.resolve("b.txt"), "The berth is taken.\n"), b);
    Path sheet = folder.resolve("sheet.pdf");
    Called r = compare(a, b, "--json", "--kinds", "text", "--sheet", sheet.toString());
    assertThat(r.status()).isEqualTo(1);
    assertThat(r.json().get("differences")).hasSize(1);
    try (var pdf = org.apache.pdfbox.Loader.loadPDF(sheet.toFile())) {
      assertThat(new org.apache.pdfbox.text.PDFTextStripper().getText(pdf))
          .contains("a.txt, page 1")
          .contains("b.pdf, page 1")
          .contains("text changed");
    }
    assertThat(compare(a, b, "--sheet", b.toString()).status()).isEqualTo(2);
  }

  @Test
  void whatDiffersIsOneLineOfJson() throws Exception {
    Path a = folder.resolve("a.txt");
    Path b = folder.resolve("b.txt");
    Files.writeString(a, "The berth is free.\n\nCome at noon.\n");
    Files.writeString(b, "The berth is taken.\n\nCome at noon.\n\nBring a rope.\n");
    Called r = compare(a, b, "--json");
    assertThat(r.status()).isEqualTo(1);
    JsonNode j = r.json();
    assertThat(j.fieldNames())
        .toIterable()
        .containsExactly("a", "b", "pages", "differences", "same");
    assertThat(j.get("a").asText()).isEqualTo(a.toString());
    assertThat(j.get("pages").toString()).isEqualTo("[1,1]");
    assertThat(j.get("same").asBoolean()).isFalse();
    assertThat(j.get("differences")).hasSize(2);
    assertThat(j.get("differences").get(0).toString())
        .isEqualTo(
            "{\"kind\":\"text\",\"change\":\"changed\",\"a\":{\"page\":1,\"text\":\"free.\"},"
                + "\"b\":{\"page\":1,\"text\":\"taken.\"}}");
    assertThat(j.get("differences").get(1).toString())
        .isEqualTo(
            "{\"kind\":\"text\",\"change\":\"added\",\"a\":null,"
                + "\"b\":{\"page\":1,\"text\":\"Bring a rope.\"}}");
    assertThat(compare(a, a, "--json").status()).isZero();
    assertThat(compare(a, a, "--json").json().get("same").asBoolean()).isTrue();
  }

  @Test
  void onlyTheKindsThatAreAskedForAreListed() throws Exception {
    Path a = folder.resolve("a.html");
    Path b = folder.resolve("b.html");
    Files.writeString(a, "<html><h1>Notice</h1><p>The berth is free.</p></html>");
    Files.writeString(b, "<html><h2>Notice</h2><p>The berth is taken.</p></html>");
    Called r = compare(a, b, "--json", "--kinds", "heading");
    assertThat(r.json().get("differences")).hasSize(1);
    assertThat(r.json().get("differences").get(0).get("kind").asText()).isEqualTo("heading");
    assertThat(compare(a, b, "--kinds", "colour").status()).isEqualTo(2);
    assertThat(run("compare", a.toString()).status()).isEqualTo(2);
  }

  @Test
  void aFileThatCannotBeReadIsSaidToBeSo() throws Exception {
    Path a = Files.writeString(folder.resolve("a.txt"), "The berth is free.");
    Path b = folder.resolve("missing.docx");
    Called r = compare(a, b, "--json");
    assertThat(r.status()).isEqualTo(3);
    assertThat(r.json().fieldNames()).toIterable().containsExactly("a", "b", "error");
    assertThat(r.json().get("error").get("file").asText()).isEqualTo(b.toString());
    assertThat(r.json().get("error").get("message").asText()).isNotBlank();
  }

  @Test
  void withoutJsonItIsSaidInWords() throws Exception {
    Path a = Files.writeString(folder.resolve("a.txt"), "The berth is free.");
    Path b = Files.writeString(folder.resolve("b.txt"), "The berth is taken.");
    assertThat(compare(a, b).out()).contains("free.", "taken.", "One difference");
    assertThat(compare(a, a).out()).contains("Nothing differs in what the pages show");
  }

  @Test
  void whatOfALookDiffersIsSaid() throws Exception {
    Path a = Files.writeString(folder.resolve("a.html"), "<p>The berth is free.</p>");
    Path b =
        Files.writeString(
            folder.resolve("b.html"), "<p style='text-align:center'>The berth is free.</p>");
    Called r = compare(a, b);
    assertThat(r.status()).isEqualTo(1);
    assertThat(r.out()).contains("look changed (alignment): \u201CThe berth is free.\u201D");
  }

  @Test
  void aPageThatIsTurnedIsAmongThoseOfItsKind() throws Exception {
    Path a = folder.resolve("a.pdf");
    Path b = folder.resolve("b.pdf");
    published(Files.writeString(folder.resolve("a.txt"), "The berth is free.\n"), a);
    try (var pdf = org.apache.pdfbox.Loader.loadPDF(a.toFile())) {
      pdf.getPage(0).setRotation(90);
      pdf.save(b.toFile());
    }
    Called r = compare(a, b, "--json", "--kinds", "page");
    assertThat(r.json().get("differences")).hasSize(1);
    assertThat(r.json().get("differences").get(0).get("a").get("text").asText())
        .isEqualTo("595 \u00D7 842 pt");
  }
}
