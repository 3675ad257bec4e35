package decant.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class MainTest {
  private static final Path DEMO = Path.of("..", "demo").toAbsolutePath().normalize();

  @TempDir Path folder;

  private record Run(int status, String out, String err) {}

  private static Run run(String... args) {
    PrintStream out = System.out;
    PrintStream err = System.err;
    var o = new ByteArrayOutputStream();
    var e = new ByteArrayOutputStream();
    try {
      System.setOut(new PrintStream(o, true, StandardCharsets.UTF_8));
      System.setErr(new PrintStream(e, true, StandardCharsets.UTF_8));
      int status = Main.run(args);
      return new Run(
          status, o.toString(StandardCharsets.UTF_8), e.toString(StandardCharsets.UTF_8));
    } finally {
      System.setOut(out);
      System.setErr(err);
    }
  }

  private Path copy(String name) throws IOException {
    return Files.copy(DEMO.resolve(name), folder.resolve(name));
  }

  @Test
  void publishingMakesAVerifiedPdfBesideTheSource() throws IOException {
    Path notice = copy("Winter storage notice.docx");
    Run r = run("publish", notice.toString());
    assertThat(r.status()).isZero();
    assertThat(r.out()).contains("Winter storage notice.pdf", "verified").doesNotContain("NOT");
    assertThat(folder.resolve("Winter storage notice.pdf")).exists();
    Run again = run("publish", notice.toString());
    assertThat(again.status()).isEqualTo(1);
    assertThat(again.err()).contains("already exists");
    assertThat(run("publish", notice.toString(), "--overwrite").status()).isZero();
  }

  @Test
  void aPdfIsNeverPublishedOverItself() throws IOException {
    Path rules = copy("Berth rules.pdf");
    byte[] before = Files.readAllBytes(rules);
    assertThat(run("publish", rules.toString(), "--pages", "2-3").status()).isZero();
    assertThat(folder.resolve("Berth rules published.pdf")).exists();
    assertThat(run("publish", rules.toString(), "--out", rules.toString(), "--overwrite").status())
        .isEqualTo(1);
    assertThat(Files.readAllBytes(rules)).isEqualTo(before);
  }

  @Test
  void docxIsMadeFromPdf() throws IOException {
    Path rules = copy("Berth rules.pdf");
    assertThat(
            run(
                    "publish",
                    rules.toString(),
                    "--to",
                    "docx",
                    "--out",
                    folder.resolve("x.docx").toString())
                .status())
        .isZero();
    assertThat(run("describe", folder.resolve("x.docx").toString(), "--json").out())
        .contains("\"heading\"", "Mooring charges");
  }

  @Test
  void describePrintsOneLineAFileAndGoesOnAfterABadOne() throws IOException {
    Path bad = Files.writeString(folder.resolve("bad.pdf"), "nothing");
    Run r =
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
  void wrongUsageIsStatusTwo() {
    assertThat(run().status()).isEqualTo(2);
    assertThat(run("publish").status()).isEqualTo(2);
    assertThat(run("describe", "x.pdf").status()).isEqualTo(2);
    assertThat(run("publish", "a.pdf", "--to", "tiff").status()).isEqualTo(2);
    assertThat(run("publish", "a.pdf", "b.pdf", "--out", "one.pdf").status()).isEqualTo(2);
    assertThat(run("publish", "--help").status()).isZero();
    assertThat(run("--help").out()).contains("publish", "describe");
  }

  @Test
  void aRecipeIsFollowedAndItsReceiptPrinted() throws IOException {
    Path notice = copy("Winter storage notice.docx");
    Path recipe =
        Files.writeString(
            folder.resolve("two.json"),
            """
            {"decant-recipe": 2, "name": "Two", "outputs": [
              {"kind": "pdf", "naming": "{stem} first", "pages": {"range": "1"}},
              {"kind": "docx", "naming": "{stem} to edit"}]}
            """);
    Run r = run("publish", notice.toString(), "--recipe", recipe.toString(), "--receipt");
    assertThat(r.status()).as(r.err()).isZero();
    var receipt = new com.fasterxml.jackson.databind.ObjectMapper().readTree(r.out());
    assertThat(receipt.get("recipe").asText()).isEqualTo("Two");
    assertThat(receipt.get("files")).hasSize(2);
    assertThat(receipt.get("files").get(0).get("pages").asInt()).isEqualTo(1);
    assertThat(folder.resolve("Winter storage notice first.pdf")).exists();
    assertThat(folder.resolve("Winter storage notice to edit.docx")).exists();
  }

  @Test
  void aLockedCopyTakesItsPasswordFromAFile() throws IOException {
    Path notice = copy("Winter storage notice.docx");
    Run without = run("publish", notice.toString(), "--recipe", "locked copy");
    assertThat(without.status()).isEqualTo(1);
    assertThat(without.err()).contains("Enter the password");
    Path secret = Files.writeString(folder.resolve("secret.txt"), "high tide\n");
    Run with =
        run(
            "publish",
            notice.toString(),
            "--recipe",
            "Locked copy",
            "--change-password-file",
            secret.toString());
    assertThat(with.status()).as(with.err()).isZero();
    String raw =
        Files.readString(
            folder.resolve("Winter storage notice.pdf"),
            java.nio.charset.StandardCharsets.ISO_8859_1);
    assertThat(raw).contains("/Encrypt").doesNotContain("high tide");
  }

  @Test
  void recipesThatCannotBeUsedAreWrongUsage() throws IOException {
    Run unknown = run("publish", "a.pdf", "--recipe", "Nonesuch");
    assertThat(unknown.status()).isEqualTo(2);
    assertThat(unknown.err()).contains("There is no recipe “Nonesuch”", "Counter copy");
    Path bad = Files.writeString(folder.resolve("bad.json"), "{\"decant-recipe\": 2}");
    Run broken = run("publish", "a.pdf", "--recipe", bad.toString());
    assertThat(broken.status()).isEqualTo(2);
    assertThat(broken.err()).contains("has no \"name\"");
    assertThat(run("publish", "a.pdf", "--recipe", "Light copy", "--to", "pdf").status())
        .isEqualTo(2);
  }

  @Test
  void aWrongRangeIsExplained() {
    Run r =
        run(
            "publish",
            DEMO.resolve("Berth rules.pdf").toString(),
            "--pages",
            "3-99",
            "--out",
            folder.toString());
    assertThat(r.status()).isEqualTo(1);
    assertThat(r.err()).contains("goes past the end");
  }

  @Test
  void aFormIsDescribedWithWhatWasFilledIn() throws IOException {
    Run r = run("describe", copy("Berth application.pdf").toString(), "--json");
    assertThat(r.status()).isZero();
    assertThat(r.out()).contains("Curlew", "\"kind\":\"form\"").containsPattern("owner _{10,}");
  }

  /** Tesseract is optional: with it a wrong language is named, without it that it is missing. */
  @Test
  void recognitionThatCannotBeIsWrongUsage() throws IOException {
    Path rules = copy("Berth rules.pdf");
    Run r = run("describe", rules.toString(), "--json", "--recognise", "tlh");
    assertThat(r.status()).isEqualTo(2);
    assertThat(r.err())
        .containsAnyOf("has no language “tlh”", "Tesseract is not installed, or not on the path");
    assertThat(r.out()).isEmpty();
  }
}
