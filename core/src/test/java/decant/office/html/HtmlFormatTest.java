package decant.office.html;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Formats;
import decant.layout.Rich;
import decant.layout.label.ListLabels;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.finding.Finding;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.preview.LeftOut;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.verify.Check;
import decant.verify.office.HtmlVerifier;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.jsoup.Jsoup;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** HTML read as the WHATWG's standard has it, and written so that jsoup reads it back. */
class HtmlFormatTest {
  @TempDir Path folder;

  private TakenIn taken(String html) throws Exception {
    Path file = Files.writeString(folder.resolve("a.html"), html);
    assertThat(Formats.recognise(file).id()).isEqualTo("html");
    return Formats.reader(Formats.recognise(file)).orElseThrow().read(ReadRequest.of(file));
  }

  private static List<String> texts(Document d) {
    return d.paragraphs().stream().map(Paragraph::text).toList();
  }

  /** Pictures beside a page are part of what is read, and words come after them. */
  @Test
  void wordsAfterLargePicturesAreThere() throws Exception {
    Files.write(folder.resolve("chart.png"), new byte[16_000_000]);
    Document d =
        taken("<html><body><p>Before</p><img src=chart.png><p>After</p></body></html>").document();
    assertThat(texts(d)).contains("Before", "After");
  }

  @Test
  void styleSheetsCountByTheCascade() throws Exception {
    Document d =
        taken(
                """
                <!DOCTYPE html><html lang="en-GB"><head><title>Charges</title>
                <meta name="author" content="M. Okafor"><style>
                /* p { color: green } */
                p.fee { color: #0b5c7a } p { color: red; text-align: center } a:hover { color: blue }
                #one { font-weight: bold } .gone { display: none }
                @media print { p { color: yellow } }
                </style></head><body>
                <h1>Mooring</h1><p id="one" class="fee">A fee</p><p style="color:black">Plain</p>
                <p class="gone">hidden</p><script>var x = "no words";</script>
                <table><tr><td>a</td><td>b</td></tr></table></body></html>
                """)
            .document();
    assertThat(texts(d)).containsExactly("Mooring", "A fee", "Plain", "a", "b");
    assertThat(d.metadata().title()).isEqualTo("Charges");
    assertThat(d.metadata().author()).isEqualTo("M. Okafor");
    assertThat(d.metadata().language()).isEqualTo("en-GB");
    Paragraph fee = d.paragraphs().get(1);
    Look look =
        d.styles().textLook(d.styles().textBase(fee.look()), fee.inlines().getFirst().look());
    assertThat(look.value(TextTraits.COLOUR).hex()).isEqualTo("0B5C7A");
    assertThat(look.value(TextTraits.BOLD)).isTrue();
    assertThat(d.styles().paragraphLook(fee.look()).value(ParagraphTraits.ALIGNMENT))
        .isEqualTo(ParagraphTraits.Alignment.CENTRE);
    assertThat(
            d.styles()
                .paragraphLook(d.paragraphs().getFirst().look())
                .value(ParagraphTraits.HEADING_LEVEL))
        .isEqualTo(1);
    assertThat(d.sections().getFirst().blocks().getLast()).isInstanceOf(Table.class);
  }

  @Test
  void picturesBesideComeAlongAndNothingElseIsTouched() throws Exception {
    Document with = rich();
    byte[] png = with.media().values().iterator().next().bytes();
    Files.createDirectories(folder.resolve("a files"));
    Files.write(folder.resolve("a files/quay.png"), png);
    Files.write(folder.getParent().resolve("outside.png"), png);
    TakenIn t =
        taken(
            "<html><p><img src='a%20files/quay.png' alt='a quay'>"
                + "<img src='../outside.png'><img src='https://quay.example/x.png'>"
                + "<img src='file:///etc/hostname'></p><input name=x><iframe src=y></iframe></html>");
    assertThat(t.document().media()).hasSize(1);
    assertThat(t.findings())
        .filteredOn(f -> f.severity() == Finding.Severity.LOSS)
        .extracting(Finding::message)
        .contains(
            "3 pictures are not beside the file and cannot be shown; nothing is fetched from the web.",
            "1 film, drawing or page inside the page was left out.");
  }

  private static Document rich() {
    return Rich.varied(4, 60);
  }

  private Path written(Document d) throws Exception {
    Path file = folder.resolve("b.html");
    try (OutputStream out = Files.newOutputStream(file)) {
      HtmlFile.write(d, out);
    }
    return file;
  }

  @Test
  void aDocumentIsOnePageThatReadsBack() throws Exception {
    for (Document d : List.of(rich(), Samples.demo("Winter storage notice.docx").document())) {
      Path file = written(d);
      assertThat(HtmlVerifier.verify(file, d)).allMatch(Check::passed);
      assertThat(Files.readString(file))
          .startsWith("<!doctype html>")
          .contains("charset=\"utf-8\"");
      Document back = HtmlFile.read(ReadRequest.of(file)).document();
      assertThat(headings(back)).isEqualTo(headings(d));
      assertThat(pictures(back)).isEqualTo(pictures(d));
    }
    assertThat(LeftOut.of(rich(), Formats.of("html").orElseThrow()))
        .as("that it runs in one")
        .hasSize(2)
        .allMatch(s -> s.startsWith("The places of 13") || s.startsWith("Columns"));
  }

  private static List<String> headings(Document d) {
    return d.paragraphs().stream()
        .filter(p -> d.styles().paragraphLook(p.look()).value(ParagraphTraits.HEADING_LEVEL) > 0)
        .map(Paragraph::text)
        .toList();
  }

  private static long pictures(Document d) {
    return d.paragraphs().stream()
        .flatMap(p -> p.inlines().stream())
        .filter(i -> i instanceof Inline.Picture)
        .count();
  }

  /** Labels that HTML cannot write stand as text; numbers go on where they do in the document. */
  @Test
  void itemsShowTheNumbersThatTheyHave() throws Exception {
    var rich = new Rich();
    rich.section(
        decant.model.PageSetup.A4,
        decant.model.Section.Start.NEW_PAGE,
        java.util.Map.of(),
        List.of(
            rich.item("l", 0, "one"),
            rich.item("l", 1, "below"),
            Samples.paragraph("between"),
            rich.item("l", 0, "two")));
    Document d = rich.document();
    assertThat(ListLabels.of(d).values()).containsExactlyInAnyOrder("1.", "a)", "2.");
    var items = Jsoup.parse(Files.readString(written(d))).select("li");
    assertThat(items.eachAttr("value")).containsExactly("1", "2");
    assertThat(items.get(1).text()).isEqualTo("a) below");
  }

  /** What follows a list without a paragraph between is a list of its own. */
  @Test
  void listsThatMeetStayTwo() throws Exception {
    var rich = new Rich();
    rich.section(
        decant.model.PageSetup.A4,
        decant.model.Section.Start.NEW_PAGE,
        rich.item("a", 0, "Item 2"),
        rich.item("a", 1, "below"),
        rich.item("b", 0, "other"));
    Document d = rich.document();
    Path file = written(d);
    assertThat(Jsoup.parse(Files.readString(file)).select("body > ol")).hasSize(2);
    assertThat(HtmlVerifier.verify(file, d)).allMatch(Check::passed);
    Document back = HtmlFile.read(ReadRequest.of(file)).document();
    assertThat(ListLabels.of(back).values()).containsExactlyInAnyOrder("1.", "1.");
  }

  /** A numbered heading is a heading, its number before it. */
  @Test
  void numberedHeadingsAreHeadings() throws Exception {
    var rich = new Rich();
    Paragraph p = rich.item("l", 0, "Mooring");
    rich.section(
        decant.model.PageSetup.A4,
        decant.model.Section.Start.NEW_PAGE,
        p.withLook(p.look().with(ParagraphTraits.HEADING_LEVEL, 2)),
        Samples.paragraph("Fees"));
    Path file = written(rich.document());
    assertThat(Jsoup.parse(Files.readString(file)).select("h2").text()).isEqualTo("1. Mooring");
    assertThat(HtmlVerifier.verify(file, rich.document())).allMatch(Check::passed);
  }

  /** What stands in a box comes after its paragraph, as paragraphs and tables of its own. */
  @Test
  void boxesStandAfterTheirParagraphs() throws Exception {
    var rich = new Rich();
    var inline = decant.model.look.Placement.INLINE;
    rich.section(
        decant.model.PageSetup.A4,
        decant.model.Section.Start.NEW_PAGE,
        Rich.of(
            Rich.text("Before"),
            rich.box(
                90,
                40,
                inline,
                Samples.heading(2, "Tides"),
                Samples.table(new String[] {"High", "Low"}),
                Rich.of(Rich.text("in"), rich.box(20, 20, inline, Samples.paragraph("inner")))),
            Rich.text("after")),
        Rich.of(
            Rich.text("in one "),
            Rich.text("wo"),
            rich.box(
                20,
                20,
                Rich.beside(decant.model.look.Placement.Wrap.AROUND, 0, 0),
                Samples.paragraph("beside")),
            Rich.text("rd")));
    Document d = rich.document();
    Path file = written(d);
    var body = Jsoup.parse(Files.readString(file)).body();
    assertThat(body.children().eachText())
        .containsExactly("Before after", "Tides High Low in inner", "in one word", "beside");
    assertThat(body.select("div > h2, div > table, div > div")).hasSize(3);
    assertThat(HtmlVerifier.verify(file, d)).allMatch(Check::passed);
  }

  /** A picture of a kind that browsers do not show goes along as one that they do. */
  @Test
  void picturesAreOfKindsThatAreShown() throws Exception {
    var tiff = new java.io.ByteArrayOutputStream();
    javax.imageio.ImageIO.write(new java.awt.image.BufferedImage(5, 4, 1), "tiff", tiff);
    var m = decant.model.look.Media.of("image/tiff", tiff.toByteArray());
    Document d =
        Samples.document(m, Rich.of(new Inline.Picture(m.id(), 20, 16, "the quay", Look.PLAIN)));
    Path file = written(d);
    assertThat(Jsoup.parse(Files.readString(file)).select("img").attr("src"))
        .startsWith("data:image/png;base64,");
  }

  /** By the roles of W3C's Digital Publishing WAI-ARIA Module 1.1. */
  @Test
  void notesAndPlacesComeIn() throws Exception {
    Document d =
        taken(
                """
                <html><body><h2 id="fees">Fees</h2><p>See <a href="#fees">above</a>, <a href="#none">nowhere</a>
                <sup><a role="doc-noteref" href="#n1">1</a></sup> and
                <a role="doc-noteref" href="#e1">i</a>, <a role="doc-noteref" href="#n1">again 1</a>.</p>
                <ol><li>one</li><li value="7">seven</li><li style="list-style-type:none">bare</li></ol>
                <aside id="n1" role="doc-footnote">As of <b>March</b>. <a role="doc-backlink" href="#r1">back</a></aside>
                <section role="doc-endnotes"><div id="e1" role="doc-endnote"><p>At the end</p></div>
                <div id="e2" role="doc-endnote">Called by nobody</div></section></body></html>
                """)
            .document();
    assertThat(texts(d)).contains("Fees", "Called by nobody").doesNotContain("At the end");
    Paragraph fees = d.paragraphs().getFirst();
    assertThat(fees.look().value(ParagraphTraits.BOOKMARKS)).containsExactly("fees");
    Paragraph see = d.paragraphs().get(1);
    assertThat(
            see.inlines().stream().map(i -> i.look().get(TextTraits.LINK)).flatMap(o -> o.stream()))
        .contains(new decant.model.look.Link.Internal("fees"));
    var notes =
        see.inlines().stream()
            .filter(i -> i instanceof Inline.NoteMark)
            .map(i -> d.stories().get(((Inline.NoteMark) i).note()))
            .toList();
    assertThat(notes)
        .extracting(decant.model.Story::kind)
        .containsExactly(decant.model.Story.Kind.FOOTNOTE, decant.model.Story.Kind.ENDNOTE);
    assertThat(((Paragraph) notes.getFirst().blocks().getFirst()).text()).endsWith("As of March.");
    assertThat(see.text()).contains("again 1").doesNotContain("March");
    var labels = ListLabels.of(d);
    assertThat(d.paragraphs().stream().map(p -> labels.getOrDefault(p.id(), "") + " " + p.text()))
        .contains("1. one", "7. seven", " bare");
  }

  @ParameterizedTest
  @CsvSource({"High water,Low water", "<h1,<h4", "<img,<br", "<table,<div"})
  void theVerifierSeesWhatChanged(String was, String is) throws Exception {
    var rich = new Rich();
    rich.section(
        decant.model.PageSetup.A4,
        decant.model.Section.Start.NEW_PAGE,
        java.util.Map.of(),
        List.of(
            Samples.heading(1, "High water"),
            Samples.table(new String[] {"a", "b"}, new String[] {"c", "d"}),
            Rich.of(rich.picture(10, 10, decant.model.look.Placement.INLINE))));
    Document d = rich.document();
    Path file = written(d);
    assertThat(HtmlVerifier.verify(file, d)).allMatch(Check::passed);
    String page = Files.readString(file);
    Files.writeString(file, page.replace(was, is));
    assertThat(HtmlVerifier.verify(file, d)).anyMatch(c -> !c.passed());
  }
}
