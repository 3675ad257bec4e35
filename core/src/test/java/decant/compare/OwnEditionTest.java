package decant.compare;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Document;
import decant.model.Paragraph;
import decant.office.odf.FlatOdt;
import decant.reading.ReadRequest;
import decant.work.Deadline;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A document beside the PDF that Decant published of it: nothing differs. */
class OwnEditionTest {
  @TempDir Path folder;

  private static final List<String> TITLES =
      List.of("Berths and their rules", "Winter storage", "Mooring charges");

  private static final String LOOKS =
      """
      <style:style style:name="E" style:family="paragraph"><style:paragraph-properties>
        <style:tab-stops><style:tab-stop style:position="15cm" style:type="right"
          style:leader-style="dotted" style:leader-text="."/></style:tab-stops>
      </style:paragraph-properties></style:style>
      <style:style style:name="C" style:family="paragraph">
        <style:text-properties fo:text-transform="uppercase"/></style:style>
      """;

  /**
   * Contents with dots that lead to the pages of headings, words with hyphens of their own, no
   * heading of level 1.
   */
  private static String rules() {
    var b = new StringBuilder();
    for (int k = 0; k < 3; k++) {
      String a = "<text:a xlink:href=\"#" + (k + 1) + "." + TITLES.get(k) + "|outline\">";
      b.append("<text:p text:style-name=\"E\">" + a + TITLES.get(k) + "</text:a><text:tab/>")
          .append(a + "1</text:a></text:p>");
    }
    String words =
        IntStream.range(0, 60)
            .mapToObj(k -> k % 3 == 0 ? "out-houses" : k % 3 == 1 ? "over-exertion" : "and")
            .collect(Collectors.joining(" "));
    TITLES.forEach(t ->
        b.append("<text:h text:outline-level=\"2\">" + t + "</text:h>")
            .append("<text:p>" + words + "</text:p>"));
    b.append("<text:p text:style-name=\"C\">Doubled lines at all berths</text:p>");
    return b.toString();
  }

  /** A document whose pages all have something above or below their text. */
  private Path withRunning(String layout, String running, String text) throws IOException {
    return FlatOdt.write(
        folder.resolve("running.fodt"),
        "",
        "<style:page-layout style:name=\"L\">" + layout + "</style:page-layout>",
        "<style:master-page style:name=\"Standard\" style:page-layout-name=\"L\">"
            + running
            + "</style:master-page>",
        text);
  }

  @Test
  void contentsLinksHyphensAndLevelsComeBackAsTheyWere() throws Exception {
    Path source = FlatOdt.write(folder.resolve("rules.fodt"), "", LOOKS, "", rules());
    Path published = Files.write(folder.resolve("rules.pdf"), published(source));
    Document back = Samples.taken(published).document();
    assertThat(back.paragraphs()).extracting(Paragraph::text).noneMatch(t -> t.startsWith("..."));
    assertThat(back.sections().getFirst().running()).isEmpty();
    assertThat(back.paragraphs().getFirst().text()).startsWith(TITLES.getFirst() + "\t");
    assertThat(back.paragraphs().getLast().text()).isEqualTo("DOUBLED LINES AT ALL BERTHS");
    assertSame(source, published);
  }

  /** What stands at the foot of every page is published again when the PDF is taken in. */
  @Test
  void runningTextsArePublishedAgain() throws Exception {
    String text =
        IntStream.range(0, 300)
            .mapToObj(k -> "<text:p>Berth " + k + " is let for one season.</text:p>")
            .collect(Collectors.joining());
    Path source =
        withRunning(
            "<style:footer-style><style:header-footer-properties fo:margin-top=\"1cm\""
                + " fo:min-height=\"1cm\"/></style:footer-style>",
            "<style:footer><text:p>Harbour office, page <text:page-number/></text:p>"
                + "<text:p>17 Dec 2026<text:tab/><text:tab/><text:page-number/></text:p></style:footer>",
            text);
    byte[] first = published(source);
    int pages = offices(first).size();
    assertThat(pages).isGreaterThan(3);
    Path berths = Files.write(folder.resolve("berths.pdf"), first);
    byte[] again = published(berths);
    assertSame(source, berths);
    assertThat(offices(again))
        .isEqualTo(
            IntStream.rangeClosed(1, pages).mapToObj(k -> "Harbour office, page " + k).toList());
    // Of a part of it, the tags of the other pages lead nowhere.
    try (PDDocument some = Loader.loadPDF(first)) {
      some.removePage(pages - 1);
      some.removePage(0);
      some.save(folder.resolve("some.pdf").toFile());
    }
    assertThat(offices(published(folder.resolve("some.pdf")))).hasSize(pages - 2);
  }

  /** A header may say a word that stands in the first row of a table, too. */
  @Test
  void aHeaderThatSaysAWordOfATableStays() throws Exception {
    String row =
        "<table:table-row><table:table-cell><text:p>Harbour office</text:p></table:table-cell>"
            + "<table:table-cell><text:p>Berth</text:p></table:table-cell></table:table-row>";
    Path source =
        withRunning(
            "<style:header-style/>",
            "<style:header><text:p>Harbour office</text:p></style:header>",
            "<text:p>Rules</text:p><table:table>"
                + "<table:table-column table:number-columns-repeated=\"2\"/>"
                + row.repeat(3)
                + "</table:table>");
    byte[] first = published(source);
    assertThat(offices(first)).hasSizeGreaterThan(1);
    byte[] again = published(Files.write(folder.resolve("table.pdf"), first));
    assertThat(offices(again)).hasSameSizeAs(offices(first));
  }

  /** Small capitals, a mark of no width, and a header on the first page alone. */
  @Test
  void whatPagesHaveInTheirOwnWayDoesNotDiffer() throws Exception {
    Path source =
        FlatOdt.write(
            folder.resolve("small.fodt"),
            "",
            "<style:page-layout style:name=\"L\"><style:header-style/></style:page-layout>"
                + "<style:style style:name=\"S\" style:family=\"paragraph\">"
                + "<style:text-properties fo:font-variant=\"small-caps\"/></style:style>"
                + "<style:style style:name=\"N\" style:family=\"paragraph\">"
                + "<style:paragraph-properties fo:break-before=\"page\"/></style:style>",
            "<style:master-page style:name=\"Standard\" style:page-layout-name=\"L\">"
                + "<style:header-first><text:p>Harbour office</text:p></style:header-first>"
                + "<style:header><text:p/></style:header></style:master-page>",
            "<text:p text:style-name=\"S\">Saltmarsh Quay</text:p><text:p>\uFEFFBerth rules</text:p>"
                + "<text:p text:style-name=\"N\">The end</text:p>");
    Path published = Files.write(folder.resolve("small.pdf"), published(source));
    assertThat(offices(Files.readAllBytes(published))).hasSize(1);
    Document back = Samples.taken(published).document();
    assertThat(back.paragraphs()).extracting(Paragraph::text).doesNotContain("Harbour office");
    assertSame(source, published);
  }

  private static void assertSame(Path source, Path published) throws Exception {
    Deadline deadline = Deadline.in(Duration.ofMinutes(1));
    try (TakenApart a = TakenApart.of(ReadRequest.of(source), deadline);
        TakenApart b = TakenApart.of(ReadRequest.of(published), deadline)) {
      assertThat(Comparison.of(a, b)).isEmpty();
    }
  }

  private static byte[] published(Path source) throws IOException {
    var layout = Samples.layout(Samples.taken(source).document());
    return Samples.pdf(layout, Samples.choices(layout));
  }

  private static List<String> offices(byte[] pdf) throws Exception {
    try (PDDocument d = Loader.loadPDF(pdf)) {
      return new PDFTextStripper()
          .getText(d)
          .lines()
          .map(String::strip)
          .filter(l -> l.startsWith("Harbour office"))
          .toList();
    }
  }
}
