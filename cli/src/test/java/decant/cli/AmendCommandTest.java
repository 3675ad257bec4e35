package decant.cli;

import static decant.cli.Called.DEMO;
import static decant.cli.Called.run;
import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** {@code decant amend}, by what it prints, writes and ends with. */
class AmendCommandTest {
  @TempDir private Path folder;
  private Path source;

  @BeforeEach
  void rules() throws Exception {
    source = Files.copy(DEMO.resolve("Berth rules.pdf"), folder.resolve("Berth rules.pdf"));
  }

  private Called amend(String... more) {
    return run(List.of("amend", source.toString()), more);
  }

  private static String text(Path pdf) throws Exception {
    try (PDDocument d = Loader.loadPDF(pdf.toFile())) {
      return new PDFTextStripper().getText(d);
    }
  }

  private static long count(String text, String word) {
    return java.util.regex.Pattern.compile("\\b" + word + "\\b").matcher(text).results().count();
  }

  @Test
  void wordsAreChangedInAFileBesideTheSource() throws Exception {
    byte[] before = Files.readAllBytes(source);
    String was = text(source);
    Called r = amend("--replace", "berth=place", "--json");
    JsonNode j = r.json();
    assertThat(r.status()).as(r.out()).isZero();
    assertThat(j.get("file").asText()).isEqualTo(source.toString());
    Path out = Path.of(j.get("out").asText());
    assertThat(out).isEqualTo(folder.resolve("Berth rules amended.pdf"));
    assertThat(j.get("changed").asLong()).isEqualTo(count(was, "berth")).isPositive();
    assertThat(j.get("left")).isEmpty();
    assertThat(count(text(out), "berth")).isZero();
    assertThat(count(text(out), "place")).isEqualTo(count(was, "berth") + count(was, "place"));
    assertThat(Files.readAllBytes(source)).isEqualTo(before);
    // The name is taken now, and what has it is not written over.
    Called again = amend("--replace", "berth=place", "--json");
    assertThat(again.json().get("out").asText()).isNotEqualTo(out.toString());
  }

  @Test
  void otherPagesThanThoseAskedForStay() throws Exception {
    Path out = folder.resolve("second.pdf");
    Called r = amend("--replace", "berth=place", "--page", "2", "--out", out.toString());
    assertThat(r.status()).as(r.out()).isZero();
    try (PDDocument was = Loader.loadPDF(source.toFile());
        PDDocument is = Loader.loadPDF(out.toFile())) {
      for (int p = 1; p <= was.getNumberOfPages(); p++) {
        var s = new PDFTextStripper();
        s.setStartPage(p);
        s.setEndPage(p);
        assertThat(s.getText(is).equals(s.getText(was))).as("page %d", p).isEqualTo(p != 2);
      }
    }
  }

  @Test
  void whatIsNowhereChangesNothing() throws Exception {
    Called r = amend("--replace", "submarine=boat", "--json");
    assertThat(r.status()).isEqualTo(1);
    assertThat(r.json().get("changed").asInt()).isZero();
    assertThat(r.json().get("out").isNull()).isTrue();
    try (var all = Files.list(folder)) {
      assertThat(all).containsExactly(source);
    }
    assertThat(amend("--replace", "submarine=boat").out()).contains("not found");
  }

  @ParameterizedTest
  @ValueSource(strings = {"berth", "=place", " =place", "\\=place"})
  void whatIsNoPairIsWrongUsage(String pair) {
    assertThat(amend("--replace", pair).status()).isEqualTo(2);
  }

  @Test
  void theSourceIsNeverWrittenOver() throws Exception {
    byte[] before = Files.readAllBytes(source);
    assertThat(amend("--replace", "berth=place", "--out", source.toString()).status()).isEqualTo(2);
    Path link = Files.createSymbolicLink(folder.resolve("link.pdf"), source);
    assertThat(amend("--replace", "berth=place", "--out", link.toString()).status()).isEqualTo(2);
    assertThat(Files.readAllBytes(source)).isEqualTo(before);
    assertThat(amend("--replace", "berth=place", "--page", "99").status()).isEqualTo(2);
  }

  @Test
  void theFirstSignPartsAndOneThatIsMeantStandsAfterABackslash() throws Exception {
    Path out = folder.resolve("sign.pdf");
    Called r = amend("--replace", "berth=a\\=b=c", "--out", out.toString());
    assertThat(r.status()).as(r.out()).isZero();
    assertThat(text(out)).contains("a=b=c");
  }

  @Test
  void theVersionBeforeStaysInsideIfItIsAskedFor() throws Exception {
    byte[] before = Files.readAllBytes(source);
    Path out = folder.resolve("both.pdf");
    Called r = amend("--replace", "berth=place", "--keep-old", "--out", out.toString());
    assertThat(r.status()).as(r.out()).isZero();
    assertThat(java.util.Arrays.copyOf(Files.readAllBytes(out), before.length)).isEqualTo(before);
    assertThat(count(text(out), "berth")).isZero();
    // A locked file has no room for what it was.
    try (PDDocument pdf = Loader.loadPDF(before)) {
      var rights = new org.apache.pdfbox.pdmodel.encryption.AccessPermission();
      pdf.protect(
          new org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy("o", "", rights));
      pdf.save(source.toFile());
    }
    Called locked = amend("--replace", "berth=place", "--keep-old", "--json");
    assertThat(locked.status()).isEqualTo(3);
    assertThat(locked.json().get("error").get("message").asText()).contains("--keep-old");
  }

  @Test
  void whatCannotBeReadIsSaid() throws Exception {
    Files.writeString(source, "%PDF-1.7 and nothing of one");
    Called r = amend("--replace", "a=b", "--json");
    assertThat(r.status()).isEqualTo(3);
    assertThat(r.json().get("file").asText()).isEqualTo(source.toString());
    assertThat(r.json().get("error").get("kind").asText()).isEqualTo("damaged");
    source = folder.resolve("not there.pdf");
    assertThat(amend("--replace", "a=b", "--json").json().get("error").get("kind").asText())
        .isEqualTo("not-found");
    source = Files.writeString(folder.resolve("note.txt"), "a note");
    Called text = amend("--replace", "note=letter", "--json");
    assertThat(text.status()).isEqualTo(3);
    assertThat(text.json().get("error").get("kind").asText()).isEqualTo("not-served");
  }
}
