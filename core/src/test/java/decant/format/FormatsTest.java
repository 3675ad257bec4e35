package decant.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.Samples;
import decant.pdf.Published;
import decant.preview.LeftOut;
import decant.publish.Receipt;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.recipe.Recipe;
import decant.recipe.RecipeFile;
import decant.verify.Check;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FormatsTest {
  @TempDir Path folder;

  private String of(byte[] bytes) throws IOException {
    return Formats.recognise(Files.write(folder.resolve("wrong-name.txt"), bytes)).id();
  }

  private String zip(String entry, String content) throws IOException {
    Path file = folder.resolve("package.bin");
    try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
      zip.putNextEntry(new ZipEntry(entry));
      zip.write(content.getBytes(StandardCharsets.US_ASCII));
    }
    return Formats.recognise(file).id();
  }

  @Test
  void contentCountsAndNamesDoNot() throws IOException {
    assertThat(of(Files.readAllBytes(Samples.DEMO.resolve("Berth rules.pdf")))).isEqualTo("pdf");
    assertThat(of(Files.readAllBytes(Samples.DEMO.resolve("Winter storage notice.docx"))))
        .isEqualTo("docx");
    assertThat(of("junk before %PDF-1.4".getBytes())).isEqualTo("pdf");
    assertThat(of("{\\rtf1 x}".getBytes())).isEqualTo("rtf");
    assertThat(of("  <!DOCTYPE html><p>".getBytes())).isEqualTo("html");
    assertThat(of("<p>Pontoon 3 is closed.</p>".getBytes())).isEqualTo("html");
    assertThat(of("<h2 class=\"k\">Winter</h2>".getBytes())).isEqualTo("html");
    assertThat(of("<ul><li>Pontoon 3</ul>".getBytes())).isEqualTo("html");
    assertThat(of("<h7>3</h7>".getBytes())).isEqualTo("unknown");
    assertThat(of("<!-- of the office --><html>".getBytes())).isEqualTo("html");
    assertThat(of("<pontoon>3</pontoon>".getBytes())).isEqualTo("unknown");
    assertThat(of("plain".getBytes())).isEqualTo("txt");
    assertThat(of("pl\u0001ain".getBytes())).isEqualTo("unknown");
    assertThat(of(new byte[] {(byte) 0x89, 'P', 'N', 'G', 0})).isEqualTo("picture");
  }

  @Test
  void packagesAreToldByTheirParts() throws IOException {
    assertThat(zip("mimetype", "application/vnd.oasis.opendocument.text")).isEqualTo("odt");
    assertThat(zip("xl/workbook.xml", "<x/>")).isEqualTo("xlsx");
    assertThat(zip("ppt/presentation.xml", "<x/>")).isEqualTo("pptx");
    assertThat(zip("word/document.xml", "<x/>")).isEqualTo("docx");
    assertThat(zip("readme.txt", "x")).isEqualTo("zip");
  }

  /** All that the toy has is its class and one line that names it. */
  @Test
  void aFormatThatIsRegisteredIsServedEverywhere() throws Exception {
    Path source = Files.writeString(folder.resolve("rules.txt"), "toy!\nTie up.\nReport.");
    assertThat(Formats.recognise(source).id()).isEqualTo("toy");
    TakenIn taken = Intake.take(ReadRequest.of(source));
    assertThat(Samples.text(taken)).isEqualTo("Tie up.\nReport.");
    Recipe recipe =
        RecipeFile.read(
            "{\"decant-recipe\": 4, \"name\": \"Toy\", \"outputs\": [{\"kind\": \"office\","
                + " \"format\": \"toy\"}, {\"kind\": \"pdf\"}]}",
            "test");
    assertThat(RecipeFile.read(RecipeFile.write(recipe), "test")).isEqualTo(recipe);
    Receipt receipt =
        Samples.publish(
            Samples.layout(taken.document()), recipe, folder, source, (name, done) -> {});
    assertThat(receipt.files())
        .extracting(f -> f.file().getFileName().toString())
        .containsExactly("rules.toy", "rules.pdf");
    assertThat(receipt.files()).allMatch(f -> f.checks().stream().allMatch(Check::passed));
    assertThat(receipt.files().getFirst().format()).isEqualTo("toy");
    assertThat(Formats.byExtension("a.TOY")).contains(Formats.of("toy").orElseThrow());
    assertThat(Formats.names(Formats.takenIn()))
        .isEqualTo("Toy, PDF, DOCX, ODT, DOC, RTF, HTML and TXT");
    assertThat(LeftOut.of(Published.everything(), Formats.of("toy").orElseThrow())).isEmpty();
  }

  @Test
  void whatIsNotWrittenIsRefused() {
    assertThatThrownBy(() -> Formats.writer(Formats.pages()))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("PDF");
    assertThatThrownBy(() ->
            RecipeFile.read(
                "{\"decant-recipe\": 4, \"name\": \"x\", \"outputs\": [{\"kind\":"
                    + " \"office\", \"format\": \"pdf\"}]}",
                "test"))
        .hasMessageContaining("docx, odt, doc, rtf, html, txt, dotx, ott, dot, source");
  }

  @Test
  void everyFormatThatIsWrittenIsVerified() {
    assertThat(Formats.written()).allMatch(f -> Formats.verifier(f) != null);
    assertThat(Formats.served()).extracting(Format::id).doesNotHaveDuplicates();
    assertThat(Formats.served())
        .flatExtracting(Format::extensions)
        .doesNotHaveDuplicates()
        .allMatch(e -> e.matches("[a-z0-9]+"));
  }

  @Test
  void templatesOpen() throws Exception {
    Path notice = Samples.DEMO.resolve("Winter storage notice.docx");
    TakenIn in = Intake.take(ReadRequest.of(notice));
    List<Format> templates = new ArrayList<>(Formats.opened());
    templates.removeAll(Formats.takenIn());
    assertThat(templates).extracting(Format::id).contains("dotx", "ott");
    for (Format f : templates) {
      var out = new ByteArrayOutputStream();
      Formats.writer(f).write(in.document(), out);
      Path file = Files.write(folder.resolve("template." + f.extension()), out.toByteArray());
      assertThat(Intake.take(ReadRequest.of(file)).document().paragraphs())
          .as(f.name())
          .hasSameSizeAs(in.document().paragraphs());
    }
  }

  /** The table that a person reads is that of the registry. */
  @Test
  void theReadmeTellsOfTheseFormats() throws IOException {
    String readme = Files.readString(Path.of("..", "README.md"));
    assertThat(readme).contains(Formats.table().stream().filter(l -> !l.contains("Toy")).toList());
  }
}
