package decant.office;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Document;
import decant.model.Paragraph;
import decant.office.docx.write.DocxWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Content controls that are no places to fill in (ISO/IEC 29500-1 §17.5.2) stay around. */
class ContentControlsTest extends MadeDocx {
  private static final String BOUND =
      "<w:sdtPr><w:alias w:val=\"Berth\"/><w:tag w:val=\"%1$s\"/><w:id w:val=\"%2$d\"/>"
          + "<w:placeholder><w:docPart w:val=\"DefaultPlaceholder\"/></w:placeholder>"
          + "<w:dataBinding w:xpath=\"/berth\" w:storeItemID=\"{1}\"/><w:richText/></w:sdtPr>";

  private static String control(String tag, String content) {
    return "<w:sdt>"
        + BOUND.formatted(tag, Math.abs(tag.hashCode() % 10_000))
        + "<w:sdtContent>"
        + content
        + "</w:sdtContent></w:sdt>";
  }

  private static String p(String inside) {
    return "<w:p>" + inside + "</w:p>";
  }

  private static String run(String text) {
    return "<w:r><w:t xml:space=\"preserve\">" + text + "</w:t></w:r>";
  }

  private static String table(String cell) {
    return "<w:tbl><w:tblPr><w:tblW w:w=\"0\" w:type=\"auto\"/></w:tblPr><w:tblGrid>"
        + "<w:gridCol w:w=\"900\"/></w:tblGrid><w:tr><w:tc><w:tcPr><w:tcW w:w=\"900\""
        + " w:type=\"dxa\"/></w:tcPr>"
        + cell
        + "</w:tc></w:tr></w:tbl>";
  }

  private static String saved(Document d, Path file) throws IOException {
    try (OutputStream out = Files.newOutputStream(file)) {
      DocxWriter.write(d, out);
    }
    try (var zip = new ZipFile(file.toFile());
        var in = zip.getInputStream(zip.getEntry("word/document.xml"))) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  private static String shape(String xml) {
    // The structure alone: controls by their tags, paragraphs, tables and the text in them.
    return xml.replaceAll(
            "<w:sdtPr[^>]*>.*?<w:tag [^>]*w:val=\"([^\"]*)\"[^>]*/>.*?</w:sdtPr>", "{$1 ")
        .replaceAll("</w:sdt>", "}")
        .replaceAll("<w:p>|<w:p [^>]*>", "(")
        .replaceAll("</w:p>|<w:p/>", ")")
        .replaceAll("<w:tbl>", "[")
        .replaceAll("</w:tbl>", "]")
        .replaceAll("(?s)^.*<w:body>|<w:sectPr.*$", "")
        .replaceAll("<[^>]*>", "");
  }

  private void goesBackAs(String body, String shape) throws IOException {
    Document d = read(body);
    Path file = folder.resolve("back.docx");
    String xml = saved(d, file);
    assertThat(shape(xml)).isEqualTo(shape);
    assertThat(DocxSchemas.errors(file)).isEmpty();
    assertThat(saved(Samples.taken(file).document(), folder.resolve("again.docx"))).isEqualTo(xml);
  }

  @Test
  void aroundWords() throws IOException {
    goesBackAs(
        p(run("At ") + control("a", run("north ") + run("seven")) + run(" quay")),
        "(At {a north seven} quay)");
  }

  @Test
  void oneInAnotherAndOneAfterAnother() throws IOException {
    goesBackAs(
        p(
            control("a", run("one ") + control("b", run("two")) + run(" three"))
                + control("c", run("four"))),
        "({a one {b two} three}{c four})");
  }

  @Test
  void aroundParagraphsAndTables() throws IOException {
    goesBackAs(
        p(run("before"))
            + control("a", p(run("one")) + table(p(run("cell"))) + p(run("two")))
            + p(run("after")),
        "(before){a (one)[(cell)](two)}(after)");
  }

  @Test
  void inCellsAndAroundTheLastOfAll() throws IOException {
    goesBackAs(
        table(control("a", p(run("cell"))) + p(run("more"))) + control("b", p(run("end"))),
        "[{a (cell)}(more)]{b (end)}");
  }

  @Test
  void aroundBlocksWithinOneAround() throws IOException {
    goesBackAs(
        control("a", p(run("one")) + control("b", p(control("c", run("two"))))) + p(run("three")),
        "{a (one){b ({c two})}}(three)");
  }

  /** All that a control says of itself goes back with it. */
  @ParameterizedTest
  @CsvSource({"w:dataBinding", "w:placeholder", "w:alias", "w:richText", "w:id"})
  void whatTheySayOfThemselves(String property) throws IOException {
    String xml = saved(read(p(control("a", run("x")))), folder.resolve("back.docx"));
    assertThat(xml.split("<" + property + "[ />]", -1)).hasSize(2);
  }

  @Test
  void theWordsInThemAreWordsLikeOthers() throws IOException {
    Document d = read(p(run("At ") + control("a", run("north"))) + control("b", p(run("end"))));
    assertThat(d.paragraphs()).extracting(Paragraph::text).containsExactly("At north", "end");
  }
}
