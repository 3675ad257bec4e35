package decant.verify.office;

import static org.assertj.core.api.Assertions.assertThat;

import decant.layout.Rich;
import decant.model.Document;
import decant.model.Inline;
import decant.model.PageSetup;
import decant.model.Section;
import decant.model.look.Kept;
import decant.model.look.Placement;
import decant.office.docx.write.DocxWriter;
import decant.office.rtf.RtfWriter;
import decant.verify.Check;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * One thing is taken out of a file or altered in it: the check that is for it must fail, and a file
 * as it was written must pass.
 */
class AlteredOfficeTest {
  @TempDir Path folder;

  private Document document;
  private Path file;

  @BeforeEach
  void write() {
    document = Whole.document();
    file = folder.resolve("copy");
  }

  private static List<String> failed(List<Check> checks) {
    return checks.stream().filter(c -> !c.passed()).map(Check::name).toList();
  }

  private byte[] docx() throws IOException {
    var out = new ByteArrayOutputStream();
    DocxWriter.write(document, out);
    return out.toByteArray();
  }

  private String rtf() throws IOException {
    var out = new ByteArrayOutputStream();
    RtfWriter.write(document, out);
    return out.toString(StandardCharsets.US_ASCII);
  }

  /** A picture that came with a description of another format's own is as large as it is shown. */
  @Test
  void picturesOfOtherFormatsPass() throws IOException {
    var rich = new Rich();
    var p =
        ((Inline.Picture) rich.picture(40, 30, Placement.INLINE))
            .withKept(Optional.of(new Kept("odf", "<draw:frame/>")));
    rich.section(PageSetup.A4, Section.Start.NEW_PAGE, Rich.of(p));
    document = rich.document();
    Files.write(file, docx());
    assertThat(failed(DocxVerifier.verify(file, document))).isEmpty();
  }

  @Test
  void whatIsWrittenPassesAndEveryAspectIsLookedAt() throws IOException {
    Files.write(file, docx());
    List<Check> checks = DocxVerifier.verify(file, document);
    assertThat(failed(checks)).isEmpty();
    assertThat(checks).hasSize(Aspect.values().length);
    assertThat(checks).extracting(Check::detail).doesNotContain("");
    Files.writeString(file, rtf());
    checks = RtfVerifier.verify(file, document);
    assertThat(failed(checks)).isEmpty();
    assertThat(checks).hasSize(Aspect.values().length);
  }

  /** The places are those of ISO/IEC 29500-1 §17. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '"',
      textBlock =
          """
          document.xml  | four metres                          | five metres                 | Text
          document.xml  | <w:p>(?:(?!</w:p>).)*Efficient.*?</w:p> | ""                       | Text
          document.xml  | <w:pStyle w:val="Heading2"/>         | ""                          | Headings
          styles.xml    | <w:outlineLvl w:val="0"/>            | ""                          | Headings
          styles.xml    | <w:outlineLvl w:val="2"/>            | <w:outlineLvl w:val="1"/>   | Headings
          numbering.xml | w:lvlText w:val="%1\\."              | w:lvlText w:val="%1)"       | Lists
          numbering.xml | w:numFmt w:val="decimal"             | w:numFmt w:val="lowerRoman" | Lists
          numbering.xml | w:start w:val="1"                    | w:start w:val="4"           | Lists
          document.xml  | <w:ilvl w:val="1"/>                  | <w:ilvl w:val="0"/>         | Lists
          document.xml  | <w:numPr>.*?</w:numPr>               | ""                          | Lists
          document.xml  | <w:b/><w:bCs/>                       | ""                          | Fonts and looks
          document.xml  | <w:i/><w:iCs/>                       | ""                          | Fonts and looks
          document.xml  | <w:color w:val="990000"/>            | ""                          | Fonts and looks
          document.xml  | <w:sz w:val="34"/>                   | <w:sz w:val="30"/>          | Fonts and looks
          document.xml  | <w:rFonts [^>]*Liberation Sans[^>]*> | ""                          | Fonts and looks
          document.xml  | <w:u w:val="single"/>                | ""                          | Fonts and looks
          styles.xml    | Liberation Serif                     | Carlito                     | Fonts and looks
          document.xml  | <w:gridSpan w:val="2"/>              | ""                          | Tables
          document.xml  | <w:vMerge w:val="restart"/>          | ""                          | Tables
          document.xml  | <w:tr>(?:(?!</w:tr>).)*week.*?</w:tr> | ""                         | Tables
          document.xml  | Keep clear                           | Keep away                   | Text boxes
          footnotes.xml | Above chart                          | Below chart                 | Notes
          document.xml  | <w:footnoteReference [^>]*>          | ""                          | Notes
          endnotes.xml  | 1911                                 | 1912                        | Notes
          header1.xml   | Saltmarsh                            | Freshmarsh                  | Headers and footers
          document.xml  | <w:footerReference [^>]*>            | ""                          | Headers and footers
          document.xml  | w:anchor="charges"                   | w:anchor="notices"          | Links
          _rels/document.xml.rels | mailto:office              | mailto:nobody               | Links
          document.xml  | <wp:extent cx="762000"               | <wp:extent cx="381000"      | Pictures
          document.xml  | <w:drawing>(?:(?!</w:drawing>).)*r:embed.*?</w:drawing> | ""       | Pictures
          media/picture1.png | IDAT                            | IDAX                        | Pictures
          footer2.xml   | " PAGE "                             | " NUMPAGES "                | Headers and footers
          comments.xml  | Ask the                              | Do not ask the              | Comments
          document.xml  | w:author="M. Okafor"                 | w:author="R. Ibsen"         | Pending changes
          """)
  void aDocxThatLacksSomethingFails(String part, String what, String with, String check)
      throws IOException {
    Map<String, byte[]> parts = parts(docx());
    String name = "word/" + part;
    assertThat(parts).containsKey(name);
    String before = new String(parts.get(name), StandardCharsets.ISO_8859_1);
    String after = Pattern.compile(what, Pattern.DOTALL).matcher(before).replaceFirst(with);
    assertThat(after).as("something was altered").isNotEqualTo(before);
    parts.put(name, after.getBytes(StandardCharsets.ISO_8859_1));
    Files.write(file, packed(parts));
    assertThat(failed(DocxVerifier.verify(file, document))).contains(check);
  }

  /** A file with the right words and nothing else passed once. */
  @Test
  void theBareWordsAreNotTheDocument() throws IOException {
    Map<String, byte[]> parts = parts(docx());
    String xml = new String(parts.get("word/document.xml"), StandardCharsets.UTF_8);
    String bare =
        xml.replaceAll("<w:pPr>.*?</w:pPr>|<w:rPr>.*?</w:rPr>|<w:tblPr>.*?</w:tblPr>", "");
    parts.put("word/document.xml", bare.getBytes(StandardCharsets.UTF_8));
    Files.write(file, packed(parts));
    assertThat(failed(DocxVerifier.verify(file, document)))
        .contains("Headings", "Lists", "Fonts and looks")
        .doesNotContain("Text");
  }

  @Test
  void aPackageWithoutItsPartsFails() throws IOException {
    for (String gone : List.of("word/document.xml", "word/styles.xml", "_rels/.rels")) {
      Map<String, byte[]> parts = parts(docx());
      parts.remove(gone);
      Files.write(file, packed(parts));
      assertThat(failed(DocxVerifier.verify(file, document))).as(gone).isNotEmpty();
    }
  }

  /** The words are those of Rich Text Format 1.9.1. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '"',
      textBlock =
          """
          four metres                     | five metres          | Text
          \\\\revauth1                    | \\\\revauth0         | Pending changes
          \\\\outlinelevel1               | ""                   | Headings
          \\\\outlinelevel0               | \\\\outlinelevel2    | Headings
          2\\.\\\\tab                     | 3.\\\\tab            | Lists
          \\{\\\\listtext.*?\\}           | ""                   | Lists
          \\\\b\\\\kerning1 Nobody        | " Nobody"            | Fonts and looks
          \\\\cf(?=\\d\\S* Not)           | \\\\cb               | Fonts and looks
          \\\\fs34                        | \\\\fs30             | Fonts and looks
          Liberation Sans;                | Carlito;             | Fonts and looks
          \\\\clvmgf                      | ""                   | Tables
          \\\\clvmrg                      | ""                   | Tables
          \\\\row\\b                      | ""                   | Tables
          Keep clear                      | Keep away            | Text boxes
          Above chart                     | Below chart          | Notes
          \\\\ftnalt                      | ""                   | Notes
          Saltmarsh                       | Freshmarsh           | Headers and footers
          kerning1 PAGE                   | kerning1 NUMPAGES    | Headers and footers
          HYPERLINK "mailto:office        | HYPERLINK "mailto:no | Links
          l "charges"                     | l "notices"          | Links
          \\\\jpegblip                    | \\\\jpegblip 00      | Pictures
          Ask the                         | Do not ask the       | Comments
          """)
  void anRtfThatLacksSomethingFails(String what, String with, String check) throws IOException {
    String before = rtf();
    int body = before.indexOf("\\sectd");
    boolean head = what.startsWith("Liberation");
    String from = before.substring(head ? 0 : body);
    String after =
        Pattern.compile(what, Pattern.DOTALL).matcher(from).replaceAll(with); // rows say it twice
    assertThat(after).as("something was altered").isNotEqualTo(from);
    Files.writeString(file, head ? after : before.substring(0, body) + after);
    assertThat(failed(RtfVerifier.verify(file, document))).contains(check);
  }

  private static Map<String, byte[]> parts(byte[] zip) throws IOException {
    var out = new LinkedHashMap<String, byte[]>();
    try (var in = new ZipInputStream(new ByteArrayInputStream(zip))) {
      for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
        out.put(e.getName(), in.readAllBytes());
      }
    }
    return out;
  }

  private static byte[] packed(Map<String, byte[]> parts) throws IOException {
    var out = new ByteArrayOutputStream();
    try (var zip = new ZipOutputStream(out)) {
      for (Map.Entry<String, byte[]> e : parts.entrySet()) {
        zip.putNextEntry(new ZipEntry(e.getKey()));
        zip.write(e.getValue());
      }
    }
    return out.toByteArray();
  }
}
