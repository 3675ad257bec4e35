package decant.office.odf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Formats;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.finding.Finding;
import decant.model.look.TextTraits;
import decant.office.docx.write.DocxWriter;
import decant.office.odf.write.OdtWriter;
import decant.office.pending.Pending;
import decant.preview.LeftOut;
import decant.reading.TakenIn;
import decant.verify.Check;
import decant.verify.office.DocxVerifier;
import decant.verify.office.OdtVerifier;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Changes that somebody tracked show as accepted, and stay pending (ODF 1.3 part 3, §5.5). */
class OdtChangesTest {
  private static final String SOURCE =
      """
      <?xml version="1.0"?><office:document office:version="1.3"
        office:mimetype="application/vnd.oasis.opendocument.text"
        xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0"
        xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0"
        xmlns:table="urn:oasis:names:tc:opendocument:xmlns:table:1.0"
        xmlns:dc="http://purl.org/dc/elements/1.1/"><office:body><office:text>
      <text:tracked-changes>
        <text:changed-region xml:id="ct1" text:id="ct1"><text:insertion><office:change-info>
          <dc:creator>M. Okafor</dc:creator><dc:date>2026-03-02T09:30:00</dc:date></office:change-info></text:insertion></text:changed-region>
        <text:changed-region xml:id="ct2" text:id="ct2"><text:deletion><office:change-info>
          <dc:creator>R. Ibsen</dc:creator><dc:date>2026-03-03T10:00:00</dc:date></office:change-info>
          <text:p text:style-name="Gone">by<text:s text:c="2"/>the day</text:p><text:p>or week</text:p></text:deletion></text:changed-region>
        <text:changed-region xml:id="ct3" text:id="ct3"><text:format-change><office:change-info>
          <dc:creator>M. Okafor</dc:creator><dc:date>2026-03-04T10:00:00</dc:date></office:change-info></text:format-change></text:changed-region>
      </text:tracked-changes>
      <text:p>The <text:change-start text:change-id="ct1"/>north berth</text:p>
      <text:p>is free<text:change-end text:change-id="ct1"/> now</text:p>
      <text:p>Paid<text:change text:change-id="ct2"/> in <text:change-start
        text:change-id="ct3"/>advance<text:change-end text:change-id="ct3"/>.</text:p>
      </office:text></office:body></office:document>
      """;

  @TempDir Path folder;
  private TakenIn taken;
  private Document document;

  @BeforeEach
  void read() throws Exception {
    Path file = folder.resolve("a.fodt");
    Files.writeString(file, SOURCE.strip());
    taken = Samples.taken(file);
    document = taken.document();
  }

  private static String part(Path file, String name) throws IOException {
    try (var zip = new ZipFile(file.toFile());
        var in = zip.getInputStream(zip.getEntry(name))) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  private Path odt(Document d) throws Exception {
    Path file = folder.resolve("out.odt");
    try (OutputStream out = Files.newOutputStream(file)) {
      OdtWriter.write(d, out);
    }
    assertThat(OdfValidator.errors(List.of(file))).isEmpty();
    assertThat(OdtVerifier.verify(file, d)).allMatch(Check::passed);
    return file;
  }

  private Path docx(Document d) throws IOException {
    Path file = folder.resolve("out.docx");
    try (OutputStream out = Files.newOutputStream(file)) {
      DocxWriter.write(d, out);
    }
    assertThat(DocxVerifier.verify(file, d)).allMatch(Check::passed);
    return file;
  }

  private static List<Pending> pending(Document d) {
    return Samples.pending(d).stream().distinct().toList();
  }

  private static final Pending IN =
      new Pending(Pending.Kind.PUT_IN, "M. Okafor", "2026-03-02T09:30:00", "");
  private static final Pending AWAY =
      new Pending(
          Pending.Kind.TAKEN_AWAY, "R. Ibsen", "2026-03-03T10:00:00", "by  the day\nor week");

  @Test
  void theyShowAsAcceptedAndAreTold() {
    assertThat(document.paragraphs())
        .extracting(Paragraph::text)
        .containsExactly("The north berth", "is free now", "Paid\uFFFC in advance.");
    assertThat(pending(document)).containsExactly(IN, AWAY);
    assertThat(taken.findings())
        .extracting(Finding::kind)
        .contains(Finding.Kind.REMARK, Finding.Kind.CONTENT_KEPT_UNSHOWN);
  }

  /** One that goes on over the end of a paragraph has made the paragraph too. */
  @Test
  void theyStayPending() throws Exception {
    Path file = odt(document);
    String content = part(file, "content.xml");
    assertThat(content)
        .containsSubsequence(
            "<text:tracked-changes",
            "xml:id=\"ct1\"",
            "M. Okafor",
            "or week",
            "<text:format-change>",
            "</text:tracked-changes>",
            "The <text:change-start text:change-id=\"ct1\"/>north berth</text:p>",
            "is free<text:change-end text:change-id=\"ct1\"/> now",
            "Paid<text:change text:change-id=\"ct2\"/> in ",
            "<text:change-start text:change-id=\"ct3\"/>advance<text:change-end")
        .doesNotContain("\"Gone\"");
    assertThat(pending(Samples.taken(file).document())).containsExactly(IN, AWAY);
    assertThat(part(odt(Samples.taken(file).document()), "content.xml")).isEqualTo(content);
  }

  @Test
  void theyGoIntoDocxAndBack() throws Exception {
    Path file = docx(document);
    assertThat(part(file, "word/document.xml"))
        .containsSubsequence(
            "<w:ins ", "w:author=\"M. Okafor\"", "north berth", "<w:del ", "R. Ibsen", "w:delText")
        .contains("<w:br/>");
    Document back = Samples.taken(file).document();
    assertThat(pending(back)).containsExactly(IN, AWAY);
    Document again = Samples.taken(odt(back)).document();
    assertThat(pending(again)).containsExactly(IN, AWAY);
    assertThat(again.paragraphs().getFirst().endLook().value(TextTraits.KEPT)).isNotEmpty();
    assertThat(LeftOut.of(document, Formats.of("docx").orElseThrow()))
        .noneMatch(s -> s.contains("tracked change ("));
    assertThat(LeftOut.of(document, Formats.of("html").orElseThrow()))
        .anyMatch(s -> s.contains("tracked changes ("));
  }

  /** A change that is told of twice has another name the second time. */
  @Test
  void textThatIsTakenElsewhereIsTwoChanges() throws Exception {
    Paragraph first = document.paragraphs().getFirst();
    Paragraph last = document.paragraphs().get(2);
    List<Inline> both = Stream.concat(last.inlines().stream(), first.inlines().stream()).toList();
    Document d =
        document.withSections(
            List.of(
                document.sections().getFirst().withBlocks(List.of(first, last.withInlines(both)))));
    assertThat(part(odt(d), "content.xml"))
        .contains("text:change-id=\"change1\"", "xml:id=\"change1\"");
  }

  /** What is gone from a file, or is somebody else's, is seen. */
  @Test
  void aChangeThatIsGoneIsSeen() throws Exception {
    for (String cut : List.of("M. Okafor", "or week", "<text:change text:change-id=\"ct2\"/>")) {
      Path file = odt(document);
      try (FileSystem zip = FileSystems.newFileSystem(file)) {
        Path content = zip.getPath("content.xml");
        Files.writeString(content, Files.readString(content).replace(cut, ""));
      }
      assertThat(OdtVerifier.verify(file, document))
          .filteredOn(c -> !c.passed())
          .extracting(Check::name)
          .containsExactly("Pending changes");
    }
  }

  /** Marks between paragraphs (§5.5.7) are those of the next one; after the last there is none. */
  @Test
  void marksBetweenParagraphsAreTakenIn() throws Exception {
    Path file = folder.resolve("between.fodt");
    Files.writeString(
        file,
        SOURCE
            .strip()
            .replace(
                "<text:p>Paid<text:change text:change-id=\"ct2\"/>",
                "<text:change text:change-id=\"ct2\"/><text:p>Paid")
            .replace("</office:text>", "<text:change text:change-id=\"ct2\"/></office:text>"));
    TakenIn t = Samples.taken(file);
    assertThat(t.document().paragraphs())
        .extracting(Paragraph::text)
        .containsExactly("The north berth", "is free now", "\uFFFCPaid in advance.");
    assertThat(t.findings())
        .extracting(Finding::message)
        .anyMatch(m -> m.contains("after the last paragraph"));
  }
}
