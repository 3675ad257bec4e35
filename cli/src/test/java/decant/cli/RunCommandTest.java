package decant.cli;

import static decant.cli.Called.DEMO;
import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** {@code decant run}, as scripts call it. */
class RunCommandTest {

  @TempDir Path folder;
  private Path source;
  private Path destination;

  private Called run(String... options) {
    return Called.run(List.of("run", source.toString(), destination.toString()), options);
  }

  @BeforeEach
  void tree() throws IOException {
    source = Files.createDirectories(folder.resolve("archive"));
    destination = folder.resolve("published");
    Path notices = Files.createDirectories(source.resolve("Notices/2025"));
    Files.copy(
        DEMO.resolve("Archive/Notices/2025/Dredging 2025.docx"),
        notices.resolve("Dredging 2025.docx"));
    Files.copy(DEMO.resolve("Winter storage notice.docx"), source.resolve("Winter.docx"));
    Files.writeString(source.resolve("damaged.docx"), "PK\u0003\u0004 and no more");
    Files.createFile(source.resolve("empty.txt"));
    Files.createSymbolicLink(source.resolve("loop"), source);
  }

  private long met() throws IOException {
    try (Stream<Path> all = Files.walk(source)) {
      return all.filter(p -> Files.isRegularFile(p) || Files.isSymbolicLink(p)).count();
    }
  }

  @Test
  void everyFileIsOneEventAndTheLastOneAddsUp() throws IOException {
    Called r = run("--json", "--log", folder.resolve("log.odt").toString());
    assertThat(r.status()).isEqualTo(1); // the damaged one
    List<JsonNode> events = r.lines();
    List<JsonNode> files =
        events.stream().filter(e -> e.path("event").asText().equals("file")).toList();
    assertThat(files).hasSize((int) met());
    assertThat(files.stream().map(f -> f.path("source").asText())).doesNotHaveDuplicates();
    JsonNode end = events.getLast();
    assertThat(end.path("event").asText()).isEqualTo("end");
    assertThat(end.path("files").asInt()).isEqualTo(files.size());
    assertThat(end.path("done").asInt()).isEqualTo(2);
    assertThat(end.path("failed").asInt()).isEqualTo(1);
    assertThat(end.path("left_out").asInt()).isEqualTo(2);
    assertThat(end.path("pages").asInt()).isGreaterThan(1);
    assertThat(end.path("seconds").isNumber()).isTrue();
    for (JsonNode f : files) {
      boolean done = f.path("outcome").asText().equals("done");
      assertThat(f.path("reason").isNull()).isEqualTo(done);
      assertThat(f.path("results").size()).isEqualTo(done ? 1 : 0);
      for (JsonNode x : f.path("results")) {
        Path made = Path.of(x.path("file").asText());
        assertThat(Files.size(made)).isEqualTo(x.path("bytes").asLong());
        assertThat(x.path("verified").asBoolean()).isTrue();
        assertThat(x.path("pages").asInt()).isPositive();
      }
    }
    assertThat(destination.resolve("Notices/2025/Dredging 2025.pdf")).exists();
    assertThat(folder.resolve("log.odt")).exists();
    assertThat(folder.resolve("log.csv")).content().contains("damaged.docx");
    // Once more: nothing but what failed is tried, and the logs are ours to write anew.
    Called again = run("--json", "--log", folder.resolve("log.odt").toString());
    assertThat(again.lines().getLast().path("left_out").asInt()).isEqualTo(4);
    assertThat(again.lines().getLast().path("failed").asInt()).isEqualTo(1);
  }

  @Test
  void aPlanIsToldAndNothingIsWritten() throws IOException {
    Called r = run("--plan", "--json");
    assertThat(r.status()).isZero();
    assertThat(r.lines()).hasSize((int) met());
    assertThat(r.lines())
        .allMatch(e -> e.path("event").asText().equals("planned"))
        .allMatch(e -> e.has("source") && e.has("results") && e.has("outcome") && e.has("reason"));
    assertThat(r.lines())
        .filteredOn(e -> e.path("outcome").asText().equals("planned"))
        .extracting(e -> e.path("results").path(0).path("file").asText())
        .contains(destination.resolve("Notices/2025/Dredging 2025.pdf").toString());
    try (Stream<Path> all = Files.list(folder)) {
      assertThat(all).containsExactly(source);
    }
    Called plain = run("--plan");
    assertThat(plain.out()).contains("Dredging 2025.pdf", "left out. The file is empty.", "DOCX");
  }

  @Test
  void wrongUseIsTwoAndWhatCannotStartIsThree() throws IOException {
    assertThat(run("--kinds", "xlsx").status()).isEqualTo(2);
    assertThat(run("--changed-since", "yesterday").status()).isEqualTo(2);
    assertThat(run("--replace", "old").status()).isEqualTo(2);
    assertThat(run("--workers", "0").status()).isEqualTo(2);
    assertThat(run("--recipe", "No such recipe").status()).isEqualTo(2);
    assertThat(run("--log", folder.resolve("log.xyz").toString()).status()).isEqualTo(2);
    assertThat(run("--log", source.resolve("log.odt").toString()).status()).isEqualTo(2);
    assertThat(run("--replace", "a=b", "--pages-kept", "all").status()).isEqualTo(2);
    Path was = destination;
    destination = source.resolve("within");
    Called within = run();
    assertThat(within.status()).isEqualTo(2);
    assertThat(within.err()).contains("lie within one another");
    destination = was;
    Path there = source;
    source = folder.resolve("nowhere");
    Called gone = run();
    assertThat(gone.status()).isEqualTo(3);
    assertThat(gone.err()).contains("There is no folder");
    source = there;
    Files.writeString(folder.resolve("mine.csv"), "my own list");
    assertThat(run("--log", folder.resolve("mine.csv").toString()).status()).isEqualTo(2);
    assertThat(folder.resolve("mine.csv")).hasContent("my own list");
    assertThat(was).doesNotExist();
  }

  @Test
  void textsAreReplacedAndCounted() throws IOException {
    Called r =
        run(
            "--json",
            "--replace",
            "Saltmarsh Quay=Greywater Quay",
            "--include",
            "Winter*",
            "--set",
            "author=Greywater office");
    JsonNode done =
        r.lines().stream()
            .filter(e -> e.path("outcome").asText().equals("done"))
            .findFirst()
            .orElseThrow();
    assertThat(done.path("replaced").asInt()).isPositive();
  }

  @Test
  void allIsMergedWithABookmarkForEach() throws IOException {
    Path whole = folder.resolve("whole.pdf");
    Called r = run("--json", "--merge", whole.toString(), "--exclude", "damaged*");
    assertThat(r.status()).isZero();
    JsonNode merged =
        r.lines().stream()
            .filter(e -> e.path("event").asText().equals("merged"))
            .findFirst()
            .orElseThrow();
    assertThat(merged.path("parts").asInt()).isEqualTo(2);
    assertThat(merged.path("verified").asBoolean()).isTrue();
    assertThat(merged.path("bytes").asLong()).isEqualTo(Files.size(whole));
    try (var pdf = org.apache.pdfbox.Loader.loadPDF(whole.toFile())) {
      assertThat(pdf.getNumberOfPages()).isEqualTo(merged.path("pages").asInt());
      assertThat(pdf.getDocumentCatalog().getDocumentOutline().children())
          .extracting(i -> i.getTitle())
          .containsExactly("Winter", "Notices/2025/Dredging 2025");
    }
    assertThat(run("--merge", whole.toString(), "--recipe", "Locked copy").status()).isEqualTo(2);
  }
}
