package decant.compare;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Formats;
import decant.model.Document;
import decant.model.Paragraph;
import decant.reading.ReadRequest;
import decant.work.Deadline;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A document beside the PDF that Decant published of it: nothing differs. */
class OwnEditionTest {
  @TempDir Path folder;

  private static final List<String> TITLES =
      List.of("Berths and their rules", "Winter storage", "Mooring charges");

  /**
   * Contents with dots that lead to the pages of headings, words with hyphens of their own, no
   * heading of level 1.
   */
  private static String markup() {
    String names =
        List.of("office", "style", "text").stream()
            .map(n -> " xmlns:" + n + "=\"urn:oasis:names:tc:opendocument:xmlns:" + n + ":1.0\"")
            .collect(Collectors.joining());
    var b = new StringBuilder("<?xml version=\"1.0\"?><office:document" + names);
    b.append(" xmlns:xlink=\"http://www.w3.org/1999/xlink\"")
        .append(" xmlns:fo=\"urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0\"")
        .append(" office:mimetype=\"application/vnd.oasis.opendocument.text\">")
        .append(
            "<office:automatic-styles><style:style style:name=\"E\" style:family=\"paragraph\">")
        .append("<style:paragraph-properties><style:tab-stops><style:tab-stop")
        .append(" style:position=\"15cm\" style:type=\"right\" style:leader-style=\"dotted\"")
        .append(" style:leader-text=\".\"/></style:tab-stops></style:paragraph-properties>")
        .append("</style:style><style:style style:name=\"C\" style:family=\"paragraph\">")
        .append("<style:text-properties fo:text-transform=\"uppercase\"/></style:style>")
        .append("</office:automatic-styles><office:body><office:text>");
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
    return b.append("</office:text></office:body></office:document>").toString();
  }

  @Test
  void contentsLinksHyphensAndLevelsComeBackAsTheyWere() throws Exception {
    Path source = Files.writeString(folder.resolve("rules.fodt"), markup());
    Document d =
        Formats.reader(Formats.recognise(source))
            .orElseThrow()
            .read(ReadRequest.of(source))
            .document();
    var layout = Samples.layout(d);
    Path published =
        Files.write(folder.resolve("rules.pdf"), Samples.pdf(layout, Samples.choices(layout)));
    Document back =
        Formats.reader(Formats.recognise(published))
            .orElseThrow()
            .read(ReadRequest.of(published))
            .document();
    assertThat(back.paragraphs()).extracting(Paragraph::text).noneMatch(t -> t.startsWith("..."));
    assertThat(back.sections().getFirst().running()).isEmpty();
    assertThat(back.paragraphs().getFirst().text()).startsWith(TITLES.getFirst() + "\t");
    assertThat(back.paragraphs().getLast().text()).isEqualTo("DOUBLED LINES AT ALL BERTHS");
    Deadline deadline = Deadline.in(Duration.ofMinutes(1));
    try (TakenApart a = TakenApart.of(ReadRequest.of(source), deadline);
        TakenApart b = TakenApart.of(ReadRequest.of(published), deadline)) {
      assertThat(Comparison.of(a, b)).isEmpty();
    }
  }
}
