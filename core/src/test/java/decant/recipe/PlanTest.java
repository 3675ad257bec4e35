package decant.recipe;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.Samples;
import decant.format.Formats;
import decant.io.Untouchable;
import decant.layout.Layout;
import decant.model.Block;
import decant.model.Document;
import decant.model.Metadata;
import decant.model.Paragraph;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.pdf.choices.Conformance;
import decant.pdf.choices.Enclosures;
import decant.pdf.choices.Passwords;
import decant.pdf.choices.Version;
import decant.publish.Publisher;
import decant.publish.Receipt;
import decant.publish.ReceiptJson;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What recipes come to: pages, chapters, splits and names. */
class PlanTest {
  @TempDir Path folder;

  private static final LocalDate DAY = LocalDate.of(2031, 5, 4);

  /** A title, then three chapters of two pages each; the third begins where the second ends. */
  private static Document chapters() {
    List<Block> blocks = new ArrayList<>();
    blocks.add(Samples.heading(1, "Berth rules"));
    blocks.add(chapter("Lines", true));
    blocks.add(Samples.paragraph(Samples.PROSE.repeat(50)));
    blocks.add(chapter("Charges: by day/week", true));
    blocks.add(Samples.paragraph(Samples.PROSE.repeat(50)));
    blocks.add(chapter("Notices", false));
    blocks.add(Samples.paragraph(Samples.PROSE.repeat(50)));
    return Samples.document(blocks.toArray(Block[]::new));
  }

  private static Paragraph chapter(String text, boolean onNewPage) {
    return Paragraph.of(
        Look.of(ParagraphTraits.STYLE, "Heading2")
            .with(ParagraphTraits.PAGE_BREAK_BEFORE, onNewPage),
        text);
  }

  private final Layout layout = Samples.layout(chapters());

  private Plan plan(Output... outputs) throws PublishProblem {
    return Plan.of(
        new Recipe("r", "", List.of(outputs)),
        layout,
        "rules",
        folder.resolve("rules.docx"),
        Passwords.NONE,
        DAY);
  }

  private static Output.Pdf pages(String range, List<String> chapters, PageChoice.Split split) {
    return Output.Pdf.DEFAULT.with(new PageChoice(range, chapters, split));
  }

  private static List<Integer> pagesOf(Plan p, int item) {
    return ((Plan.Item.Pdf) p.items().get(item)).choices().pages();
  }

  private static List<String> names(Plan p) {
    return p.items().stream().map(Plan.Item::name).toList();
  }

  @Test
  void chaptersHaveTheirPages() {
    assertThat(Chapters.of(layout))
        .extracting(Chapters.Chapter::text, Chapters.Chapter::from, Chapters.Chapter::to)
        .containsExactly(
            org.assertj.core.groups.Tuple.tuple("Berth rules", 0, 5),
            org.assertj.core.groups.Tuple.tuple("Lines", 1, 2),
            org.assertj.core.groups.Tuple.tuple("Charges: by day/week", 3, 4),
            // on the page where the chapter before it ends
            org.assertj.core.groups.Tuple.tuple("Notices", 4, 5));
  }

  @Test
  void tickedChaptersAreTheirPages() throws PublishProblem {
    assertThat(pagesOf(plan(pages("", List.of("notices"), PageChoice.Split.ONE_FILE)), 0))
        .containsExactly(4, 5);
    assertThat(pagesOf(plan(pages("1", List.of("Lines"), PageChoice.Split.ONE_FILE)), 0))
        .containsExactly(0, 1, 2);
    assertThatThrownBy(() -> plan(pages("", List.of("Tides"), PageChoice.Split.ONE_FILE)))
        .isInstanceOf(PublishProblem.class)
        .hasMessage("There is no heading “Tides” in this document.");
  }

  @Test
  void eachChapterIsAFileOfItsOwn() throws PublishProblem {
    Plan p =
        plan(
            pages("", List.of(), PageChoice.Split.EACH_CHAPTER)
                .withNaming("{stem} {number} {heading}"));
    assertThat(names(p))
        .containsExactly(
            "rules 0 Front pages.pdf",
            "rules 1 Lines.pdf",
            "rules 2 Charges by day week.pdf",
            "rules 3 Notices.pdf");
    assertThat(pagesOf(p, 0)).containsExactly(0);
    assertThat(pagesOf(p, 2)).containsExactly(3, 4);
  }

  @Test
  void eachPageIsAFileOfItsOwnThatSorts() throws PublishProblem {
    Plan p = plan(pages("odd", List.of(), PageChoice.Split.EACH_PAGE));
    assertThat(names(p)).containsExactly("rules 1.pdf", "rules 3.pdf", "rules 5.pdf");
    assertThat(pagesOf(p, 1)).containsExactly(2);
  }

  @Test
  void severalOutputsShareAStemAndNoName() throws PublishProblem {
    Output.Pdf archive =
        Output.Pdf.DEFAULT
            .with(
                new Conformance(
                    Conformance.Standard.A2A, true, true, Version.V1_7, Enclosures.DEFAULT))
            .withNaming("{stem} archive {date}");
    Plan p =
        plan(
            Output.Pdf.DEFAULT,
            archive,
            Output.Pdf.DEFAULT,
            new Output.Office(Formats.working(), FontsInside.NONE, false, "{stem}"));
    assertThat(names(p))
        .containsExactly("rules.pdf", "rules archive 2031-05-04.pdf", "rules 2.pdf", "rules.docx");
    // A standard asks for a title and a language, which the document says only by its text.
    Metadata said = ((Plan.Item.Pdf) p.items().get(1)).choices().metadata();
    assertThat(said.title()).isEqualTo("Berth rules");
    assertThat(said.language()).isEqualTo("en");
    Metadata usual = ((Plan.Item.Pdf) p.items().get(0)).choices().metadata();
    assertThat(usual.title()).isEqualTo("Berth rules");
    assertThat(usual.language()).isEmpty();
  }

  @Test
  void particularsAreTheDocumentsOrSetOrStripped() throws PublishProblem {
    Document d = chapters().withMetadata(new Metadata("Own", "Subject", "Author", "words", "de"));
    Layout l = Samples.layout(d);
    Path source = folder.resolve("rules.docx");
    assertThat(Plan.metadata(Output.Pdf.DEFAULT, l, source)).isEqualTo(d.metadata());
    Details some = new Details(Details.From.DOCUMENT, "Set", "", "", "", "");
    assertThat(Plan.metadata(Output.Pdf.DEFAULT.with(some), l, source))
        .isEqualTo(new Metadata("Set", "Subject", "Author", "words", "de"));
    Details none = new Details(Details.From.NOWHERE, "", "", "", "", "");
    assertThat(Plan.metadata(Output.Pdf.DEFAULT.with(none), l, source))
        .isEqualTo(new Metadata("", "", "", "", "de"));
  }

  @Test
  void particularsHaveNoControlCharacters() {
    Document d = chapters().withMetadata(new Metadata("Own\u0000 title\n", "", "A\u0007", "", ""));
    assertThat(Plan.metadata(Output.Pdf.DEFAULT, Samples.layout(d), folder.resolve("rules.docx")))
        .isEqualTo(new Metadata("Own  title", "", "A", "", ""));
  }

  @Test
  void everyFileOfARecipeIsWrittenVerifiedAndTold() throws Exception {
    Recipe r =
        new Recipe(
            "All",
            "",
            List.of(
                pages("", List.of(), PageChoice.Split.EACH_CHAPTER),
                new Output.Office(Formats.working(), FontsInside.NONE, false, "{stem} to edit")));
    Path source = Files.writeString(folder.resolve("rules.docx"), "the source");
    Receipt receipt =
        Samples.publish(
            layout, r, folder, source, (file, done) -> assertThat(done).isBetween(0.0, 1.0));
    assertThat(receipt.verified()).isTrue();
    assertThat(receipt.files()).hasSize(5).allSatisfy(f -> assertThat(f.file()).exists());
    try (PDDocument pdf = Loader.loadPDF(folder.resolve("rules 2.pdf").toFile())) {
      var first = pdf.getDocumentCatalog().getDocumentOutline().getFirstChild();
      assertThat(first.getTitle()).isEqualTo("Charges: by day/week");
    }
    String json = ReceiptJson.write(receipt);
    var tree = new com.fasterxml.jackson.databind.ObjectMapper().readTree(json);
    assertThat(tree.get("verified").asBoolean()).isTrue();
    assertThat(tree.get("files")).hasSize(5);
    assertThat(tree.get("files").get(0).get("sha256").asText()).hasSize(64);
    assertThat(tree.get("files").get(0).get("checks").get(0).get("name").asText())
        .isEqualTo("Pages");
  }

  @Test
  void aCancelledPublishOfSeveralLeavesNone() throws IOException {
    Recipe r = new Recipe("All", "", List.of(pages("", List.of(), PageChoice.Split.EACH_PAGE)));
    var asked = new java.util.concurrent.atomic.AtomicInteger();
    assertThatThrownBy(() ->
            Publisher.publish(
                new Publisher.Order(
                    layout,
                    r,
                    folder,
                    "rules",
                    folder.resolve("s"),
                    false,
                    Passwords.NONE,
                    Untouchable.inputs(List.of(folder.resolve("s")))),
                (file, done) -> {},
                () -> asked.incrementAndGet() > 12))
        .isInstanceOf(decant.work.Cancelled.class);
    try (Stream<Path> left = Files.list(folder)) {
      assertThat(left).isEmpty();
    }
  }

  @Test
  void theSourceGoesAlongWhereThatIsChosen() throws Exception {
    Path source = Files.writeString(folder.resolve("rules.docx"), "the source itself");
    Conformance k =
        new Conformance(
            Conformance.Standard.A3B,
            false,
            true,
            Version.V1_7,
            Enclosures.DEFAULT.withSource(true));
    Recipe r = new Recipe("With source", "", List.of(Output.Pdf.DEFAULT.with(k)));
    Receipt receipt = Samples.publish(layout, r, folder, source, (file, done) -> {});
    assertThat(receipt.verified()).as(ReceiptJson.write(receipt)).isTrue();
    String listed =
        decant.Tool.run("pdfdetach", "-list", folder.resolve("rules.pdf").toString()).output();
    assertThat(listed).contains("1 embedded files", "rules.docx");
    decant.Tool.run(
        "pdfdetach",
        "-save",
        "1",
        "-o",
        folder.resolve("out").toString(),
        folder.resolve("rules.pdf").toString());
    assertThat(folder.resolve("out")).hasContent("the source itself");
  }

  /** The copy for further editing is of the source's kind, where that is one to be edited. */
  @ParameterizedTest
  @CsvSource({"a.odt, a.odt", "a.fodt, a.odt", "a.docx, a.docx", "a.pdf, a.docx", "a.doc, a.docx"})
  void anOfficeCopyIsAsItsSource(String source, String made) throws Exception {
    Recipe office =
        RecipeBook.shipped().stream()
            .filter(r -> r.name().equals("Office copy"))
            .findFirst()
            .orElseThrow();
    Plan p =
        Plan.of(
            office,
            Samples.layout(Samples.document(Samples.paragraph("x"))),
            "a",
            Path.of(source),
            Passwords.NONE,
            LocalDate.of(2026, 3, 2));
    assertThat(p.items()).extracting(Plan.Item::name).containsExactly(made);
    assertThat(RecipeFile.read(RecipeFile.write(office), "test")).isEqualTo(office);
  }
}
