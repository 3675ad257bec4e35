package decant.office;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Formats;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.edit.Commands;
import decant.model.edit.Revision;
import decant.model.finding.Finding;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.office.docx.write.DocxWriter;
import decant.preview.LeftOut;
import decant.reading.TakenIn;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Changes that somebody tracked show as accepted, and stay pending (ISO/IEC 29500-1 §17.13.5). */
class TrackedChangesTest extends MadeDocx {
  private static final String WHO = "w:author=\"M. Okafor\" w:date=\"2026-03-02T09:30:00Z\"";

  private static String saved(Document d, Path file) throws IOException {
    try (OutputStream out = Files.newOutputStream(file)) {
      DocxWriter.write(d, out);
    }
    try (var zip = new ZipFile(file.toFile());
        var in = zip.getInputStream(zip.getEntry("word/document.xml"))) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  private static String run(String text) {
    return "<w:r><w:t xml:space=\"preserve\">" + text + "</w:t></w:r>";
  }

  /** All that tells of a change, each as the schema has it in its place. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "<w:p><w:r><w:t>old </w:t></w:r><w:ins w:id=\"7\" %s><w:r><w:t>new</w:t></w:r></w:ins></w:p>",
        "<w:p><w:moveTo w:id=\"7\" %s><w:r><w:t>moved</w:t></w:r></w:moveTo></w:p>",
        "<w:p><w:del w:id=\"7\" %s><w:r><w:delText>gone</w:delText></w:r></w:del></w:p>",
        "<w:p><w:pPr><w:rPr><w:ins w:id=\"7\" %s/></w:rPr></w:pPr><w:r><w:t>line</w:t></w:r></w:p>",
        "<w:p><w:pPr><w:rPr><w:del w:id=\"7\" %s/><w:b/></w:rPr></w:pPr><w:r><w:t>line</w:t></w:r></w:p>",
        "<w:p><w:r><w:rPr><w:b/><w:rPrChange w:id=\"7\" %s><w:rPr><w:i/></w:rPr></w:rPrChange></w:rPr><w:t>x</w:t></w:r></w:p>",
        "<w:p><w:pPr><w:jc w:val=\"center\"/><w:pPrChange w:id=\"7\" %s><w:pPr><w:jc w:val=\"left\"/></w:pPr></w:pPrChange></w:pPr><w:r><w:t>x</w:t></w:r></w:p>",
        "<w:tbl><w:tblPr><w:tblW w:w=\"0\" w:type=\"auto\"/></w:tblPr><w:tblGrid><w:gridCol w:w=\"900\"/></w:tblGrid><w:tr><w:trPr><w:ins w:id=\"7\" %s/></w:trPr><w:tc><w:tcPr><w:tcW w:w=\"900\" w:type=\"dxa\"/></w:tcPr><w:p/></w:tc></w:tr></w:tbl><w:p/>",
        "<w:tbl><w:tblPr><w:tblW w:w=\"0\" w:type=\"auto\"/></w:tblPr><w:tblGrid><w:gridCol w:w=\"900\"/></w:tblGrid><w:tr><w:tc><w:tcPr><w:tcW w:w=\"900\" w:type=\"dxa\"/><w:cellIns w:id=\"7\" %s/></w:tcPr><w:p/></w:tc></w:tr></w:tbl><w:p/>"
      })
  void theyStayPending(String body) throws IOException {
    Document d = read(body.formatted(WHO));
    Path file = folder.resolve("back.docx");
    String xml = saved(d, file);
    assertThat(xml.split("w:id=\"7\"", -1)).as(xml).hasSize(2);
    assertThat(xml).contains("M. Okafor", "2026-03-02T09:30:00Z");
    assertThat(DocxSchemas.errors(file)).isEmpty();
    assertThat(saved(Samples.taken(file).document(), folder.resolve("again.docx"))).isEqualTo(xml);
  }

  @Test
  void whatWasPutInShowsAndIsTold() throws IOException {
    TakenIn t =
        taken(
            "<w:p>"
                + run("The ")
                + "<w:ins w:id=\"1\" "
                + WHO
                + "><w:hyperlink w:anchor=\"a\">"
                + run("north ")
                + "</w:hyperlink></w:ins>"
                + "<w:hyperlink w:anchor=\"a\"><w:ins w:id=\"2\" "
                + WHO
                + ">"
                + run("east ")
                + "</w:ins></w:hyperlink>"
                + run("berth")
                + "</w:p>");
    assertThat(t.document().paragraphs().getFirst().text()).isEqualTo("The north east berth");
    assertThat(t.findings())
        .filteredOn(f -> f.kind() == Finding.Kind.REMARK)
        .anyMatch(f -> f.message().contains("as if it were accepted"));
    String xml = saved(t.document(), folder.resolve("back.docx"));
    assertThat(xml).containsSubsequence("<w:ins ", "north ", "</w:ins>", "<w:ins ", "east ");
    assertThat(DocxSchemas.errors(folder.resolve("back.docx"))).isEmpty();
    // The other office formats keep them pending; what has no room for them says so.
    assertThat(LeftOut.of(t.document(), Formats.older())).isEmpty();
    assertThat(LeftOut.of(t.document(), Formats.of("html").orElseThrow()))
        .contains("2 tracked changes (they go along as accepted).");
  }

  /** What is typed elsewhere is nobody else's change; a look that is set keeps the change. */
  @Test
  void editsBesideThemLeaveThemAsTheyAre() throws IOException {
    Document d =
        read(
            "<w:p>"
                + run("one ")
                + "<w:ins w:id=\"1\" "
                + WHO
                + ">"
                + run("two ")
                + "</w:ins>"
                + run("three")
                + "</w:p>");
    Paragraph p = d.paragraphs().getFirst();
    Revision r =
        Revision.of(d)
            .withSelection(
                new decant.model.Selection(
                    new decant.model.Position(p.id(), 4), new decant.model.Position(p.id(), 8)));
    Document bold = Commands.toggle(r, "Bold", TextTraits.BOLD).document();
    String xml = saved(bold, folder.resolve("bold.docx"));
    assertThat(xml).containsPattern("<w:ins [^>]*><w:r><w:rPr><w:b/>.*two ");
    Revision at =
        Revision.of(d)
            .withSelection(
                new decant.model.Selection(
                    new decant.model.Position(p.id(), 1), new decant.model.Position(p.id(), 1)));
    Document typed = Commands.insert(at, "x").document();
    Inline first = typed.paragraphs().getFirst().inlines().getFirst();
    assertThat(first.look()).isEqualTo(Look.PLAIN);
  }

  @Test
  void titlesAndDescriptionsOfTablesGoBack() throws IOException {
    Document d =
        read(
            "<w:tbl><w:tblPr><w:tblW w:w=\"0\" w:type=\"auto\"/><w:tblCaption w:val=\"Charges\"/>"
                + "<w:tblDescription w:val=\"By length\"/></w:tblPr><w:tblGrid><w:gridCol w:w=\"900\"/>"
                + "</w:tblGrid><w:tr><w:tc><w:tcPr/><w:p/></w:tc></w:tr></w:tbl><w:p/>");
    assertThat(saved(d, folder.resolve("back.docx"))).contains("Charges", "By length");
    assertThat(DocxSchemas.errors(folder.resolve("back.docx"))).isEmpty();
  }
}
