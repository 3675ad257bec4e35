package decant.cli;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.office.docx.write.DocxWriter;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
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

class MainTest {
  private static final Path DEMO = Path.of("..", "demo").toAbsolutePath().normalize();

  @TempDir Path folder;

  private record Run(int status, String out, String err) {}

  private static Run run(String... args) {
    PrintStream out = System.out;
    PrintStream err = System.err;
    var o = new ByteArrayOutputStream();
    var e = new ByteArrayOutputStream();
    try {
      System.setOut(new PrintStream(o, true, StandardCharsets.UTF_8));
      System.setErr(new PrintStream(e, true, StandardCharsets.UTF_8));
      int status = Main.run(args);
      return new Run(
          status, o.toString(StandardCharsets.UTF_8), e.toString(StandardCharsets.UTF_8));
    } finally {
      System.setOut(out);
      System.setErr(err);
    }
  }

  private Path copy(String name) throws IOException {
    return Files.copy(DEMO.resolve(name), folder.resolve(name));
  }

  @Test
  void publishingMakesAVerifiedPdfBesideTheSource() throws IOException {
    Path notice = copy("Winter storage notice.docx");
    Run r = run("publish", notice.toString());
    assertThat(r.status()).isZero();
    assertThat(r.out()).contains("Winter storage notice.pdf", "verified").doesNotContain("NOT");
    assertThat(folder.resolve("Winter storage notice.pdf")).exists();
    Run again = run("publish", notice.toString());
    assertThat(again.status()).isEqualTo(1);
    assertThat(again.err()).contains("already exists");
    assertThat(run("publish", notice.toString(), "--overwrite").status()).isZero();
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
    Run described = run("describe", "--json", wide.toString());
    assertThat(described.out()).contains("\"loss\"").contains("edge of the sheet", "reserved");
    Run published = run("publish", wide.toString());
    assertThat(published.err()).contains("On page 1 text runs over the edge", "“reserved”");
    assertThat(run("publish", copy("Winter storage notice.docx").toString()).err())
        .doesNotContain("edge of the sheet");
  }

  @Test
  void aPdfIsNeverPublishedOverItself() throws IOException {
    Path rules = copy("Berth rules.pdf");
    byte[] before = Files.readAllBytes(rules);
    assertThat(run("publish", rules.toString(), "--pages", "2-3").status()).isZero();
    assertThat(folder.resolve("Berth rules published.pdf")).exists();
    assertThat(run("publish", rules.toString(), "--out", rules.toString(), "--overwrite").status())
        .isEqualTo(1);
    assertThat(Files.readAllBytes(rules)).isEqualTo(before);
  }

  @Test
  void docxIsMadeFromPdf() throws IOException {
    Path rules = copy("Berth rules.pdf");
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
    Run r = run("publish", source.toString(), "--pages-kept", "none");
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
    Run removed = run("publish", source.toString());
    assertThat(removed.status()).isZero();
    assertThat(removed.err()).contains("file:///g:/tides.xls");
    Path pdf = folder.resolve("tides.pdf");
    assertThat(Files.readString(pdf, StandardCharsets.ISO_8859_1)).doesNotContain("/Link");
    Run kept = run("publish", source.toString(), "--active", "keep", "--overwrite");
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
    Run r = run("publish", rules.toString(), "--pages-kept", "all", "--out", kept.toString());
    assertThat(r.status()).as(r.err()).isZero();
    assertThat(r.out()).contains("verified");
    assertThat(text(kept)).isNotBlank().isEqualTo(text(rules));
    Run word =
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

  @Test
  void describePrintsOneLineAFileAndGoesOnAfterABadOne() throws IOException {
    Path bad = Files.writeString(folder.resolve("bad.pdf"), "nothing");
    Run r =
        run(
            "describe",
            DEMO.resolve("Winter storage notice.docx").toString(),
            bad.toString(),
            DEMO.resolve("Berth rules.pdf").toString(),
            "--json");
    assertThat(r.status()).isEqualTo(1);
    assertThat(r.out().lines()).hasSize(3);
    assertThat(r.out().lines().toList().get(1)).contains("\"error\"", "not-a-document");
    assertThat(r.out().lines().toList().get(2)).contains("\"pages\":15");
  }

  @Test
  void wrongUsageIsStatusTwo() {
    assertThat(run().status()).isEqualTo(2);
    assertThat(run("publish").status()).isEqualTo(2);
    assertThat(run("describe", "x.pdf").status()).isEqualTo(2);
    assertThat(run("publish", "a.pdf", "--to", "tiff").status()).isEqualTo(2);
    assertThat(run("publish", "a.pdf", "b.pdf", "--out", "one.pdf").status()).isEqualTo(2);
    assertThat(run("publish", "--help").status()).isZero();
    assertThat(run("--help").out()).contains("publish", "describe");
  }

  /** What the help says of formats is held against what publishing makes of each. */
  @Test
  void theHelpPromisesOnlyWhatIsDone() throws IOException {
    String help = run("publish", "--help").out();
    assertThat(help)
        .contains("DOC (.doc): taken in and published\n", "DOTX (.dotx): taken in and published\n");
    Path notice = copy("Winter storage notice.docx");
    for (String line : help.substring(help.indexOf("Formats:")).lines().skip(1).toList()) {
      String extension = line.replaceAll("(?s).*\\(\\.([a-z]+).*", "$1");
      Path out = folder.resolve("made." + extension);
      Run r = run("publish", notice.toString(), "--to", extension, "--out", out.toString());
      assertThat(Files.exists(out)).as(line + r.err()).isEqualTo(line.contains("published"));
    }
  }

  @Test
  void aRecipeIsFollowedAndItsReceiptPrinted() throws IOException {
    Path notice = copy("Winter storage notice.docx");
    Path recipe =
        Files.writeString(
            folder.resolve("two.json"),
            """
            {"decant-recipe": 2, "name": "Two", "outputs": [
              {"kind": "pdf", "naming": "{stem} first", "pages": {"range": "1"}},
              {"kind": "docx", "naming": "{stem} to edit"}]}
            """);
    Run r = run("publish", notice.toString(), "--recipe", recipe.toString(), "--receipt");
    assertThat(r.status()).as(r.err()).isZero();
    var receipt = new com.fasterxml.jackson.databind.ObjectMapper().readTree(r.out());
    assertThat(receipt.get("recipe").asText()).isEqualTo("Two");
    assertThat(receipt.get("files")).hasSize(2);
    assertThat(receipt.get("files").get(0).get("pages").asInt()).isEqualTo(1);
    assertThat(folder.resolve("Winter storage notice first.pdf")).exists();
    assertThat(folder.resolve("Winter storage notice to edit.docx")).exists();
  }

  @Test
  void aLockedCopyTakesItsPasswordFromAFile() throws IOException {
    Path notice = copy("Winter storage notice.docx");
    Run without = run("publish", notice.toString(), "--recipe", "locked copy");
    assertThat(without.status()).isEqualTo(1);
    assertThat(without.err()).contains("Enter the password");
    Path secret = Files.writeString(folder.resolve("secret.txt"), "high tide\n");
    Run with =
        run(
            "publish",
            notice.toString(),
            "--recipe",
            "Locked copy",
            "--change-password-file",
            secret.toString());
    assertThat(with.status()).as(with.err()).isZero();
    String raw =
        Files.readString(
            folder.resolve("Winter storage notice.pdf"),
            java.nio.charset.StandardCharsets.ISO_8859_1);
    assertThat(raw).contains("/Encrypt").doesNotContain("high tide");
  }

  @Test
  void recipesThatCannotBeUsedAreWrongUsage() throws IOException {
    Run unknown = run("publish", "a.pdf", "--recipe", "Nonesuch");
    assertThat(unknown.status()).isEqualTo(2);
    assertThat(unknown.err()).contains("There is no recipe “Nonesuch”", "Counter copy");
    Path bad = Files.writeString(folder.resolve("bad.json"), "{\"decant-recipe\": 2}");
    Run broken = run("publish", "a.pdf", "--recipe", bad.toString());
    assertThat(broken.status()).isEqualTo(2);
    assertThat(broken.err()).contains("has no \"name\"");
    assertThat(run("publish", "a.pdf", "--recipe", "Light copy", "--to", "pdf").status())
        .isEqualTo(2);
  }

  @Test
  void aWrongRangeIsExplained() {
    Run r =
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
  void aFormIsDescribedWithWhatWasFilledIn() throws IOException {
    Run r = run("describe", copy("Berth application.pdf").toString(), "--json");
    assertThat(r.status()).isZero();
    assertThat(r.out()).contains("Curlew", "\"kind\":\"form\"").containsPattern("owner _{10,}");
  }

  /** Tesseract is optional: with it a wrong language is named, without it that it is missing. */
  @Test
  void recognitionThatCannotBeIsWrongUsage() throws IOException {
    Path rules = copy("Berth rules.pdf");
    Run r = run("describe", rules.toString(), "--json", "--recognise", "tlh");
    assertThat(r.status()).isEqualTo(2);
    assertThat(r.err())
        .containsAnyOf("has no language “tlh”", "Tesseract is not installed, or not on the path");
    assertThat(r.out()).isEmpty();
  }

  private static String sha(Path file) throws IOException {
    try {
      return java.util.HexFormat.of()
          .formatHex(
              java.security.MessageDigest.getInstance("SHA-256").digest(Files.readAllBytes(file)));
    } catch (java.security.NoSuchAlgorithmException e) {
      throw new AssertionError(e);
    }
  }

  @Test
  void noInputOfACallIsEverWrittenOver() throws IOException {
    Path two = Files.createDirectories(folder.resolve("two"));
    Path pdf = Files.copy(DEMO.resolve("Berth rules.pdf"), two.resolve("letter.pdf"));
    Path docx = Files.copy(DEMO.resolve("Winter storage notice.docx"), two.resolve("letter.docx"));
    String pdfWas = sha(pdf);
    String docxWas = sha(docx);
    Run r = run("publish", pdf.toString(), docx.toString(), "--to", "docx", "--overwrite");
    assertThat(r.status()).isEqualTo(1);
    assertThat(r.err()).contains("letter.pdf: “letter.docx” is the original");
    assertThat(sha(docx)).isEqualTo(docxWas);
    assertThat(sha(pdf)).isEqualTo(pdfWas);
    // Nor through a link, whatever it is called.
    Path other = Files.createDirectories(folder.resolve("other"));
    Files.createSymbolicLink(other.resolve("letter.docx"), docx);
    Run linked =
        run(
            "publish",
            pdf.toString(),
            docx.toString(),
            "--to",
            "docx",
            "--overwrite",
            "--out",
            other.toString());
    assertThat(linked.status()).isEqualTo(1);
    assertThat(sha(docx)).isEqualTo(docxWas);
  }

  @Test
  void ofManySourcesThatGiveOneNameEachGetsItsNumber() throws IOException {
    Path out = Files.createDirectories(folder.resolve("out"));
    var call = new ArrayList<>(List.of("publish", "--to", "txt", "--out", out.toString()));
    for (String name : List.of("a", "b", "c", "d")) {
      Path in = Files.createDirectories(folder.resolve(name)).resolve("notice.html");
      call.add(Files.writeString(in, "<p>Pontoon " + name + " is closed.</p>").toString());
    }
    Run r = run(call.toArray(String[]::new));
    assertThat(r.status()).as(r.err()).isZero();
    assertThat(Files.readString(out.resolve("notice.txt"))).contains("Pontoon a");
    assertThat(Files.readString(out.resolve("notice (2).txt"))).contains("Pontoon b");
    assertThat(Files.readString(out.resolve("notice (3).txt"))).contains("Pontoon c");
    assertThat(Files.readString(out.resolve("notice (4).txt"))).contains("Pontoon d");
  }

  @Test
  void ofTwoSourcesThatGiveOneNameTheSecondGetsANumber() throws IOException {
    Path a = Files.createDirectories(folder.resolve("a"));
    Path b = Files.createDirectories(folder.resolve("b"));
    Path out = Files.createDirectories(folder.resolve("out"));
    Path first = Files.copy(DEMO.resolve("Winter storage notice.docx"), a.resolve("x.docx"));
    Path second = Files.copy(DEMO.resolve("Berth application.pdf"), b.resolve("x.pdf"));
    for (int k = 0; k < 2; k++) {
      Run r =
          run(
              "publish",
              first.toString(),
              second.toString(),
              "--out",
              out.toString(),
              "--overwrite");
      assertThat(r.err()).as("nothing is lost of either").isBlank();
      assertThat(r.status()).isZero();
      assertThat(r.out()).contains("x.pdf", "x (2).pdf");
    }
    try (var pdf = org.apache.pdfbox.Loader.loadPDF(out.resolve("x.pdf").toFile());
        var form = org.apache.pdfbox.Loader.loadPDF(out.resolve("x (2).pdf").toFile())) {
      assertThat(pdf.getDocumentCatalog().getAcroForm()).isNull();
      assertThat(form.getDocumentCatalog().getAcroForm()).as("in the order given").isNotNull();
    }
    try (var files = Files.list(out)) {
      assertThat(files).hasSize(2);
    }
  }

  @Test
  void aPasswordThatNoOutputCanUseIsWrongUsage() throws IOException {
    Path notice = copy("Winter storage notice.docx");
    Path secret = Files.writeString(folder.resolve("secret.txt"), "high tide\n");
    Run open = run("publish", notice.toString(), "--open-password-file", secret.toString());
    assertThat(open.status()).isEqualTo(2);
    assertThat(open.err()).contains("no output of “Counter copy” asks for one");
    Run change = run("publish", notice.toString(), "--change-password-file", secret.toString());
    assertThat(change.status()).isEqualTo(2);
    Run unset =
        run(
            "publish",
            notice.toString(),
            "--recipe",
            "Locked copy",
            "--change-password-env",
            "DECANT_NO_SUCH_VARIABLE");
    assertThat(unset.status()).isEqualTo(2);
    assertThat(unset.err()).contains("DECANT_NO_SUCH_VARIABLE is not set");
    assertThat(folder.resolve("Winter storage notice.pdf")).doesNotExist();
    // A password to read with that was not needed is no error.
    assertThat(run("publish", notice.toString(), "--password-file", secret.toString()).status())
        .isZero();
  }

  @Test
  void aDocumentIsLockedWhereItsFormatCanBe() throws IOException {
    Path notice = copy("Winter storage notice.docx");
    Path secret = Files.writeString(folder.resolve("secret.txt"), "high tide\n");
    for (String format : new String[] {"odt", "docx"}) {
      Run r =
          run(
              "publish",
              notice.toString(),
              "--to",
              format,
              "--out",
              folder.resolve("locked." + format).toString(),
              "--open-password-file",
              secret.toString());
      assertThat(r.status()).as(r.err()).isZero();
      Path made = folder.resolve("locked." + format);
      assertThat(run("describe", made.toString(), "--json").status()).isEqualTo(1);
      Run open = run("describe", made.toString(), "--json", "--password-file", secret.toString());
      assertThat(open.status()).as(open.err()).isZero();
      assertThat(open.out()).contains("Winter storage");
    }
    for (String format : new String[] {"doc", "rtf", "html", "txt"}) {
      Run r =
          run(
              "publish",
              notice.toString(),
              "--to",
              format,
              "--open-password-file",
              secret.toString());
      assertThat(r.status()).isEqualTo(2);
      assertThat(r.err()).contains("cannot-lock").contains("Nothing was written");
      assertThat(folder.resolve("Winter storage notice." + format)).doesNotExist();
    }
  }

  @Test
  void anOfficeCopyIsOfTheKindOfItsSource() throws IOException {
    Path notice = copy("Winter storage notice.docx");
    Path odt = folder.resolve("notice.odt");
    assertThat(run("publish", notice.toString(), "--to", "odt", "--out", odt.toString()).status())
        .isZero();
    Run r = run("publish", odt.toString(), "--recipe", "Office copy");
    assertThat(r.status()).as(r.err()).isZero();
    assertThat(folder.resolve("notice published.odt")).exists();
    assertThat(folder.resolve("notice.odt")).exists();
  }

  @Test
  void anOpenFileBesideALockedOneIsSaid() throws IOException {
    Path notice = copy("Winter storage notice.docx");
    Path secret = Files.writeString(folder.resolve("secret.txt"), "high tide\n");
    Path both =
        Files.writeString(
            folder.resolve("both.json"),
            """
            {"decant-recipe": 3, "name": "Both", "outputs": [
              {"kind": "pdf", "rights": {"protection": "aes-256", "ask-to-open": true}},
              {"kind": "office", "format": "docx", "naming": "{stem} open"}]}
            """);
    Run r =
        run(
            "publish",
            notice.toString(),
            "--recipe",
            both.toString(),
            "--open-password-file",
            secret.toString());
    assertThat(r.err()).contains("another has the same document without one");
    assertThat(r.status()).isZero();
  }

  /**
   * A file on which work does not end in time is ended with its process; those before and after it
   * have their results, each one line, in their order.
   */
  @Test
  void aFileThatTakesTooLongHarmsNoOther() throws IOException {
    Path first = copy("Winter storage notice.docx");
    Path endless = folder.resolve("endless.docx");
    try (var zip = new ZipOutputStream(Files.newOutputStream(endless))) {
      zip.putNextEntry(new ZipEntry("[Content_Types].xml"));
      zip.write(
          "<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\"/>"
              .getBytes(StandardCharsets.UTF_8));
      zip.putNextEntry(new ZipEntry("_rels/.rels"));
      zip.write(
          ("<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\">"
                  + "<Relationship Id=\"r\" Type=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument\""
                  + " Target=\"word/document.xml\"/></Relationships>")
              .getBytes(StandardCharsets.UTF_8));
      zip.putNextEntry(new ZipEntry("word/document.xml"));
      zip.write(
          "<w:document xmlns:w=\"http://schemas.openxmlformats.org/wordprocessingml/2006/main\"><w:body>"
              .getBytes(StandardCharsets.UTF_8));
      byte[] some =
          "<w:p><w:r><w:t>Keep the quay clear.</w:t></w:r></w:p>"
              .repeat(10_000)
              .getBytes(StandardCharsets.UTF_8);
      for (int k = 0; k < 90; k++) {
        zip.write(some);
      }
      zip.write("</w:body></w:document>".getBytes(StandardCharsets.UTF_8));
    }
    Path last = Files.copy(first, folder.resolve("Last notice.docx"));
    Run r =
        run(
            "describe",
            "--json",
            "--time-limit",
            "6",
            first.toString(),
            endless.toString(),
            last.toString());
    assertThat(r.status()).isEqualTo(1);
    List<String> lines = r.out().lines().toList();
    assertThat(lines).hasSize(3);
    assertThat(lines.get(0)).contains("Winter storage notice.docx").contains("\"blocks\"");
    assertThat(lines.get(1)).contains("endless.docx").contains("\"too-slow\"");
    assertThat(lines.get(2)).contains("Last notice.docx").contains("\"blocks\"");
  }
}
