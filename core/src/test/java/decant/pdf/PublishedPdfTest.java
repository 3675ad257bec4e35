package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.Tool;
import decant.layout.Layout;
import decant.layout.pages.Page;
import decant.model.Document;
import decant.model.Metadata;
import decant.model.Outline;
import decant.model.Paragraph;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.paint.PagePainter;
import decant.pdf.choices.Conformance;
import decant.pdf.choices.Enclosures;
import decant.pdf.choices.PdfChoices;
import decant.verify.Check;
import decant.verify.pdf.PdfVerifier;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionURI;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageXYZDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineNode;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Published files held against programs and libraries outside the project: qpdf, poppler, PDFBox.
 */
class PublishedPdfTest {
  @TempDir Path folder;

  private Path publish(Layout l, List<Integer> pages, Metadata metadata) throws IOException {
    return Files.write(
        folder.resolve("published.pdf"), Samples.pdf(l, PdfChoices.defaults(pages, metadata)));
  }

  private Path publish(Layout l, Conformance conformance) throws IOException {
    return Files.write(
        folder.resolve("published.pdf"), Samples.pdf(l, Samples.choices(l).with(conformance)));
  }

  private Path publish(Layout l) throws IOException {
    return publish(l, all(l), l.document().metadata());
  }

  private static List<Integer> all(Layout l) {
    return IntStream.range(0, l.pages().size()).boxed().toList();
  }

  private static String bare(String s) {
    return s.replaceAll("[\\s\u00A0\u200B\u200E\u200F\u202A-\u202E\f]+", "");
  }

  @ParameterizedTest
  @ValueSource(strings = {"Berth rules.pdf", "Winter storage notice.docx", "Berth application.pdf"})
  void qpdfAndPopplerAcceptTheDemoDocuments(String name) throws IOException {
    Layout l = Samples.layout(Samples.demo(name).document());
    // Fields show their signs without letters, so their words are looked for on the pages.
    Path file = publish(l, Conformance.DEFAULT.with(Enclosures.DEFAULT.withFields(false)));
    assertThat(Tool.run("qpdf", "--check", file.toString()))
        .satisfies(a -> assertThat(a.status()).as(a.output()).isZero());
    String fonts = Tool.run("pdffonts", file.toString()).output();
    assertThat(fonts.lines().skip(2))
        .isNotEmpty()
        .allSatisfy(
            f -> assertThat(f).containsPattern("CID TrueType\\s+Identity-H\\s+yes yes yes"));
    String text = bare(Tool.run("pdftotext", "-raw", file.toString(), "-").output());
    for (Paragraph p : l.document().paragraphs()) {
      // Words only: page furniture may stand between the lines of a paragraph that runs over a
      // page.
      for (String word : p.text().replace("\uFFFC", " ").split("\\s+")) {
        assertThat(text).contains(bare(word));
      }
    }
    assertThat(Tool.run("pdfinfo", file.toString()).output())
        .containsPattern("Pages:\\s+" + l.pages().size());
  }

  @Test
  void theOutlineIsTheHeadingsAtTheirLevelsAndHeights() throws IOException {
    Document d = Samples.demo("Berth rules.pdf").document();
    Layout l = Samples.layout(d);
    try (PDDocument pdf = Loader.loadPDF(publish(l).toFile())) {
      var got = new ArrayList<String>();
      collect(pdf.getDocumentCatalog().getDocumentOutline(), 1, got);
      var wanted = new ArrayList<String>();
      flatten(Outline.of(Outline.headings(d)), 1, wanted);
      assertThat(got).hasSizeGreaterThan(60).isEqualTo(wanted);
      PDOutlineItem first =
          pdf.getDocumentCatalog().getDocumentOutline().getFirstChild().getFirstChild();
      var to = (PDPageXYZDestination) first.getDestination();
      Outline.Heading h = Outline.headings(d).get(1);
      var place = l.caret(new decant.model.Position(h.paragraph(), 0)).orElseThrow();
      assertThat(to.retrievePageNumber()).isEqualTo(place.page().number() - 1);
      assertThat((double) to.getTop())
          .isBetween(841.89 - place.top() - 2, 841.89 - place.top() + 2);
    }
  }

  private static void collect(PDOutlineNode node, int level, List<String> out) {
    for (PDOutlineItem i = node.getFirstChild(); i != null; i = i.getNextSibling()) {
      out.add(level + " " + i.getTitle());
      collect(i, level + 1, out);
    }
  }

  private static void flatten(List<Outline.Entry> entries, int level, List<String> out) {
    for (Outline.Entry e : entries) {
      out.add(level + " " + e.text());
      flatten(e.children(), level + 1, out);
    }
  }

  @Test
  void aPageRangeLeavesOutPagesAndTheirBookmarks() throws IOException {
    Document d = Samples.demo("Berth rules.pdf").document();
    Layout l = Samples.layout(d);
    List<Integer> chosen = List.of(1, 4, 5);
    Path file = publish(l, chosen, new Metadata("Chosen", "", "Office", "", ""));
    List<Check> checks =
        PdfVerifier.verify(
            file, l, PdfChoices.defaults(chosen, new Metadata("Chosen", "", "Office", "", "")));
    assertThat(checks)
        .allSatisfy(c -> assertThat(c.passed()).as(c.name() + ": " + c.detail()).isTrue());
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      assertThat(pdf.getNumberOfPages()).isEqualTo(3);
      assertThat(pdf.getDocumentInformation().getTitle()).isEqualTo("Chosen");
      var titles = new ArrayList<String>();
      collect(pdf.getDocumentCatalog().getDocumentOutline(), 1, titles);
      long on =
          Outline.headings(d).stream()
              .filter(h -> chosen.contains(l.pagesOf(h.paragraph()).getFirst().number() - 1))
              .count();
      assertThat(titles).hasSize((int) on);
    }
    assertThat(Tool.run("pdfinfo", file.toString()).output())
        .containsPattern("Title:\\s+Chosen")
        .containsPattern("Author:\\s+Office");
  }

  @Test
  void linksLeadWhereTheyLed() throws IOException {
    Paragraph target =
        Paragraph.of(Look.of(ParagraphTraits.BOOKMARKS, List.of("there")), "The place");
    Document d =
        Samples.document(
            Samples.runs(
                "Write to ",
                Look.PLAIN,
                "the office",
                Look.of(TextTraits.LINK, new Link.External("mailto:office@saltmarsh.example")),
                " or see ",
                Look.PLAIN,
                "below",
                Look.of(TextTraits.LINK, new Link.Internal("there"))),
            target);
    try (PDDocument pdf = Loader.loadPDF(publish(Samples.layout(d)).toFile())) {
      List<PDAnnotation> links = pdf.getPage(0).getAnnotations();
      assertThat(links).hasSize(2);
      var first = (PDAnnotationLink) links.get(0);
      assertThat(((PDActionURI) first.getAction()).getURI())
          .isEqualTo("mailto:office@saltmarsh.example");
      assertThat(first.getRectangle().getWidth()).isBetween(35f, 60f);
      assertThat(links.get(1).getCOSObject().getDictionaryObject(COSName.DEST))
          .isInstanceOf(COSArray.class);
    }
  }

  /** The painted page and the published one are the same picture but for anti-aliasing. */
  @ParameterizedTest
  @ValueSource(strings = {"Berth rules.pdf", "Winter storage notice.docx"})
  void whatIsPaintedIsWhatIsPublished(String name) throws IOException {
    Layout l = Samples.layout(Samples.demo(name).document());
    double scale = 2;
    try (PDDocument pdf = Loader.loadPDF(publish(l).toFile())) {
      var renderer = new PDFRenderer(pdf);
      for (Page p : l.pages().subList(0, Math.min(6, l.pages().size()))) {
        BufferedImage painted = new PagePainter().paint(l, p, scale);
        BufferedImage published =
            renderer.renderImage(p.number() - 1, (float) scale, ImageType.RGB);
        assertThat(decant.paint.Pixels.difference(painted, published))
            .as("%s, page %d", name, p.number())
            .isLessThan(0.004);
      }
    }
  }

  @Test
  void everyScriptCanBeFoundAndCopied() throws IOException {
    String[] texts = {
      "Efficient office, fjord",
      "Ωμέγα Причал",
      "שלום לנמל",
      "مرحبا بكم",
      "สวัสดี",
      "नमस्ते बंदरगाह",
      "✓ done"
    };
    var blocks = new decant.model.Block[texts.length];
    for (int k = 0; k < texts.length; k++) {
      blocks[k] = Samples.paragraph(texts[k]);
    }
    Layout l = Samples.layout(Samples.document(blocks));
    Path file = publish(l);
    String text = Tool.run("pdftotext", "-enc", "UTF-8", file.toString(), "-").output();
    for (String wanted : texts) {
      for (String word : wanted.split(" ")) {
        assertThat(sorted(bare(text))).as(word).contains(sorted(word).substring(0, 1));
        if (word.codePoints()
            .noneMatch(c -> Character.UnicodeBlock.of(c) == Character.UnicodeBlock.DEVANAGARI)) {
          assertThat(bare(text)).contains(word);
        }
      }
    }
    assertThat(PdfVerifier.verify(file, l, PdfChoices.defaults(all(l), Metadata.NONE)))
        .allSatisfy(c -> assertThat(c.passed()).as(c.name() + ": " + c.detail()).isTrue());
  }

  /** ISO 32000-2 §14.9.4: glyphs in an order of their own say what they say together. */
  @Test
  void syllablesAreCopiedInTheirOrder() throws IOException {
    Layout l = Samples.layout(Samples.document(Samples.paragraph("नमस्ते बंदरगाह हिन्दी")));
    Path file = publish(l);
    assertThat(bare(Tool.run("pdftotext", "-enc", "UTF-8", file.toString(), "-").output()))
        .isEqualTo(bare("नमस्ते बंदरगाह हिन्दी"));
  }

  private static String sorted(String s) {
    int[] c = s.codePoints().sorted().toArray();
    return new String(c, 0, c.length);
  }

  @Test
  void textThatNoFontShowsIsStillInTheFileAndReported() throws IOException {
    Document d =
        Samples.document(
            Samples.paragraph("\uD800\uDF42\uD800\uDF30"), Samples.paragraph("harbour"));
    assertThat(decant.reading.GlyphCoverage.of(d, decant.text.FontBook.shipped()))
        .singleElement()
        .satisfies(f -> assertThat(f.message()).startsWith("2 characters (Gothic)"));
    Layout l = Samples.layout(d);
    Path file = publish(l);
    assertThat(failed(PdfVerifier.verify(file, l, PdfChoices.defaults(all(l), Metadata.NONE))))
        .isEmpty();
    assertThat(bare(Tool.run("pdftotext", "-enc", "UTF-8", file.toString(), "-").output()))
        .contains("\uD800\uDF42\uD800\uDF30");
  }

  @Test
  void chineseJapaneseAndKoreanAreShownByTheirOwnFace() {
    Document d =
        Samples.document(Samples.paragraph("\u6E2F\u53E3 \u307F\u306A\u3068 \uD56D\uAD6C"));
    assertThat(decant.reading.GlyphCoverage.of(d, decant.text.FontBook.shipped())).isEmpty();
  }

  @Test
  void verificationSeesWhatIsWrong() throws IOException {
    Layout right =
        Samples.layout(
            Samples.document(
                Samples.heading(1, "Charges"), Samples.paragraph("The charge is 85.")));
    Layout wrong =
        Samples.layout(
            Samples.document(
                Samples.heading(1, "Charges"), Samples.paragraph("The charge is 86.")));
    Layout unmarked =
        Samples.layout(
            Samples.document(Samples.paragraph("Charges"), Samples.paragraph("The charge is 85.")));
    Path file = publish(right);
    var choices = PdfChoices.defaults(List.of(0), Metadata.NONE);
    assertThat(failed(PdfVerifier.verify(file, right, choices))).isEmpty();
    assertThat(failed(PdfVerifier.verify(file, wrong, choices))).containsExactly("Text");
    assertThat(failed(PdfVerifier.verify(file, unmarked, choices))).containsExactly("Bookmarks");
    assertThat(
            failed(
                PdfVerifier.verify(
                    file,
                    right,
                    PdfChoices.defaults(List.of(0), Metadata.NONE.withTitle("Other")))))
        .containsExactly("Particulars", "Opening");
    Files.write(file, java.util.Arrays.copyOf(Files.readAllBytes(file), 300));
    assertThat(failed(PdfVerifier.verify(file, right, choices))).isNotEmpty();
  }

  private static List<String> failed(List<Check> checks) {
    return checks.stream().filter(c -> !c.passed()).map(Check::name).toList();
  }
}
