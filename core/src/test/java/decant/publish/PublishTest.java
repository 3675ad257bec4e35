package decant.publish;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.Samples;
import decant.format.Formats;
import decant.io.AtomicFile;
import decant.io.Untouchable;
import decant.io.WriteProblem;
import decant.layout.Layout;
import decant.model.Document;
import decant.pdf.choices.Passwords;
import decant.recipe.Output;
import decant.recipe.PageRange;
import decant.recipe.PublishProblem;
import decant.recipe.Recipe;
import decant.recipe.RecipeBook;
import decant.verify.Check;
import decant.verify.office.DocxVerifier;
import decant.work.Cancelled;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PublishTest {
  @TempDir Path folder;

  private final Document document =
      Samples.document(Samples.heading(1, "Charges"), Samples.paragraph(Samples.PROSE.repeat(150)));
  private final Layout layout = Samples.layout(document);

  private Receipt publish(boolean overwrite, BooleanSupplier cancelled)
      throws PublishProblem, WriteProblem {
    return publish(RecipeBook.counterCopy(), overwrite, cancelled);
  }

  private Receipt publish(Recipe recipe, boolean overwrite, BooleanSupplier cancelled)
      throws PublishProblem, WriteProblem {
    var order =
        new Publisher.Order(
            layout,
            recipe,
            folder,
            "charges",
            folder.resolve("source.docx"),
            overwrite,
            Passwords.NONE,
            Untouchable.inputs(List.of(folder.resolve("source.docx"))));
    return Publisher.publish(order, (file, done) -> {}, cancelled);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "'' | 0 1 2 3 4 5 6 7 8 9",
        "1-4, 7, 9- | 0 1 2 3 6 8 9",
        "-3 | 0 1 2",
        "10 | 9",
        "3, 1, 2-3 | 0 1 2",
        "2 – 3 | 1 2"
      })
  void rangesSelectPages(String range, String pages) throws PageRange.Problem {
    List<Integer> wanted = Stream.of(pages.split(" ")).map(Integer::parseInt).toList();
    assertThat(new PageRange(range).select(10)).isEqualTo(wanted);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "11 | goes past the end; the document has 10 pages",
        "3-12 | goes past the end",
        "5-2 | runs backwards",
        "0-2 | numbered from 1",
        "x | is not a valid range",
        "1,,2 | A page is missing",
        "- | is not a valid range",
        "99999999999 | is not a valid range",
        "1 4 | is not a valid range"
      })
  void rangesThatCannotBeObeyedAreExplained(String range, String message) {
    assertThatThrownBy(() -> new PageRange(range).select(10))
        .isInstanceOf(PageRange.Problem.class)
        .hasMessageContaining(message);
  }

  @Test
  void aReceiptTellsWhatWasMadeAndVerified() throws Exception {
    Path target = folder.resolve("charges.pdf");
    Receipt whole = publish(false, () -> false);
    assertThat(whole.verified()).isTrue();
    Receipt.Made r = whole.files().getFirst();
    assertThat(r.pages()).isEqualTo(layout.pages().size()).isGreaterThan(1);
    assertThat(r.bytes()).isEqualTo(Files.size(target));
    assertThat(r.sha256()).hasSize(64);
    assertThat(r.checks())
        .extracting(c -> c.name())
        .containsExactly("Pages", "Text", "Bookmarks", "Links", "Fonts", "Pictures", "Particulars");
  }

  @Test
  void aNameThatIsTakenIsNotWrittenOverUnasked() throws Exception {
    Path target = Files.writeString(folder.resolve("charges.pdf"), "older");
    assertThatThrownBy(() -> publish(false, () -> false))
        .isInstanceOfSatisfying(
            WriteProblem.class, e -> assertThat(e.kind()).isEqualTo(WriteProblem.Kind.NAME_TAKEN));
    assertThat(target).hasContent("older");
    assertThat(AtomicFile.freeName(target).getFileName()).hasToString("charges 2.pdf");
    publish(true, () -> false);
    assertThat(Files.size(target)).isGreaterThan(1000);
  }

  @Test
  void theSourceIsNeverWrittenOver() throws IOException {
    Path source = Files.writeString(folder.resolve("source.docx"), "the original");
    assertThatThrownBy(() ->
            Publisher.workingCopy(document, source, true, Untouchable.inputs(List.of(source))))
        .isInstanceOfSatisfying(
            WriteProblem.class, e -> assertThat(e.kind()).isEqualTo(WriteProblem.Kind.IS_SOURCE));
    assertThat(source).hasContent("the original");
  }

  @Test
  void aCancelledPublishLeavesNoFile() throws IOException {
    assertThatThrownBy(() -> publish(false, () -> true)).isInstanceOf(Cancelled.class);
    try (Stream<Path> left = Files.list(folder)) {
      assertThat(left).isEmpty();
    }
  }

  @Test
  void targetsThatCannotBeWrittenSayWhy() {
    assertThatThrownBy(() ->
            Publisher.workingCopy(
                document, folder.resolve("gone/copy.docx"), false, Untouchable.inputs(List.of())))
        .isInstanceOfSatisfying(
            WriteProblem.class, e -> assertThat(e.kind()).isEqualTo(WriteProblem.Kind.FOLDER_GONE));
    Path full = folder.resolve("full.pdf");
    assertThatThrownBy(() ->
            AtomicFile.write(
                full,
                false,
                out -> {
                  out.write(1);
                  throw new IOException("No space left on device");
                }))
        .isInstanceOfSatisfying(
            WriteProblem.class, e -> assertThat(e.kind()).isEqualTo(WriteProblem.Kind.DISK_FULL));
    assertThat(full).doesNotExist();
  }

  @Test
  void aFailedWriteLeavesTheOlderFileWhole() throws IOException {
    Path target = Files.writeString(folder.resolve("copy.docx"), "older");
    assertThatThrownBy(() ->
            AtomicFile.write(
                target,
                true,
                out -> {
                  out.write("half".getBytes());
                  throw new IOException("the disk was pulled out");
                }))
        .isInstanceOf(WriteProblem.class);
    assertThat(target).hasContent("older");
    try (Stream<Path> left = Files.list(folder)) {
      assertThat(left).containsExactly(target);
    }
  }

  @Test
  void aSavedCopyIsReadBackAndCompared() throws WriteProblem {
    Receipt.Made r =
        Publisher.workingCopy(
            document, folder.resolve("copy.docx"), false, Untouchable.inputs(List.of()));
    assertThat(r.verified()).isTrue();
    Document other = Samples.document(Samples.paragraph("another text"));
    assertThat(DocxVerifier.verify(folder.resolve("copy.docx"), other))
        .filteredOn(c -> !c.passed())
        .extracting(Check::name)
        .as("all but the paper")
        .containsExactly("Text", "Headings", "Fonts and looks");
  }

  /** A picture whose bytes are gone cannot be in any file: no check can pass it. */
  private static Document unwritable() {
    var gone = decant.model.look.Media.of("image/png", new byte[] {1, 2, 3});
    return Samples.document(
        Samples.paragraph("A buoy:"), decant.pdf.Published.picture(gone, 80, 60, "a buoy"));
  }

  @Test
  void whatDoesNotPassNeverTakesThePlaceOfWhatWasThere() throws Exception {
    Document d = unwritable();
    Path docx = Files.writeString(folder.resolve("copy.docx"), "older");
    Receipt.Made saved = Publisher.workingCopy(d, docx, true, Untouchable.inputs(List.of()));
    assertThat(saved.verified()).isFalse();
    assertThat(saved.failed().orElseThrow().name()).isEqualTo("Pictures");
    assertThat(docx).hasContent("older");
    assertThat(saved.file()).hasFileName("copy (not verified).docx").exists();

    Path pdf = Files.writeString(folder.resolve("charges.pdf"), "older");
    Path doc = Files.writeString(folder.resolve("charges.doc"), "older");
    var recipe =
        new Recipe("Both", "", List.of(Output.Pdf.DEFAULT, new Output.Office(Formats.older())));
    Receipt r =
        Publisher.publish(
            new Publisher.Order(
                Samples.layout(d),
                recipe,
                folder,
                "charges",
                folder.resolve("source"),
                true,
                Passwords.NONE,
                Untouchable.inputs(List.of())),
            (file, done) -> {},
            () -> false);
    assertThat(r.verified()).isFalse();
    assertThat(r.files())
        .extracting(m -> m.file().getFileName().toString())
        .containsExactly("charges (not verified).pdf", "charges (not verified).doc");
    assertThat(pdf).hasContent("older");
    assertThat(doc).hasContent("older");
  }
}
