package decant.office;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Intake;
import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Outline;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.SourceSetting;
import decant.model.Table;
import decant.model.edit.Commands;
import decant.model.edit.Revision;
import decant.model.finding.Finding;
import decant.model.look.LinePitch;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.office.docx.write.DocxWriter;
import decant.reading.Limits;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.apache.poi.xwpf.usermodel.ParagraphAlignment;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.apache.poi.xwpf.usermodel.XWPFParagraph;
import org.apache.poi.xwpf.usermodel.XWPFRun;
import org.apache.poi.xwpf.usermodel.XWPFTable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** DOCX in both directions, held against Apache POI as a second reader and writer. */
class DocxTest {
  private static final String W =
      "xmlns:w=\"http://schemas.openxmlformats.org/wordprocessingml/2006/main\"";

  @TempDir Path folder;

  private Path save(Document d) throws IOException {
    Path file = folder.resolve("saved.docx");
    try (OutputStream out = Files.newOutputStream(file)) {
      DocxWriter.write(d, out);
    }
    return file;
  }

  private Path pack(Map<String, String> parts) throws IOException {
    Path file = folder.resolve("made.docx");
    try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
      for (Map.Entry<String, String> e : parts.entrySet()) {
        zip.putNextEntry(new ZipEntry(e.getKey()));
        zip.write(e.getValue().getBytes(StandardCharsets.UTF_8));
      }
    }
    return file;
  }

  private static Map<String, String> parts(String body) {
    var parts = new LinkedHashMap<String, String>();
    parts.put(
        "[Content_Types].xml",
        "<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\"><Default Extension=\"xml\" ContentType=\"application/xml\"/>"
            + "<Default Extension=\"rels\" ContentType=\"application/vnd.openxmlformats-package.relationships+xml\"/></Types>");
    parts.put(
        "_rels/.rels",
        "<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\"><Relationship Id=\"r\""
            + " Type=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument\" Target=\"word/document.xml\"/></Relationships>");
    parts.put(
        "word/document.xml", "<w:document " + W + "><w:body>" + body + "</w:body></w:document>");
    return parts;
  }

  private Document read(String body) throws IOException {
    return Samples.taken(pack(parts(body))).document();
  }

  @Test
  void theDemoNoticeComesInWhole() {
    Document d = Samples.demo("Winter storage notice.docx").document();
    assertThat(Outline.headings(d))
        .extracting(Outline.Heading::text)
        .containsExactly(
            "Winter storage: notice to holders of berths",
            "Dates",
            "What to bring",
            "Charges",
            "The tide",
            "Questions");
    assertThat(Outline.headings(d))
        .extracting(Outline.Heading::level)
        .containsExactly(1, 2, 2, 2, 2, 2);
    Look body = d.styles().textBase(Look.PLAIN);
    assertThat(body.value(TextTraits.FAMILY)).isEqualTo("Calibri");
    assertThat(body.value(TextTraits.SIZE)).isEqualTo(11.0);
    assertThat(d.styles().paragraphLook(Look.PLAIN).value(ParagraphTraits.LINE_PITCH))
        .isEqualTo(new LinePitch.Multiple(259 / 240.0));
    Table t =
        (Table)
            d.sections().getFirst().blocks().stream()
                .filter(b -> b instanceof Table)
                .findFirst()
                .orElseThrow();
    assertThat(t.rows()).hasSize(4);
    assertThat(t.rows().getFirst().look().value(TableTraits.HEADER_ROW)).isTrue();
    assertThat(t.columns()).containsExactly(200.0, 175.0, 75.0);
    assertThat(d.media()).hasSize(1);
    assertThat(
            d.paragraphs().stream()
                .flatMap(p -> p.inlines().stream())
                .filter(i -> i instanceof Inline.Picture)
                .map(i -> ((Inline.Picture) i).alt()))
        .containsExactly("The tide on an ordinary day");
    assertThat(d.sections().getFirst().running())
        .containsKeys(Section.Running.HEADER, Section.Running.FOOTER);
    assertThat(d.metadata().author()).isEqualTo("Harbour Office of Saltmarsh Quay");
  }

  @Test
  void poiReadsTheSameParagraphsFromTheSavedCopy() throws IOException {
    Revision r = Revision.of(Samples.demo("Winter storage notice.docx").document());
    r = Commands.insert(r, "Revised. ");
    Path file = save(r.document());
    try (XWPFDocument poi = new XWPFDocument(Files.newInputStream(file))) {
      List<String> wanted =
          r.document().sections().getFirst().blocks().stream()
              .filter(b -> b instanceof Paragraph)
              .map(b -> ((Paragraph) b).text().replace("\uFFFC", ""))
              .toList();
      assertThat(poi.getParagraphs()).extracting(XWPFParagraph::getText).isEqualTo(wanted);
      assertThat(poi.getParagraphs().getFirst().getStyle()).isEqualTo("Heading1");
      assertThat(poi.getTables()).hasSize(1);
      assertThat(poi.getTables().getFirst().getRow(1).getCell(2).getText()).isEqualTo("85.00");
      assertThat(poi.getAllPictures()).hasSize(1);
      assertThat(poi.getHeaderList()).hasSize(1);
      assertThat(poi.getProperties().getCoreProperties().getCreator())
          .isEqualTo("Harbour Office of Saltmarsh Quay");
    }
  }

  @Test
  void aConvertedPdfSavesAsTheSameDocument() throws IOException {
    Document d = Samples.demo("Berth rules.pdf").document();
    Document back = Samples.taken(save(d)).document();
    assertThat(back.paragraphs())
        .extracting(Paragraph::text)
        .isEqualTo(d.paragraphs().stream().map(Paragraph::text).toList());
    assertThat(Outline.headings(back))
        .extracting(h -> h.level() + h.text())
        .isEqualTo(Outline.headings(d).stream().map(h -> h.level() + h.text()).toList());
    assertThat(Samples.layout(back).pages())
        .hasSameSizeAs(Samples.layout(d.withSetting(SourceSetting.NONE)).pages());
    assertThat(back.sections().getFirst().page().margins().left())
        .isBetween(
            d.sections().getFirst().page().margins().left() - 0.1,
            d.sections().getFirst().page().margins().left() + 0.1);
  }

  @Test
  void whatPoiWritesIsRead() throws IOException {
    Path file = folder.resolve("poi.docx");
    try (XWPFDocument poi = new XWPFDocument();
        OutputStream out = Files.newOutputStream(file)) {
      XWPFParagraph p = poi.createParagraph();
      p.setAlignment(ParagraphAlignment.CENTER);
      XWPFRun run = p.createRun();
      run.setText("Berths");
      run.setBold(true);
      run.setItalic(true);
      run.setFontSize(18);
      run.setColor("7B1E3A");
      run.setFontFamily("Georgia");
      XWPFTable t = poi.createTable(2, 2);
      t.getRow(0).getCell(0).setText("a");
      t.getRow(1).getCell(1).setText("d");
      p.createHyperlinkRun("https://harbour.saltmarsh.example").setText("here");
      poi.write(out);
    }
    Document d = Samples.taken(file).document();
    Paragraph p = d.paragraphs().getFirst();
    Look look = p.inlines().getFirst().look();
    assertThat(look.value(TextTraits.BOLD)).isTrue();
    assertThat(look.value(TextTraits.ITALIC)).isTrue();
    assertThat(look.value(TextTraits.SIZE)).isEqualTo(18.0);
    assertThat(look.value(TextTraits.COLOUR).hex()).isEqualTo("7B1E3A");
    assertThat(look.value(TextTraits.FAMILY)).isEqualTo("Georgia");
    assertThat(p.look().value(ParagraphTraits.ALIGNMENT))
        .isEqualTo(ParagraphTraits.Alignment.CENTRE);
    assertThat(p.inlines().getLast().look().get(TextTraits.LINK))
        .contains(new Link.External("https://harbour.saltmarsh.example"));
    assertThat(d.paragraphs()).extracting(Paragraph::text).containsSubsequence("a", "", "", "d");
  }

  @Test
  void whatIsNotUnderstoodIsKeptAndGoesBack() throws IOException {
    var parts =
        parts(
            "<w:p><w:pPr><w:suppressLineNumbers/></w:pPr><w:r><w:rPr><w:b/><w:emboss/></w:rPr><w:t>kept</w:t></w:r>"
                + "<w:del w:id=\"1\" w:author=\"x\"><w:r><w:delText>gone</w:delText></w:r></w:del>"
                + "<x:thing xmlns:x=\"urn:example:unknown\" x:a=\"1\"/></w:p><w:altChunk w:id=\"7\"/>");
    parts.put("custom/data.bin", "kept bytes");
    Path file = pack(parts);
    TakenIn taken = Samples.taken(file);
    assertThat(taken.findings())
        .extracting(Finding::kind)
        .contains(Finding.Kind.CONTENT_KEPT_UNSHOWN);
    Path saved = save(taken.document());
    try (ZipFile zip = new ZipFile(saved.toFile())) {
      String xml =
          new String(
              zip.getInputStream(zip.getEntry("word/document.xml")).readAllBytes(),
              StandardCharsets.UTF_8);
      assertThat(xml)
          .contains(
              "w:emboss",
              "w:suppressLineNumbers",
              "w:delText",
              "gone",
              "urn:example:unknown",
              "w:altChunk");
      assertThat(
              new String(
                  zip.getInputStream(zip.getEntry("custom/data.bin")).readAllBytes(),
                  StandardCharsets.UTF_8))
          .isEqualTo("kept bytes");
    }
    assertThat(Samples.taken(saved).document().paragraphs().getFirst().text()).startsWith("kept");
  }

  @Test
  void mergedAndNestedCellsComeInAndGoOut() throws IOException {
    String cell = "<w:tc><w:tcPr>%s</w:tcPr><w:p><w:r><w:t>%s</w:t></w:r></w:p></w:tc>";
    String body =
        "<w:tbl><w:tblGrid><w:gridCol w:w=\"1000\"/><w:gridCol w:w=\"1000\"/><w:gridCol w:w=\"1000\"/></w:tblGrid><w:tr>"
            + cell.formatted("<w:vMerge w:val=\"restart\"/>", "tall")
            + cell.formatted("<w:gridSpan w:val=\"2\"/>", "wide")
            + "</w:tr><w:tr>"
            + cell.formatted("<w:vMerge/>", "")
            + cell.formatted("", "c")
            + "<w:tc><w:tbl><w:tr>"
            + cell.formatted("", "inner")
            + "</w:tr></w:tbl><w:p/></w:tc></w:tr></w:tbl><w:p/>";
    Document d = read(body);
    for (Document each : List.of(d, Samples.taken(save(d)).document())) {
      Table t = (Table) each.sections().getFirst().blocks().getFirst();
      assertThat(t.rows().getFirst().cells())
          .extracting(c -> c.rowSpan() + "x" + c.columnSpan())
          .containsExactly("2x1", "1x2");
      assertThat(t.cellColumns()).isDeepEqualTo(new int[][] {{0, 1}, {1, 2}});
      assertThat(each.paragraphs())
          .extracting(Paragraph::text)
          .containsSubsequence("tall", "wide", "c", "inner");
    }
  }

  @Test
  void fieldsBreaksNotesAndFramesOfTextComeIn() throws IOException {
    Document d =
        read(
            "<w:p><w:r><w:t>a</w:t><w:tab/><w:t>b</w:t><w:br/><w:t>c</w:t><w:br w:type=\"page\"/><w:noBreakHyphen/></w:r>"
                + "<w:r><w:fldChar w:fldCharType=\"begin\"/></w:r><w:r><w:instrText> NUMPAGES </w:instrText></w:r>"
                + "<w:r><w:fldChar w:fldCharType=\"separate\"/></w:r><w:r><w:t>9</w:t></w:r><w:r><w:fldChar w:fldCharType=\"end\"/></w:r></w:p>"
                + "<w:sdt><w:sdtContent><w:p><w:ins><w:r><w:t>inserted</w:t></w:r></w:ins></w:p></w:sdtContent></w:sdt>");
    assertThat(d.paragraphs().getFirst().text()).isEqualTo("a\tb\nc\f\u2011\uFFFC");
    assertThat(d.paragraphs().getFirst().inlines().getLast())
        .isInstanceOfSatisfying(
            Inline.Field.class, f -> assertThat(f.kind()).isEqualTo(Inline.Field.Kind.PAGES));
    assertThat(d.paragraphs().get(1).text()).isEqualTo("inserted");
  }

  private ReadProblem problem(Path file, Limits limits) {
    try {
      Intake.take(ReadRequest.of(file).withLimits(limits));
      throw new AssertionError("was taken in");
    } catch (ReadProblem e) {
      return e;
    }
  }

  @Test
  void bombsEntitiesAndDepthAreRefused() throws IOException {
    var out = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(out)) {
      for (Map.Entry<String, String> e : parts("<w:p/>").entrySet()) {
        if (!e.getKey().equals("word/document.xml")) {
          zip.putNextEntry(new ZipEntry(e.getKey()));
          zip.write(e.getValue().getBytes(StandardCharsets.UTF_8));
        }
      }
      zip.putNextEntry(new ZipEntry("word/document.xml"));
      zip.write(("<w:document " + W + "><w:body>").getBytes(StandardCharsets.UTF_8));
      byte[] blank = new byte[1 << 16];
      java.util.Arrays.fill(blank, (byte) ' ');
      for (int k = 0; k < 400; k++) {
        zip.write(blank);
      }
      zip.write("</w:body></w:document>".getBytes(StandardCharsets.UTF_8));
    }
    Path file = Files.write(folder.resolve("bomb.docx"), out.toByteArray());
    assertThat(problem(file, new Limits(1 << 30, 1L << 30, 50, 100, 100, 10)).kind())
        .isEqualTo(ReadProblem.Kind.TOO_LARGE);

    var entity = parts("<w:p><w:r><w:t>&x;</w:t></w:r></w:p>");
    entity.put(
        "word/document.xml",
        "<!DOCTYPE d [<!ENTITY x SYSTEM \"file:///etc/passwd\">]>"
            + entity.get("word/document.xml"));
    assertThat(problem(pack(entity), Limits.DEFAULT).kind()).isEqualTo(ReadProblem.Kind.DAMAGED);

    String deep =
        "<w:sdt><w:sdtContent>".repeat(3000) + "<w:p/>" + "</w:sdtContent></w:sdt>".repeat(3000);
    assertThat(problem(pack(parts(deep)), Limits.DEFAULT).kind())
        .isEqualTo(ReadProblem.Kind.DAMAGED);
  }

  @Test
  void damagedAndLockedFilesGetMessagesOfTheirOwn() throws IOException {
    byte[] whole = Files.readAllBytes(Samples.DEMO.resolve("Winter storage notice.docx"));
    Path cut =
        Files.write(folder.resolve("cut.docx"), java.util.Arrays.copyOf(whole, whole.length / 2));
    assertThat(problem(cut, Limits.DEFAULT).kind()).isEqualTo(ReadProblem.Kind.DAMAGED);
    Path locked = folder.resolve("locked.docx");
    try (var compound = new org.apache.poi.poifs.filesystem.POIFSFileSystem();
        var out = Files.newOutputStream(locked)) {
      // [MS-OFFCRYPTO] 2.3: a locked package is a compound file with these two streams
      compound.createDocument(new java.io.ByteArrayInputStream(new byte[64]), "EncryptionInfo");
      compound.createDocument(new java.io.ByteArrayInputStream(new byte[64]), "EncryptedPackage");
      compound.writeFilesystem(out);
    }
    assertThat(problem(locked, Limits.DEFAULT).kind()).isEqualTo(ReadProblem.Kind.ENCRYPTED);
    var malformed = parts("<w:p></w:r>");
    assertThat(problem(pack(malformed), Limits.DEFAULT)).hasMessageContaining("word/document.xml");
    var random = new java.util.Random(5);
    for (int k = 0; k < 40; k++) {
      byte[] bytes = whole.clone();
      for (int n = 0; n < 20; n++) {
        bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
      }
      Path file = Files.write(folder.resolve("noise.docx"), bytes);
      try {
        assertThat(Intake.take(ReadRequest.of(file)).document()).isNotNull();
      } catch (ReadProblem e) {
        assertThat(e.getMessage()).isNotBlank();
      }
    }
  }

  @Test
  void strictNamespacesComeInLikeTransitionalOnes() throws IOException {
    var parts = parts("<w:p><w:r><w:t>strict</w:t></w:r></w:p>");
    parts.put(
        "word/document.xml",
        parts
            .get("word/document.xml")
            .replace(
                "http://schemas.openxmlformats.org/wordprocessingml/2006/main",
                "http://purl.oclc.org/ooxml/wordprocessingml/main"));
    assertThat(Samples.taken(pack(parts)).document().paragraphs().getFirst().text())
        .isEqualTo("strict");
  }

  @Test
  void documentsWithoutATextBodyStillHaveAParagraphToTypeInto() throws IOException {
    Document d = read("");
    assertThat(d.paragraphs()).hasSize(1);
    assertThat(Commands.insert(Revision.of(d), "x").document().paragraphs().getFirst().text())
        .isEqualTo("x");
    List<Block> blocks = d.sections().getFirst().blocks();
    assertThat(blocks).hasSize(1);
  }
}
