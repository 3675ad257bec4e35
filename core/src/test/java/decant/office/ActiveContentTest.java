package decant.office;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Formats;
import decant.io.Untouchable;
import decant.model.AttachedFile;
import decant.model.Document;
import decant.model.Section;
import decant.model.Table;
import decant.model.finding.Finding;
import decant.office.docx.write.DocxWriter;
import decant.pdf.choices.Passwords;
import decant.publish.Publisher;
import decant.reading.Active;
import decant.reading.ActiveContent;
import decant.reading.TakenIn;
import decant.recipe.Output;
import decant.recipe.Recipe;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * What of a DOCX would act by itself (ISO/IEC 29500-1, clauses at the tests) does not go out again,
 * and is told; the text stays.
 */
class ActiveContentTest {
  private static final String OFFICE =
      "http://schemas.openxmlformats.org/officeDocument/2006/relationships/";
  private static final String PACKAGE =
      "http://schemas.openxmlformats.org/package/2006/relationships";
  private static final String ROOT =
      "xmlns:w=\"http://schemas.openxmlformats.org/wordprocessingml/2006/main\" xmlns:r=\""
          + OFFICE.substring(0, OFFICE.length() - 1)
          + "\"";
  private static final String CLEAR = "<w:p><w:r><w:t>Keep the quay clear.</w:t></w:r></w:p>";

  @TempDir Path folder;
  private final Map<String, String> parts = new LinkedHashMap<>();
  private final StringBuilder relationships = new StringBuilder();

  private static String relationship(String id, String type, String target, boolean external) {
    return "<Relationship Id=\"%s\" Type=\"%s\" Target=\"%s\"%s/>"
        .formatted(id, type, target, external ? " TargetMode=\"External\"" : "");
  }

  private static String relationships(String content) {
    return "<Relationships xmlns=\"" + PACKAGE + "\">" + content + "</Relationships>";
  }

  private TakenIn taken(String body) throws IOException {
    Path file = folder.resolve("active.docx");
    parts.put(
        "[Content_Types].xml",
        "<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\"><Default"
            + " Extension=\"xml\" ContentType=\"application/xml\"/><Default Extension=\"bin\""
            + " ContentType=\"application/octet-stream\"/><Default Extension=\"rels\""
            + " ContentType=\"application/vnd.openxmlformats-package.relationships+xml\"/></Types>");
    parts.put(
        "_rels/.rels",
        relationships(relationship("r", OFFICE + "officeDocument", "word/document.xml", false)));
    parts.put("word/_rels/document.xml.rels", relationships(relationships.toString()));
    parts.put(
        "word/document.xml", "<w:document " + ROOT + "><w:body>" + body + "</w:body></w:document>");
    try (var zip = new ZipOutputStream(Files.newOutputStream(file))) {
      for (Map.Entry<String, String> e : parts.entrySet()) {
        zip.putNextEntry(new ZipEntry(e.getKey()));
        zip.write(e.getValue().getBytes(StandardCharsets.UTF_8));
      }
    }
    return Samples.taken(file);
  }

  /** All that is written: the names of the parts, and what they hold. */
  private static Map<String, String> written(TakenIn t) throws IOException {
    var bytes = new ByteArrayOutputStream();
    DocxWriter.write(ActiveContent.without(t.document()), bytes);
    var out = new LinkedHashMap<String, String>();
    try (var zip = new ZipInputStream(new ByteArrayInputStream(bytes.toByteArray()))) {
      for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
        out.put(e.getName(), new String(zip.readAllBytes(), StandardCharsets.UTF_8));
      }
    }
    return out;
  }

  private static List<String> told(TakenIn t) {
    return t.findings().stream()
        .filter(f -> f.kind() == Finding.Kind.ACTIVE_CONTENT)
        .map(Finding::message)
        .toList();
  }

  private static void neverHolds(Map<String, String> written, String... words) {
    String all = written.keySet() + "\n" + String.join("\n", written.values());
    assertThat(all).doesNotContainIgnoringCase(words);
  }

  private void macros() {
    relationships.append(
        relationship(
            "v",
            "http://schemas.microsoft.com/office/2006/relationships/vbaProject",
            "vbaProject.bin",
            false));
    parts.put("word/vbaProject.bin", "AutoOpen");
  }

  private static String field(String instruction, String shown) {
    return "<w:r><w:fldChar w:fldCharType=\"begin\"/></w:r><w:r><w:instrText>"
        + instruction
        + "</w:instrText></w:r>"
        + (shown.isEmpty()
            ? ""
            : "<w:r><w:fldChar w:fldCharType=\"separate\"/></w:r><w:r><w:t>"
                + shown
                + "</w:t></w:r>")
        + "<w:r><w:fldChar w:fldCharType=\"end\"/></w:r>";
  }

  /** §17.16.5.17 and the like. */
  @Test
  void fieldsThatFetchOrStartSomething() throws IOException {
    TakenIn t =
        taken(
            CLEAR
                + "<w:p><w:fldSimple w:instr=\" DDEAUTO cmd &quot;/k calc&quot; \"><w:r><w:t>one</w:t></w:r></w:fldSimple></w:p><w:p>"
                + field(" INCLUDETEXT \"http://quay.example/x\" ", "two")
                + field(" IncludePicture \"http://quay.example/y\" ", "")
                + field(" SEQ Figure ", "3")
                + "</w:p>");
    assertThat(Samples.text(t)).contains("one", "two", "3");
    assertThat(told(t)).hasSize(3);
    Map<String, String> out = written(t);
    neverHolds(out, "DDE", "INCLUDETEXT", "INCLUDEPICTURE", "quay.example", "calc");
    assertThat(out.get("word/document.xml")).as("others go on").contains("SEQ Figure");
  }

  /** §17.16.22. */
  @Test
  void linksThatAct() throws IOException {
    relationships
        .append(relationship("a", OFFICE + "hyperlink", "javascript:alert(1)", true))
        .append(relationship("b", OFFICE + "hyperlink", "https://quay.example/", true));
    TakenIn t =
        taken(
            "<w:p><w:hyperlink r:id=\"a\"><w:r><w:t>one</w:t></w:r></w:hyperlink>"
                + "<w:hyperlink r:id=\"b\"><w:r><w:t>two</w:t></w:r></w:hyperlink>"
                + field(" HYPERLINK \"file:///c:/calc.exe\" ", "three")
                + "</w:p>");
    assertThat(Samples.text(t)).isEqualTo("onetwothree");
    assertThat(told(t))
        .hasSize(2)
        .anyMatch(m -> m.contains("javascript:alert(1)"))
        .anyMatch(m -> m.contains("calc.exe"));
    Map<String, String> out = written(t);
    neverHolds(out, "javascript", "calc.exe");
    assertThat(out.get("word/_rels/document.xml.rels")).contains("https://quay.example/");
  }

  /** §17.15.1.6, and [MS-OFFMACRO2] for macros. */
  @Test
  void macrosControlsAndATemplateElsewhere() throws IOException {
    relationships
        .append(relationship("s", OFFICE + "settings", "settings.xml", false))
        .append(relationship("c", OFFICE + "control", "activeX/activeX1.xml", false));
    parts.put(
        "word/settings.xml",
        "<w:settings "
            + ROOT
            + "><w:zoom w:percent=\"90\"/><w:attachedTemplate r:id=\"t\"/></w:settings>");
    parts.put(
        "word/_rels/settings.xml.rels",
        relationships(
            relationship("t", OFFICE + "attachedTemplate", "http://bad.example/t.dotm", true)));
    macros();
    parts.put("word/activeX/activeX1.xml", "<ax:ocx xmlns:ax=\"urn:x\"/>");
    TakenIn t = taken(CLEAR);
    assertThat(told(t)).hasSize(3);
    Map<String, String> out = written(t);
    neverHolds(out, "attachedTemplate", "bad.example", "vbaProject", "AutoOpen", "activeX");
    assertThat(out.get("word/settings.xml")).as("other settings stay").contains("w:percent=\"90\"");
  }

  @Test
  void partsWhoseNamesLeadOutside() throws IOException {
    parts.put("../evil.bin", "EVIL");
    parts.put("C:/evil.bin", "EVIL");
    parts.put("/evil.bin", "EVIL");
    parts.put("word\\..\\..\\evil.bin", "EVIL");
    parts.put("word/custom/kept.xml", "<kept/>");
    TakenIn t = taken(CLEAR);
    assertThat(t.findings())
        .filteredOn(f -> f.kind() == Finding.Kind.CONTENT_LEFT_OUT)
        .singleElement()
        .satisfies(f -> assertThat(f.message()).startsWith("4 parts"));
    Map<String, String> out = written(t);
    neverHolds(out, "evil");
    assertThat(out).as("others are kept").containsKey("word/custom/kept.xml");
  }

  /** §20.1.8.13 for pictures, §17.17.2.1 for documents within; [MS-DOCX] for people. */
  @Test
  void whatWouldBeFetchedAndWhoWroteIt() throws IOException {
    relationships
        .append(relationship("p", OFFICE + "image", "http://spy.example/dot.png", true))
        .append(relationship("k", OFFICE + "aFChunk", "afchunk.mht", false))
        .append(
            relationship(
                "n",
                "http://schemas.microsoft.com/office/2011/relationships/people",
                "people.xml",
                false));
    parts.put("word/afchunk.mht", "From: chunk");
    parts.put("word/people.xml", "<people author=\"Jonas Clerk\"/>");
    TakenIn t =
        taken(
            CLEAR
                + "<w:altChunk r:id=\"k\"/><w:p><w:r><w:drawing xmlns:a=\"http://schemas.openxmlformats.org/drawingml/2006/main\"><a:blip"
                + " r:link=\"p\"/></w:drawing></w:r></w:p>");
    assertThat(told(t))
        .anyMatch(m -> m.contains("spy.example"))
        .anyMatch(m -> m.contains("takes in another"));
    neverHolds(written(t), "spy.example", "altChunk", "From: chunk", "Jonas Clerk", "r:link");
  }

  @Test
  void programsAmongAttachedFiles() {
    Document d =
        Samples.document(Samples.paragraph("Tides"))
            .withAttachments(
                List.of(
                    new AttachedFile("tides.csv", "text/csv", "", "1;2".getBytes()),
                    new AttachedFile("tides.EXE", "", "", "x".getBytes()),
                    new AttachedFile("notice.pdf.lnk", "", "", "x".getBytes()),
                    new AttachedFile("picture.png", "", "", "MZ\u0090\0".getBytes())));
    assertThat(ActiveContent.in(d)).hasSize(3);
    assertThat(ActiveContent.without(d).attachments())
        .extracting(AttachedFile::name)
        .containsExactly("tides.csv");
  }

  /** Only what is still the same is set where a PDF had it. */
  @Test
  void whatHasNothingActiveStaysItself() {
    Document d =
        Samples.demo("Berth rules.pdf")
            .document()
            .withAttachments(List.of(new AttachedFile("tides.exe", "", "", "x".getBytes())));
    Document clean = ActiveContent.without(d);
    assertThat(clean.attachments()).isEmpty();
    for (int k = 0; k < d.sections().size(); k++) {
      Section was = d.sections().get(k);
      Section now = clean.sections().get(k);
      assertThat(now.running()).hasSameSizeAs(was.running()).isNotEmpty();
      now.running().forEach((place, story) -> assertThat(story).isSameAs(was.running().get(place)));
      assertThat(now.blocks()).hasSameSizeAs(was.blocks()).hasAtLeastOneElementOfType(Table.class);
      for (int i = 0; i < was.blocks().size(); i++) {
        assertThat(now.blocks().get(i)).isSameAs(was.blocks().get(i));
      }
    }
  }

  /** A word that is no keyword is none where it is an argument, and one that is cut up is. */
  @Test
  void fieldsAreKnownByTheirKeyword() throws IOException {
    TakenIn t =
        taken(
            "<w:p>"
                + field(" REF link \\h ", "one")
                + "<w:r><w:fldChar w:fldCharType=\"begin\"/></w:r><w:r><w:instrText>DD</w:instrText></w:r><w:r><w:instrText>E cmd</w:instrText></w:r><w:r><w:fldChar w:fldCharType=\"end\"/></w:r></w:p>");
    assertThat(told(t)).singleElement().satisfies(m -> assertThat(m).contains("(DDE)"));
    Map<String, String> out = written(t);
    assertThat(out.get("word/document.xml")).contains("REF link");
    neverHolds(out, "cmd");
  }

  @Test
  void whatIsAskedForGoesAlong() throws Exception {
    relationships.append(relationship("a", OFFICE + "hyperlink", "file:///g:/tides.pdf", true));
    macros();
    TakenIn t = taken("<w:p><w:hyperlink r:id=\"a\"><w:r><w:t>one</w:t></w:r></w:hyperlink></w:p>");
    Recipe office =
        new Recipe("Copy", "", List.of(new Output.Office(Formats.working()), Output.Pdf.DEFAULT));
    for (Active active : Active.values()) {
      Path out = Files.createDirectory(folder.resolve(active.name()));
      Publisher.publish(
          new Publisher.Order(
              Samples.layout(t.document()),
              office.with(active),
              out,
              "copy",
              folder.resolve("active.docx"),
              false,
              Passwords.NONE,
              Untouchable.inputs(List.of())),
          (name, done) -> {},
          () -> false);
      boolean keep = active == Active.KEEP;
      Path docx = out.resolve(keep ? "copy.docm" : "copy.docx");
      assertThat(docx).exists();
      String whole = whole(docx);
      assertThat(whole.contains("AutoOpen")).isEqualTo(keep);
      assertThat(whole.contains("macroEnabled.main+xml")).isEqualTo(keep);
      assertThat(whole.contains("file:///g:/tides.pdf")).isEqualTo(keep);
      String pdf = Files.readString(out.resolve("copy.pdf"), StandardCharsets.ISO_8859_1);
      assertThat(pdf.contains("/Link")).isEqualTo(keep);
    }
  }

  private static String whole(Path zip) throws IOException {
    var b = new StringBuilder();
    try (var in = new ZipInputStream(Files.newInputStream(zip))) {
      for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
        b.append(new String(in.readAllBytes(), StandardCharsets.UTF_8)).append('\n');
      }
    }
    return b.toString();
  }
}
