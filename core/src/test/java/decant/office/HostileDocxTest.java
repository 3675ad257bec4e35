package decant.office;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import decant.Samples;
import decant.format.Intake;
import decant.layout.Layout;
import decant.layout.Layouter;
import decant.office.docx.write.DocxWriter;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.text.FontBook;
import decant.work.Deadline;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Small files that ask for the impossible: each is taken in, laid out and published in a time that
 * is far below what a file may take, or is refused with a message.
 */
class HostileDocxTest {
  @TempDir Path folder;

  private static final String W =
      "xmlns:w=\"http://schemas.openxmlformats.org/wordprocessingml/2006/main\"";
  private static final String OFFICE =
      "http://schemas.openxmlformats.org/officeDocument/2006/relationships/";

  private static String p(String text) {
    return "<w:p><w:r><w:t>" + text + "</w:t></w:r></w:p>";
  }

  private static String cells(String first, String row) {
    return "<w:tbl><w:tblPr/><w:tr>"
        + row
        + "<w:tc><w:tcPr>"
        + first
        + "</w:tcPr>"
        + p("c")
        + "</w:tc><w:tc>"
        + p("d")
        + "</w:tc></w:tr></w:tbl>"
        + p("after");
  }

  private static String section(String size, String margins) {
    return p("Keep the quay clear.").repeat(40)
        + "<w:sectPr><w:pgSz "
        + size
        + "/><w:pgMar "
        + margins
        + "/></w:sectPr>";
  }

  private static final String MARGINS =
      "w:top=\"1440\" w:right=\"1440\" w:bottom=\"1440\" w:left=\"1440\"";

  private static String notes(int marks, String text) {
    return "<w:footnotes "
        + W
        + "><w:footnote w:id=\"2\">"
        + p(text)
        + "</w:footnote></w:footnotes>|"
        + "<w:p>"
        + "<w:r><w:t>x</w:t><w:footnoteReference w:id=\"2\"/></w:r>".repeat(marks)
        + "</w:p>";
  }

  static Stream<Arguments> files() {
    return Stream.of(
            "a cell two thousand million columns wide|"
                + cells("<w:gridSpan w:val=\"2000000000\"/>", ""),
            "a row that begins beyond the last column|"
                + cells("", "<w:trPr><w:gridBefore w:val=\"2147483647\"/></w:trPr>"),
            "a page of one point|" + section("w:w=\"20\" w:h=\"20\"", MARGINS),
            "a page of no size|" + section("w:w=\"-11906\" w:h=\"-16838\"", MARGINS),
            "a page larger than the harbour|" + section("w:w=\"1e300\" w:h=\"1e300\"", MARGINS),
            "margins wider than the page|"
                + section("w:w=\"11906\" w:h=\"16838\"", MARGINS.replace("1440", "90000")),
            "letters a mile high|<w:p><w:r><w:rPr><w:sz w:val=\"2000000000\"/></w:rPr><w:t>Big</w:t>"
                + "</w:r></w:p>",
            "letters of no number|<w:p><w:r><w:rPr><w:sz w:val=\"NaN\"/></w:rPr><w:t>Nan</w:t></w:r></w:p>",
            "lines of no height|<w:p><w:pPr><w:spacing w:line=\"-2000000000\" w:lineRule=\"exact\""
                + " w:before=\"-99999999\"/></w:pPr><w:r><w:t>neg</w:t></w:r></w:p>",
            "tables in tables|"
                + "<w:tbl><w:tr><w:tc>".repeat(300)
                + p("deep")
                + "<w:p/></w:tc></w:tr></w:tbl>".repeat(300),
            "fields that never end|"
                + "<w:p><w:r><w:fldChar w:fldCharType=\"begin\"/></w:r></w:p>".repeat(3000),
            "a style that is based on itself|<w:p><w:pPr><w:pStyle w:val=\"a\"/></w:pPr><w:r><w:t>x</w:t></w:r></w:p>",
            "one word of a million letters|" + p("harbour".repeat(150_000)),
            "a long note marked three thousand times|"
                + notes(3000, "Above chart datum. ".repeat(400)))
        .map(s -> Arguments.of(s.substring(0, s.indexOf('|')), s.substring(s.indexOf('|') + 1)));
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("files")
  void isTakenInAndPublishedOrRefused(String name, String body) {
    assertTimeoutPreemptively(
        Duration.ofSeconds(60),
        () -> {
          Path file = write(body);
          Deadline deadline = Deadline.in(Duration.ofSeconds(30));
          TakenIn t;
          try {
            t = Intake.take(ReadRequest.of(file).by(deadline));
          } catch (ReadProblem e) {
            assertThat(e.getMessage()).isNotBlank().doesNotContain("Exception");
            assertThat(e.kind()).isNotEqualTo(ReadProblem.Kind.FAULT);
            return;
          }
          Layout l =
              new Layouter(FontBook.shipped())
                  .layout(t.document(), deadline::isOver, Integer.MAX_VALUE, x -> {});
          assertThat(l.complete()).as("pages came to an end in time").isTrue();
          assertThat(Samples.pdf(l, Samples.choices(l))).isNotEmpty();
          DocxWriter.write(t.document(), new ByteArrayOutputStream());
        });
  }

  private Path write(String content) throws IOException {
    boolean noted = content.startsWith("<w:footnotes");
    String body = noted ? content.substring(content.indexOf('|') + 1) : content;
    Map<String, String> parts = new LinkedHashMap<>();
    parts.put(
        "[Content_Types].xml",
        "<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\"><Default"
            + " Extension=\"xml\" ContentType=\"application/xml\"/></Types>");
    parts.put("_rels/.rels", relationships("officeDocument", "word/document.xml"));
    parts.put(
        "word/document.xml", "<w:document " + W + "><w:body>" + body + "</w:body></w:document>");
    if (noted) {
      parts.put("word/footnotes.xml", content.substring(0, content.indexOf('|')));
      parts.put("word/_rels/document.xml.rels", relationships("footnotes", "footnotes.xml"));
    } else {
      parts.put(
          "word/styles.xml",
          "<w:styles "
              + W
              + "><w:style w:type=\"paragraph\" w:styleId=\"a\"><w:basedOn w:val=\"a\"/></w:style></w:styles>");
      parts.put("word/_rels/document.xml.rels", relationships("styles", "styles.xml"));
    }
    Path file = folder.resolve("hostile.docx");
    try (var zip = new ZipOutputStream(Files.newOutputStream(file))) {
      for (Map.Entry<String, String> e : parts.entrySet()) {
        zip.putNextEntry(new ZipEntry(e.getKey()));
        zip.write(e.getValue().getBytes(StandardCharsets.UTF_8));
      }
    }
    return file;
  }

  private static String relationships(String type, String target) {
    return "<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\">"
        + "<Relationship Id=\"r\" Type=\""
        + OFFICE
        + type
        + "\" Target=\""
        + target
        + "\"/></Relationships>";
  }
}
