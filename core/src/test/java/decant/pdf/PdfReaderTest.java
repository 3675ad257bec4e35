package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assumptions.assumeThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import decant.Samples;
import decant.describe.Describer;
import decant.format.Intake;
import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Outline;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Table;
import decant.model.finding.Finding;
import decant.model.look.Link;
import decant.model.look.TextTraits;
import decant.reading.Limits;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class PdfReaderTest {
  private static final Path RULES = Samples.DEMO.resolve("Berth rules.pdf");

  @TempDir Path folder;

  private static List<Block> blocks(Document d) {
    return d.sections().stream().flatMap(s -> s.blocks().stream()).toList();
  }

  @Test
  void headingsComeBackWithTheirLevels() {
    List<Outline.Heading> headings = Outline.headings(Samples.demo("Berth rules.pdf").document());
    assertThat(headings.getFirst().text())
        .isEqualTo("Berth rules of the harbour of Saltmarsh Quay");
    assertThat(headings)
        .hasSize(
            90); // counted in demo/make.py's lists: 1 title, 10 chapters, 31 sections, 48 details
    for (Outline.Heading h : headings.subList(1, headings.size())) {
      String number = h.text().split(" ")[0];
      assertThat(h.level()).as(h.text()).isEqualTo(number.split("\\.").length + 1);
    }
  }

  @Test
  void tablesPicturesLinksAndRunningTextsComeBack() {
    TakenIn taken = Samples.demo("Berth rules.pdf");
    Document d = taken.document();
    Table t = (Table) blocks(d).stream().filter(b -> b instanceof Table).findFirst().orElseThrow();
    assertThat(t.rows().getFirst().cells())
        .extracting(c -> ((Paragraph) c.blocks().getFirst()).text())
        .containsExactly(
            "Length of vessel", "Summer", "Winter afloat", "Winter ashore", "Visitor, a night");
    List<Inline> inlines = d.paragraphs().stream().flatMap(p -> p.inlines().stream()).toList();
    assertThat(inlines).filteredOn(i -> i instanceof Inline.Picture).hasSize(2);
    assertThat(
            inlines.stream()
                .flatMap(i -> i.look().get(TextTraits.LINK).stream())
                .map(Link::target)
                .distinct())
        .containsExactly(
            "https://harbour.saltmarsh.example/rules", "mailto:office@saltmarsh.example");
    Section s = d.sections().getFirst();
    Paragraph header = (Paragraph) s.running().get(Section.Running.HEADER).blocks().getFirst();
    assertThat(header.text()).contains("Harbour Office of Saltmarsh Quay", "Berth rules");
    Paragraph footer = (Paragraph) s.running().get(Section.Running.FOOTER).blocks().getFirst();
    assertThat(footer.inlines())
        .anyMatch(i -> i instanceof Inline.Field f && f.kind() == Inline.Field.Kind.PAGE);
    assertThat(d.paragraphs()).noneMatch(p -> p.text().startsWith("Page "));
    assertThat(s.page().width()).isBetween(595.0, 596.0);
    assertThat(taken.findings())
        .extracting(Finding::kind)
        .contains(Finding.Kind.RUNNING_TEXT_SET_APART);
  }

  @Test
  void formFieldsAreSaidToBeBlanks() {
    TakenIn taken = Samples.demo("Berth application.pdf");
    assertThat(taken.findings()).extracting(Finding::kind).contains(Finding.Kind.FORM);
  }

  @Test
  void theSourceIsNeverWrittenTo() throws IOException {
    byte[] before = Files.readAllBytes(RULES);
    Samples.demo("Berth rules.pdf");
    assertThat(Files.readAllBytes(RULES)).isEqualTo(before);
  }

  private ReadProblem problem(ReadRequest request) {
    try {
      Intake.take(request);
      throw new AssertionError("was taken in");
    } catch (ReadProblem e) {
      return e;
    }
  }

  @Test
  void lockedFilesAskForTheirPasswordAndOpenWithIt() throws IOException, ReadProblem {
    Path locked = folder.resolve("locked.pdf");
    try (PDDocument pdf = Loader.loadPDF(RULES.toFile())) {
      var policy = new StandardProtectionPolicy("owner", "quay", new AccessPermission());
      policy.setEncryptionKeyLength(128);
      pdf.protect(policy);
      pdf.save(locked.toFile());
    }
    assertThat(problem(ReadRequest.of(locked)).kind()).isEqualTo(ReadProblem.Kind.ENCRYPTED);
    assertThat(problem(ReadRequest.of(locked).withPassword("wrong")).kind())
        .isEqualTo(ReadProblem.Kind.WRONG_PASSWORD);
    assertThat(Intake.take(ReadRequest.of(locked).withPassword("quay")).document().paragraphs())
        .isNotEmpty();
  }

  @Test
  void everyKindOfBadFileGetsAMessageOfItsOwn() throws IOException {
    Path empty = Files.createFile(folder.resolve("empty.pdf"));
    Path noise = Files.write(folder.resolve("noise.pdf"), "not a document at all".getBytes());
    Path cut =
        Files.write(folder.resolve("cut.pdf"), "%PDF-1.7\n1 0 obj << /Type /Catalog".getBytes());
    Path noPages = folder.resolve("no-pages.pdf");
    try (PDDocument pdf = new PDDocument()) {
      pdf.save(noPages.toFile());
    }
    var small = new Limits(1000, 1000, 10, 10, 10, 10);
    var seen = new ArrayList<String>();
    Map<ReadRequest, ReadProblem.Kind> cases = new HashMap<>();
    cases.put(ReadRequest.of(empty), ReadProblem.Kind.EMPTY);
    cases.put(ReadRequest.of(noise), ReadProblem.Kind.NOT_A_DOCUMENT);
    cases.put(ReadRequest.of(cut), ReadProblem.Kind.DAMAGED);
    cases.put(ReadRequest.of(noPages), ReadProblem.Kind.EMPTY);
    cases.put(ReadRequest.of(RULES).withLimits(small), ReadProblem.Kind.TOO_LARGE);
    cases.put(ReadRequest.of(folder.resolve("gone.pdf")), ReadProblem.Kind.NOT_FOUND);
    cases.put(ReadRequest.of(folder), ReadProblem.Kind.NOT_A_DOCUMENT);
    cases.forEach((request, kind) -> {
      ReadProblem p = problem(request);
      assertThat(p.kind()).as(request.file().toString()).isEqualTo(kind);
      assertThat(p.getMessage()).doesNotContain("Exception").endsWith(".");
      seen.add(p.getMessage());
    });
    assertThat(seen).doesNotHaveDuplicates();
  }

  @Test
  void readingCanBeCancelled() {
    assertThatThrownBy(() -> Intake.take(ReadRequest.of(RULES).watched((d, a) -> {}, () -> true)))
        .isInstanceOfSatisfying(
            ReadProblem.class, e -> assertThat(e.kind()).isEqualTo(ReadProblem.Kind.CANCELLED));
  }

  @Test
  void randomDamageNeverCrashes() throws IOException {
    byte[] whole = Files.readAllBytes(Samples.DEMO.resolve("Berth application.pdf"));
    long seed = 99;
    var random = new java.util.Random(seed);
    for (int k = 0; k < 60; k++) {
      byte[] bytes = whole.clone();
      for (int n = 0; n < 1 + k; n++) {
        bytes[9 + random.nextInt(bytes.length - 9)] = (byte) random.nextInt(256);
      }
      Path file = Files.write(folder.resolve("damaged.pdf"), bytes);
      try {
        assertThat(Intake.take(ReadRequest.of(file)).document()).isNotNull();
      } catch (ReadProblem e) {
        assertThat(e.getMessage()).as("seed %d, file %d", seed, k).isNotBlank();
      }
    }
  }

  @Test
  void aPageThatIsOnlyAPictureIsSaidToBeSo() throws IOException, ReadProblem {
    Path scan = folder.resolve("scan.pdf");
    try (PDDocument pdf = new PDDocument()) {
      var page = new PDPage();
      pdf.addPage(page);
      var image =
          new java.awt.image.BufferedImage(100, 130, java.awt.image.BufferedImage.TYPE_INT_RGB);
      var x = org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory.createFromImage(pdf, image);
      try (var c = new org.apache.pdfbox.pdmodel.PDPageContentStream(pdf, page)) {
        c.drawImage(x, 0, 0, 612, 792);
      }
      pdf.save(scan.toFile());
    }
    TakenIn taken = Intake.take(ReadRequest.of(scan));
    assertThat(taken.findings()).extracting(Finding::kind).contains(Finding.Kind.SCANNED_PAGE);
  }

  /**
   * The truth kept beside the project: at least 98 % of the words of every set must come back.
   * Skipped where it is not there. The full scores come from {@code ../shared/truth/score.py}.
   */
  @Test
  void wordsOfTheTruthSetAreKept() throws IOException, ReadProblem {
    Path truth = Path.of("../../shared/truth/open").toAbsolutePath().normalize();
    assumeThat(truth).isDirectory();
    var json = new ObjectMapper();
    long kept = 0;
    long all = 0;
    List<Path> files;
    try (Stream<Path> list = Files.list(truth.resolve("pdf"))) {
      files = list.sorted().toList();
    }
    for (Path pdf : files) {
      String name = pdf.getFileName().toString().replace(".pdf", "");
      TakenIn taken = Intake.take(ReadRequest.of(pdf));
      JsonNode answer =
          json.readTree(
              Describer.describe(name, taken, 1, java.util.List.of(), id -> Optional.empty()));
      Map<String, Integer> have = words(answer);
      Map<String, Integer> want =
          words(json.readTree(truth.resolve("truth/" + name + ".truth.json").toFile()));
      for (Map.Entry<String, Integer> e : want.entrySet()) {
        all += e.getValue();
        kept += Math.min(e.getValue(), have.getOrDefault(e.getKey(), 0));
      }
    }
    assertThat(files).hasSizeGreaterThanOrEqualTo(33); // the set grows
    assertThat(kept / (double) all).isGreaterThanOrEqualTo(0.98);
  }

  private static Map<String, Integer> words(JsonNode document) {
    Map<String, Integer> out = new HashMap<>();
    for (JsonNode b : document.get("blocks")) {
      var text = new StringBuilder(b.path("text").asText());
      b.path("rows")
          .forEach(r ->
              r.forEach(c ->
                  text.append(' ').append(c.isObject() ? c.path("text").asText() : c.asText())));
      for (String w :
          text.toString().toLowerCase(java.util.Locale.ROOT).split("[^\\p{L}\\p{N}]+")) {
        if (!w.isEmpty()) {
          out.merge(w, 1, Integer::sum);
        }
      }
    }
    return out;
  }
}
