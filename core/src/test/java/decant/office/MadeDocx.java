package decant.office;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Document;
import decant.model.Paragraph;
import decant.model.look.Look;
import decant.office.docx.write.DocxWriter;
import decant.reading.TakenIn;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.io.TempDir;

/** DOCX files made of their parts as text, for tests that say what stands in them. */
abstract class MadeDocx {
  static final String ROOT =
      "xmlns:w=\"http://schemas.openxmlformats.org/wordprocessingml/2006/main\""
          + " xmlns:r=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships\""
          + " xmlns:wp=\"http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing\""
          + " xmlns:a=\"http://schemas.openxmlformats.org/drawingml/2006/main\""
          + " xmlns:wps=\"http://schemas.microsoft.com/office/word/2010/wordprocessingShape\""
          + " xmlns:wpg=\"http://schemas.microsoft.com/office/word/2010/wordprocessingGroup\""
          + " xmlns:mc=\"http://schemas.openxmlformats.org/markup-compatibility/2006\""
          + " xmlns:m=\"http://schemas.openxmlformats.org/officeDocument/2006/math\""
          + " xmlns:v=\"urn:schemas-microsoft-com:vml\""
          + " xmlns:w10=\"urn:schemas-microsoft-com:office:word\"";

  @TempDir Path folder;
  int files;

  private final Map<String, String> parts = new LinkedHashMap<>();
  private final StringBuilder relationships = new StringBuilder();

  final MadeDocx with(String part, String type, String content) {
    parts.put("word/" + part + ".xml", content);
    relationships.append(
        "<Relationship Id=\"r%s\" Type=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships/%s\" Target=\"%s.xml\"/>"
            .formatted(part, type, part));
    return this;
  }

  final MadeDocx styles(String styles) {
    return with("styles", "styles", "<w:styles " + ROOT + ">" + styles + "</w:styles>");
  }

  final Document read(String body) throws IOException {
    return taken(body).document();
  }

  final TakenIn taken(String body) throws IOException {
    Path file = folder.resolve("made" + files++ + ".docx");
    var all = new LinkedHashMap<String, String>();
    all.put(
        "[Content_Types].xml",
        "<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\"><Default Extension=\"xml\" ContentType=\"application/xml\"/>"
            + "<Default Extension=\"rels\" ContentType=\"application/vnd.openxmlformats-package.relationships+xml\"/></Types>");
    all.put(
        "_rels/.rels",
        "<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\"><Relationship Id=\"r\""
            + " Type=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument\" Target=\"word/document.xml\"/></Relationships>");
    all.put(
        "word/_rels/document.xml.rels",
        "<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\">"
            + relationships
            + "</Relationships>");
    all.put(
        "word/document.xml", "<w:document " + ROOT + "><w:body>" + body + "</w:body></w:document>");
    all.putAll(parts);
    try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
      for (Map.Entry<String, String> e : all.entrySet()) {
        zip.putNextEntry(new ZipEntry(e.getKey()));
        zip.write(e.getValue().getBytes(StandardCharsets.UTF_8));
      }
    }
    return Samples.taken(file);
  }

  /** Written, held against the schemas, and read again. */
  final Document again(Document d) throws IOException {
    Path file = folder.resolve("again" + files++ + ".docx");
    try (OutputStream out = Files.newOutputStream(file)) {
      DocxWriter.write(d, out);
    }
    assertThat(DocxSchemas.errors(file)).isEmpty();
    return Samples.taken(file).document();
  }

  static Paragraph first(Document d) {
    return d.paragraphs().getFirst();
  }

  static Look look(Document d) {
    return first(d).inlines().getFirst().look();
  }

  static Look in(Document d, Look direct) {
    return d.styles().paragraphLook(direct, Look.PLAIN, d.lists());
  }
}
