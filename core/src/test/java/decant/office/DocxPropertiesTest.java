package decant.office;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.label.ListLabels;
import decant.model.Document;
import decant.model.NodeId;
import decant.office.docx.write.DocxWriter;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a DOCX says of itself, and of its text, beside what pages show. */
class DocxPropertiesTest extends MadeDocx {
  @TempDir Path place;

  private static String part(Path file, String name) throws IOException {
    try (var zip = new ZipFile(file.toFile())) {
      ZipEntry e = zip.getEntry(name);
      return e == null
          ? ""
          : new String(zip.getInputStream(e).readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  private Path saved(Document d) throws IOException {
    Path out = place.resolve("saved.docx");
    try (OutputStream o = Files.newOutputStream(out)) {
      DocxWriter.write(d, o);
    }
    return out;
  }

  private static void wellFormed(String xml) throws Exception {
    DocumentBuilderFactory.newDefaultNSInstance()
        .newDocumentBuilder()
        .parse(new ByteArrayInputStream(xml.getBytes(StandardCharsets.UTF_8)));
  }

  /** ISO/IEC 29500-1 §22.2 and 22.3, -2 §8.3. */
  @Test
  void propertiesOfAllKindsGoBackUnlessTheyAreNoLongerTrue() throws Exception {
    Path source = place.resolve("source.docx");
    try (var from = new ZipFile(Samples.DEMO.resolve("Winter storage notice.docx").toFile());
        var to = new ZipOutputStream(Files.newOutputStream(source))) {
      for (ZipEntry e : java.util.Collections.list(from.entries())) {
        if (!e.getName().startsWith("docProps/")) {
          to.putNextEntry(new ZipEntry(e.getName()));
          to.write(from.getInputStream(e).readAllBytes());
        }
      }
      String types = "http://schemas.openxmlformats.org/officeDocument/2006/";
      to.putNextEntry(new ZipEntry("docProps/custom.xml"));
      to.write(
          ("<Properties xmlns=\""
                  + types
                  + "custom-properties\" xmlns:vt=\""
                  + types
                  + "docPropsVTypes\"><property fmtid=\"{D5CDD505-2E9C-101B-9397-08002B2CF9AE}\""
                  + " pid=\"2\" name=\"Berth\"><vt:lpwstr>North 7</vt:lpwstr></property></Properties>")
              .getBytes(StandardCharsets.UTF_8));
      to.putNextEntry(new ZipEntry("docProps/app.xml"));
      to.write(
          ("<Properties xmlns=\""
                  + types
                  + "extended-properties\"><Company>Harbour office</Company><Pages>99</Pages>"
                  + "<Application>Another</Application></Properties>")
              .getBytes(StandardCharsets.UTF_8));
      to.putNextEntry(new ZipEntry("docProps/core.xml"));
      to.write(
          ("<cp:coreProperties xmlns:cp=\"http://schemas.openxmlformats.org/package/2006/metadata/core-properties\""
                  + " xmlns:dc=\"http://purl.org/dc/elements/1.1/\" xmlns:dcterms=\"http://purl.org/dc/terms/\""
                  + " xmlns:xsi=\"http://www.w3.org/2001/XMLSchema-instance\"><dc:title>Old</dc:title>"
                  + "<cp:category>Notices</cp:category><dcterms:created xsi:type=\"dcterms:W3CDTF\">"
                  + "2019-05-01T08:00:00Z</dcterms:created></cp:coreProperties>")
              .getBytes(StandardCharsets.UTF_8));
    }
    Document d = Samples.taken(source).document();
    Path file = saved(d);
    assertThat(part(file, "docProps/custom.xml")).contains("North 7");
    assertThat(part(file, "docProps/app.xml"))
        .contains("Harbour office")
        .doesNotContain("99", "Another");
    wellFormed(part(file, "docProps/app.xml"));
    assertThat(part(file, "docProps/core.xml")).contains("Notices", "2019-05-01T08:00:00Z");
    wellFormed(part(file, "docProps/core.xml"));
    assertThat(part(file, "_rels/.rels")).contains("custom-properties", "extended-properties");
    assertThat(part(file, "[Content_Types].xml")).contains("/docProps/custom.xml");
    assertThat(part(saved(Samples.taken(file).document()), "docProps/custom.xml"))
        .contains("North 7");
  }

  /** §17.9.23: readers find the level of a numbered style by the style that the level names. */
  @Test
  void levelsNameTheStylesThatAreNumberedByThem() throws Exception {
    String level =
        "<w:lvl w:ilvl=\"%d\"><w:start w:val=\"1\"/><w:numFmt w:val=\"decimal\"/>"
            + "<w:pStyle w:val=\"%s\"/><w:lvlText w:val=\"%s\"/></w:lvl>";
    with(
        "numbering",
        "numbering",
        "<w:numbering "
            + ROOT
            + "><w:abstractNum w:abstractNumId=\"0\">"
            + level.formatted(0, "H1", "%1")
            + level.formatted(1, "H2", "%1.%2")
            + "</w:abstractNum><w:num w:numId=\"1\"><w:abstractNumId w:val=\"0\"/></w:num></w:numbering>");
    styles(
        "<w:style w:type=\"paragraph\" w:styleId=\"H1\"><w:name w:val=\"heading 1\"/><w:pPr><w:numPr>"
            + "<w:numId w:val=\"1\"/></w:numPr></w:pPr></w:style>"
            + "<w:style w:type=\"paragraph\" w:styleId=\"H2\"><w:name w:val=\"heading 2\"/><w:pPr><w:numPr>"
            + "<w:numId w:val=\"1\"/></w:numPr></w:pPr></w:style>");
    String p = "<w:p><w:pPr><w:pStyle w:val=\"%s\"/></w:pPr><w:r><w:t>x</w:t></w:r></w:p>";
    Document d = read(p.formatted("H1") + p.formatted("H2"));
    assertThat(labels(d)).containsExactly("1", "1.1");
    Path file = saved(d);
    assertThat(part(file, "word/numbering.xml"))
        .contains("<w:pStyle w:val=\"H1\"/>", "<w:pStyle w:val=\"H2\"/>");
    assertThat(DocxSchemas.errors(file)).isEmpty();
    assertThat(labels(Samples.taken(file).document())).containsExactly("1", "1.1");
  }

  private static List<String> labels(Document d) {
    Map<NodeId, String> all = ListLabels.of(d);
    return d.paragraphs().stream().map(p -> all.getOrDefault(p.id(), "")).toList();
  }

  /** §17.3.2.30: what runs from right to left says so. */
  @Test
  void textFromRightToLeftSaysSo() throws Exception {
    Document d =
        read(
            "<w:p><w:r><w:t xml:space=\"preserve\">Quay </w:t></w:r><w:r><w:rPr><w:rtl/></w:rPr>"
                + "<w:t>رصيف</w:t></w:r></w:p>");
    Path file = saved(d);
    assertThat(part(file, "word/document.xml"))
        .containsPattern("<w:rPr><w:rtl/></w:rPr><w:t[^>]*>رصيف")
        .containsPattern("<w:r><w:t[^>]*>Quay ");
    assertThat(Samples.taken(file).document().paragraphs().getFirst().text())
        .isEqualTo("Quay رصيف");
  }
}
