package decant.cli;

import static decant.cli.Called.DEMO;
import static decant.cli.Called.copy;
import static decant.cli.Called.run;
import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.office.docx.write.DocxWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.graphics.color.PDDeviceRGB;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** {@code decant publish}: what it makes and what it says of it. */
class PublishCommandTest {
  @TempDir Path folder;

  @Test
  void publishingMakesAVerifiedPdfBesideTheSource() throws IOException {
    Path notice = copy("Winter storage notice.docx", folder);
    Called r = run("publish", notice.toString());
    assertThat(r.status()).isZero();
    assertThat(r.out()).contains("Winter storage notice.pdf", "verified").doesNotContain("NOT");
    assertThat(folder.resolve("Winter storage notice.pdf")).exists();
    Called again = run("publish", notice.toString());
    assertThat(again.status()).isEqualTo(1);
    assertThat(again.err()).contains("already exists");
    assertThat(run("publish", notice.toString(), "--overwrite").status()).isZero();
  }

  /** What a format has no room for is said, and stands in the receipt. */
  @Test
  void whatAFormatHasNoRoomForIsSaid() throws IOException {
    Path source =
        Files.writeString(
            folder.resolve("berths.rtf"),
            "{\\rtf1\\ansi{\\header Harbour office\\par}\\pard Berth 14 is free.\\par}");
    for (String format : List.of("html", "txt", "odt")) {
      Called r = run("publish", "--to", format, "--receipt", source.toString());
      assertThat(r.status()).isZero();
      JsonNode lacking = new ObjectMapper().readTree(r.out()).get("lacking");
      if (format.equals("odt")) {
        assertThat(lacking).isEmpty();
        assertThat(r.err()).isEmpty();
      } else {
        String name = format.equals("html") ? "HTML" : "TXT";
        assertThat(lacking).hasSize(1);
        assertThat(lacking.get(0).asText())
            .isEqualTo(name + " has no room for this: Headers and footers.");
        assertThat(r.err()).contains("Headers and footers");
      }
    }
  }

  /** Pages that go out as they are lack what the file lacks. */
  @Test
  void whatIsDamagedInKeptPagesIsSaid() throws IOException {
    Path source =
        Files.writeString(
            folder.resolve("damaged.pdf"),
            "%PDF-1.7\n1 0 obj\n<</Type/Catalog/Pages 2 0 R>>\nendobj\n"
                + "2 0 obj\n<</Type/Pages/Count 9/Kids[3 0 R]>>\nendobj\n"
                + "3 0 obj\n<</Type/Page/Parent 2 0 R/MediaBox[0 0 90 90]>>\nendobj\n"
                + "xref\n0 4\n0000000000 65535 f \n0000000009 00000 n \n0000000054 00000 n \n"
                + "0000000106 00000 n \ntrailer\n<</Size 4/Root 1 0 R>>\nstartxref\n168\n%%EOF\n");
    Called r = run("publish", "--pages-kept", "all", "--receipt", source.toString());
    assertThat(r.status()).isZero();
    JsonNode lacking = new ObjectMapper().readTree(r.out()).get("lacking");
    assertThat(lacking).hasSize(1);
    assertThat(lacking.get(0).asText()).startsWith("Only 1 page could be found");
  }

  /** A DOCX with a table of fixed columns that is wider than its paper. */
  private Path wide() throws IOException {
    String ns = "http://schemas.openxmlformats.org/";
    String cell =
        "<w:tc><w:tcPr><w:tcW w:w=\"%d\" w:type=\"dxa\"/></w:tcPr><w:p><w:r><w:t>%s</w:t></w:r></w:p></w:tc>";
    String document =
        "<w:document xmlns:w=\""
            + ns
            + "wordprocessingml/2006/main\"><w:body><w:tbl><w:tblPr>"
            + "<w:tblW w:w=\"16000\" w:type=\"dxa\"/><w:tblLayout w:type=\"fixed\"/></w:tblPr>"
            + "<w:tblGrid><w:gridCol w:w=\"12000\"/><w:gridCol w:w=\"4000\"/></w:tblGrid><w:tr>"
            + String.format(cell, 12000, "Berth 12")
            + String.format(cell, 4000, "reserved")
            + "</w:tr></w:tbl><w:p/><w:sectPr><w:pgSz w:w=\"11906\" w:h=\"16838\"/></w:sectPr>"
            + "</w:body></w:document>";
    Path file = folder.resolve("wide.docx");
    try (var zip = new java.util.zip.ZipOutputStream(Files.newOutputStream(file))) {
      part(
          zip,
          "[Content_Types].xml",
          "<Types xmlns=\""
              + ns
              + "package/2006/content-types\"><Default Extension=\"rels\""
              + " ContentType=\"application/vnd.openxmlformats-package.relationships+xml\"/>"
              + "<Override PartName=\"/word/document.xml\" ContentType=\"application/"
              + "vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml\"/></Types>");
      part(
          zip,
          "_rels/.rels",
          "<Relationships xmlns=\""
              + ns
              + "package/2006/relationships\"><Relationship Id=\"r\""
              + " Type=\""
              + ns
              + "officeDocument/2006/relationships/officeDocument\""
              + " Target=\"word/document.xml\"/></Relationships>");
      part(zip, "word/document.xml", document);
    }
    return file;
  }

  private static void part(java.util.zip.ZipOutputStream zip, String name, String text)
      throws IOException {
    zip.putNextEntry(new java.util.zip.ZipEntry(name));
    zip.write(text.getBytes(StandardCharsets.UTF_8));
    zip.closeEntry();
  }

  @Test
  void whatRunsOverTheSheetIsSaid() throws IOException {
    Path wide = wide();
    Called described = run("describe", "--json", wide.toString());
    assertThat(described.out()).contains("\"loss\"").contains("edge of the sheet", "reserved");
    Called published = run("publish", wide.toString());
    assertThat(published.err()).contains("On page 1 text runs over the edge", "“reserved”");
    assertThat(run("publish", copy("Winter storage notice.docx", folder).toString()).err())
        .doesNotContain("edge of the sheet");
  }

  @Test
  void docxIsMadeFromPdf() throws IOException {
    Path rules = copy("Berth rules.pdf", folder);
    assertThat(
            run(
                    "publish",
                    rules.toString(),
                    "--to",
                    "docx",
                    "--out",
                    folder.resolve("x.docx").toString())
                .status())
        .isZero();
    assertThat(run("describe", folder.resolve("x.docx").toString(), "--json").out())
        .contains("\"heading\"", "Mooring charges");
  }

  /** What a page shows and the document lacks is said where it is published, not only described. */
  @Test
  void whatIsLostIsSaidWhenItIsPublished() throws IOException {
    Path source = folder.resolve("notice.pdf");
    try (var pdf = new PDDocument()) {
      var page = new PDPage();
      pdf.addPage(page);
      var image = new PDImageXObject(pdf);
      image.setWidth(40);
      image.setHeight(40);
      image.setBitsPerComponent(8);
      image.setColorSpace(PDDeviceRGB.INSTANCE);
      image.getCOSObject().setItem(COSName.FILTER, COSName.JPX_DECODE);
      try (OutputStream out = image.getCOSObject().createRawOutputStream()) {
        out.write(new byte[] {1, 2, 3});
      }
      try (var content = new PDPageContentStream(pdf, page)) {
        content.beginText();
        content.setFont(new PDType1Font(Standard14Fonts.FontName.HELVETICA), 11);
        content.newLineAtOffset(72, 700);
        content.showText("The buoy is shown below.");
        content.endText();
        content.drawImage(image, 72, 500, 200, 150);
      }
      pdf.save(source.toFile());
    }
    Called r = run("publish", source.toString(), "--pages-kept", "none");
    assertThat(r.status()).isZero();
    assertThat(r.err()).contains("notice.pdf").containsIgnoringCase("picture");
    assertThat(run("describe", source.toString(), "--json").out())
        .as("if it may be, its page stays as it is, for others may be able to show it")
        .contains("\"pinned\":[1]", "a picture on it cannot be read here");
  }

  /** A link to a file of one machine acts where it is published: it is told and left out. */
  @Test
  void whatActsIsLeftOutUnlessItIsAskedFor() throws IOException {
    var link =
        new Inline.Text(
            "tides", Look.of(TextTraits.LINK, new Link.External("file:///g:/tides.xls")));
    var p = new Paragraph(NodeId.fresh(), Look.PLAIN, Look.PLAIN, List.of(link));
    Path source = folder.resolve("tides.docx");
    try (OutputStream out = Files.newOutputStream(source)) {
      DocxWriter.write(
          Document.of(new StyleSheet(Look.PLAIN, Look.PLAIN, "", Map.of()), List.of(p)), out);
    }
    Called removed = run("publish", source.toString());
    assertThat(removed.status()).isZero();
    assertThat(removed.err()).contains("file:///g:/tides.xls");
    Path pdf = folder.resolve("tides.pdf");
    assertThat(Files.readString(pdf, StandardCharsets.ISO_8859_1)).doesNotContain("/Link");
    Called kept = run("publish", source.toString(), "--active", "keep", "--overwrite");
    assertThat(kept.status()).isZero();
    assertThat(kept.err()).isEmpty();
    assertThat(Files.readString(pdf, StandardCharsets.ISO_8859_1)).contains("/Link");
    assertThat(run("publish", source.toString(), "--active", "some").status()).isEqualTo(2);
  }

  private static String text(Path pdf) throws IOException {
    try (var open = org.apache.pdfbox.Loader.loadPDF(pdf.toFile())) {
      return new org.apache.pdfbox.text.PDFTextStripper().getText(open);
    }
  }

  @Test
  void pagesCanBeKeptAsTheyAre() throws IOException {
    Path rules = DEMO.resolve("Berth rules.pdf");
    Path kept = folder.resolve("kept.pdf");
    Called r = run("publish", rules.toString(), "--pages-kept", "all", "--out", kept.toString());
    assertThat(r.status()).as(r.err()).isZero();
    assertThat(r.out()).contains("verified");
    assertThat(text(kept)).isNotBlank().isEqualTo(text(rules));
    Called word =
        run(
            "publish",
            DEMO.resolve("Winter storage notice.docx").toString(),
            "--pages-kept",
            "all",
            "--out",
            folder.toString());
    assertThat(word.status()).isEqualTo(1);
    assertThat(word.err()).contains("Only the pages of a PDF can be kept");
    assertThat(run("publish", rules.toString(), "--pages-kept", "all", "--active", "keep").status())
        .isEqualTo(2);
    assertThat(run("publish", rules.toString(), "--pages-kept", "some").status()).isEqualTo(2);
  }

  /** What the help says of formats is held against what publishing makes of each. */
  @Test
  void theHelpPromisesOnlyWhatIsDone() throws IOException {
    String help = run("publish", "--help").out();
    assertThat(help)
        .contains("DOC (.doc): taken in and published\n", "DOTX (.dotx): taken in and published\n");
    Path notice = copy("Winter storage notice.docx", folder);
    for (String line : help.substring(help.indexOf("Formats:")).lines().skip(1).toList()) {
      String extension = line.replaceAll("(?s).*\\(\\.([a-z]+).*", "$1");
      Path out = folder.resolve("made." + extension);
      Called r = run("publish", notice.toString(), "--to", extension, "--out", out.toString());
      assertThat(Files.exists(out)).as(line + r.err()).isEqualTo(line.contains("published"));
    }
  }

  @Test
  void aRecipeIsFollowedAndItsReceiptPrinted() throws IOException {
    Path notice = copy("Winter storage notice.docx", folder);
    Path recipe =
        Files.writeString(
            folder.resolve("two.json"),
            """
            {"decant-recipe": 2, "name": "Two", "outputs": [
              {"kind": "pdf", "naming": "{stem} first", "pages": {"range": "1"}},
              {"kind": "docx", "naming": "{stem} to edit"}]}
            """);
    Called r = run("publish", notice.toString(), "--recipe", recipe.toString(), "--receipt");
    assertThat(r.status()).as(r.err()).isZero();
    var receipt = new com.fasterxml.jackson.databind.ObjectMapper().readTree(r.out());
    assertThat(receipt.get("recipe").asText()).isEqualTo("Two");
    assertThat(receipt.get("files")).hasSize(2);
    assertThat(receipt.get("files").get(0).get("pages").asInt()).isEqualTo(1);
    assertThat(folder.resolve("Winter storage notice first.pdf")).exists();
    assertThat(folder.resolve("Winter storage notice to edit.docx")).exists();
  }

  @Test
  void aWrongRangeIsExplained() {
    Called r =
        run(
            "publish",
            DEMO.resolve("Berth rules.pdf").toString(),
            "--pages",
            "3-99",
            "--out",
            folder.toString());
    assertThat(r.status()).isEqualTo(1);
    assertThat(r.err()).contains("goes past the end");
  }

  @Test
  void anOfficeCopyIsOfTheKindOfItsSource() throws IOException {
    Path notice = copy("Winter storage notice.docx", folder);
    Path odt = folder.resolve("notice.odt");
    assertThat(run("publish", notice.toString(), "--to", "odt", "--out", odt.toString()).status())
        .isZero();
    Called r = run("publish", odt.toString(), "--recipe", "Office copy");
    assertThat(r.status()).as(r.err()).isZero();
    assertThat(folder.resolve("notice published.odt")).exists();
    assertThat(folder.resolve("notice.odt")).exists();
  }
}
