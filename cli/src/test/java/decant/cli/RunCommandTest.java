package decant.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** {@code decant run}, as scripts call it. */
class RunCommandTest {
  private static final Path DEMO = Path.of("..", "demo").toAbsolutePath().normalize();
  private static final ObjectMapper JSON = new ObjectMapper();

  @TempDir Path folder;
  private Path source;
  private Path destination;

  private record Ran(int status, String out, String err) {
    List<JsonNode> events() throws IOException {
      var all = new ArrayList<JsonNode>();
      for (String l : out.lines().toList()) {
        all.add(JSON.readTree(l));
      }
      return all;
    }
  }

  private Ran run(String... options) {
    var args = new ArrayList<>(List.of("run", source.toString(), destination.toString()));
    args.addAll(List.of(options));
    PrintStream out = System.out;
    PrintStream err = System.err;
    var o = new ByteArrayOutputStream();
    var e = new ByteArrayOutputStream();
    try {
      System.setOut(new PrintStream(o, true, StandardCharsets.UTF_8));
      System.setErr(new PrintStream(e, true, StandardCharsets.UTF_8));
      int status = Main.run(args.toArray(String[]::new));
      return new Ran(
          status, o.toString(StandardCharsets.UTF_8), e.toString(StandardCharsets.UTF_8));
    } finally {
      System.setOut(out);
      System.setErr(err);
    }
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
    Ran r = run("--json", "--log", folder.resolve("log.odt").toString());
    assertThat(r.status()).isEqualTo(1); // the damaged one
    List<JsonNode> events = r.events();
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
    Ran again = run("--json", "--log", folder.resolve("log.odt").toString());
    assertThat(again.events().getLast().path("left_out").asInt()).isEqualTo(4);
    assertThat(again.events().getLast().path("failed").asInt()).isEqualTo(1);
  }

  @Test
  void aPlanIsToldAndNothingIsWritten() throws IOException {
    Ran r = run("--plan", "--json");
    assertThat(r.status()).isZero();
    assertThat(r.events()).hasSize((int) met());
    assertThat(r.events())
        .allMatch(e -> e.path("event").asText().equals("planned"))
        .allMatch(e -> e.has("source") && e.has("results") && e.has("outcome") && e.has("reason"));
    assertThat(r.events())
        .filteredOn(e -> e.path("outcome").asText().equals("planned"))
        .extracting(e -> e.path("results").path(0).path("file").asText())
        .contains(destination.resolve("Notices/2025/Dredging 2025.pdf").toString());
    try (Stream<Path> all = Files.list(folder)) {
      assertThat(all).containsExactly(source);
    }
    Ran plain = run("--plan");
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
    Ran within = run();
    assertThat(within.status()).isEqualTo(2);
    assertThat(within.err()).contains("lie within one another");
    destination = was;
    Path there = source;
    source = folder.resolve("nowhere");
    Ran gone = run();
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
    Ran r =
        run(
            "--json",
            "--replace",
            "Saltmarsh Quay=Greywater Quay",
            "--include",
            "Winter*",
            "--set",
            "author=Greywater office");
    JsonNode done =
        r.events().stream()
            .filter(e -> e.path("outcome").asText().equals("done"))
            .findFirst()
            .orElseThrow();
    assertThat(done.path("replaced").asInt()).isPositive();
  }

  @Test
  void allIsMergedWithABookmarkForEach() throws IOException {
    Path whole = folder.resolve("whole.pdf");
    Ran r = run("--json", "--merge", whole.toString(), "--exclude", "damaged*");
    assertThat(r.status()).isZero();
    JsonNode merged =
        r.events().stream()
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
