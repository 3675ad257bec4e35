package decant.office.source;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Format;
import decant.format.Formats;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.look.Look;
import decant.office.Everything;
import decant.reading.ActiveContent;
import decant.reading.TakenIn;
import decant.verify.Check;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What was not touched is given on as it came, unless something in it acts. */
class UntouchedTest {
  @TempDir Path folder;

  private static Format format(String id) {
    return Formats.of(id).orElseThrow();
  }

  private Path written(Document d, String format, String name) throws IOException {
    Path file = folder.resolve(name + "." + format);
    try (OutputStream out = Files.newOutputStream(file)) {
      Formats.writer(format(format)).write(d, out);
    }
    return file;
  }

  private static Document typed(Document d) {
    Paragraph p =
        d.paragraphs().stream()
            .filter(q -> !q.inlines().isEmpty() && q.inlines().getLast() instanceof Inline.Text)
            .findFirst()
            .orElseThrow();
    var inlines = new ArrayList<>(p.inlines());
    Inline.Text last = (Inline.Text) inlines.removeLast();
    inlines.add(new Inline.Text(last.text() + " more", last.look()));
    return d.withParagraph(p.withInlines(inlines));
  }

  /** RTF of another maker: what we would write of it is far from it. */
  private static final String RTF =
      "{\\rtf1\\ansi\\deff0{\\fonttbl{\\f0 Arial;}}{\\*\\generator Harbour 1;}\\pard\\f0 Berth seven"
          + "{\\*\\bkmkstart x}{\\*\\bkmkend x}\\par}";

  @Test
  void anRtfFileThatWasNotTouchedIsTheSame() throws IOException {
    Path file = folder.resolve("a.rtf");
    Files.writeString(file, RTF);
    Document d = Samples.taken(file).document();
    assertThat(Files.readString(written(d, "rtf", "b"))).isEqualTo(RTF);
    assertThat(Files.readString(written(typed(d), "rtf", "c")))
        .doesNotContain("Harbour")
        .contains("Berth seven more");
  }

  /** Where the verifier sees less than the reader, every byte being there is enough. */
  @Test
  void aFileThatIsTheSourceIsVerifiedAsUnchanged() throws IOException {
    Path file = folder.resolve("a.rtf");
    Files.writeString(file, RTF.replace("generator Harbour 1;", "unheardof kept"));
    Document d = Samples.taken(file).document();
    Path back = written(d, "rtf", "b");
    assertThat(Files.readAllBytes(back)).isEqualTo(Files.readAllBytes(file));
    var verifier = Formats.verifier(format("rtf"));
    assertThat(verifier.verify(back, d)).allMatch(Check::passed);
    assertThat(verifier.verify(back, typed(d))).anyMatch(c -> !c.passed());
    Files.writeString(back, Files.readString(back).replace("seven", "eight"));
    assertThat(verifier.verify(back, d)).anyMatch(c -> !c.passed());
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "{\\object\\objemb{\\*\\objdata 0105}}",
        "{\\field{\\*\\fldinst INCLUDETEXT \"http://example.org\"}{\\fldrslt x}}",
        "{\\*\\template http://example.org/x.dot}"
      })
  void anRtfFileInWhichSomethingActsIsWrittenAnew(String active) throws IOException {
    Path file = folder.resolve("a.rtf");
    Files.writeString(file, RTF.replace("\\pard", active + "\\pard"));
    Document d = ActiveContent.without(Samples.taken(file).document());
    assertThat(Files.readString(written(d, "rtf", "b")))
        .doesNotContain("objdata", "INCLUDETEXT", "template");
  }

  /** Macros ([MS-DOC] 2.1) do not go along; what we do not know of does. */
  @ParameterizedTest
  @CsvSource({"Macros,false", "Unheard,true", "'',true"})
  void aDocWithoutMacrosIsTheSame(String stream, boolean same) throws IOException {
    Path file = written(Everything.document(), "doc", "a");
    if (!stream.isEmpty()) {
      try (var fs = new POIFSFileSystem(file.toFile(), false)) {
        fs.createDocument(new java.io.ByteArrayInputStream(new byte[] {1, 2, 3}), stream);
        fs.writeFilesystem();
      }
    }
    TakenIn taken = Samples.taken(file);
    assertThat(taken.findings().stream().anyMatch(f -> f.message().contains("has macros")))
        .as("told")
        .isNotEqualTo(same);
    Document d = taken.document();
    byte[] source = Files.readAllBytes(file);
    Path back = written(d, "doc", "b");
    assertThat(java.util.Arrays.equals(Files.readAllBytes(back), source)).isEqualTo(same);
    assertThat(Formats.verifier(format("doc")).verify(back, d)).allMatch(Check::passed);
  }

  private Path odt(Map<String, String> parts) throws IOException {
    Path file = folder.resolve("made.odt");
    try (var zip = new ZipOutputStream(Files.newOutputStream(file))) {
      byte[] kind = "application/vnd.oasis.opendocument.text".getBytes(StandardCharsets.US_ASCII);
      var entry = new ZipEntry("mimetype");
      entry.setMethod(ZipEntry.STORED);
      entry.setSize(kind.length);
      var sum = new CRC32();
      sum.update(kind);
      entry.setCrc(sum.getValue());
      zip.putNextEntry(entry);
      zip.write(kind);
      for (Map.Entry<String, String> e : parts.entrySet()) {
        zip.putNextEntry(new ZipEntry(e.getKey()));
        zip.write(e.getValue().getBytes(StandardCharsets.UTF_8));
      }
    }
    return file;
  }

  /** One of our own with something more before its first paragraph, of an earlier version. */
  private Map<String, String> made(String more) throws IOException {
    Path file = written(Samples.document(Paragraph.of(Look.PLAIN, "Berth seven")), "odt", "own");
    var parts = new LinkedHashMap<String, String>();
    try (var zip = new ZipFile(file.toFile())) {
      for (var e : java.util.Collections.list(zip.entries())) {
        if (!e.getName().equals("mimetype")) {
          parts.put(
              e.getName(), part(file, e.getName()).replaceAll("(:version=\")1\\.3\"", "$11.2\""));
        }
      }
    }
    parts.computeIfPresent(
        "content.xml", (n, xml) -> xml.replaceFirst("(<text:p[^>]*)>", "$1 " + more));
    return parts;
  }

  private static String part(Path file, String name) throws IOException {
    try (var zip = new ZipFile(file.toFile())) {
      return new String(
          zip.getInputStream(zip.getEntry(name)).readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  /** Extensions of other makers stay; the version is the current one (ODF 1.3-3 §19.388). */
  @Test
  void anOdtThatWasNotTouchedIsTheSameButForItsVersion() throws IOException {
    Map<String, String> parts = made("xmlns:x=\"urn:example\" x:unheard=\"1\">");
    Document d = Samples.taken(odt(parts)).document();
    Path back = written(d, "odt", "b");
    for (String name : parts.keySet()) {
      assertThat(part(back, name)).isEqualTo(parts.get(name).replace("\"1.2\"", "\"1.3\""));
    }
    assertThat(Files.readAllBytes(back)).startsWith('P', 'K');
    assertThat(part(written(typed(d), "odt", "c"), "content.xml"))
        .doesNotContain("unheard")
        .contains("Berth seven more");
  }

  @Test
  void anOdtInWhichSomethingActsIsWrittenAnew() throws IOException {
    String active = "xmlns:x=\"urn:example\" x:unheard=\"1\"><text:script/>";
    Document d = Samples.taken(odt(made(active))).document();
    assertThat(part(written(d, "odt", "b"), "content.xml"))
        .doesNotContain("text:script", "unheard");
  }

  /** What came as a template is a document where it is written as one, touched or not. */
  @ParameterizedTest
  @CsvSource({"ott, odt", "dot, doc", "dotx, docx"})
  void aTemplateIsOneNoLonger(String template, String document) throws IOException {
    Path file = written(Samples.document(Paragraph.of(Look.PLAIN, "Berth seven")), template, "t");
    Document d = Samples.taken(file).document();
    assertThat(isTemplate(file)).isTrue();
    for (Document each : java.util.List.of(d, typed(d))) {
      Path back = written(each, document, "d");
      assertThat(isTemplate(back)).isFalse();
      assertThat(Formats.verifier(format(document)).verify(back, each)).allMatch(Check::passed);
    }
  }

  /** As ODF 1.3-2 §3.3, ISO/IEC 29500-1 §11.3.10 and [MS-DOC] 2.5.2 (fDot) have it. */
  private static boolean isTemplate(Path file) throws IOException {
    String name = file.getFileName().toString();
    if (name.endsWith(".dot") || name.endsWith(".doc")) {
      try (var in = Files.newInputStream(file);
          var packed = new POIFSFileSystem(in);
          var text = packed.createDocumentInputStream("WordDocument")) {
        return (text.readAllBytes()[10] & 1) == 1;
      }
    }
    boolean odf =
        name.endsWith("t") && name.startsWith("od", name.length() - 3) || name.endsWith("ott");
    try (var zip = new ZipFile(file.toFile())) {
      String part = odf ? "META-INF/manifest.xml" : "[Content_Types].xml";
      String said =
          new String(zip.getInputStream(zip.getEntry(part)).readAllBytes(), StandardCharsets.UTF_8);
      return said.contains(odf ? "opendocument.text-template" : "template.main+xml");
    }
  }
}
